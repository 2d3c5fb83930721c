import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { DeliverPump, ReleasePump } from '../inputs';

/** Releases the pump for its way back: preserved, ports blanked, packed. */
export const releasePump: Decider<ReleasePump, object, { readonly warrantyMonths: number }> = (
  { record, who, facts },
  { packing },
) => {
  requireStation(record, 'return');
  if (record.returned) refuse('wrong-state', reason('released-already', { tag: record.tag }));
  const row = {
    ...{ releasedBy: who.personName, releasedAt: who.at, packing },
    ...{ deliveredAt: null, deliveredTo: null, warrantyFrom: null },
    warrantyMonths: record.outcome === 'declined' ? 0 : facts.warrantyMonths,
  };
  return { puts: [put('returned', row)], note: { packing }, result: {} };
};

/** Records the delivery; the warranty starts on that day and the job is closed. */
export const deliverPump: Decider<DeliverPump, object> = ({ record, who }, { deliveredTo, deliveredOn }) => {
  requireStation(record, 'return');
  const { returned } = record;
  if (!returned) return refuse('wrong-state', reason('not-released', { tag: record.tag }));
  if (deliveredOn < record.openedAt.slice(0, 10))
    refuse('bad-input', reason('delivered-too-early', { day: deliveredOn }), 'deliveredOn');
  const delivered = { deliveredAt: who.at, deliveredTo, warrantyFrom: deliveredOn };
  return {
    puts: [put('returned', { ...returned, ...delivered })],
    note: { deliveredTo, deliveredOn },
    result: {},
    move: 'close',
  };
};
