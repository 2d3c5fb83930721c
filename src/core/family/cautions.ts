/** Cautions by id, shown before the step. `acknowledge` marks those to be acknowledged once a job. */
export interface Caution {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly acknowledge: boolean;
}

const caution = (id: string, title: string, text: string, acknowledge = false): Caution => ({
  id,
  title,
  text,
  acknowledge,
});

export const cautions: readonly Caution[] = [
  caution(
    'energy-isolation',
    'Unit on its driver or in place',
    'Isolate all energy (electrical, pressure, stored liquid, gravity, springs, heat), lock and tag, try to start, then begin.',
    true,
  ),
  caution(
    'harmful-liquid',
    'Liquid unknown or harmful',
    'No teardown without the liquid’s name, its safety sheet and a cleaning declaration; protective equipment from the sheet; quarantine place.',
    true,
  ),
  caution(
    'residual-liquid',
    'Pockets of liquid',
    'Residual liquid sits in gear teeth, jackets, stages and seal chambers after draining; turn the shaft, catch it, label it.',
  ),
  caution(
    'trapped-pressure',
    'Trapped pressure',
    'Vent each chamber on its own; a jacketed or blocked chamber can hold pressure after the rest is open.',
  ),
  caution(
    'heavy-parts',
    'Heavy or falling parts',
    'Rated lifting gear; parts on an offset pin or a spigot fall when the cover tilts; two hands and a tilt back.',
  ),
  caution(
    'heated-parts',
    'Heated bearings and rings',
    'Burns: dry heat-proof gloves; no flame on a bearing; magnetic particles off, demagnetise after induction heating.',
  ),
  caution(
    'press-pullers',
    'Press and pullers',
    'Guard on; nobody in line with the ram; carbon and ceramic break in splinters.',
  ),
  caution('stored-springs', 'Retaining rings, springs, cartridges', 'Stored energy: eye protection.'),
  caution(
    'magnet-rotor',
    'Permanent-magnet rotor',
    'Nobody with a pacemaker or other implant near; watches, telephones, cards away; non-magnetic bench; fingers clear between rotor and stator; keep chips off; not on a steel shelf; never over the maker’s temperature; a spinning rotor makes voltage at the leads.',
    true,
  ),
  caution(
    'blasting-acid',
    'Blasting, acid, solvents',
    'Ventilation, hood, gloves; neutralise and rinse; no solvents near heaters.',
  ),
  caution(
    'electrical-parts',
    'Electrical parts and leads',
    'Qualified people only; leads are damaged when covers go on; insulation test after.',
  ),
  caution(
    'pressure-tests',
    'Pressure and run tests',
    'Fill and vent before pressure; liquid rather than gas; stay behind the screen; guards on; no dry running; stop at once on rub, heat or smell.',
  ),
  caution(
    'running-packing',
    'Packing adjusted while running',
    'Never reach past a guard; small steps, wait, watch the temperature; never stop the drip.',
  ),
  caution(
    'burnt-elastomer',
    'Elastomer overheated or burnt',
    'Some fluoro-elastomers leave corrosive residue: do not touch.',
  ),
  caution(
    'shut-discharge',
    'Positive-displacement pump',
    'Never runs against a shut valve: discharge open, relief valve of the stand set and tried, pressure raised in small steps with a stop in reach.',
  ),
  caution(
    'old-linings',
    'Old packing, gaskets, linings and paint',
    'They may hold asbestos or lead: never scraped, blasted or blown dry before it is known; wet, contained, bagged and labelled; local rules and licensed people.',
  ),
];

export const cautionFooter = 'The maker’s manual, the site’s procedures, local law and licensed practice come first.';

export function findCaution(id: string): Caution | undefined {
  return cautions.find((one) => one.id === id);
}
