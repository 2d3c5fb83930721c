import { present } from '../present';
import { below, chanceOf, type Chance } from './chance';
import { judged, pulledForward, type Plan } from './first-plans';
import { firstAbove } from './open-times';
import { lateCost } from './plan-cost';
import type { Problem } from './plan-problem';
import { endOfJob, placeJob, put, takeOutJob, type Placed, type Schedule } from './schedule';

/** By which share of the lateness of one job a plan may be worse at the beginning of the search. */
const warmest = 0.05;
/** Every so many tries all work is pulled forward anew. */
const pullEvery = 400;

interface Search {
  readonly problem: Problem;
  readonly schedule: Schedule;
  readonly ends: number[];
  first: number;
  second: number;
}

/** Jobs that stand on the resources of a job just before it: those that it waits for, the nearest first. */
function blockersOf({ placed, taken, problem }: Schedule, j: number, most: number): readonly number[] {
  const before = new Map<number, number>();
  for (const i of present(problem.jobs[j]).operations) {
    const own = placed[i];
    for (const r of own?.crew.resources ?? []) {
      const { from, by } = present(taken[r]);
      const place = firstAbove(from, own?.start ?? 0) - 1;
      for (let k = Math.max(0, place - 3); k < place; k++) {
        const job = present(problem.operations[by[k] ?? 0]).job;
        if (job !== j) before.set(job, Math.max(before.get(job) ?? 0, from[k] ?? 0));
      }
    }
  }
  return [...before]
    .toSorted((a, b) => b[1] - a[1])
    .slice(0, most)
    .map(([job]) => job);
}

/** A job that matters: a late one, by its share of the lateness, or the last one; now and then any. */
function seedJob({ problem, ends, first }: Search, chance: Chance): number {
  const any = below(chance, ends.length);
  if (chance() < 0.2) return any;
  if (problem.objective === 'makespan') return ends.indexOf(Math.max(...ends));
  if (first <= 0) return any;
  let left = chance() * first;
  for (const [j, end] of ends.entries()) {
    left -= lateCost(problem, j, end);
    if (left <= 0) return j;
  }
  return any;
}

/** Some jobs to be placed anew together: a seed, those that it waits for, and chance. */
function jobsToMove(search: Search, chance: Chance): readonly number[] {
  const { ends, schedule } = search;
  const most = Math.min(ends.length, 2 + below(chance, 4));
  const seed = seedJob(search, chance);
  const picked = new Set([seed]);
  if (chance() < 0.7)
    for (const job of blockersOf(schedule, seed, 6)) if (picked.size < most && chance() < 0.6) picked.add(job);
  while (picked.size < most) picked.add(below(chance, ends.length));
  return [...picked];
}

/** The seed goes first or somewhere; the others by chance or by their promises. */
function orderOf(jobs: readonly number[], { problem }: Search, chance: Chance): readonly number[] {
  const [seed, ...others] = jobs;
  const kind = chance();
  const mixed = others.map((job) => [job, chance()] as const).toSorted((a, b) => a[1] - b[1]);
  const rest = mixed.map(([job]) => job);
  if (kind < 0.5) return [present(seed), ...rest];
  if (kind < 0.75) return jobs.toSorted((a, b) => (problem.jobs[a]?.due ?? 1e12) - (problem.jobs[b]?.due ?? 1e12));
  return [...rest, present(seed)];
}

interface Kept {
  readonly i: number;
  readonly at: Placed;
}

function takeOutAll({ schedule, problem }: Search, jobs: readonly number[]): readonly Kept[] {
  const kept = jobs.flatMap((j) =>
    present(problem.jobs[j]).operations.flatMap((i) => {
      const at = schedule.placed[i];
      return at ? [{ i, at }] : [];
    }),
  );
  for (const j of jobs) takeOutJob(schedule, j);
  return kept;
}

/** The figures with some jobs' new ends. */
function figuresWith({ problem, ends, first, second }: Search, jobs: readonly number[], schedule: Schedule) {
  const now = jobs.map((j) => [j, endOfJob(schedule, j)] as const);
  const sum = now.reduce((all, [j, end]) => all + end - (ends[j] ?? 0), second);
  if (problem.objective === 'makespan') {
    const moved = new Map(now);
    return { now, second: sum, first: Math.max(...ends.map((end, j) => moved.get(j) ?? end)) };
  }
  const late = now.reduce(
    (all, [j, end]) => all + lateCost(problem, j, end) - lateCost(problem, j, ends[j] ?? 0),
    first,
  );
  return { now, second: sum, first: late };
}

/** Places some jobs anew; keeps it where the plan is no worse, or a little worse while it is warm. */
function tryOnce(search: Search, chance: Chance, warmth: number): void {
  const { schedule } = search;
  const jobs = jobsToMove(search, chance);
  const order = orderOf(jobs, search, chance);
  const kept = takeOutAll(search, jobs);
  for (const j of order) placeJob(schedule, j);
  const { now, first, second } = figuresWith(search, jobs, schedule);
  const worse = first - search.first;
  const isBetter = worse < -1e-9 || (worse < 1e-9 && second <= search.second);
  if (isBetter || (worse > 0 && worse < warmth * -Math.log(1 - chance()))) {
    for (const [j, end] of now) search.ends[j] = end;
    search.first = first;
    search.second = second;
    return;
  }
  for (const j of jobs) takeOutJob(schedule, j);
  for (const { i, at } of kept) put(schedule, i, at);
}

const searchFrom = ({ schedule, ends, cost }: Plan): Search => ({
  problem: schedule.problem,
  schedule: {
    ...schedule,
    placed: [...schedule.placed],
    taken: schedule.taken.map(({ from, to, by }) => ({ from: [...from], to: [...to], by: [...by] })),
  },
  ends: [...ends],
  ...{ first: cost.first, second: cost.second },
});

/**
 * Improves a plan: a few jobs at a time are taken out and put in again in another order, as early as they go between the
 * rest. The best plan that was met is kept.
 * Source: large neighbourhood search (P. Shaw, 1998) with the acceptance of simulated annealing.
 * @param budget how many places may be looked at
 */
export function improvePlan(plan: Plan, budget: number, seed = 1): Plan {
  const { problem } = plan.schedule;
  if (problem.jobs.length < 2) return plan;
  const chance = chanceOf(seed);
  let best = plan;
  let search = searchFrom(plan);
  const from = search.schedule.looked;
  for (let tries = 1; search.schedule.looked - from < budget; tries++) {
    const gone = (search.schedule.looked - from) / budget;
    tryOnce(search, chance, (search.first * warmest * (1 - gone)) / problem.jobs.length);
    const isBetter =
      search.first < best.cost.first - 1e-9 ||
      (search.first < best.cost.first + 1e-9 && search.second < best.cost.second);
    if (isBetter && (tries % 20 === 0 || search.first < best.cost.first - 1e-9)) {
      const { schedule } = searchFrom({ schedule: search.schedule, ends: [], cost: best.cost });
      best = judged(schedule);
    }
    if (tries % pullEvery === 0) search = searchFrom(pulledForward(judged(search.schedule)));
    if (best.cost.first <= 0 && problem.objective === 'lateness' && tries > 4 * problem.jobs.length) break;
  }
  return pulledForward(best);
}
