import { chanceOf, type Chance } from '@/core/planning';
import { present } from '@/core/present';
import { normal } from '@/stand-ins';
import { harshness, type PumpOfBefore } from './pumps';
import type { WorkLine } from './work-line';

/**
 * From what the two years are drawn. Tests hold the figures of the product's trends, histories and spreads against these.
 * Spreads are of the normal deviate in the logarithm.
 */
export const generator = {
  seed: 20_241,
  /** What work takes over its family's minutes. */
  work: { middle: 1.05, spread: 0.22 },
  /** Days until the customer answers. */
  answer: { middle: 3, spread: 0.75 },
  /** Of parcels of a house: how many are late, and by how many days. */
  late: {
    'Sillwater Pump Parts': { share: 0.4, days: [2, 12] },
    others: { share: 0.12, days: [1, 5] },
  },
  /** First tests that fail, of the makes of which a played job did. */
  fails: 0.3,
  /** Repairs whose pump comes back under warranty, of the makes of which a played job did. */
  comesBack: 0.12,
  /** Running hours a year. */
  hours: [4200, 7800],
  /** Days from receiving to the promise, beside the longest lead time. */
  promise: [11, 19],
} as const;

/** What a played job says of its kind. */
export interface Kind {
  readonly tag: string;
  readonly like: string;
  readonly kind: 'sound' | 'fails' | 'comes back';
  /** Minutes of its family by station. */
  readonly minutes: Readonly<Record<'teardown' | 'clean' | 'inspect' | 'rebuild' | 'test', number>>;
  /** Its orders: from whom, and days until what was acknowledged. */
  readonly orders: readonly { readonly supplier: string; readonly days: number }[];
}

export type Worker = 'ines' | 'odile' | 'marek' | 'wenna';
export interface Work {
  readonly station: string;
  readonly person: Worker;
  /** Minutes of the shop's line. */
  readonly from: number;
  readonly minutes: number;
}

/** One stay of a pump. Times are minutes of the shop's line. */
export interface Visit {
  readonly pump: PumpOfBefore;
  readonly kind: Kind;
  readonly technician: 'ines' | 'odile';
  readonly opened: number;
  readonly hours: number;
  /** Wear since the visit before, or since new, over that of the played job. */
  readonly wear: number;
  /** Milliseconds since 1970. */
  readonly promised: number;
  readonly times: Readonly<Record<Stage, number>>;
  readonly arrivals: readonly number[];
  readonly work: readonly Work[];
  readonly comebackOf: Visit | null;
}

export const stages = [
  ...(['teardownBegins', 'teardownEnds', 'cleaned', 'inspected', 'sent', 'answered', 'ordered'] as const),
  ...(['rebuildBegins', 'tested', 'reported', 'released', 'delivered'] as const),
] as const;
export type Stage = (typeof stages)[number];

const dayMs = 86_400_000;

const spread = (chance: Chance, { middle, spread: by }: { readonly middle: number; readonly spread: number }) =>
  middle * Math.exp(by * normal(chance));
const between = (chance: Chance, [low, high]: readonly [number, number]) => low + (high - low) * chance();

interface Coming {
  readonly pump: PumpOfBefore;
  readonly kind: Kind;
  readonly at: number;
  readonly hours: number;
  readonly wear: number;
  readonly comebackOf: number | null;
}

/** Which pump comes when, and as what: two visits lie more than a warranty apart, but for those that come back under it. */
function drawComings(
  chance: Chance,
  pumps: readonly PumpOfBefore[],
  kinds: readonly Kind[],
  [from, to]: readonly [number, number],
): Coming[] {
  const comings: Coming[] = [];
  const span = to - from;
  for (const pump of pumps) {
    const own = kinds.filter(({ like }) => like === pump.like);
    const of = (kind: Kind['kind']) => own.find((one) => one.kind === kind);
    const sound = of('sound') ?? present(own[0]);
    const perYear = between(chance, generator.hours);
    const first = from + span * (pump.visits === 2 ? between(chance, [0, 0.28]) : between(chance, [0, 0.9]));
    const starts = pump.visits === 2 ? [first, first + span * between(chance, [0.63, 0.7])] : [first];
    let hours = perYear * between(chance, [2, 6]);
    let before = 0;
    for (const at of starts) {
      const fails = of('fails');
      const kind = fails && chance() < generator.fails ? fails : sound;
      if (before) hours += ((at - before) / (365 * dayMs)) * perYear;
      before = at;
      const wear = (harshness[pump.liquid] ?? 1) * Math.exp(0.15 * normal(chance));
      comings.push({ pump, kind, at, hours, wear, comebackOf: null });
      const back = of('comes back');
      if (!back || chance() >= generator.comesBack || at + 0.25 * span > to) continue;
      const later = at + between(chance, [80, 170]) * dayMs;
      hours += ((later - at) / (365 * dayMs)) * perYear;
      comings.push({ pump, kind: back, at: later, hours, wear: wear * 0.3, comebackOf: comings.length - 1 });
      before = later;
      break;
    }
  }
  return comings;
}

