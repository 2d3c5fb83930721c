import type { JobRecord, PurchaseOrder } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, type Decider } from '../decision';
import type { AcknowledgeOrder, OrderAsked } from '../inputs';

export function orderNumbered({ orders, tag }: JobRecord, order: string): PurchaseOrder {
  return (
    orders.find((one) => one.number === order) ??
    refuse('wrong-job', reason('not-an-order-of', { tag, order }), 'orderNumber')
  );
}

/** The supplier acknowledges an order with its reference and a day. */
export const acknowledgeOrder: Decider<AcknowledgeOrder, object> = ({ record }, { orderNumber, reference, dueOn }) => {
  const { lines: _lines, ...order } = orderNumbered(record, orderNumber);
  if (order.acknowledgement) refuse('wrong-state', reason('acknowledged-already', { order: orderNumber }));
  return {
    puts: [put('order', { ...order, acknowledgement: reference, dueOn })],
    note: { orderNumber, reference, dueOn },
    result: {},
  };
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
  if (lines.some((line) => (sentBefore[line.partRef] ?? 0) !== line.sent)) refuseChanged(lines, facts.lines);
  const arrived = lines.flatMap(({ received: _received, ...line }) => {
    const quantity = facts.lines.find((one) => one.lineId === line.partRef)?.quantity ?? 0;
    return quantity ? [put('orderLine', { ...line, orderId: order.id, sent: line.sent + quantity })] : [];
  });
  return {
    puts: [...arrived, ...(restOn ? [put('order', { ...order, dueOn: restOn })] : [])],
    note: { orderNumber, lines: facts.lines, restOn },
    result: { lines: facts.lines, restOn },
  };
};
