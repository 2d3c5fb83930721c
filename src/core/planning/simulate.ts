import { present } from '../present';
import { chanceOf, type Chance } from './chance';
import { endOfWork } from './open-times';
import { drawFrom, type Spread } from './quantiles';
import type { Operation, Problem } from './plan-problem';
import type { Schedule } from './schedule';

/** What varies from run to run. */
export interface Varies {
  readonly runs: number;
  readonly seed: number;
  /** By what the minutes of an operation are multiplied; null where they do not vary. */
  readonly factorOf: (i: number) => Spread | null;
  /** By what the time until something of a job is here is multiplied; null where it does not vary. */
  readonly leadOf: (j: number) => Spread | null;
  /** The share of tests that fail, and what is done again then. */
  readonly failRate: number;
  readonly againOf: (j: number) => readonly number[];
}

/** More failed tests in a row than this are not reckoned with. */
const mostFailures = 4;

interface Run {
  readonly schedule: Schedule;
  readonly ends: number[];
  /** When each resource is free again. */
  readonly free: number[];
}

/** The first opening from a minute on that is long enough; where none is, the work pauses. */
function beginsAt(
  { crew: { open }, split }: { readonly crew: Operation['crews'][number]; readonly split: boolean },
  from: number,
  minutes: number,
): number {
  if (!open) return from;
  let i = open.indexAt(from);
  const first = Math.max(from, open.from[i] ?? from);
  if (split) return first;
  // A piece longer than any opening of the next weeks is let pause: it took longer than anybody had planned.
  for (let tries = 0; tries < 15 && i >= 0; tries++) {
    const start = Math.max(from, open.from[i] ?? from);
    if (start + minutes <= (open.to[i] ?? 0)) return start;
    i = open.indexAt(open.to[i] ?? 0);
  }
  return first;
}

/** When all that an operation follows is done, and its hands and places are free. */
function freeAt({ schedule, ends, free }: Run, i: number, ready: number): number {
  const { problem, placed } = schedule;
  let from = Math.max(ready, ends[i] ?? 0);
  for (const one of present(problem.operations[i]).before) from = Math.max(from, ends[one] ?? 0);
  for (const r of present(placed[i]).crew.resources) from = Math.max(from, free[r] ?? 0);
  return from;
}

/** Does one operation from a minute on. */
function doOne({ schedule, ends, free }: Run, i: number, from: number, minutes: number): void {
  const { split } = present(schedule.problem.operations[i]);
  const { crew } = present(schedule.placed[i]);
  const end = endOfWork(crew.open, beginsAt({ crew, split }, from, minutes), minutes);
  ends[i] = end;
  for (const r of crew.resources) free[r] = end;
}

function failuresBy(chance: Chance, rate: number): number {
  let failures = 0;
  while (failures < mostFailures && rate > 0 && chance() < rate) failures += 1;
  return failures;
}

/** Operations that may begin, the one that can begin first on top; among equals the one that was planned first. */
class Waiting {
  readonly #heap: number[] = [];
  readonly #from: Float64Array;
  constructor(readonly rank: Float64Array) {
    this.#from = new Float64Array(rank.length);
  }

  get size(): number {
    return this.#heap.length;
  }

  /** From when on an operation is in the line for. */
  fromOf(i: number): number {
    return this.#from[i] ?? 0;
  }

  #isBefore(one: number, other: number): boolean {
    const [a, b] = [this.#from[one] ?? 0, this.#from[other] ?? 0];
    return a === b ? (this.rank[one] ?? 0) < (this.rank[other] ?? 0) : a < b;
  }

  add(i: number, from: number): void {
    const heap = this.#heap;
    this.#from[i] = from;
    let at = heap.push(i) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      const other = heap[above] ?? 0;
      if (!this.#isBefore(i, other)) break;
      heap[at] = other;
      at = above;
    }
    heap[at] = i;
  }

