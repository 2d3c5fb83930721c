import { distinctOptions } from '../../quoting';
import {
  currentQuote,
  type JobRecord,
  type OptionLevel,
  type Quote,
  type QuoteId,
  type QuoteLine,
  type QuoteLineId,
  type RowOf,
} from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, refuseChanged, requireStation } from '../decision';

/** Stations at which a supplement can be drawn up, answered and changed. */
export const supplementStations = ['approve', 'parts', 'rebuild', 'test'] as const;

/** The head of a quote, as its own row holds it. */
export function headOfQuote({ lines: _lines, ...head }: Quote): RowOf<'quote'> {
  return head;
}

/** The quote or supplement of a job with an id; the current quote where none is named. */
export function quoteOf(record: JobRecord, quoteId: QuoteId | null): Quote | null {
  return quoteId === null ? currentQuote(record) : (record.quotes.find(({ id }) => id === quoteId) ?? null);
}

interface Meant {
  readonly basedOn: number;
  /** What was sent, to be shown beside what stands there. */
  readonly yours: unknown;
}

function checkDraft(record: JobRecord, quote: Quote | null, { basedOn, yours }: Meant): Quote {
  if (quote?.kind === 'supplement') requireStation(record, ...supplementStations);
  else requireStation(record, 'quote');
  if (quote?.state !== 'draft') return refuse('wrong-state', reason('no-draft'));
  if (quote.version !== basedOn)
    refuseChanged({ version: quote.version, lines: quote.lines }, yours, reason('other-changed-quote'));
  return quote;
}

/** The draft that a change is meant for, as the person saw it: the current quote where none is named. */
export function draftOf(record: JobRecord, quoteId: QuoteId | null, meant: Meant): Quote {
  return checkDraft(record, quoteOf(record, quoteId), meant);
}

/** The draft that a line stands in; the current quote where no draft has it. */
export function draftWith(record: JobRecord, lineId: QuoteLineId, meant: Meant): Quote {
  const holding = record.quotes.find(({ lines }) => lines.some((line) => line.id === lineId));
  return checkDraft(record, holding?.state === 'draft' ? holding : currentQuote(record), meant);
}

/** A line of the draft. */
export function lineOf(quote: Quote, lineId: QuoteLineId): QuoteLine {
  return quote.lines.find((line) => line.id === lineId) ?? refuse('not-found', reason('unknown-line'));
}

/** The options of a draft after its lines changed: one that began to differ is offered, one that was dropped stays so. */
function optionsAfter(quote: Quote, lines: readonly QuoteLine[]): readonly OptionLevel[] {
  const before = distinctOptions(quote.lines);
  const kept = distinctOptions(lines).filter((one) => quote.options.includes(one) || !before.includes(one));
  return quote.options.length === 1 && kept.length === 0 ? quote.options : kept;
}

/** The rows of a draft of which one line changes or is added at the end. */
export function putLine(quote: Quote, line: QuoteLine): readonly Put[] {
  const { lines } = quote;
  const at = lines.findIndex((one) => one.id === line.id);
  const position = at < 0 ? lines.length : at;
  const after = at < 0 ? [...lines, line] : lines.with(at, line);
  return [
    put('quote', { ...headOfQuote(quote), options: optionsAfter(quote, after), version: quote.version + 1 }),
    put('quoteLine', { ...line, quoteId: quote.id, position }),
  ];
}
