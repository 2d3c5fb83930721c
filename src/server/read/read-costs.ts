import * as z from 'zod';
import { tagField } from '@/core/change/inputs';
import { costsOf } from '@/core/purchasing';
import { findShopOrder, listStock, listWorked, readShop } from '@/db';
import { findJob } from '../find-job';
import { defineUseCase } from '../use-case';

/** What a job costs the shop, quoted beside true. */
export const readCosts = defineUseCase({
  verb: 'read-costs',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run({ database }, { tag }) {
    const { record, family } = await findJob(database, tag);
    const numbers = [...new Set(record.orders.map(({ number }) => number))];
    const [orders, stock, shop, worked] = await Promise.all([
      Promise.all(numbers.map((number) => findShopOrder(database, number))),
      listStock(database),
      readShop(database),
      listWorked(database, tag),
    ]);
    const known = orders.filter((order) => order !== null);
    const workedMinutes = worked.reduce((sum, { seconds }) => sum + seconds / 60, 0);
    const wageMinorPerHour = shop?.settings.wageMinorPerHour ?? null;
    return {
      currency: shop?.currency ?? 'EUR',
      costs: costsOf({ record, family, orders: known, stock, wageMinorPerHour, workedMinutes }),
    };
  },
});
