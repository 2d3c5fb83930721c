import { leavesHouse, packingGaps, packingOf, sayPacking } from '../../dispatch';
import { warrantyMonthsOf } from '../../warranty';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { DeliverPump } from '../inputs';

/** Releases the pump for its way back by its packing list; the customer is written to. */
export const releasePump: Decider<unknown, object, { readonly warrantyMonths: number }> = ({
  record,
  family,
  who,
  facts,
}) => {
  const { tag, outcome, returned, contact } = record;
  requireStation(record, 'return');
  if (returned) refuse('wrong-state', reason('released-already', { tag }));
  if (!leavesHouse(record)) refuse('wrong-state', reason('stays-here', { tag }));
  const gaps = packingGaps(record);
  const packing = packingOf(record);
  if (gaps.length || !packing) return refuse('gate-shut', reason('not-packed', { tag, gaps }));
  const words = sayPacking(packing.body);
  const row = {
    ...{ releasedBy: who.personName, releasedAt: who.at, packing: words, signature: '' },
    ...{ deliveredAt: null, deliveredTo: null, warrantyFrom: null },
    warrantyMonths: outcome === 'repaired' ? warrantyMonthsOf(record, family, facts.warrantyMonths) : 0,
  };
  return {
    puts: [put('returned', row)],
    note: { packing: words },
    result: {},
    ...(contact && { outbox: [{ kind: 'mail-return' as const, what: 'released' as const }] }),
  };
};

/** Records the delivery with its signature; the warranty starts on that day, the customer is told, the job is closed. */
export const deliverPump: Decider<DeliverPump, object> = ({ record, who }, { deliveredTo, deliveredOn, signature }) => {
  requireStation(record, 'return');
  const { returned } = record;
  if (!returned) return refuse('wrong-state', reason('not-released', { tag: record.tag }));
  if (deliveredOn < record.openedAt.slice(0, 10))
    refuse('bad-input', reason('delivered-too-early', { day: deliveredOn }), 'deliveredOn');
  const { lot, lotTerms, lotMates } = record;
  const left = lotMates.filter((mate) => leavesHouse(mate) && !mate.isReleased && !mate.isClosed).map(({ tag }) => tag);
  if (lot && lotTerms?.sharesDelivery && left.length)
    refuse('gate-shut', reason('lot-not-together', { lot: lot.number, tags: left }));
  const delivered = { deliveredAt: who.at, deliveredTo, warrantyFrom: deliveredOn, signature };
  return {
    puts: [put('returned', { ...returned, ...delivered })],
    note: { deliveredTo, deliveredOn },
    result: {},
    move: 'close',
    ...(record.contact && { outbox: [{ kind: 'mail-return' as const, what: 'delivered' as const }] }),
  };
};
