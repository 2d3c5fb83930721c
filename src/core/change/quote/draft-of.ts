import { currentQuote, type JobRecord, type Quote, type QuoteLine, type QuoteLineId } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, refuseChanged, requireStation } from '../decision';

/** The draft that a change is meant for, as the person saw it. */
export function draftOf(record: JobRecord, basedOn: number, yours: unknown): Quote {
  requireStation(record, 'quote');
  const quote = currentQuote(record);
  if (quote?.state !== 'draft') return refuse('wrong-state', reason('no-draft'));
  if (quote.version !== basedOn)
    refuseChanged({ version: quote.version, lines: quote.lines }, yours, reason('other-changed-quote'));
  return quote;
}

/** A line of the draft. */
export function lineOf(quote: Quote, lineId: QuoteLineId): QuoteLine {
  return quote.lines.find((line) => line.id === lineId) ?? refuse('not-found', reason('unknown-line'));
}

/** The rows of a draft of which one line changes or is added at the end. */
export function putLine({ lines, ...quote }: Quote, line: QuoteLine): readonly Put[] {
  const at = lines.findIndex((one) => one.id === line.id);
  const position = at < 0 ? lines.length : at;
  return [
    put('quote', { ...quote, version: quote.version + 1 }),
    put('quoteLine', { ...line, quoteId: quote.id, position }),
  ];
}