  take(): number {
    const heap = this.#heap;
    const first = heap[0] ?? 0;
    const last = heap.pop() ?? 0;
    const { length } = heap;
    if (!length) return first;
    let at = 0;
    for (let left = 1; left < length; left = 2 * at + 1) {
      const right = left + 1;
      const below = right < length && this.#isBefore(heap[right] ?? 0, heap[left] ?? 0) ? right : left;
      if (!this.#isBefore(heap[below] ?? 0, last)) break;
      heap[at] = heap[below] ?? 0;
      at = below;
    }
    heap[at] = last;
    return first;
  }
}

/** What each resource does in the order of the plan, and how far it has come in a run. */
interface Sequences {
  readonly of: readonly (readonly number[])[];
  readonly at: number[];
}

/** Whether an operation is the next one that is planned for all its hands and places. */
function isNext({ of, at }: Sequences, i: number, { schedule, ends }: Run): boolean {
  return present(schedule.placed[i]).crew.resources.every((r) => {
    const own = of[r] ?? [];
    let place = at[r] ?? 0;
    while (place < own.length && (ends[own[place] ?? 0] ?? 0) > 0) place += 1;
    at[r] = place;
    return own[place] === i;
  });
}

/** How long each operation takes in a run, and when what it waits for is here. */
function drawTimes({ operations, jobs }: Problem, { leadOf, factorOf }: Varies, chance: Chance) {
  const leads = jobs.map((_job, j) => {
    const lead = leadOf(j);
    return lead ? drawFrom(lead, chance) : 1;
  });
  const minutes = operations.map((operation, i) => {
    const spread = factorOf(i);
    return Math.max(1, Math.round(spread ? operation.minutes * drawFrom(spread, chance) : operation.minutes));
  });
  const ready = operations.map(({ ready: own, job }) =>
    Math.round(Math.max(own, jobs[job]?.ready ?? 0) * (leads[job] ?? 1)),
  );
  return { minutes, ready };
}

/** What is the same in every run. */
interface Frame {
  readonly schedule: Schedule;
  readonly sequences: Sequences['of'];
  /** When each operation begins in the plan. */
  readonly planned: Float64Array;
  /** What is done again after an operation that failed; mostly nothing. */
  readonly again: ReadonlyMap<number, readonly number[]>;
}

/** One run: whoever is free does what is ready, in the order of the plan, with times as they may turn out. */
function runOnce({ schedule, sequences, planned, again }: Frame, varies: Varies, chance: Chance): readonly number[] {
  const { problem } = schedule;
  const run: Run = { schedule, ends: problem.operations.map(() => 0), free: problem.resources.map(() => 0) };
  const { minutes, ready } = drawTimes(problem, varies, chance);
  const left = problem.operations.map(({ before }) => before.length);
  const waiting = new Waiting(planned);
  const turns: Sequences = { of: sequences, at: sequences.map(() => 0) };
  for (const i of left.keys()) if (left[i] === 0) waiting.add(i, ready[i] ?? 0);
  while (waiting.size) {
    const i = waiting.take();
    const from = waiting.fromOf(i);
    const now = freeAt(run, i, ready[i] ?? 0);
    // Somebody else was first: it waits on, and what can begin sooner goes before.
    if (now > from) {
      waiting.add(i, now);
      continue;
    }
    // Before its time only where it takes nobody from what was planned before it.
    const begins = planned[i] ?? 0;
    if (from < begins && !isNext(turns, i, run)) {
      waiting.add(i, begins);
      continue;
    }
    doOne(run, i, Math.max(now, from), minutes[i] ?? 1);
    const repeated = again.get(i);
    if (repeated)
      for (let n = failuresBy(chance, varies.failRate); n > 0; n--)
        for (const one of repeated) doOne(run, one, freeAt(run, one, run.ends[i] ?? 0), minutes[one] ?? 1);
    for (const next of present(problem.operations[i]).after) {
      left[next] = (left[next] ?? 0) - 1;
      if (left[next] === 0) waiting.add(next, freeAt(run, next, ready[next] ?? 0));
    }
  }
  return run.ends;
}

/**
 * Runs a plan many times with times as they may turn out: hands and places stay as planned, and of what is ready they
 * take what was planned first; what is late is not waited for once something else has its time.
 * @returns the ends of each job over all runs, rising
 */
export function simulate(schedule: Schedule, varies: Varies): readonly (readonly number[])[] {
  const { problem, placed } = schedule;
  const byStart = problem.operations
    .map((_, i) => i)
    .toSorted((a, b) => (placed[a]?.start ?? 0) - (placed[b]?.start ?? 0));
  const sequences = problem.resources.map((_, r) => byStart.filter((i) => placed[i]?.crew.resources.includes(r)));
  const chance = chanceOf(varies.seed);
  const planned = Float64Array.from(placed, (at) => at?.start ?? 0);
  const again = new Map(
    problem.jobs.flatMap((_, j) => {
      const own = varies.againOf(j);
      const last = own.at(-1);
      return last === undefined ? [] : [[last, own] as const];
    }),
  );
  const frame: Frame = { schedule, sequences, planned, again };
  const all = problem.jobs.map((): number[] => []);
  for (let run = 0; run < varies.runs; run++) {
    const ends = runOnce(frame, varies, chance);
    for (const [j, { operations }] of problem.jobs.entries())
      all[j]?.push(Math.max(0, ...operations.map((i) => ends[i] ?? 0)));
  }
  return all.map((ends) => ends.toSorted((a, b) => a - b));
}

/** The last operation of a job: the test, which is done again where it fails. */
export function lastOf({ jobs, operations }: Problem, j: number): readonly number[] {
  const own = present(jobs[j]).operations.filter((i) => present(operations[i]).after.length === 0);
  return own.slice(-1);
}
