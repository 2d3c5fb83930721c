import { present } from '../present';
import { endOfWork, firstAbove } from './open-times';
import { PlanFault, type Crew, type Operation, type Problem } from './plan-problem';

/** When a resource is taken, in order of time. */
interface Taken {
  readonly from: number[];
  readonly to: number[];
  /** By which operations. */
  readonly by: number[];
}

/** Where an operation stands. */
export interface Placed {
  readonly crew: Crew;
  readonly start: number;
  readonly end: number;
}

/** A plan in the making: what stands where, and when each resource is taken. */
export interface Schedule {
  readonly problem: Problem;
  readonly placed: (Placed | null)[];
  readonly taken: readonly Taken[];
  /** How many places were looked at so far: the search ends by this count, never by a clock. */
  looked: number;
}

export const emptySchedule = (problem: Problem): Schedule => ({
  ...{ problem, looked: 0 },
  placed: problem.operations.map(() => null),
  taken: problem.resources.map(() => ({ from: [], to: [], by: [] })),
});

/** Puts an operation where it was found to fit. */
export function put({ placed, taken }: Schedule, i: number, at: Placed): void {
  placed[i] = at;
  for (const r of at.crew.resources) {
    const { from, to, by } = present(taken[r]);
    const place = firstAbove(from, at.start);
    from.splice(place, 0, at.start);
    to.splice(place, 0, at.end);
    by.splice(place, 0, i);
  }
}

/** Takes an operation out again. */
export function takeOut({ placed, taken }: Schedule, i: number): void {
  const at = placed[i];
  if (!at) return;
  placed[i] = null;
  for (const r of at.crew.resources) {
    const { from, to, by } = present(taken[r]);
    const place = firstAbove(from, at.start) - 1;
    from.splice(place, 1);
    to.splice(place, 1);
    by.splice(place, 1);
  }
}

/** Pieces in which work is done that pauses while one of its resources is closed. */
export function piecesOf({ crew: { open }, start, end }: Placed) {
  if (!open) return [{ start, end }];
  const pieces: { readonly start: number; readonly end: number }[] = [];
  for (let i = open.indexAt(start); i >= 0 && (open.from[i] ?? 0) < end; i = open.indexAt(open.to[i] ?? 0))
    pieces.push({ start: Math.max(start, open.from[i] ?? 0), end: Math.min(open.to[i] ?? 0, end) });
  return pieces;
}

interface Wanted {
  readonly crew: Crew;
  readonly minutes: number;
  readonly split: boolean;
  /** Not before. */
  readonly from: number;
  /** An end at or after this is of no use. */
  readonly beat: number;
}

/** Until when a crew is kept from a span by what stands there; the span's start where it is free. */
function freeFrom(taken: readonly Taken[], { resources }: Crew, start: number, end: number): number {
  let until = start;
  for (let k = 0; k < resources.length; k++) {
    const own = taken[resources[k] ?? 0];
    if (!own) continue;
    const { from, to } = own;
    // The last one ends latest: most often nothing stands behind the start.
    if ((to[to.length - 1] ?? 0) <= until) continue;
    for (let i = firstAbove(to, until); i < to.length && (from[i] ?? 0) < end + until - start; i++) until = to[i] ?? 0;
  }
  return until;
}

/** The first place in which an operation fits for one crew; null where none ends in time. */
function firstFit({ taken }: Schedule, { crew, minutes, split, from, beat }: Wanted): Placed | null {
  const { open } = crew;
  for (let at = from; at + minutes < beat;) {
    // However the calendar is, so many minutes pass: what stands in them is passed by without a look at it.
    const free = freeFrom(taken, crew, at, at + minutes);
    if (free > at) {
      at = free;
      continue;
    }
    const i = open ? open.indexAt(at) : 0;
    if (i < 0) return null;
    if (open && (open.from[i] ?? 0) > at) {
      at = open.from[i] ?? 0;
      continue;
    }
    if (open && !split && at + minutes > (open.to[i] ?? 0)) {
      at = open.to[i] ?? 0;
      continue;
    }
    const end = split ? endOfWork(open, at, minutes) : at + minutes;
    if (end >= beat) return null;
    const until = split ? freeFrom(taken, crew, at, end) : at;
    if (until === at) return { crew, start: at, end };
    at = until;
  }
  return null;
}

/** When an operation may begin at the earliest: it and its job are ready, and what it follows is done. */
export function earliestOf({ problem, placed }: Schedule, { job, ready, before }: Operation): number {
  let from = Math.max(ready, problem.jobs[job]?.ready ?? 0);
  for (const one of before) from = Math.max(from, placed[one]?.end ?? 0);
  return from;
}

/** The place that ends first, over all crews; among equals the least versatile crew. */
export function bestPlace(schedule: Schedule, i: number, from: number): Placed {
  const { minutes, split, crews, id } = present(schedule.problem.operations[i]);
  let best: Placed | null = null;
  let beat = Infinity;
  for (const crew of crews) {
    schedule.looked += 1;
    const found = firstFit(schedule, { crew, minutes, split, from, beat });
    if (!found) continue;
    best = found;
    beat = found.end;
  }
  if (!best) throw new PlanFault('', `nobody who can do “${id}” is there at a time that a plan reaches`);
  return best;
}

/**
 * The place for the crew that an operation had before, where waiting for it costs no more than some minutes; else the
 * one that ends first.
 * @param crew the crew that it had, out of the operation's own
 */
export function placeFor(schedule: Schedule, i: number, from: number, crew: Crew, patience: number): Placed {
  const best = bestPlace(schedule, i, from);
  if (best.crew === crew) return best;
  const { minutes, split } = present(schedule.problem.operations[i]);
  schedule.looked += 1;
  return firstFit(schedule, { crew, minutes, split, from, beat: best.end + patience + 1 }) ?? best;
}

/** Places all operations of a job, each as early as it goes between what stands there. */
export function placeJob(schedule: Schedule, j: number): void {
  const { problem } = schedule;
  for (const i of present(problem.jobs[j]).operations) {
    const operation = present(problem.operations[i]);
    put(schedule, i, bestPlace(schedule, i, earliestOf(schedule, operation)));
  }
}

export function takeOutJob(schedule: Schedule, j: number): void {
  for (const i of present(schedule.problem.jobs[j]).operations) takeOut(schedule, i);
}

export function endOfJob({ problem, placed }: Schedule, j: number): number {
  let end = 0;
  for (const i of present(problem.jobs[j]).operations) end = Math.max(end, placed[i]?.end ?? 0);
  return end;
}
