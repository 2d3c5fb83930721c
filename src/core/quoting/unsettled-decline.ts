import { countingApprovals } from '../supply';
import type { Approval, JobRecord, QuoteLine } from '../record';

export interface CriticalDecline {
  readonly approval: Approval;
  readonly lines: readonly QuoteLine[];
}

/** Answers that count and decline something without which the pump may fail, each with these lines. */
export function criticalDeclines(record: Pick<JobRecord, 'approvals' | 'quotes'>): readonly CriticalDecline[] {
  return countingApprovals(record).flatMap((approval) => {
    const { decisions } = approval;
    if (!Object.values(decisions).includes('approved') && isWhole(record, approval)) return [];
    const quoted = record.quotes.find(({ id }) => id === approval.quoteId)?.lines ?? [];
    const lines = quoted.filter(({ id, critical }) => critical && decisions[id] === 'declined');
    return lines.length ? [{ approval, lines }] : [];
  });
}

/** An answer to the quote of the whole repair: where all of it is declined the pump goes back anyway. */
const isWhole = ({ quotes }: Pick<JobRecord, 'quotes'>, { quoteId }: Approval) =>
  quotes.some(({ id, kind }) => id === quoteId && kind === 'quote');

/** The first critical decline about which the shop has not said what it does; null where there is none. */
export function unsettledDecline(record: Pick<JobRecord, 'approvals' | 'quotes' | 'declines'>): CriticalDecline | null {
  const settled = new Set(record.declines.map(({ approvalId }) => approvalId));
  return criticalDeclines(record).find(({ approval }) => !settled.has(approval.id)) ?? null;
}
