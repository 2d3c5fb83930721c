import * as z from 'zod';
import { costsOf } from '@/core/purchasing';
import { lineTotalMinor } from '@/core/quoting';
import { approvedLines } from '@/core/supply';
import type { JobRecord } from '@/core/record';
import { findShopOrder, listOpenTags, listReadyTags, listStock, listWorked, readShop, type Connection } from '@/db';
import { findJob } from '../find-job';
import { defineUseCase } from '../use-case';

/** The newest pumps that went out, of which quoted is set against true. */
const newest = 24;

const approvedMinor = (record: JobRecord) => approvedLines(record).reduce((sum, line) => sum + lineTotalMinor(line), 0);

/** What one pump was quoted to cost the shop, and what it came to; null where either is not known of any kind of cost. */
async function costOf(
  connection: Connection,
  tag: string,
  { stock, wageMinorPerHour }: { stock: Awaited<ReturnType<typeof listStock>>; wageMinorPerHour: number | null },
) {
  const { record, family } = await findJob(connection, tag);
  const [worked, ...orders] = await Promise.all([
    listWorked(connection, tag),
    ...record.orders.map(({ number }) => findShopOrder(connection, number)),
  ]);
  const workedMinutes = worked.reduce((sum, { seconds }) => sum + seconds / 60, 0);
  const known = orders.filter((order) => order !== null);
  const both = costsOf({ record, family, orders: known, stock, wageMinorPerHour, workedMinutes }).flatMap(
    ({ quotedMinor, trueMinor }) => (quotedMinor === null || trueMinor === null ? [] : [{ quotedMinor, trueMinor }]),
  );
  if (!both.length) return null;
  const sum = (field: 'quotedMinor' | 'trueMinor') => both.reduce((all, one) => all + one[field], 0);
  return { tag, soldMinor: approvedMinor(record), quotedMinor: sum('quotedMinor'), trueMinor: sum('trueMinor') };
}

/** Money: what is approved and not out yet, and of the newest that went out what they cost against what was quoted. */
export const readMoney = defineUseCase({
  verb: 'read-money',
  audience: ['coordinator'],
  input: z.strictObject({}),
  async run({ database }) {
    const [shop, stock, open, ready] = await Promise.all([
      readShop(database),
      listStock(database),
      listOpenTags(database),
      listReadyTags(database, newest),
    ]);
    const inWork: { readonly tag: string; readonly minor: number }[] = [];
    for (const tag of open) {
      const { record } = await findJob(database, tag);
      if (!record.returned) inWork.push({ tag, minor: approvedMinor(record) });
    }
    const costs: NonNullable<Awaited<ReturnType<typeof costOf>>>[] = [];
    for (const tag of ready) {
      const cost = await costOf(database, tag, { stock, wageMinorPerHour: shop?.settings.wageMinorPerHour ?? null });
      if (cost) costs.push(cost);
    }
    return { currency: shop?.currency ?? 'EUR', inWork: inWork.filter(({ minor }) => minor > 0), costs };
  },
});
export type MoneyShown = Awaited<ReturnType<typeof readMoney.run>>;
