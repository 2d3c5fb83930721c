import { proposePacking } from '@/core/dispatch';
import type { JobRecord, Packing } from '@/core/record';

/** What a careful hand fills in when a pump is ready to go. */
export function rightPacking(record: JobRecord): Packing {
  const packing = proposePacking(record);
  return {
    ...packing,
    ...{ blanks: packing.ports, shaftBlocked: 'a wooden wedge', isTagged: true, weightKg: 64 },
    loose: packing.loose.map((piece) => ({ ...piece, isPacked: true })),
    ...{ carrier: 'Marlbeck Haulage', carrierNumber: 'MH-20771' },
  };
}
