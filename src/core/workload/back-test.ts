import { quantileAmong, readProblem, drawUpPlan, writeDay } from '../planning';
import { runsOf, workFinder, type ShopChances } from './ready-ranges';
import { shopPlan, type ShopPlanAsked } from './shop-plan';

/** The chances at which ready days are held against what came, per cent. */
export const heldAt = [10, 25, 50, 75, 90, 95] as const;

/** The day by which a pump is ready at a chance. */
export interface SaidDay {
  readonly pct: number;
  readonly day: string;
}

/** What the plan of a day, drawn up from what stood then, says of one pump of it: the day at each chance. */
export interface ForecastAsked {
  readonly plan: ShopPlanAsked;
  readonly chances: ShopChances;
  readonly tag: string;
}

/** Runs of a plan of the past: a share of one in a hundred is told from its neighbours. */
const runs = 600;

/** @throws RangeError where the plan has no work for the pump */
export function forecastReady({ plan, chances, tag }: ForecastAsked): readonly SaidDay[] {
  const problem = readProblem(shopPlan(plan));
  const place = problem.jobs.findIndex(({ id }) => id === tag);
  if (place === -1) throw new RangeError(`${tag} has no work ahead in this plan`);
  const ends = runsOf(drawUpPlan(problem), workFinder(problem, plan), chances, { runs })[place] ?? [];
  return heldAt.map((pct) => ({ pct, day: writeDay(quantileAmong(ends, pct), problem.startMs) }));
}

/** A pump of the past: what was to be said of it at a moment, and when it was ready. Days as `YYYY-MM-DD`. */
export interface BackTested {
  readonly tag: string;
  readonly said: readonly SaidDay[];
  readonly readyOn: string;
}

/** At one chance: of how many pumps the day that was said held. */
export interface Held {
  readonly pct: number;
  readonly of: number;
  readonly held: number;
  /** The pumps that were ready after it. */
  readonly later: readonly string[];
}

export interface Calibration {
  readonly held: readonly Held[];
  /** Days from the even-chance day to the ready one: the middle of all; positive where ranges say too early. Null of none. */
  readonly laterDays: number | null;
}

const dayMs = 86_400_000;

/** How often the days said at each chance held. Good ranges hold as often as they say. */
export function calibrationOf(tested: readonly BackTested[]): Calibration {
  const held = heldAt.map((pct) => {
    const own = tested.flatMap(({ tag, said, readyOn }) => {
      const day = said.find((one) => one.pct === pct)?.day;
      return day === undefined ? [] : [{ tag, isLater: readyOn > day }];
    });
    const later = own.filter(({ isLater }) => isLater).map(({ tag }) => tag);
    return { pct, of: own.length, held: own.length - later.length, later };
  });
  const apart = tested
    .flatMap(({ said, readyOn }) => {
      const day = said.find(({ pct }) => pct === 50)?.day;
      return day === undefined ? [] : [(Date.parse(readyOn) - Date.parse(day)) / dayMs];
    })
    .toSorted((a, b) => a - b);
  return { held, laterDays: apart.length ? quantileAmong(apart, 50) : null };
}
