import { present } from '../present';
import type { Problem } from './plan-problem';

/**
 * A plan in which everybody is always there and each operation can be done by one resource only: what is open is the
 * order on each resource. Longest paths through that order are the plan.
 */
export interface Shop {
  readonly count: number;
  readonly minutes: Int32Array;
  readonly ready: Int32Array;
  /** What each follows in its own job, one list behind the other: of operation i from `at[i]` to below `at[i + 1]`. */
  readonly before: Lists;
  readonly after: Lists;
  readonly machine: Int32Array;
}

export interface Lists {
  readonly at: Int32Array;
  readonly all: Int32Array;
}

function asLists(lists: readonly (readonly number[])[]): Lists {
  const at = new Int32Array(lists.length + 1);
  for (const [i, { length }] of lists.entries()) at[i + 1] = (at[i] ?? 0) + length;
  return { at, all: Int32Array.from(lists.flat()) };
}

/** One of the lists. */
export const listOf = ({ at, all }: Lists, i: number) => all.subarray(at[i], at[i + 1]);

/** The order on each resource, as neighbours of each operation; -1 for none. */
export interface Order {
  readonly previous: Int32Array;
  readonly next: Int32Array;
}

/** Longest paths: to the start of each operation, and from its end; the longest of all. */
export interface Paths {
  readonly head: Int32Array;
  readonly tail: Int32Array;
  longest: number;
  /** Operations, each after those that it waits for. */
  readonly sorted: Int32Array;
  /** How many others each still waits for, while they are sorted. */
  readonly waits: Int32Array;
}

/** The problem as such a shop; null where it is none. */
export function asShop({ objective, operations, jobs, resources }: Problem): Shop | null {
  if (objective !== 'makespan' || resources.some(({ open }) => open)) return null;
  if (operations.some(({ crews }) => crews.length !== 1 || present(crews[0]).resources.length !== 1)) return null;
  return {
    count: operations.length,
    minutes: Int32Array.from(operations, ({ minutes }) => minutes),
    ready: Int32Array.from(operations, ({ ready, job }) => Math.max(ready, jobs[job]?.ready ?? 0)),
    before: asLists(operations.map(({ before }) => before)),
    after: asLists(operations.map(({ after }) => after)),
    machine: Int32Array.from(operations, ({ crews }) => present(crews[0]).resources[0] ?? 0),
  };
}

export const emptyPaths = (count: number): Paths => ({
  ...{ head: new Int32Array(count), tail: new Int32Array(count), sorted: new Int32Array(count), longest: 0 },
  waits: new Int32Array(count),
});

/** When an operation can start for what it follows in its own job. */
export function headInJob({ ready, before, minutes }: Shop, { head }: Paths, i: number): number {
  let from = ready[i] ?? 0;
  for (let k = before.at[i] ?? 0; k < (before.at[i + 1] ?? 0); k++) {
    const one = before.all[k] ?? 0;
    const end = (head[one] ?? 0) + (minutes[one] ?? 0);
    if (end > from) from = end;
  }
  return from;
}

/** What follows the end of an operation in its own job. */
export function tailInJob({ after, minutes }: Shop, { tail }: Paths, i: number): number {
  let left = 0;
  for (let k = after.at[i] ?? 0; k < (after.at[i + 1] ?? 0); k++) {
    const one = after.all[k] ?? 0;
    const rest = (tail[one] ?? 0) + (minutes[one] ?? 0);
    if (rest > left) left = rest;
  }
  return left;
}

/** Operations sorted so that each comes after those that it waits for; how many could be sorted. */
function sortInto({ count, before, after }: Shop, { previous, next }: Order, { sorted, waits }: Paths): number {
  let filled = 0;
  for (let i = 0; i < count; i++) {
    const left = (before.at[i + 1] ?? 0) - (before.at[i] ?? 0) + ((previous[i] ?? -1) >= 0 ? 1 : 0);
    waits[i] = left;
    if (left === 0) sorted[filled++] = i;
  }
  for (let at = 0; at < filled; at++) {
    const i = sorted[at] ?? 0;
    const end = after.at[i + 1] ?? 0;
    for (let k = after.at[i] ?? 0; k < end; k++) {
      const one = after.all[k] ?? 0;
      const left = (waits[one] ?? 0) - 1;
      waits[one] = left;
      if (left === 0) sorted[filled++] = one;
    }
    const own = next[i] ?? -1;
    if (own < 0) continue;
    const left = (waits[own] ?? 0) - 1;
    waits[own] = left;
    if (left === 0) sorted[filled++] = own;
  }
  return filled;
}

/** Reckons all longest paths of an order. @throws Error where the order runs in a circle, which no caller makes */
export function reckonPaths(shop: Shop, order: Order, paths: Paths): void {
  const { count, minutes } = shop;
  const { head, tail, sorted } = paths;
  if (sortInto(shop, order, paths) < count) throw new Error('an order of work that runs in a circle');
  let longest = 0;
  for (let at = 0; at < count; at++) {
    const i = sorted[at] ?? 0;
    const own = order.previous[i] ?? -1;
    const free = own < 0 ? 0 : (head[own] ?? 0) + (minutes[own] ?? 0);
    head[i] = Math.max(headInJob(shop, paths, i), free);
    longest = Math.max(longest, (head[i] ?? 0) + (minutes[i] ?? 0));
  }
  for (let at = count - 1; at >= 0; at--) {
    const i = sorted[at] ?? 0;
    const own = order.next[i] ?? -1;
    const rest = own < 0 ? 0 : (tail[own] ?? 0) + (minutes[own] ?? 0);
    tail[i] = Math.max(tailInJob(shop, paths, i), rest);
  }
  paths.longest = longest;
}

/** The order on each resource that follows from starts. */
export function orderByStarts({ count, machine }: Shop, startOf: (i: number) => number): Order {
  const previous = new Int32Array(count).fill(-1);
  const next = new Int32Array(count).fill(-1);
  const last = new Map<number, number>();
  const all = Array.from({ length: count }, (_, i) => i).toSorted((a, b) => startOf(a) - startOf(b) || a - b);
  for (const i of all) {
    const m = machine[i] ?? 0;
    const before = last.get(m);
    if (before !== undefined) {
      previous[i] = before;
      next[before] = i;
    }
    last.set(m, i);
  }
  return { previous, next };
}

export const copyOrder = ({ previous, next }: Order): Order => ({
  previous: Int32Array.from(previous),
  next: Int32Array.from(next),
});
