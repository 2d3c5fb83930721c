import {
  addDays,
  drawUpPlan,
  madeLater,
  planFirst,
  planInTurn,
  quantileAmong,
  readProblem,
  redrawPlan,
  writeDay,
  type Plan,
  type Problem,
  type StoodAt,
} from '../planning';
import { present } from '../present';
import { runsFor, runsOf, workFinder, type ShopChances } from './ready-ranges';
import { shopPlan, type ShopPlanAsked } from './shop-plan';
import type { WorkAhead } from './work-ahead';

/** A caller's pump: what it is likely to need, and the day on which it would come. */
export interface PromiseAsked {
  readonly plan: ShopPlanAsked;
  /** Where everything stands in the plan. */
  readonly standing: readonly StoodAt[];
  readonly chances: ShopChances;
  readonly work: readonly WorkAhead[];
  readonly comesOn: string;
  readonly isFirst: boolean;
}

/** A pump that the new one makes later. */
export interface LaterPump {
  readonly tag: string;
  readonly fromDay: string;
  readonly toDay: string;
  readonly promisedOn: string;
  /** Its promise held before and would not any more. */
  readonly breaks: boolean;
}

export interface PromiseAnswered {
  readonly dates: readonly { readonly pct: number; readonly date: string }[];
  /** How many of the runs are ready on each day, in order of days. */
  readonly byDay: readonly { readonly day: string; readonly runs: number }[];
  readonly runs: number;
  readonly makesLater: readonly LaterPump[];
}

/** What a promise may be made at: an even chance, four of five times, nineteen of twenty. */
export const promiseChances = [50, 80, 95] as const;
const callerTag = 'the caller’s pump';

/** The far day by which nothing of the caller's is late: it has no promise yet, and moves nobody by its weight. */
const farDays = 3000;

interface Told {
  readonly made: Plan;
  /** The ends of the caller’s pump over all runs, rising. */
  readonly ends: readonly number[];
}

/**
 * The problem’s last pump before all others. Where a chance of it would be told a later day than in its turn, such as
 * by hands who happen to be at something long when its parts come, it goes in its turn: nobody gains by the other.
 */
function putFirst(problem: Problem, inTurn: Told, runs: (plan: Plan) => readonly (readonly number[])[]): Told {
  const place = problem.jobs.length - 1;
  const made = planFirst(problem, inTurn.made.schedule, place);
  const ends = runs(made)[place] ?? [];
  const dayOf = (all: readonly number[], pct: number) => writeDay(quantileAmong(all, pct), problem.startMs);
  const isLater = promiseChances.some((pct) => dayOf(ends, pct) > dayOf(inTurn.ends, pct));
  return isLater ? inTurn : { made, ends };
}

/** Answers “when, if it came on that day?”, in its turn or put first, and whom that makes later. */
export function answerPromise({ plan, standing, chances, work, comesOn, isFirst }: PromiseAsked): PromiseAnswered {
  const caller = { tag: callerTag, promisedOn: addDays(comesOn, farDays), weight: 1, holdUntil: comesOn, work };
  const all: ShopPlanAsked = { ...plan, pumps: [...plan.pumps, caller] };
  const problem = readProblem(shopPlan(all));
  const place = problem.jobs.length - 1;
  const others = shopPlan(plan);
  const before = others.jobs.length ? redrawPlan(readProblem(others), standing) : null;
  const turn = before ? planInTurn(problem, before.schedule) : drawUpPlan(problem);
  const workOf = workFinder(problem, all);
  const inTurn = { made: turn, ends: runsOf(turn, workOf, chances)[place] ?? [] };
  const { made, ends } = isFirst
    ? putFirst(problem, inTurn, (plan) => runsOf(plan, workOf, chances, { first: place }))
    : inTurn;
  const { startMs } = problem;
  const days = ends.map((end) => writeDay(end, startMs));
  const makesLater = madeLater(before?.ends ?? [], made.ends).flatMap(({ j }): readonly LaterPump[] => {
    const { id } = present(problem.jobs[j]);
    const [fromDay, toDay] = [writeDay(before?.ends[j] ?? 0, startMs), writeDay(made.ends[j] ?? 0, startMs)];
    const promisedOn = plan.pumps.find(({ tag }) => tag === id)?.promisedOn ?? '';
    if (fromDay === toDay) return [];
    return [{ tag: id, fromDay, toDay, promisedOn, breaks: fromDay <= promisedOn && toDay > promisedOn }];
  });
  return {
    dates: promiseChances.map((pct) => ({ pct, date: writeDay(quantileAmong(ends, pct), startMs) })),
    byDay: [...new Set(days)].map((day) => ({ day, runs: days.filter((one) => one === day).length })),
    runs: runsFor(problem.jobs.length),
    makesLater,
  };
}
