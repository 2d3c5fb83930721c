import { present } from '../present';
import { compareCost, costOf, type PlanCost } from './plan-cost';
import type { Problem } from './plan-problem';
import { bestPlace, earliestOf, emptySchedule, endOfJob, placeJob, put, type Schedule } from './schedule';

/** A plan with the end of each job and what it is judged by. */
export interface Plan {
  readonly schedule: Schedule;
  readonly ends: readonly number[];
  readonly cost: PlanCost;
}

export function judged(schedule: Schedule): Plan {
  const { problem } = schedule;
  const ends = problem.jobs.map((_, j) => endOfJob(schedule, j));
  return { schedule, ends, cost: costOf(problem, ends) };
}

const workOf = ({ operations }: Problem, own: readonly number[]) =>
  own.reduce((sum, i) => sum + present(operations[i]).minutes, 0);

/** Orders of jobs from which a search may set out: by promise, by weight of the promise, by slack, short ones first, long ones first. */
function startOrders(problem: Problem): readonly (readonly number[])[] {
  const { jobs } = problem;
  const all = jobs.map((_, j) => j);
  const far = 1e12;
  const dueOf = (j: number) => jobs[j]?.due ?? far;
  const work = jobs.map(({ operations }) => workOf(problem, operations));
  const of = (j: number) => work[j] ?? 0;
  const weightOf = (j: number) => Math.max(1e-6, jobs[j]?.weight ?? 1);
  const by = (rank: (j: number) => number) => all.toSorted((a, b) => rank(a) - rank(b) || a - b);
  return [
    by(dueOf),
    by((j) => dueOf(j) - of(j)),
    by((j) => of(j) / weightOf(j)),
    by((j) => dueOf(j) / weightOf(j)),
    by((j) => -of(j)),
    all,
  ];
}

/** Job after job, each as early as it goes. */
export function planInOrder(problem: Problem, order: readonly number[]): Plan {
  const schedule = emptySchedule(problem);
  for (const j of order) placeJob(schedule, j);
  return judged(schedule);
}

/**
 * Operation after operation in an order of urgency, each as early as it goes; what an operation follows comes first.
 * @param rank the least goes first
 * @param placeOf where one goes; left out: where it ends first
 */
export function planByOperations(problem: Problem, rank: (i: number) => number, placeOf = bestPlace): Plan {
  const schedule = emptySchedule(problem);
  const { operations } = problem;
  const ranks = operations.map((_, i) => rank(i));
  const waits = operations.map(({ before }) => before.length);
  const open = operations.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  while (open.length) {
    let at = 0;
    for (let k = 1; k < open.length; k++) if ((ranks[present(open[k])] ?? 0) < (ranks[present(open[at])] ?? 0)) at = k;
    const [i] = open.splice(at, 1);
    const operation = present(operations[present(i)]);
    put(schedule, present(i), placeOf(schedule, present(i), earliestOf(schedule, operation)));
    for (const next of operation.after) {
      waits[next] = (waits[next] ?? 0) - 1;
      if (waits[next] === 0) open.push(next);
    }
  }
  return judged(schedule);
}

/** The same work in the same order of starts, every operation moved as early as it goes: never worse. */
export function pulledForward(plan: Plan): Plan {
  const { schedule } = plan;
  const next = planByOperations(schedule.problem, (i) => schedule.placed[i]?.start ?? 0);
  next.schedule.looked += schedule.looked;
  return compareCost(next.cost, plan.cost) < 0
    ? next
    : { ...plan, schedule: { ...schedule, looked: next.schedule.looked } };
}

/** Minutes of work that follow an operation at the least, its own counted. */
export function tailsOf({ operations, jobs }: Problem): readonly number[] {
  const tails = operations.map(({ minutes }) => minutes);
  for (const job of jobs)
    for (const i of job.operations.toReversed()) {
      const { after, minutes } = present(operations[i]);
      tails[i] = minutes + Math.max(0, ...after.map((next) => tails[next] ?? 0));
    }
  return tails;
}

/** The best of some simple plans. */
export function firstPlan(problem: Problem): Plan {
  const tails = tailsOf(problem);
  const dueOf = (i: number) => problem.jobs[present(problem.operations[i]).job]?.due ?? 1e12;
  const plans = [
    ...startOrders(problem).map((order) => planInOrder(problem, order)),
    planByOperations(problem, (i) => -(tails[i] ?? 0)),
    planByOperations(problem, (i) => dueOf(i) - (tails[i] ?? 0)),
  ];
  const looked = plans.reduce((sum, { schedule }) => sum + schedule.looked, 0);
  const best = plans.reduce((one, other) => (compareCost(other.cost, one.cost) < 0 ? other : one));
  best.schedule.looked = looked;
  return best;
}
