import type { DemoJob } from '../jobs';

/** A pump of the years before, and the make and size after whose played jobs its visits go. */
export interface PumpOfBefore {
  readonly customer: string;
  readonly serial: string;
  readonly equipment: string;
  readonly liquid: string;
  /** The make and size, as the played jobs name them. */
  readonly like: string;
  readonly visits: 1 | 2;
}

interface Place {
  readonly customer: DemoJob['customer'];
  readonly liquid: string;
  readonly at: readonly string[];
  /** How serial numbers of the make begin, where not any of the usual ones would do. */
  readonly make?: string;
}

const [garden, hatchery, heat] = [
  'Harrowmere Botanical Garden',
  'Larkspur Trout Hatchery',
  'Upper Sill District Heating',
];
const ferry = 'Harrowmere Paddle Ferry';
const places: readonly Place[] = [
  { customer: garden, liquid: 'pond water', at: ['palm-house circulation', 'rill lift', 'heather terrace'] },
  { customer: garden, liquid: 'rain water', at: ['orchid mist feed', 'alpine house'], make: 'QM-' },
  { customer: hatchery, liquid: 'spring water', at: ['raceway 1', 'raceway 2', 'hatching hall', 'drum filter wash'] },
  { customer: heat, liquid: 'treated heating water', at: ['return pump west', 'booster south', 'boiler feed'] },
  {
    customer: 'Vantry Board Mill',
    liquid: 'white water',
    at: ['shower pump 1', 'shower pump 4', 'couch pit', 'save-all'],
  },
  {
    customer: 'Tarnhollow Slate Quarry',
    liquid: 'slate slurry, light',
    at: ['bench 3 lift', 'wash plant', 'pond return'],
  },
  { customer: 'Crakeside Snow Plant', liquid: 'lake water', at: ['lance ring 2', 'cooling tower', 'upper lift'] },
  { customer: 'Harrowmere Ice Rink', liquid: 'glycol brine', at: ['rink floor east', 'rink floor west', 'melt pit'] },
  { customer: ferry, liquid: 'lake water', at: ['bilge aft', 'deck wash'] },
  { customer: ferry, liquid: 'lake water', at: ['engine raw water, starboard'], make: 'DB-' },
];

/** What wears a wheel and its rings, against clean water. */
export const harshness: Readonly<Record<string, number>> = {
  'slate slurry, light': 1.9,
  'white water': 1.35,
  'glycol brine': 1.1,
  'pond water': 1.15,
};

/**
 * Pumps of two years: each place of each customer has two, of which one is here twice.
 * @param makes how a serial number of a make begins, and the played job that is like its pumps
 */
export function pumpsOfBefore(makes: readonly { readonly prefix: string; readonly like: string }[]): PumpOfBefore[] {
  const pumps: PumpOfBefore[] = [];
  const named = new Set(places.map(({ make }) => make));
  const usual = makes.filter(({ prefix }) => !named.has(prefix));
  for (const { customer, liquid, at, make: wanted } of places)
    for (const equipment of at)
      for (const which of ['A', 'B']) {
        const index = pumps.length;
        const own = wanted === undefined ? usual : makes.filter(({ prefix }) => prefix === wanted);
        const make = own[(index * 5 + Math.floor(index / 7)) % own.length];
        if (!make) continue;
        const serial = `${make.prefix}${(index * 1367 + 20_411) % 90_000}`;
        const visits = index % 2 === 0 ? 2 : 1;
        pumps.push({ ...{ customer, serial, liquid, visits, like: make.like }, equipment: `${equipment} ${which}` });
      }
  return pumps;
}
