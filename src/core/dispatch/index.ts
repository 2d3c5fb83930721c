import { sheetOf, type Fate, type JobRecord, type Packing, type SheetOf } from '../record';

/** Ports of a pump that is packed whole: its inlet and its outlet. */
const usualPorts = 2;

const isRepaired = ({ outcome }: Pick<JobRecord, 'outcome'>) => outcome === 'repaired';

/** What goes back with a pump: what it came with, its shims, and the parts that were taken out of it. */
function looseOf(record: JobRecord): Packing['loose'] {
  const { cameWith, shims } = record.intake;
  const old = new Set(
    record.findings
      .filter(({ disposition }) => disposition?.action === 'replace' || disposition?.action === 'make in the shop')
      .map(({ partRef }) => partRef),
  );
  return [
    ...cameWith.map((what) => ({ what, count: 1, isPacked: false })),
    ...shims.map(({ foot, thicknesses }) => ({
      ...{ what: `shim pack, ${foot}: ${thicknesses}`, count: 1, isPacked: false },
    })),
    ...(isRepaired(record) && old.size ? [{ what: 'old parts, bagged', count: old.size, isPacked: false }] : []),
  ];
}

/** The packing list that the record proposes: what came goes back, and its ports are closed. */
export function proposePacking(record: JobRecord): Packing {
  const whole = isRepaired(record) || record.outcome === 'reassembled';
  return {
    preservedWith: whole ? 'corrosion inhibitor inside, oil film on bare faces' : 'nothing: it goes back as it is',
    ports: whole ? usualPorts : 0,
    blanks: 0,
    shaftBlocked: '',
    inside: whole ? 'drained of test water' : 'as it came, in parts, bagged by tray',
    isTagged: false,
    loose: looseOf(record),
    oldParts: isRepaired(record) ? 'return them' : 'there are none',
    oldPartsSaidBy: record.contact?.name ?? record.customer.name,
    ...{ declaration: '', wastePapers: '', weightKg: null, carrier: '', carrierNumber: '' },
  };
}

/** The packing sheet of a job; null where nobody filled it in. */
export function packingOf(record: Pick<JobRecord, 'sheets'>): SheetOf<'packing'> | null {
  return sheetOf(record, 'packing');
}

/** The owner's word on a pump that is not repaired; null where nobody asked. */
export function fateOf(record: Pick<JobRecord, 'sheets'>): SheetOf<'fate'> | null {
  return sheetOf(record, 'fate');
}

/** Whether a pump with this outcome leaves the house. */
export const leavesHouse = ({ outcome }: Pick<JobRecord, 'outcome'>) => outcome !== 'scrapped' && outcome !== 'donor';

/** What keeps a pump from being released, in words; none where it may go. */
export function packingGaps(record: Pick<JobRecord, 'sheets' | 'outcome'>): readonly string[] {
  const packing = packingOf(record)?.body;
  if (!packing) return ['the packing list is not filled in'];
  const left = packing.loose.filter(({ isPacked }) => !isPacked).map(({ what }) => what);
  const fate: Fate | undefined = fateOf(record)?.body;
  return [
    ...(packing.ports === packing.blanks ? [] : [`${packing.blanks} of ${packing.ports} ports are blanked`]),
    ...left.map((what) => `${what} is not packed`),
    ...(packing.carrier ? [] : ['nobody is named who carries it']),
    ...(record.outcome === 'reassembled' && !fate?.reassembled ? ['nobody has put it together again'] : []),
  ];
}

/** The packing list in a line, as the record and the delivery note keep it. */
export function sayPacking(packing: Packing): string {
  const { preservedWith, ports, blanks, shaftBlocked, inside, isTagged, loose, weightKg, carrier } = packing;
  return [
    preservedWith,
    `${blanks} of ${ports} ports blanked`,
    ...(shaftBlocked ? [`shaft blocked with ${shaftBlocked}`] : []),
    inside,
    ...(isTagged ? ['tagged: not filled with oil or grease'] : []),
    ...loose.map(({ what, count }) => (count === 1 ? what : `${count} × ${what}`)),
    ...(weightKg === null ? [] : [`${weightKg} kg`]),
    ...(carrier ? [`by ${carrier}`] : []),
  ].join('; ');
}
