import {
  limitOf,
  quantileAmong,
  readProblem,
  redrawPlan,
  simulate,
  writeDay,
  waitsForHands,
  writePlan,
  type DrawnUp,
  type Limit,
  type PlannedOperation,
  type Problem,
  type ReadyRange,
  type Spread,
  type StoodAt,
} from '../planning';
import { present } from '../present';
import type { WorkAhead } from './work-ahead';
import { shopPlan, type ShopPlanAsked } from './shop-plan';

/** What varies, from the shop's own history or the priors. */
export interface ShopChances {
  readonly answerDays: Spread;
  readonly work: Spread;
  readonly lead: Spread;
  /** Days until the last part is here, of what nobody has found yet; left out while there are few. */
  readonly partsDays?: Spread;
  /** Of suppliers with enough orders of their own. */
  readonly leadByHouse?: Readonly<Record<string, Spread>>;
  readonly failRate: number;
}

/** How many runs ready ranges are reckoned from at most, and at least however many pumps there are. */
const [mostRuns, leastRuns] = [2000, 400];
/** Runs times pumps that a plan is worth: some seconds. */
const worthOfRuns = 80_000;
/** How many runs the ready ranges of so many pumps are reckoned from. @example runsFor(200) // 400 */
export const runsFor = (pumps: number) =>
  Math.min(mostRuns, Math.max(leastRuns, Math.round(worthOfRuns / Math.max(1, pumps))));

/** How lead times vary of what is awaited from some suppliers: as of the one that keeps its days worst. */
function leadFrom({ lead, leadByHouse = {} }: ShopChances, houses: readonly string[]): Spread {
  const own = houses.map((house) => leadByHouse[house] ?? lead).toSorted((a, b) => b.p90 - a.p90);
  return own[0] ?? lead;
}

/** A spread of days as factors on its middle, which the plan reckons with. */
function aboutMiddle({ p10, p50, p90 }: Spread): Spread {
  const middle = Math.max(p50, 1 / 1440);
  return { p10: p10 / middle, p50: 1, p90: p90 / middle };
}

/** What cures, dries or cools takes the same time in every run. */
const always: Spread = { p10: 1, p50: 1, p90: 1 };

/** The factor by which an operation's minutes vary. */
function factorOf(chances: ShopChances, work: WorkAhead | undefined): Spread {
  if (!work?.wait) return chances.work;
  const { partsDays } = chances;
  if (work.wait.kind === 'rest') return always;
  if (work.wait.kind === 'answer') return aboutMiddle(chances.answerDays);
  return work.wait.isGuess && partsDays ? aboutMiddle(partsDays) : leadFrom(chances, work.wait.houses ?? []);
}

/**
 * The ends of each job over all runs of a plan, rising, in minutes from its start.
 * @param asked how many runs, and a job that goes before all others; left out: as many as are worth it, by the plan
 */
export function runsOf(
  { schedule }: Pick<DrawnUp, 'schedule'>,
  workOf: (i: number) => WorkAhead | undefined,
  chances: ShopChances,
  { runs, first }: { readonly runs?: number; readonly first?: number } = {},
): readonly (readonly number[])[] {
  const { problem } = schedule;
  const isTest = (i: number) => present(problem.operations[i]).id === 'test';
  return simulate(schedule, {
    ...{ runs: runs ?? runsFor(problem.jobs.length), seed: 1, failRate: chances.failRate },
    ...(first !== undefined && { first }),
    leadOf: (j) =>
      leadFrom(
        chances,
        present(problem.jobs[j]).operations.flatMap((i) => workOf(i)?.wait?.houses ?? []),
      ),
    factorOf: (i) => factorOf(chances, workOf(i)),
    againOf: (j) => present(problem.jobs[j]).operations.filter(isTest).slice(-1),
  });
}

/** The work of each operation of a problem, by its place. */
export function workFinder(problem: Problem, { pumps }: Pick<ShopPlanAsked, 'pumps'>) {
  const byTag = new Map(pumps.map(({ tag, work }) => [tag, new Map(work.map((one) => [one.id, one]))]));
  return (i: number): WorkAhead | undefined => {
    const { id, job } = present(problem.operations[i]);
    return byTag.get(present(problem.jobs[job]).id)?.get(id);
  };
}

export const rangeFrom = (ends: readonly number[], startMs: number): ReadyRange => ({
  early: writeDay(quantileAmong(ends, 10), startMs),
  likely: writeDay(quantileAmong(ends, 50), startMs),
  late: writeDay(quantileAmong(ends, 90), startMs),
});

/** A pump in the plan: when it is ready, and what keeps it. */
export interface PumpPlanned {
  readonly tag: string;
  readonly plannedOn: string;
  readonly range: ReadyRange;
  /** Of 100 runs, how many are done by the end of the promised day. */
  readonly keptPct: number;
  readonly lateDays: number;
  readonly limit: Limit;
  /** When the work goes on that waits for parts, and whether it is hands that it waits for then; null where none waits. */
  readonly goesOn: { readonly day: string; readonly isByHands: boolean } | null;
}

export interface ShopPlanned {
  readonly drawn: DrawnUp;
  readonly operations: readonly PlannedOperation[];
  readonly pumps: readonly PumpPlanned[];
}

const share = (ends: readonly number[], until: number) =>
  ends.length ? Math.round((100 * ends.filter((end) => end <= until).length) / ends.length) : 0;

/** When the first work is planned that follows parts or work outside. */
function goesOnAt(
  { schedule }: Pick<DrawnUp, 'schedule'>,
  j: number,
  workOf: (i: number) => WorkAhead | undefined,
): PumpPlanned['goesOn'] {
  const { problem, placed } = schedule;
  const isSupply = (i: number) => ['parts', 'outside'].includes(workOf(i)?.wait?.kind ?? '');
  const followers = present(problem.jobs[j]).operations.filter(
    (i) => !isSupply(i) && present(problem.operations[i]).before.some(isSupply),
  );
  const [first] = followers.toSorted((a, b) => (placed[a]?.start ?? 0) - (placed[b]?.start ?? 0));
  if (first === undefined) return null;
  return { day: writeDay(placed[first]?.start ?? 0, problem.startMs), isByHands: waitsForHands(schedule, first) };
}

/**
 * Draws up a shop's plan, and reckons each pump's ready range from its runs.
 * @param standing where everything stood in the plan before; nothing where there was none
 */
export function planShop(asked: ShopPlanAsked, chances: ShopChances, standing: readonly StoodAt[] = []): ShopPlanned {
  const problem = readProblem(shopPlan(asked));
  const drawn = redrawPlan(problem, standing);
  const written = writePlan(drawn);
  const workOf = workFinder(problem, asked);
  const runs = runsOf(drawn, workOf, chances);
  const pumps = problem.jobs.map(({ id, due }, j): PumpPlanned => {
    const ends = runs[j] ?? [];
    const late = Math.max(0, (drawn.ends[j] ?? 0) - (due ?? Infinity));
    return {
      ...{ tag: id, plannedOn: writeDay(drawn.ends[j] ?? 0, problem.startMs), range: rangeFrom(ends, problem.startMs) },
      ...{ keptPct: share(ends, due ?? Infinity), lateDays: Math.ceil(late / 1440), limit: limitOf(drawn.schedule, j) },
      goesOn: goesOnAt(drawn, j, workOf),
    };
  });
  return { drawn, operations: written.operations, pumps };
}
