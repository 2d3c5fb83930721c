import { needsOf, needsOfLines, toOrder, type Need } from '../../parts';
import { offeredLines, unsettledDecline } from '../../quoting';
import { currentQuote, type JobRecord, type OrderId, type OrderLineId } from '../../record';
import { formatMoney } from '../../units';
import type { Family } from '../../family';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { OrderParts } from '../inputs';

interface Facts {
  readonly number: string;
  readonly supplier: string;
}

type AtRisk = NonNullable<OrderParts['atRisk']>;

/** What it costs the shop to buy what is left of some needs, in minor units. */
function valueOf(open: readonly Need[], { parts }: Family): number {
  const priceOf = new Map(parts.map(({ ref, price_minor }) => [ref, price_minor]));
  return open.reduce((sum, need) => sum + (need.quantity - need.ordered) * (priceOf.get(need.ref) ?? 0), 0);
}

/**
 * What would be ordered before the customer has answered: the parts of the option that is advised, if they are worth no
 * more than the person allows.
 */
function needsAtRisk(record: JobRecord, family: Family, { limitMinor }: AtRisk): readonly Need[] {
  requireStation(record, 'quote', 'approve');
  const quote = currentQuote(record);
  if (!quote) return refuse('wrong-state', reason('no-draft'));
  if (quote.state === 'answered') refuse('wrong-state', reason('at-risk-too-late'));
  const lines = offeredLines(quote, quote.options.length ? quote.advised : null);
  const open = toOrder(needsOfLines(lines, record, family));
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const value = valueOf(open, family);
  if (value > limitMinor)
    refuse(
      'bad-input',
      reason('at-risk-above', { value: money(value), limit: money(limitMinor) }),
      'atRisk.limitMinor',
    );
  return open;
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
  const open = atRisk ? needsAtRisk(record, family, atRisk) : approvedNeeds(record, family);
  if (!open.length) refuse('wrong-state', reason('all-ordered'));
  const orderId = newId<OrderId>();
  const { number, supplier } = facts;
  const atRiskMinor = atRisk ? valueOf(open, family) : null;
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
