import type { supply } from '@/core/change';
import type { Family } from '@/core/family';
import { partsAtRisk } from '@/core/quoting';
import type { JobRecord } from '@/core/record';
import { needsOf, toOrder } from '@/core/supply';

/** One order of all that a job needs, or at risk of all that is advised, by the list's numbers. */
export function orderOfAll(
  { record, family }: { readonly record: JobRecord; readonly family: Family },
  number = 'PO-0001',
): supply.OrderFacts {
  const isBefore = record.station === 'quote' || record.station === 'approve';
  const needs = (isBefore && partsAtRisk(record, family)?.needs) || toOrder(needsOf(record, family));
  const shares = needs.map((need) => ({
    ...{ partRef: need.ref, number: need.number },
    quantity: need.quantity - need.ordered,
  }));
  return { orders: shares.length ? [{ number, supplier: 'Sillwater', shares }] : [] };
}
