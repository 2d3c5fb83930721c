import { present } from '../present';
import { firstAbove } from './open-times';
import type { Problem } from './plan-problem';
import type { Schedule } from './schedule';

/** What keeps a job from being ready sooner: a hand or place that is taken, a day that is waited for, hours, or its own work. */
export interface Limit {
  readonly kind: 'resource' | 'parts' | 'operation' | 'calendar';
  readonly id: string;
}

/** The operation that a job's end follows from, then the one that this follows from, and so on: the last one first. */
function wayBack({ problem, placed }: Schedule, j: number): readonly number[] {
  const { operations } = present(problem.jobs[j]);
  const endOf = (i: number) => placed[i]?.end ?? 0;
  const way: number[] = [];
  let at: number | undefined = operations.toSorted((a, b) => endOf(b) - endOf(a))[0];
  while (at !== undefined) {
    way.push(at);
    at = present(problem.operations[at]).before.toSorted((a, b) => endOf(b) - endOf(a))[0];
  }
  return way;
}

/** A resource of the operation that was taken until just before it, and by another job. */
function takenBefore({ problem, placed, taken }: Schedule, i: number, from: number): string | null {
  const own = placed[i];
  if (!own) return null;
  const { job } = present(problem.operations[i]);
  for (const r of own.crew.resources) {
    const { to, by } = present(taken[r]);
    const place = firstAbove(to, from);
    const other = by[place];
    if (other === undefined || other === i || (to[place] ?? 0) > own.start) continue;
    if (present(problem.operations[other]).job !== job) return present(problem.resources[r]).id;
  }
  return null;
}

/** The longest of some operations: where nothing is waited for, the work itself takes the time. */
function longest({ operations }: Problem, way: readonly number[]): Limit {
  const minutesOf = (i: number) => present(operations[i]).minutes;
  const first = way.toSorted((a, b) => minutesOf(b) - minutesOf(a))[0];
  return { kind: 'operation', id: first === undefined ? '' : present(operations[first]).id };
}

interface Wait {
  readonly limit: Limit;
  readonly minutes: number;
}

/** What an operation waits for once all that it follows is done, and for how long. */
function waitOf(schedule: Schedule, i: number): Wait | null {
  const { problem, placed } = schedule;
  const operation = present(problem.operations[i]);
  const own = placed[i];
  if (!own) return null;
  // What needs nobody is itself a wait: curing, an answer, a delivery.
  if (!own.crew.resources.length) return { limit: { kind: 'operation', id: operation.id }, minutes: operation.minutes };
  const done = Math.max(0, ...operation.before.map((one) => placed[one]?.end ?? 0));
  const ready = Math.max(operation.ready, operation.before.length ? 0 : present(problem.jobs[operation.job]).ready);
  const from = Math.max(done, ready);
  const parts: Wait | null =
    ready > done ? { limit: { kind: 'parts', id: operation.id }, minutes: ready - done } : null;
  const minutes = own.start - from;
  if (minutes <= 0) return parts;
  const resource = takenBefore(schedule, i, from);
  const closed = own.crew.resources.map((r) => problem.resources[r]?.calendar).find((one) => one) ?? '';
  const limit: Limit = resource ? { kind: 'resource', id: resource } : { kind: 'calendar', id: closed };
  return parts && parts.minutes > minutes ? parts : { limit, minutes };
}

/** Whether an operation waits for a hand or a place that another job has, once all that it follows is done. */
export const waitsForHands = (schedule: Schedule, i: number) => waitOf(schedule, i)?.limit.kind === 'resource';

/**
 * The one thing that limits a job most: on the way from its end back, the longest wait; where there is none, its longest
 * operation. Hours at which the shop is closed count only where nothing else is waited for.
 */
export function limitOf(schedule: Schedule, j: number): Limit {
  const way = wayBack(schedule, j);
  const waits = way.flatMap((i) => waitOf(schedule, i) ?? []).toSorted((a, b) => b.minutes - a.minutes);
  const chosen = waits.find(({ limit }) => limit.kind !== 'calendar') ?? waits[0];
  return chosen?.limit ?? longest(schedule.problem, way);
}
