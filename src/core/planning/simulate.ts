import { present } from '../present';
import { chanceOf, type Chance } from './chance';
import { WaitingLines } from './lines';
import { endOfWork, type OpenTimes } from './open-times';
import { drawFrom, type Spread } from './quantiles';
import type { Problem } from './plan-problem';
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
  /** A job that goes before all others wherever its work may begin; left out: all go by the plan. */
  readonly first?: number;
}

/** More failed tests in a row than this are not reckoned with. */
const mostFailures = 4;

/** What is the same in every run: a plan as rows of figures, for it is run through a million times. */
interface Frame {
  readonly jobOf: Int32Array;
  readonly minutes: Float64Array;
  /** When an operation and its job are ready at the earliest. */
  readonly ready: Float64Array;
  /** When each operation begins in the plan, and its place in the order of all of them. */
  readonly planned: Float64Array;
  readonly rank: Int32Array;
  readonly split: readonly boolean[];
  readonly open: readonly (OpenTimes | null)[];
  readonly crews: readonly (readonly number[])[];
  readonly before: readonly (readonly number[])[];
  readonly after: readonly (readonly number[])[];
  /** What each resource does, in the order of the plan. */
  readonly sequences: readonly (readonly number[])[];
  /** What is done again after an operation that failed; mostly nothing. */
  readonly again: ReadonlyMap<number, readonly number[]>;
  readonly factors: readonly (Spread | null)[];
  readonly leads: readonly (Spread | null)[];
}

function frameOf({ problem, placed }: Schedule, { againOf, factorOf, leadOf, first }: Varies): Frame {
  const { operations, jobs, resources } = problem;
  const startOf = (i: number) => placed[i]?.start ?? 0;
  const byStart = operations.map((_, i) => i).toSorted((a, b) => startOf(a) - startOf(b));
  const isFirst = (i: number) => operations[i]?.job === first;
  const rank = new Int32Array(operations.length);
  const inOrder = byStart.toSorted((a, b) => Number(isFirst(b)) - Number(isFirst(a)));
  for (const [place, i] of inOrder.entries()) rank[i] = place;
  const crews = placed.map((at) => present(at).crew.resources);
  const again = jobs.flatMap((_, j) => {
    const own = againOf(j);
    const last = own.at(-1);
    return last === undefined ? [] : [[last, own] as const];
  });
  return {
    jobOf: Int32Array.from(operations, ({ job }) => job),
    minutes: Float64Array.from(operations, ({ minutes }) => minutes),
    ready: Float64Array.from(operations, ({ ready, job }) => Math.max(ready, jobs[job]?.ready ?? 0)),
    planned: Float64Array.from(operations, (_, i) => (isFirst(i) ? 0 : startOf(i))),
    ...{ rank, crews, again: new Map(again) },
    split: operations.map(({ split }) => split),
    open: placed.map((at) => present(at).crew.open),
    before: operations.map(({ before }) => before),
    after: operations.map(({ after }) => after),
    sequences: resources.map((_, r) => byStart.filter((i) => crews[i]?.includes(r))),
    factors: operations.map((_, i) => factorOf(i)),
    leads: jobs.map((_, j) => leadOf(j)),
  };
}

/** How far one run has come. */
interface Run {
  /** When each operation ended; 0 where it has not been done. */
  readonly ends: Float64Array;
  /** When each resource is free again. */
  readonly free: Float64Array;
  /** How far each resource has come in its sequence. */
  readonly at: Int32Array;
  /** How long each operation takes this time, and when what it waits for is here. */
  readonly minutes: Float64Array;
  readonly ready: Float64Array;
  /** How often each work fails of which something is done again. */
  readonly failures: ReadonlyMap<number, number>;
}