/** The way of one pump through the shop while it is drawn. */
interface Course {
  readonly coming: Coming;
  readonly times: Partial<Record<Stage, number>>;
  readonly work: Work[];
  arrivals: readonly number[];
  technician: 'ines' | 'odile';
  ready: number;
  at: number;
}

/**
 * Draws the visits of a period: one technician's hands for pumps (the other is out at the customers' halves of the days),
 * one inspector, first come first served, answers and parcels as they come.
 * @param period milliseconds since 1970
 */
export function drawVisits(
  pumps: readonly PumpOfBefore[],
  kinds: readonly Kind[],
  line: WorkLine,
  period: readonly [number, number],
): Visit[] {
  const chance = chanceOf(generator.seed);
  const comings = drawComings(chance, pumps, kinds, period);
  const courses: Course[] = comings.map((coming) => ({
    coming,
    times: {},
    work: [],
    arrivals: [],
    technician: 'ines',
    ready: line.minuteOf(coming.at) + 20,
    at: 0,
  }));
  const free = { bench: 0, inspector: 0, desk: 0 };
  const steps = stepsOf(chance, line);
  for (;;) {
    const next = courses
      .filter(({ at }) => at < steps.length)
      .sort((a, b) => a.ready - b.ready || a.coming.at - b.coming.at)[0];
    if (!next) break;
    present(steps[next.at])(next, free);
    next.at += 1;
  }
  const visits: Visit[] = [];
  for (const { coming, times, work, arrivals, technician } of courses) {
    const { pump, kind, hours, wear, at, comebackOf } = coming;
    const lead = Math.max(0, ...kind.orders.map(({ days }) => days));
    visits.push({
      ...{ pump, kind, technician, wear, arrivals, work, times: times as Visit['times'] },
      ...{ opened: line.minuteOf(at), hours: Math.round(hours / 10) * 10 },
      promised: at + (lead + between(chance, generator.promise)) * dayMs,
      comebackOf: comebackOf === null ? null : present(visits[comebackOf]),
    });
  }
  return visits;
}

type Step = (course: Course, free: { bench: number; inspector: number; desk: number }) => void;

/** The steps of a pump's way, each from when it is ready: on hands that work on one pump after the other, or in days. */
function stepsOf(chance: Chance, line: WorkLine): readonly Step[] {
  const hands =
    (station: keyof Kind['minutes'], begins: Stage | null, ends: Stage | null): Step =>
    (course, free) => {
      const by = station === 'inspect' || station === 'test' ? 'inspector' : 'bench';
      const minutes =
        course.coming.kind.minutes[station] * spread(chance, generator.work) * (again(course, station) ? 1.5 : 1);
      const from = Math.max(course.ready, free[by]);
      if (station === 'teardown') course.technician = chance() < 0.5 ? 'ines' : 'odile';
      course.work.push({ station, person: by === 'inspector' ? 'marek' : course.technician, from, minutes });
      if (begins) course.times[begins] = from;
      course.ready = free[by] = from + minutes;
      if (ends) course.times[ends] = course.ready;
    };
  const desk =
    (minutes: readonly [number, number], ends: Stage): Step =>
    (course, free) => {
      const from = Math.max(course.ready, free.desk);
      free.desk = from + 10;
      course.times[ends] = course.ready = from + between(chance, minutes);
    };
  const days =
    (draw: (course: Course) => number, ends: Stage): Step =>
    (course) => {
      const at = line.momentOf(course.ready) + draw(course) * dayMs;
      course.times[ends] = course.ready = Math.max(course.ready + 5, line.minuteOf(at));
    };
  const again = ({ coming }: Course, station: string) =>
    coming.kind.kind === 'fails' && (station === 'rebuild' || station === 'test');
  return [
    hands('teardown', 'teardownBegins', 'teardownEnds'),
    hands('clean', null, 'cleaned'),
    hands('inspect', null, 'inspected'),
    desk([40, 400], 'sent'),
    days(() => spread(chance, generator.answer), 'answered'),
    desk([20, 240], 'ordered'),
    (course) => {
      const ordered = line.momentOf(course.ready);
      let last = course.ready;
      course.arrivals = course.coming.kind.orders.map(({ supplier, days: due }) => {
        const { share, days: by } =
          supplier in generator.late ? generator.late[supplier as keyof typeof generator.late] : generator.late.others;
        const late = chance() < share ? between(chance, by) : 0;
        // Their vans come in the morning; parcels are counted in the order of their orders.
        last = Math.max(last + 15, line.minuteOf(ordered + (due + late) * dayMs));
        return last;
      });
      course.ready = last + 30;
    },
    hands('rebuild', 'rebuildBegins', null),
    hands('test', null, 'tested'),
    desk([30, 300], 'reported'),
    desk([20, 300], 'released'),
    days(() => between(chance, [0.2, 2.5]), 'delivered'),
  ];
}
