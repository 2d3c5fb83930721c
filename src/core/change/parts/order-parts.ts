import { needsOf, toOrder } from '../../parts';
import type { OrderId, OrderLineId } from '../../record';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';

interface Facts {
  readonly number: string;
  readonly supplier: string;
}

/**
 * Orders everything that the approved lines need and that is not ordered yet; it goes to the supplier after the commit.
 */
export const orderParts: Decider<unknown, { readonly number: string }, Facts> = ({
  record,
  family,
  who,
  newId,
  facts,
}) => {
  requireStation(record, 'parts', 'rebuild');
  const open = toOrder(needsOf(record, family));
  if (!open.length) refuse('wrong-state', reason('all-ordered'));
  const orderId = newId<OrderId>();
  const { number, supplier } = facts;
  const lines = open.map((need) =>
    put('orderLine', {
      ...{ id: newId<OrderLineId>(), orderId, partRef: need.ref, number: need.number, sent: 0 },
      quantity: need.quantity - need.ordered,
    }),
  );
  return {
    puts: [put('order', { id: orderId, number, supplier, acknowledgement: null, dueOn: null, ...who }), ...lines],
    note: { number, lines: lines.length },
    result: { number },
    outbox: [{ kind: 'send-order', orderId }],
  };
};
