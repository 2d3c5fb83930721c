import type { Family } from '../family';
import type { JobRecord, QuoteLine } from '../record';
import { approvedLines } from './approved';

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

/** Of some parts those that are not in the house yet: what was asked for is not received in full. */
export function missingOf(refs: readonly string[], needs: readonly Need[]): readonly Need[] {
  return awaited(needs).filter((need) => refs.includes(need.ref));
}
