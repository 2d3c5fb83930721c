import type { Family } from '../family';
import { needsOfLines, toOrder, type Need } from '../supply';
import { currentQuote, type JobRecord } from '../record';
import { offeredLines } from './total-quote';

/** What would be bought before the customer has answered, and what it costs the shop if the answer is no. */
export interface AtRisk {
  readonly needs: readonly Need[];
  readonly valueMinor: number;
  readonly longestDays: number;
}

/**
 * The parts of what is advised that are not ordered yet, with their value at list price in minor units and the longest
 * days of lead; null where there is no quote that waits.
 */
export function partsAtRisk(record: Pick<JobRecord, 'quotes' | 'orders' | 'sheets'>, family: Family): AtRisk | null {
  const quote = currentQuote(record);
  if (quote?.state !== 'draft' && quote?.state !== 'sent') return null;
  const lines = offeredLines(quote, quote.options.length ? quote.advised : null);
  const needs = toOrder(needsOfLines(lines, record, family));
  const priceOf = new Map(family.parts.map(({ ref, price_minor }) => [ref, price_minor]));
  return {
    needs,
    valueMinor: needs.reduce((sum, need) => sum + (need.quantity - need.ordered) * (priceOf.get(need.ref) ?? 0), 0),
    longestDays: Math.max(0, ...needs.map(({ leadDays }) => leadDays)),
  };
}
