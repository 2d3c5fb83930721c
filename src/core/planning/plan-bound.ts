import { present } from '../present';
import { tailsOf } from './first-plans';
import { lateCost } from './plan-cost';
import type { Problem } from './plan-problem';
import { bestPlace, earliestOf, emptySchedule, put, takeOut } from './schedule';

/** When each operation ends at the earliest if its job had the shop to itself. */
function earliestEnds(problem: Problem): { readonly starts: readonly number[]; readonly ends: readonly number[] } {
  const schedule = emptySchedule(problem);
  const ends = problem.operations.map(() => 0);
  const starts = problem.operations.map(() => 0);
  for (const { operations } of problem.jobs) {
    for (const i of operations) {
      const place = bestPlace(schedule, i, earliestOf(schedule, present(problem.operations[i])));
      starts[i] = place.start;
      ends[i] = place.end;
      // No crew: two operations of one job may be in hand at once as far as this bound is concerned.
      put(schedule, i, { ...place, crew: { resources: [], open: null } });
    }
    for (const i of operations) takeOut(schedule, i);
  }
  return { starts, ends };
}

interface Load {
  readonly head: number;
  readonly minutes: number;
  readonly tail: number;
}

/**
 * The last end on one resource if work may be broken off at any time: no order that may not be broken off ends sooner.
 * Source: J. R. Jackson, Scheduling a production line to minimize maximum tardiness, 1955; J. Carlier, 1982.
 */
function brokenOffEnd(loads: readonly Load[]): number {
  const waiting = loads.toSorted((a, b) => a.head - b.head).map((load) => ({ ...load, left: load.minutes }));
  const ready: (Load & { left: number })[] = [];
  let at = 0;
  let last = 0;
  let next = 0;
  while (next < waiting.length || ready.length) {
    if (!ready.length) at = Math.max(at, waiting[next]?.head ?? 0);
    for (; next < waiting.length && (waiting[next]?.head ?? 0) <= at; next++) ready.push(present(waiting[next]));
    ready.sort((a, b) => b.tail - a.tail);
    const own = present(ready[0]);
    const until = waiting[next]?.head ?? Infinity;
    const done = Math.min(own.left, until - at);
    at += done;
    own.left -= done;
    if (own.left > 0) continue;
    ready.shift();
    last = Math.max(last, at + own.tail);
  }
  return last;
}

/** Operations that only one resource can do, by that resource. */
function loadsByResource(problem: Problem, starts: readonly number[]): ReadonlyMap<number, readonly Load[]> {
  const tails = tailsOf(problem);
  const loads = new Map<number, Load[]>();
  for (const [i, { crews, minutes }] of problem.operations.entries()) {
    const [first] = crews;
    for (const r of first?.resources ?? []) {
      if (!crews.every(({ resources }) => resources.includes(r))) continue;
      const load = { head: starts[i] ?? 0, minutes, tail: (tails[i] ?? minutes) - minutes };
      loads.set(r, [...(loads.get(r) ?? []), load]);
    }
  }
  return loads;
}

/**
 * A figure that no plan of this problem can go below: each job as if it had the shop to itself; for the last end also
 * each resource as if it could break off its work.
 */
export function boundOf(problem: Problem): number {
  const { starts, ends } = earliestEnds(problem);
  const jobEnds = problem.jobs.map(({ operations }) => Math.max(0, ...operations.map((i) => ends[i] ?? 0)));
  if (problem.objective === 'lateness') return jobEnds.reduce((sum, end, j) => sum + lateCost(problem, j, end), 0);
  const busiest = [...loadsByResource(problem, starts).values()].map(brokenOffEnd);
  return Math.max(0, ...jobEnds, ...busiest);
}
