import { closedSteps } from '../bench';
import type { Family } from '../family';
import { needsOf, type Need } from '../supply';
import {
  comesBefore,
  supplementsOf,
  currentQuote,
  type JobRecord,
  type LineDecision,
  type Quote,
  type QuoteLine,
  type ScopeStanding,
  type Station,
} from '../record';
import { proposeScope } from './propose-scope';
import type { ScopeItem } from './scope-item';

/** An item with how far it is, and the line that offers it. */
export interface StandingItem extends ScopeItem {
  readonly standing: ScopeStanding;
  readonly line: QuoteLine | null;
  /** The quote or supplement that it stands in; null while it is only proposed. */
  readonly quote: Pick<Quote, 'kind' | 'revision'> | null;
}

interface Offered {
  readonly quote: Quote;
  readonly line: QuoteLine;
  readonly decision: LineDecision | null;
}

/** Quotes that count: the last revision of the quote, and every supplement that is not taken back. */
const counting = (record: JobRecord): readonly Quote[] =>
  [currentQuote(record), ...supplementsOf(record)].filter(
    (quote) => quote !== null && quote.state !== 'superseded',
  ) as Quote[];

/** Every line that offers something, with what was decided on it last. */
function offersOf(record: JobRecord): readonly Offered[] {
  return counting(record).flatMap((quote) => {
    const approval = record.approvals.findLast(({ quoteId }) => quoteId === quote.id);
    return quote.lines
      .filter(({ struckReason }) => struckReason === null)
      .map((line) => ({ quote, line, decision: approval?.decisions[line.id] ?? null }));
  });
}

/** The item of a line that nothing in the record proposes: made by hand, or of what was found otherwise since. */
const itemOfLine = ({ line }: Offered, key: string): ScopeItem => ({
  ...{ key, action: 'work', title: line.description, partRef: null, parts: line.parts, findingIds: line.findingIds },
  ...{ policy: null, reason: '', source: line.kind === 'part' ? 'bought' : 'our own hands', work: [] },
  ...{ levels: line.options, instead: line.instead, critical: line.critical, stepIds: [] },
});

const isDoneAt: Readonly<Record<string, Station>> = {
  teardown: 'clean',
  clean: 'inspect',
  inspect: 'quote',
  rebuild: 'test',
  test: 'report',
  report: 'return',
};

/** Whether the work on an item is done: its steps of this rebuild are closed, or its station is passed. */
function isDone(record: JobRecord, family: Family, { stepIds, key }: ScopeItem): boolean {
  const task = family.labour.find(({ id }) => `work:${id}` === key);
  const after = task && isDoneAt[task.station];
  if (task) return after !== undefined && !comesBefore(record.station, after);
  const closed = closedSteps(record, family);
  if (stepIds.length) return stepIds.every((id) => closed.has(id));
  return !comesBefore(record.station, 'test');
}

const isHere = (needs: readonly Need[], { parts }: ScopeItem) =>
  parts.every(({ ref }) => {
    const need = needs.find((one) => one.ref === ref);
    return need !== undefined && need.received >= need.quantity;
  });

function standingOf(
  item: ScopeItem,
  offers: readonly Offered[],
  given: { record: JobRecord; family: Family; needs: readonly Need[] },
): ScopeStanding {
  const { record, family, needs } = given;
  if (offers.some(({ decision }) => decision === 'approved')) {
    if (isDone(record, family, item)) return 'done';
    return item.parts.length && isHere(needs, item) ? 'supplied' : 'approved';
  }
  if (offers.some(({ decision }) => decision !== null)) return 'declined';
  if (!offers.length && item.source === 'kept' && isDone(record, family, item)) return 'done';
  return offers.some(({ quote }) => quote.state === 'sent') ? 'offered' : 'proposed';
}

/** The lines that offer an item: its own, or those that offer it among others. */
function offersFor({ key }: ScopeItem, offers: readonly Offered[]): readonly Offered[] {
  const own = offers.filter(({ line }) => (line.key || line.id) === key);
  return own.length ? own : offers.filter(({ line }) => line.itemKeys.includes(key));
}

/**
 * The scope of a job as it stands: every item that the record proposes or a line offers, with how far it is. Reckoned
 * from findings, quotes, answers, receipts and steps; nothing of it is kept a second time.
 */
export function scopeOf(record: JobRecord, family: Family): readonly StandingItem[] {
  const offers = offersOf(record);
  const proposed = proposeScope({ family, record });
  const known = new Set(proposed.map(({ key }) => key));
  const own = offers.flatMap((offer) =>
    (offer.line.itemKeys.length ? offer.line.itemKeys : [offer.line.key || offer.line.id])
      .filter((key) => !known.has(key))
      .map((key) => itemOfLine(offer, key)),
  );
  const items = [...proposed, ...new Map(own.map((item) => [item.key, item])).values()];
  const needs = needsOf(record, family);
  return items.map((item) => {
    const mine = offersFor(item, offers);
    const shown = mine.find(({ decision }) => decision === 'approved') ?? mine.at(-1);
    const quote = shown ? { kind: shown.quote.kind, revision: shown.quote.revision } : null;
    return { ...item, standing: standingOf(item, mine, { record, family, needs }), line: shown?.line ?? null, quote };
  });
}
