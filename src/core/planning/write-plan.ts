import { present } from '../present';
import type { DrawnUp } from './draw-up-plan';
import { limitOf, type Limit } from './limited-by';
import { writeMinute } from './plan-clock';
import { piecesOf } from './schedule';

interface Span {
  readonly start: string;
  readonly end: string;
}

export interface PlannedOperation extends Span {
  readonly job: string;
  readonly operation: string;
  /** In the order of its needs. */
  readonly resources: readonly string[];
  /** Where it may pause. */
  readonly pieces?: readonly Span[];
}

export interface PlannedJob {
  readonly id: string;
  readonly end: string;
  readonly lateMinutes: number;
  readonly limitedBy: Limit;
}

/** A plan as a person reads it: names and local times. */
export interface WrittenPlan {
  readonly operations: readonly PlannedOperation[];
  readonly jobs: readonly PlannedJob[];
  readonly makespanMinutes: number;
  readonly weightedLateMinutes: number;
  readonly boundMinutes: number;
  readonly proven: boolean;
}

export function writePlan({ schedule, ends, bound, proven }: DrawnUp): WrittenPlan {
  const { problem, placed } = schedule;
  const { startMs, jobs } = problem;
  const span = ({ start, end }: { readonly start: number; readonly end: number }) => ({
    start: writeMinute(start, startMs),
    end: writeMinute(end, startMs),
  });
  const operations = problem.operations.map(({ job, id, split }, i): PlannedOperation => {
    const at = present(placed[i]);
    return {
      ...{ job: present(jobs[job]).id, operation: id, ...span(at) },
      resources: at.crew.resources.map((r) => present(problem.resources[r]).id),
      ...(split && { pieces: piecesOf(at).map(span) }),
    };
  });
  const lateOf = (j: number) => {
    const { due } = present(jobs[j]);
    return due === null ? 0 : Math.max(0, (ends[j] ?? 0) - due);
  };
  return {
    operations,
    jobs: jobs.map(({ id }, j) => ({
      ...{ id, end: writeMinute(ends[j] ?? 0, startMs), lateMinutes: lateOf(j), limitedBy: limitOf(schedule, j) },
    })),
    makespanMinutes: Math.max(0, ...ends),
    weightedLateMinutes: jobs.reduce((sum, { weight }, j) => sum + weight * lateOf(j), 0),
    boundMinutes: bound,
    proven,
  };
}
