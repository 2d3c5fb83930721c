import type { Family, Step } from '../family';
import {
  currentQuote,
  type Approval,
  type BenchPhase,
  type JobRecord,
  type QuoteKind,
  type QuoteLine,
} from '../record';

export interface Need {
  readonly ref: string;
  readonly name: string;
  readonly number: string;
  readonly quantity: number;
  readonly ordered: number;
  readonly received: number;
  readonly dueOn: string | null;
  readonly leadDays: number;
}

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

/** What must be bought for a job: the parts of the approved lines, with what is ordered and what has arrived. */
export function needsOf(record: Pick<JobRecord, 'approvals' | 'quotes' | 'orders'>, family: Family): readonly Need[] {
  return needsOfLines(approvedLines(record), record, family);
}

/** What must be bought for some lines of a quote, with what is ordered and what has arrived. */
export function needsOfLines(
  lines: readonly Pick<QuoteLine, 'parts'>[],
  record: Pick<JobRecord, 'orders'>,
  family: Family,
): readonly Need[] {
  const wanted = new Map<string, number>();
  for (const line of lines) for (const { ref, qty } of line.parts) wanted.set(ref, (wanted.get(ref) ?? 0) + qty);
  const orderLines = record.orders.flatMap((order) => order.lines.map((line) => ({ ...line, dueOn: order.dueOn })));
  return [...wanted].map(([ref, quantity]) => {
    const part = family.parts.find((one) => one.ref === ref);
    const own = orderLines.filter((line) => line.partRef === ref);
    const sum = (key: 'quantity' | 'received') => own.reduce((total, line) => total + line[key], 0);
    const dates = own
      .filter((line) => line.received < line.quantity)
      .flatMap((line) => (line.dueOn ? [line.dueOn] : []));
    return {
      ref,
      name: part?.name ?? ref,
      number: part?.number ?? '',
      quantity,
      ordered: sum('quantity'),
      received: sum('received'),
      dueOn: dates.sort().at(-1) ?? null,
      leadDays: part?.lead_days ?? 0,
    };
  });
}

export const toOrder = (needs: readonly Need[]) => needs.filter((need) => need.ordered < need.quantity);
export const awaited = (needs: readonly Need[]) => needs.filter((need) => need.received < need.quantity);

/**
 * Parts without which a step of the bench cannot be done: what it uses up, and, where the pump goes together, what it
 * handles.
 */
export function partsOfStep({ needs, parts }: Pick<Step, 'needs' | 'parts'>, phase: BenchPhase): readonly string[] {
  return phase === 'teardown' ? needs : [...new Set([...needs, ...parts])];
}

/** Of some parts those that are not in the house yet: what was asked for is not received in full. */
export function missingOf(refs: readonly string[], needs: readonly Need[]): readonly Need[] {
  return awaited(needs).filter((need) => refs.includes(need.ref));
}

/** The rebuild steps that need a part: those that use it up, else the first that takes it. */
function stepsThatTake(ref: string, { rebuild }: Pick<Family, 'rebuild'>): readonly Step[] {
  const using = rebuild.filter((step) => step.needs.includes(ref));
  const first = rebuild.find((step) => step.parts.includes(ref));
  return using.length || !first ? using : [first];
}

/** Ids of the rebuild steps that need a part. */
export const stepsNeeding = (family: Pick<Family, 'rebuild'>, ref: string): readonly string[] =>
  stepsThatTake(ref, family).map(({ id }) => id);

/** Titles of the rebuild steps that a short delivery stops. */
export const stepsBlockedBy = (ref: string, family: Pick<Family, 'rebuild'>): readonly string[] =>
  stepsThatTake(ref, family).map(({ title }) => title);

export function hasQuoteAnswer(record: JobRecord): boolean {
  const quote = currentQuote(record);
  return Boolean(quote && record.approvals.some((approval) => approval.quoteId === quote.id));
}
