import { present } from '../present';
import { judged, planByOperations, type Plan } from './first-plans';
import type { Problem } from './plan-problem';
import { emptySchedule, placeJob, put, type Schedule } from './schedule';

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
