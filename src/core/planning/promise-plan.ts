import { present } from '../present';
import { judged, planByOperations, type Plan } from './first-plans';
import { writeDay } from './plan-clock';
import type { Problem } from './plan-problem';
import { quantileAmong } from './quantiles';
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
function planFirst(problem: Problem, plan: Schedule, first: number): Plan {
  const orderOf = (i: number) => {
    const { job } = present(problem.operations[i]);
    return job === first ? -1 : (plan.placed[i]?.start ?? 0);
  };
  return planByOperations(problem, orderOf);
}

/** A plan with one more job as its last, and when that is ready in its runs: rising, in minutes from the start. */
export interface Told {
  readonly made: Plan;
  readonly ends: readonly number[];
}

/**
 * The problem’s last job before all others. Where a chance of it would be told a later day than in its turn, such as by
 * hands who happen to be at something long when its parts come, it goes in its turn: nobody gains by the other.
 * @param endsOf the ends of that job in the runs of a plan in which it goes first
 * @param pcts the chances that are told
 */
export function putFirst(
  problem: Problem,
  inTurn: Told,
  endsOf: (plan: Plan) => readonly number[],
  pcts: readonly number[],
): Told {
  const made = planFirst(problem, inTurn.made.schedule, problem.jobs.length - 1);
  const ends = endsOf(made);
  const dayOf = (all: readonly number[], pct: number) => writeDay(quantileAmong(all, pct), problem.startMs);
  const isLater = pcts.some((pct) => dayOf(ends, pct) > dayOf(inTurn.ends, pct));
  return isLater ? inTurn : { made, ends };
}

/** Who is made later by a change of plan, the worst first. */
export function madeLater(before: readonly number[], after: readonly number[]): readonly MadeLater[] {
  return before
    .map((end, j) => ({ j, minutes: (after[j] ?? end) - end }))
    .filter(({ minutes }) => minutes > 0)
    .toSorted((a, b) => b.minutes - a.minutes || a.j - b.j);
}
