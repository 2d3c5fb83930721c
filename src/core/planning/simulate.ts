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
  /** By what the time until something is here is multiplied; null where it does not vary. */
  readonly lead: Spread | null;
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

/** The first opening from a minute on that is long enough; the minute itself where none is: then the work pauses. */
function beginsAt(
  { crew, split }: { readonly crew: Operation['crews'][number]; readonly split: boolean },
  from: number,
  minutes: number,
) {
  const { open } = crew;
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

/** Does one operation after all that stands before it on its hands and places. */
function doOne({ schedule, ends, free }: Run, i: number, ready: number, minutes: number): void {
  const { problem, placed } = schedule;
  const { before, split } = present(problem.operations[i]);
  const { crew } = present(placed[i]);
  let from = Math.max(ready, ends[i] ?? 0);
  for (const one of before) from = Math.max(from, ends[one] ?? 0);
  for (const r of crew.resources) from = Math.max(from, free[r] ?? 0);
  const start = beginsAt({ crew, split }, from, minutes);
  const end = endOfWork(crew.open, start, minutes);
  ends[i] = end;
  for (const r of crew.resources) free[r] = end;
}

function failuresBy(chance: Chance, rate: number): number {
  let failures = 0;
  while (failures < mostFailures && rate > 0 && chance() < rate) failures += 1;
  return failures;
}

/** One run: the work in the order of the plan, with times as they may turn out. */
function runOnce(schedule: Schedule, order: readonly number[], varies: Varies, chance: Chance): readonly number[] {
  const { problem } = schedule;
  const run: Run = { schedule, ends: problem.operations.map(() => 0), free: problem.resources.map(() => 0) };
  const leads = problem.jobs.map(() => (varies.lead ? drawFrom(varies.lead, chance) : 1));
  const last = new Map(problem.jobs.map((_, j) => [varies.againOf(j).at(-1), j]));
  const minutesOf = (i: number) => {
    const spread = varies.factorOf(i);
    const { minutes } = present(problem.operations[i]);
    return Math.max(1, Math.round(spread ? minutes * drawFrom(spread, chance) : minutes));
  };
  for (const i of order) {
    const { ready, job } = present(problem.operations[i]);
    const waits = Math.max(ready, problem.jobs[job]?.ready ?? 0);
    doOne(run, i, Math.round(waits * (leads[job] ?? 1)), minutesOf(i));
    const failed = last.get(i);
    if (failed === undefined) continue;
    for (let n = failuresBy(chance, varies.failRate); n > 0; n--)
      for (const again of varies.againOf(failed)) doOne(run, again, run.ends[i] ?? 0, minutesOf(again));
  }
  return run.ends;
}

/**
 * Runs a plan many times with times as they may turn out; hands, places and their order stay as planned.
 * @returns the ends of each job over all runs, rising
 */
export function simulate(schedule: Schedule, varies: Varies): readonly (readonly number[])[] {
  const { problem, placed } = schedule;
  const order = problem.operations
    .map((_, i) => i)
    .toSorted(
      (a, b) => (placed[a]?.start ?? 0) - (placed[b]?.start ?? 0) || (placed[a]?.end ?? 0) - (placed[b]?.end ?? 0),
    );
  const chance = chanceOf(varies.seed);
  const all = problem.jobs.map((): number[] => []);
  for (let run = 0; run < varies.runs; run++) {
    const ends = runOnce(schedule, order, varies, chance);
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
