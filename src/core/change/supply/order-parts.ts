import { needsOf, toOrder, type Need } from '../../supply';
import { partsAtRisk, unsettledDecline, type AtRisk } from '../../quoting';
import { currentQuote, type JobRecord, type OrderId, type OrderLineId } from '../../record';
import { formatMoney } from '../../units';
import type { Family } from '../../family';
import { schoolOf } from '../../policies';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { OrderParts } from '../inputs';

interface Facts {
  readonly number: string;
  readonly supplier: string;
}

/** What somebody allows to be ordered before the customer has answered, if it is worth no more than they say. */
function allowedAtRisk(record: JobRecord, family: Family, { limitMinor }: NonNullable<OrderParts['atRisk']>): AtRisk {
  requireStation(record, 'quote', 'approve');
  if (schoolOf(record, 'parts before approval') === 'never' && !record.agreement)
    refuse('wrong-state', reason('at-risk-never', { tag: record.tag }), 'atRisk');
  const risk = partsAtRisk(record, family);
  if (!risk) return refuse('wrong-state', reason(currentQuote(record) ? 'at-risk-too-late' : 'no-draft'));
  const currency = currentQuote(record)?.currency ?? '';
  const money = (minor: number) => formatMoney({ minor, currency });
  if (risk.valueMinor > limitMinor)
    refuse(
      'bad-input',
      reason('at-risk-above', { value: money(risk.valueMinor), limit: money(limitMinor) }),
      'atRisk.limitMinor',
    );
  return risk;
}

/** What the approved lines need and nobody has ordered; nothing while a critical decline is open. */
function approvedNeeds(record: JobRecord, family: Family): readonly Need[] {
  requireStation(record, 'parts', 'rebuild', 'test');
  const open = unsettledDecline(record);
  if (open)
    refuse('wrong-state', reason('decline-unsettled', { lines: open.lines.map(({ description }) => description) }));
  return toOrder(needsOf(record, family));
}

/**
 * Orders everything that the approved lines need and that is not ordered yet; before the answer, what is advised, at
 * the risk of a named person. It goes to the supplier after the commit.
 */
export const orderParts: Decider<OrderParts, { readonly number: string }, Facts> = (
  { record, family, who, newId, facts },
  { atRisk },
) => {
  const risk = atRisk && allowedAtRisk(record, family, atRisk);
  const open = risk?.needs ?? approvedNeeds(record, family);
  if (!open.length) refuse('wrong-state', reason('all-ordered'));
  const orderId = newId<OrderId>();
  const { number, supplier } = facts;
  const atRiskMinor = risk?.valueMinor ?? null;
  const lines = open.map((need) =>
    put('orderLine', {
      ...{ id: newId<OrderLineId>(), orderId, partRef: need.ref, number: need.number, sent: 0 },
      quantity: need.quantity - need.ordered,
    }),
  );
  const order = { id: orderId, number, supplier, acknowledgement: null, dueOn: null, atRiskMinor, ...who };
  return {
    puts: [put('order', order), ...lines],
    note: { number, lines: lines.length, ...(atRisk && { atRiskMinor, reason: atRisk.reason }) },
    result: { number },
    outbox: [{ kind: 'send-order', orderId }],
  };
};
