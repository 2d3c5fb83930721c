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
  /** The models that are there: what a liquid wears is worn on the played job of the model. */
  readonly models: readonly string[];
}

const [garden, heat, ferry] = ['Harrowmere Botanical Garden', 'Upper Sill District Heating', 'Harrowmere Paddle Ferry'];
const [clean, hard] = [
  ['QB 50-160', 'OH 100-250'],
  ['OH 100-315', 'DW 80-250'],
];
const places: readonly Place[] = [
  {
    customer: garden,
    liquid: 'pond water',
    models: clean,
    at: ['palm-house circulation', 'rill lift', 'heather terrace'],
  },
  { customer: garden, liquid: 'rain water', models: ['QM 40-200'], at: ['orchid mist feed', 'alpine house'] },
  {
    ...{ customer: 'Larkspur Trout Hatchery', liquid: 'spring water', models: clean },
    at: ['raceway 1', 'raceway 2', 'hatching hall', 'drum filter wash'],
  },
  {
    ...{ customer: heat, liquid: 'treated heating water', models: ['DW 80-250', 'QB 50-160'] },
    at: ['return pump west', 'booster south', 'boiler feed'],
  },
  {
    ...{ customer: 'Vantry Board Mill', liquid: 'white water', models: hard },
    at: ['shower pump 1', 'shower pump 4', 'couch pit', 'save-all'],
  },
  {
    ...{ customer: 'Tarnhollow Slate Quarry', liquid: 'slate slurry, light', models: ['OH 100-315'] },
    at: ['bench 3 lift', 'wash plant', 'pond return'],
  },
  {
    ...{ customer: 'Crakeside Snow Plant', liquid: 'lake water', models: ['OH 100-250'] },
    at: ['lance ring 2', 'cooling tower', 'upper lift'],
  },
  {
    ...{ customer: 'Harrowmere Ice Rink', liquid: 'glycol brine', models: ['DW 80-250', 'QB 50-160'] },
    at: ['rink floor east', 'rink floor west', 'melt pit'],
  },
  { customer: ferry, liquid: 'lake water', models: ['OH 100-250'], at: ['bilge aft', 'deck wash'] },
  { customer: ferry, liquid: 'lake water', models: ['DB 3'], at: ['engine raw water, starboard'] },
];

/** What wears a wheel and its rings, against clean water. */
export const harshness: Readonly<Record<string, number>> = {
  'slate slurry, light': 1.9,
  'white water': 1.35,
  'glycol brine': 1.1,
  'pond water': 1.15,
};

/** A make of which a job was played. */
export interface Make {
  readonly model: string;
  /** How its serial numbers begin. */
  readonly prefix: string;
  /** Model and size. */
  readonly like: string;
}

/** Pumps of two years: each place of each customer has two, of which one is here twice. */
export function pumpsOfBefore(makes: readonly Make[]): PumpOfBefore[] {
  const pumps: PumpOfBefore[] = [];
  for (const { customer, liquid, models, at } of places)
    for (const equipment of at)
      for (const which of ['A', 'B']) {
        const index = pumps.length;
        const own = makes.filter(({ model }) => models.includes(model));
        const make = own[Math.floor(index / 2) % Math.max(1, own.length)];
        if (!make) continue;
        const serial = `${make.prefix}${(index * 1367 + 20_411) % 90_000}`;
        const visits = index % 2 === 0 ? 2 : 1;
        pumps.push({ ...{ customer, serial, liquid, visits, like: make.like }, equipment: `${equipment} ${which}` });
      }
  return pumps;
}
