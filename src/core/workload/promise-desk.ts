import {
  addDays,
  drawUpPlan,
  madeLater,
  planInTurn,
  putFirst,
  quantileAmong,
  readProblem,
  redrawPlan,
  writeDay,
  type Plan,
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
  const endsOf = (made: Plan, more = {}) => runsOf(made, workOf, chances, more)[place] ?? [];
  const inTurn = { made: turn, ends: endsOf(turn) };
  const { made, ends } = isFirst
    ? putFirst(problem, inTurn, (plan) => endsOf(plan, { first: place }), promiseChances)
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
