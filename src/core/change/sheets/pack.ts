import { reason, refuse, requireStation, type Decider } from '../decision';
import type { Pack } from '../inputs';
import { fill } from './fill';

/** Fills in the packing list: what goes back, what is closed, with what it is preserved, who carries it. */
export const pack: Decider<Pack, { readonly sheetVersion: number }> = (given, { packing, basedOn }) => {
  const { record } = given;
  requireStation(record, 'return');
  if (record.returned) refuse('wrong-state', reason('released-already', { tag: record.tag }));
  if (packing.blanks > packing.ports)
    refuse(
      'bad-input',
      reason('more-blanks-than-ports', { blanks: packing.blanks, ports: packing.ports }),
      'packing.blanks',
    );
  return {
    puts: [fill(given, { kind: 'packing', basedOn, body: packing })],
    note: { ports: packing.ports, blanks: packing.blanks, carrier: packing.carrier },
    result: { sheetVersion: basedOn + 1 },
  };
};
