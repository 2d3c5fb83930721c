import * as z from 'zod';
import { tagField } from '@/core/change/inputs';
import { costsOf } from '@/core/purchasing';
import { findShopOrder, listStock, listWorked, readShop, type Connection } from '@/db';
import { findJob } from '../find-job';
import { defineUseCase } from '../use-case';

/** What the costs of every job are reckoned with. */
export async function costingShop(connection: Connection) {
  const [shop, stock] = await Promise.all([readShop(connection), listStock(connection)]);
  return { currency: shop?.currency ?? 'EUR', wageMinorPerHour: shop?.settings.wageMinorPerHour ?? null, stock };
}

/** What a job was quoted to cost the shop and what it came to, by kind of cost. */
export async function costsOfJob(
  connection: Connection,
  tag: string,
  { stock, wageMinorPerHour }: Awaited<ReturnType<typeof costingShop>>,
) {
  const { record, family } = await findJob(connection, tag);
  const numbers = [...new Set(record.orders.map(({ number }) => number))];
  const [worked, ...orders] = await Promise.all([
    listWorked(connection, tag),
    ...numbers.map((number) => findShopOrder(connection, number)),
  ]);
  const known = orders.filter((order) => order !== null);
  const workedMinutes = worked.reduce((sum, { seconds }) => sum + seconds / 60, 0);
  return costsOf({ record, family, orders: known, stock, wageMinorPerHour, workedMinutes });
}

/** What a job costs the shop, quoted beside true. */
export const readCosts = defineUseCase({
  verb: 'read-costs',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run({ database }, { tag }) {
    const shop = await costingShop(database);
    return { currency: shop.currency, costs: await costsOfJob(database, tag, shop) };
  },
});
