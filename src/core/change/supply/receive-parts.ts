import { stepsBlockedBy } from '../../supply';
import type { OrderLineId } from '../../record';
import { put, type Put } from '../change';
import { firstTwice, reason, refuse, type Decider } from '../decision';
import type { ReceiveParts } from '../inputs';
import { orderNumbered } from './supplier-answers';

interface Short {
  readonly partRef: string;
  readonly left: number;
  readonly blocks: readonly string[];
}

/** Receiving check by count, line by line of an order; what is short is said, with the steps that it stops. */
export const receiveParts: Decider<
  ReceiveParts,
  { readonly short: readonly Short[] },
  { readonly receiptIds: readonly string[] }
> = ({ record, family, who, facts }, { orderNumber, counts, note }) => {
  const order = orderNumbered(record, orderNumber);
  const twice = firstTwice(counts.map((count) => count.lineId));
  if (twice) refuse('bad-input', reason('line-twice', { line: twice }), 'counts');
  const puts: Put[] = [];
  const short: Short[] = [];
  counts.forEach(({ lineId, counted }, i) => {
    const line = order.lines.find((one) => one.id === lineId);
    if (!line) return refuse('wrong-job', reason('line-not-on-order', { order: orderNumber }));
    const open = line.quantity - line.received;
    if (counted > open)
      refuse('bad-input', reason('more-than-open', { counted, number: line.number, open }), `counts.${lineId}`);
    if (counted > 0)
      puts.push(put('receipt', { ...receiptOf(lineId, counted, note), id: facts.receiptIds[i] ?? '', ...who }));
    if (open > counted)
      short.push({ partRef: line.partRef, left: open - counted, blocks: stepsBlockedBy(line.partRef, family) });
  });
  return {
    puts,
    note: { orderNumber, short: short.map(({ partRef, left }) => ({ partRef, left })) },
    result: { short },
  };
};

const receiptOf = (lineId: OrderLineId, quantity: number, note: string) => ({ lineId, quantity, note });
