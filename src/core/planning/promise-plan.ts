import { present } from '../present';
import { judged, planByOperations, type Plan } from './first-plans';
import type { Problem } from './plan-problem';
import { bestPlace, earliestOf, emptySchedule, placeJob, put, type Schedule } from './schedule';

/** A job that is made later by another, and by how many minutes. */
export interface MadeLater {
  readonly j: number;
  readonly minutes: number;
}

function copyInto(problem: Problem, plan: Schedule): Schedule {
  const schedule = emptySchedule(problem);
  for (const [i, at] of plan.placed.entries()) if (at) put(schedule, i, at);
  return schedule;
}

/**
 * One more job in its turn: between what is planned already, so that nobody is made later.
 * @param problem with the new job as its last; its others as in the plan
 */
export function planInTurn(problem: Problem, plan: Schedule): Plan {
  const schedule = copyInto(problem, plan);
  placeJob(schedule, problem.jobs.length - 1);
  return judged(schedule);
}

/**
 * One job before all others: they follow in the order in which they were planned, each as early as it goes.
 * @param first the place of the job that goes first
 */
export function planFirst(problem: Problem, plan: Schedule, first: number): Plan {
  const orderOf = (i: number) => {
    const { job } = present(problem.operations[i]);
    return job === first ? -1 : (plan.placed[i]?.start ?? 0);
  };
  return planByOperations(problem, orderOf);
}

/** Who is made later by a change of plan, the worst first. */
export function madeLater(before: readonly number[], after: readonly number[]): readonly MadeLater[] {
  return before
    .map((end, j) => ({ j, minutes: (after[j] ?? end) - end }))
    .filter(({ minutes }) => minutes > 0)
    .toSorted((a, b) => b.minutes - a.minutes || a.j - b.j);
}

/** A plan in which one operation is held to a crew and not before a minute, and the rest flows round it. */
export function planAround(
  problem: Problem,
  plan: Schedule,
  wish: { readonly i: number; readonly resource: string | null; readonly from: number },
): Plan {
  const { i, resource, from } = wish;
  const held = present(problem.operations[i]);
  const crews = held.crews.filter((crew) => crew.resources.some((r) => present(problem.resources[r]).id === resource));
  const operations = problem.operations.map((operation, k) =>
    k === i
      ? { ...operation, ready: Math.max(operation.ready, from), crews: crews.length ? crews : operation.crews }
      : operation,
  );
  const wished: Problem = { ...problem, operations };
  const schedule = emptySchedule(wished);
  const jobOf = present(problem.jobs[held.job]).operations;
  const before = new Set<number>();
  const addBefore = (one: number) => {
    for (const other of present(problem.operations[one]).before) {
      before.add(other);
      addBefore(other);
    }
  };
  addBefore(i);
  // What it follows goes as planned, then itself where it is wished, then all others in the order of the plan.
  for (const one of jobOf.filter((other) => before.has(other))) {
    const at = plan.placed[one];
    if (at) put(schedule, one, at);
  }
  put(schedule, i, bestPlace(schedule, i, earliestOf(schedule, present(operations[i]))));
  const rest = problem.operations
    .map((_, k) => k)
    .filter((k) => !schedule.placed[k])
    .toSorted((a, b) => (plan.placed[a]?.start ?? 0) - (plan.placed[b]?.start ?? 0));
  for (const k of rest) put(schedule, k, bestPlace(schedule, k, earliestOf(schedule, present(operations[k]))));
  return judged(schedule);
}
