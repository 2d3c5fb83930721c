import { currentQuote, type Approval, type JobRecord, type QuoteKind, type QuoteLine } from '../record';

/**
 * The answers that count: the last one to the quote, whichever revision it answers, and the last one to each supplement.
 */
export function countingApprovals({ approvals, quotes }: Pick<JobRecord, 'approvals' | 'quotes'>): readonly Approval[] {
  const of = (kind: QuoteKind) => new Set(quotes.filter((quote) => quote.kind === kind).map(({ id }) => id));
  const [whole, added] = [of('quote'), of('supplement')];
  const main = approvals.findLast(({ quoteId }) => whole.has(quoteId));
  const later = [...added].flatMap((id) => approvals.findLast(({ quoteId }) => quoteId === id) ?? []);
  return main ? [main, ...later] : later;
}

/** The approved lines of the quote that was answered last, and of the supplements; nothing before an answer. */
export function approvedLines(record: Pick<JobRecord, 'approvals' | 'quotes'>): readonly QuoteLine[] {
  return countingApprovals(record).flatMap(({ quoteId, decisions }) => {
    const lines = record.quotes.find(({ id }) => id === quoteId)?.lines ?? [];
    return lines.filter((line) => line.struckReason === null && decisions[line.id] === 'approved');
  });
}

export function hasQuoteAnswer(record: JobRecord): boolean {
  const quote = currentQuote(record);
  return Boolean(quote && record.approvals.some((approval) => approval.quoteId === quote.id));
}