/** The first opening from a minute on that is long enough; where none is, the work pauses. */
function beginsAt(open: OpenTimes | null, split: boolean, from: number, minutes: number): number {
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
function freeAt({ before, crews }: Frame, { ends, free }: Run, i: number, ready: number): number {
  let from = Math.max(ready, ends[i] ?? 0);
  for (const one of before[i] ?? []) from = Math.max(from, ends[one] ?? 0);
  for (const r of crews[i] ?? []) from = Math.max(from, free[r] ?? 0);
  return from;
}

/** Does one operation from a minute on. */
function doOne({ crews, open, split }: Frame, { ends, free, minutes }: Run, i: number, from: number): void {
  const own = open[i] ?? null;
  const long = minutes[i] ?? 1;
  const end = endOfWork(own, beginsAt(own, split[i] ?? true, from, long), long);
  ends[i] = end;
  for (const r of crews[i] ?? []) free[r] = end;
}

function failuresBy(chance: Chance, rate: number): number {
  let failures = 0;
  while (failures < mostFailures && rate > 0 && chance() < rate) failures += 1;
  return failures;
}

/** Whether an operation is the next one that is planned for all its hands and places. */
function isNext({ crews, sequences }: Frame, { at, ends }: Run, i: number): boolean {
  for (const r of crews[i] ?? []) {
    const own = sequences[r] ?? [];
    let place = at[r] ?? 0;
    while (place < own.length && (ends[own[place] ?? 0] ?? 0) > 0) place += 1;
    at[r] = place;
    if (own[place] !== i) return false;
  }
  return true;
}

/** How long each operation takes in a run, when what it waits for is here, and what fails: the same for every plan. */
function drawTimes(frame: Frame, run: Omit<Run, 'failures'>, failRate: number, chance: Chance): Run {
  const { factors, leads, minutes, ready, jobOf, again } = frame;
  const late = leads.map((lead) => (lead ? drawFrom(lead, chance) : 1));
  for (let i = 0; i < minutes.length; i++) {
    const spread = factors[i];
    const usual = minutes[i] ?? 1;
    run.minutes[i] = Math.max(1, Math.round(spread ? usual * drawFrom(spread, chance) : usual));
    run.ready[i] = Math.round((ready[i] ?? 0) * (late[jobOf[i] ?? 0] ?? 1));
  }
  return { ...run, failures: new Map([...again.keys()].map((i) => [i, failuresBy(chance, failRate)])) };
}

/** One run: whoever is free does what is ready, in the order of the plan, with times as they may turn out. */
function runOnce(frame: Frame, failRate: number, chance: Chance): Float64Array {
  const { rank, planned, again, before, after, crews } = frame;
  const empty = {
    ends: new Float64Array(rank.length),
    free: new Float64Array(frame.sequences.length),
    at: new Int32Array(frame.sequences.length),
    minutes: new Float64Array(rank.length),
    ready: new Float64Array(rank.length),
  };
  const run = drawTimes(frame, empty, failRate, chance);
  const left = before.map(({ length }) => length);
  const waiting = new WaitingLines(rank, run.free);
  /** Waits in the line of the hand or place that keeps it longest, else by itself. */
  const waitFor = (i: number, from: number) => {
    const longest = crews[i]?.find((r) => run.free[r] === from);
    if (longest === undefined) waiting.add(i, from);
    else waiting.standInLine(i, longest);
  };
  for (const [i, count] of left.entries()) if (count === 0) waiting.add(i, run.ready[i] ?? 0);
  for (let next = waiting.take(); next; next = waiting.take()) {
    const { i, from } = next;
    const now = freeAt(frame, run, i, run.ready[i] ?? 0);
    // Somebody else was first: it waits on, and what can begin sooner goes before.
    if (now > from) {
      waitFor(i, now);
      continue;
    }
    // Before its time only where it takes nobody from what was planned before it.
    const begins = planned[i] ?? 0;
    if (from < begins && !isNext(frame, run, i)) {
      waiting.add(i, begins);
      continue;
    }
    doOne(frame, run, i, from);
    const repeated = again.get(i);
    if (repeated)
      for (let n = run.failures.get(i) ?? 0; n > 0; n--)
        for (const one of repeated) doOne(frame, run, one, freeAt(frame, run, one, run.ends[i] ?? 0));
    for (const one of after[i] ?? []) {
      left[one] = (left[one] ?? 0) - 1;
      if (left[one] === 0) waitFor(one, freeAt(frame, run, one, run.ready[one] ?? 0));
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
  const { jobs } = schedule.problem;
  const frame = frameOf(schedule, varies);
  const chance = chanceOf(varies.seed);
  const all = jobs.map(() => new Float64Array(varies.runs));
  for (let run = 0; run < varies.runs; run++) {
    const ends = runOnce(frame, varies.failRate, chance);
    for (const [j, { operations }] of jobs.entries()) {
      let last = 0;
      for (const i of operations) last = Math.max(last, ends[i] ?? 0);
      present(all[j])[run] = last;
    }
  }
  return all.map((ends) => [...ends.sort()]);
}

/** The last operation of a job: the test, which is done again where it fails. */
export function lastOf({ jobs, operations }: Problem, j: number): readonly number[] {
  const own = present(jobs[j]).operations.filter((i) => present(operations[i]).after.length === 0);
  return own.slice(-1);
}
