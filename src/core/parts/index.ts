import type { Family, Step } from '../family';
import { currentQuote, type BenchPhase, type JobRecord } from '../record';

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

/** The approved lines of the quote that was answered last; nothing before an answer. */
export function approvedLines(record: JobRecord) {
  const approval = record.approvals.at(-1);
  const quote = approval && record.quotes.find((one) => one.id === approval.quoteId);
  return quote
    ? quote.lines.filter((line) => line.struckReason === null && approval.decisions[line.id] === 'approved')
    : [];
}

/** What must be bought for a job: the parts of the approved lines, with what is ordered and what has arrived. */
export function needsOf(record: JobRecord, family: Family): readonly Need[] {
  const wanted = new Map<string, number>();
  for (const line of approvedLines(record))
    for (const { ref, qty } of line.parts) wanted.set(ref, (wanted.get(ref) ?? 0) + qty);
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

/** Titles of the rebuild steps that a short delivery stops: those that use a part up, else the first that takes it. */
export function stepsBlockedBy(ref: string, { rebuild }: Pick<Family, 'rebuild'>): readonly string[] {
  const using = rebuild.filter((step) => step.needs.includes(ref));
  const first = rebuild.find((step) => step.parts.includes(ref));
  return (using.length || !first ? using : [first]).map((step) => step.title);
}

export function hasQuoteAnswer(record: JobRecord): boolean {
  const quote = currentQuote(record);
  return Boolean(quote && record.approvals.some((approval) => approval.quoteId === quote.id));
}
