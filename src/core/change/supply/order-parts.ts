import { needsOf, toOrder, type Need } from '../../supply';
import { partsAtRisk, unsettledDecline, type AtRisk } from '../../quoting';
import { currentQuote, type JobRecord, type OrderId, type OrderLineId } from '../../record';
import { formatMoney } from '../../units';
import type { Family } from '../../family';
import { schoolOf } from '../../policies';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { OrderParts } from '../inputs';

/** An order as it was planned, as far as it is for this job. */
export interface OrderPlanned {
  readonly number: string;
  readonly supplier: string;
  readonly shares: readonly {
    readonly partRef: string;
    /** As it is bought, which may be another number than the list's. */
    readonly number: string;
    readonly quantity: number;
  }[];
}

export interface OrderFacts {
  readonly orders: readonly OrderPlanned[];
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

/** Nothing is ordered twice: each share is still open. */
function checkShares(open: readonly Need[], orders: readonly OrderPlanned[]): void {
  const left = new Map(open.map((need) => [need.ref, need.quantity - need.ordered]));
  for (const { partRef, quantity, number } of orders.flatMap(({ shares }) => shares)) {
    const rest = (left.get(partRef) ?? 0) - quantity;
    if (rest < 0) refuse('wrong-state', reason('ordered-meanwhile', { number }));
    left.set(partRef, rest);
  }
}

/**
 * Orders what the approved lines need and that is not ordered yet, as it was planned; before the answer, what is
 * advised, at the risk of a named person. Each order goes to its supplier after the commit.
 */
export const orderParts: Decider<OrderParts, { readonly number: string; readonly numbers: string[] }, OrderFacts> = (
  { record, family, who, newId, facts },
  { atRisk },
) => {
  const risk = atRisk && allowedAtRisk(record, family, atRisk);
  const open = risk?.needs ?? approvedNeeds(record, family);
  const [first] = facts.orders;
  if (!open.length || !first) return refuse('wrong-state', reason('all-ordered'));
  checkShares(open, facts.orders);
  const priceOf = new Map(family.parts.map(({ ref, price_minor }) => [ref, price_minor]));
  const valueOf = ({ shares }: OrderPlanned) =>
    shares.reduce((sum, { partRef, quantity }) => sum + quantity * (priceOf.get(partRef) ?? 0), 0);
  const puts = facts.orders.flatMap((planned) => {
    const { number, supplier, shares } = planned;
    const id = newId<OrderId>();
    const atRiskMinor = risk ? valueOf(planned) : null;
    const lines = shares.map(({ partRef, number: bought, quantity }) =>
      put('orderLine', {
        ...{ id: newId<OrderLineId>(), orderId: id, partRef, number: bought, quantity, sent: 0, dueOn: null },
      }),
    );
    return [put('order', { id, number, supplier, acknowledgement: null, dueOn: null, atRiskMinor, ...who }), ...lines];
  });
  const numbers = facts.orders.map(({ number }) => number);
  const lines = facts.orders.reduce((sum, { shares }) => sum + shares.length, 0);
  return {
    puts,
    note: {
      ...{ number: numbers.join(', '), lines },
      ...(risk && { atRiskMinor: risk.valueMinor, reason: atRisk?.reason }),
    },
    result: { number: first.number, numbers },
  };
};
