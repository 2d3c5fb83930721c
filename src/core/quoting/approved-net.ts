import { countingApprovals } from '../supply';
import type { JobRecord } from '../record';
import { totalQuote } from './total-quote';

/** What the customer approved of a job, without tax, in minor units: each answer's lines less the discount on its whole. */
export function approvedNet(record: Pick<JobRecord, 'approvals' | 'quotes'>): number {
  return countingApprovals(record).reduce((sum, { quoteId, decisions }) => {
    const quote = record.quotes.find(({ id }) => id === quoteId);
    if (!quote) return sum;
    const approved = quote.lines.filter(({ id }) => decisions[id] === 'approved');
    return sum + totalQuote(approved, quote).netMinor;
  }, 0);
}
