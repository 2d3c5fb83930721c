import * as z from 'zod';
import { approvedNet } from '@/core/quoting';
import { listOpenTags, listReadyTags } from '@/db';
import { findJob } from '../find-job';
import { defineUseCase } from '../use-case';
import { costingShop, costsOfJob } from './read-costs';

/** The newest pumps that went out, of which quoted is set against true. */
const newest = 24;

interface Cost {
  readonly tag: string;
  readonly quotedMinor: number;
  readonly trueMinor: number;
}

/** The sums of the kinds of cost of which both figures are known; null where there is none. */
function costIn(tag: string, costs: Awaited<ReturnType<typeof costsOfJob>>): Cost | null {
  const both = costs.flatMap(({ quotedMinor, trueMinor }) =>
    quotedMinor === null || trueMinor === null ? [] : [{ quotedMinor, trueMinor }],
  );
  if (!both.length) return null;
  const sum = (field: 'quotedMinor' | 'trueMinor') => both.reduce((all, one) => all + one[field], 0);
  return { tag, quotedMinor: sum('quotedMinor'), trueMinor: sum('trueMinor') };
}

/** Money: what is approved and not out yet, and of the newest that went out what they cost against what was quoted. */
export const readMoney = defineUseCase({
  verb: 'read-money',
  audience: ['coordinator'],
  input: z.strictObject({}),
  async run({ database }) {
    const [shop, open, ready] = await Promise.all([
      costingShop(database),
      listOpenTags(database),
      listReadyTags(database, newest),
    ]);
    const inWork: { readonly tag: string; readonly minor: number }[] = [];
    for (const tag of open) {
      const { record } = await findJob(database, tag);
      const minor = record.returned ? 0 : approvedNet(record);
      if (minor > 0) inWork.push({ tag, minor });
    }
    const costs: Cost[] = [];
    for (const tag of ready) {
      const cost = costIn(tag, await costsOfJob(database, tag, shop));
      if (cost) costs.push(cost);
    }
    return { currency: shop.currency, inWork, costs };
  },
});
export type MoneyShown = Awaited<ReturnType<typeof readMoney.run>>;
