import type { JobRecord, PurchaseOrder } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, type Decider } from '../decision';
import type { AcknowledgeOrder, CutOrder, MoveOrder, OrderAsked } from '../inputs';

export function orderNumbered({ orders, tag }: JobRecord, order: string): PurchaseOrder {
  return (
    orders.find((one) => one.number === order) ??
    refuse('wrong-job', reason('not-an-order-of', { tag, order }), 'orderNumber')
  );
}

/** The day of each line, by its number; lines of a number that is not named keep theirs. */
function redated(order: PurchaseOrder, days: AcknowledgeOrder['lines']) {
  const dayOf = new Map(days.map(({ number, dueOn }) => [number, dueOn]));
  return order.lines.flatMap(({ received: _received, ...line }) => {
    const dueOn = dayOf.get(line.number) ?? line.dueOn;
    return dueOn === line.dueOn ? [] : [put('orderLine', { ...line, orderId: order.id, dueOn })];
  });
}

/** The supplier acknowledges an order with its reference and a day; lines that come on other days have their own. */
export const acknowledgeOrder: Decider<AcknowledgeOrder, object> = (
  { record },
  { orderNumber, reference, dueOn, lines: days },
) => {
  const whole = orderNumbered(record, orderNumber);
  const { lines: _lines, ...order } = whole;
  if (order.acknowledgement) refuse('wrong-state', reason('acknowledged-already', { order: orderNumber }));
  return {
    puts: [put('order', { ...order, acknowledgement: reference, dueOn }), ...redated(whole, days)],
    note: { orderNumber, reference, dueOn },
    result: {},
  };
};

/** The supplier, or the shop with it, moves the day of an order or of some of its lines. */
export const moveOrder: Decider<MoveOrder, object> = ({ record }, { orderNumber, dueOn, lines: days, words }) => {
  const whole = orderNumbered(record, orderNumber);
  const { lines: _lines, ...order } = whole;
  return {
    puts: [put('order', { ...order, dueOn }), ...redated(whole, days)],
    note: { orderNumber, from: order.dueOn, to: dueOn, words },
    result: {},
  };
};

/** Pieces of an order are struck off before they left: they are needed again, from wherever. */
export const cutOrder: Decider<CutOrder, { readonly cut: number }> = (
  { record },
  { orderNumber, lines: cuts, words },
) => {
  const order = orderNumbered(record, orderNumber);
  const puts = cuts.flatMap(({ partRef, quantity }) => {
    const line = order.lines.find((one) => one.partRef === partRef);
    if (!line) return refuse('wrong-job', reason('line-not-on-order', { order: orderNumber }));
    const { received, ...row } = line;
    const open = line.quantity - Math.max(line.sent, received);
    if (quantity > open) refuse('bad-input', reason('left-already', { number: line.number, open, quantity }));
    return [put('orderLine', { ...row, orderId: order.id, quantity: line.quantity - quantity })];
  });
  const cut = cuts.reduce((sum, { quantity }) => sum + quantity, 0);
  return { puts, note: { orderNumber, cut, words }, result: { cut } };
};

/** What the supplier says of an order: pieces that left by a day, and the day of the rest. */
export interface Parcel {
  readonly lines: readonly { readonly lineId: string; readonly quantity: number }[];
  readonly restOn: string | null;
  /** Pieces that were known as sent when the supplier was asked, by part. */
  readonly sentBefore: Readonly<Record<string, number>>;
}

/** A parcel of the supplier arrives, or a new day for it: what its list says is noted, the count comes after. */
export const takeParcel: Decider<OrderAsked, Pick<Parcel, 'lines' | 'restOn'>, Parcel> = (
  { record, facts },
  { orderNumber },
) => {
  const { lines, ...order } = orderNumbered(record, orderNumber);
  const { restOn, sentBefore } = facts;
  if (!facts.lines.length && !restOn) refuse('wrong-state', reason('nothing-on-its-way', { order: orderNumber }));
  const sentOf = (ref: string) => lines.reduce((sum, { partRef, sent }) => sum + (partRef === ref ? sent : 0), 0);
  if (lines.some(({ partRef }) => (sentBefore[partRef] ?? 0) !== sentOf(partRef))) refuseChanged(lines, facts.lines);
  const left = new Map<string, number>();
  for (const { lineId, quantity } of facts.lines) left.set(lineId, (left.get(lineId) ?? 0) + quantity);
  const arrived = lines.flatMap(({ received: _received, ...line }) => {
    // One part may stand on two lines, under two numbers.
    const quantity = Math.min(left.get(line.partRef) ?? 0, line.quantity - line.sent);
    left.set(line.partRef, (left.get(line.partRef) ?? 0) - quantity);
    return quantity ? [put('orderLine', { ...line, orderId: order.id, sent: line.sent + quantity })] : [];
  });
  return {
    puts: [...arrived, ...(restOn ? [put('order', { ...order, dueOn: restOn })] : [])],
    note: { orderNumber, lines: facts.lines, restOn },
    result: { lines: facts.lines, restOn },
  };
};
