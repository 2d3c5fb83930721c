import { present } from '../present';
import { below, type Chance } from './chance';
import { headInJob, listOf, tailInJob, type Order, type Paths, type Shop } from './job-shop';

/** An operation that goes right behind another of its resource, or right before it. */
export interface Move {
  readonly one: number;
  readonly other: number;
  readonly isBehind: boolean;
}

/** Operations of longest paths that wait for nothing. */
function beginnings({ count, minutes, before }: Shop, { previous }: Order, { head, tail, longest }: Paths) {
  const found: number[] = [];
  for (let i = 0; i < count; i++) {
    const start = head[i] ?? 0;
    if (start + (minutes[i] ?? 0) + (tail[i] ?? 0) !== longest) continue;
    const own = previous[i] ?? -1;
    let waits = own >= 0 && (head[own] ?? 0) + (minutes[own] ?? 0) === start;
    for (let k = before.at[i] ?? 0; k < (before.at[i + 1] ?? 0) && !waits; k++) {
      const one = before.all[k] ?? 0;
      waits = (head[one] ?? 0) + (minutes[one] ?? 0) === start;
    }
    if (!waits) found.push(i);
  }
  return found;
}

/** What follows an operation on a longest path: by chance one of several; -1 at its end. */
function follower(i: number, { after, minutes }: Shop, { next }: Order, paths: Paths, chance: Chance): number {
  const { head, tail, longest } = paths;
  const end = (head[i] ?? 0) + (minutes[i] ?? 0);
  let chosen = -1;
  let ways = 0;
  const last = after.at[i + 1] ?? 0;
  for (let k = after.at[i] ?? 0; k <= last; k++) {
    const one = k < last ? (after.all[k] ?? 0) : (next[i] ?? -1);
    if (one < 0 || head[one] !== end || end + (minutes[one] ?? 0) + (tail[one] ?? 0) !== longest) continue;
    ways += 1;
    if (ways === 1 || below(chance, ways) === 0) chosen = one;
  }
  return chosen;
}

/** One longest path, by chance among several, cut into runs on one resource. */
export function criticalRuns(shop: Shop, order: Order, paths: Paths, chance: Chance): readonly (readonly number[])[] {
  const { machine } = shop;
  const first = beginnings(shop, order, paths);
  const runs: number[][] = [];
  let last = -1;
  for (let at = first[below(chance, first.length)] ?? -1; at >= 0; at = follower(at, shop, order, paths, chance)) {
    if (last >= 0 && machine[last] === machine[at] && order.next[last] === at) present(runs.at(-1)).push(at);
    else runs.push([at]);
    last = at;
  }
  return runs;
}

/** Whether an operation can go right behind another of its run without a circle; true only where it is sure. */
function canGoBehind({ after, minutes }: Shop, { tail }: Paths, one: number, other: number): boolean {
  const rest = (tail[other] ?? 0) + (minutes[other] ?? 0);
  return listOf(after, one).every((next) => rest >= (tail[next] ?? 0) + (minutes[next] ?? 0));
}

function canGoBefore({ before, minutes }: Shop, { head }: Paths, one: number, other: number): boolean {
  const end = (head[other] ?? 0) + (minutes[other] ?? 0);
  return listOf(before, one).every((last) => end >= (head[last] ?? 0) + (minutes[last] ?? 0));
}

/**
 * Moves that may make the longest path shorter: within a run, any operation to its end or its beginning, and those at
 * its ends inwards.
 * Source: E. Balas and A. Vazacopoulos, Guided local search with shifting bottleneck for job shop scheduling, 1998.
 */
export function movesOf(shop: Shop, paths: Paths, runs: readonly (readonly number[])[]): readonly Move[] {
  const moves: Move[] = [];
  for (const run of runs) {
    const last = run.length - 1;
    if (last < 1) continue;
    const [begin, end] = [present(run[0]), present(run[last])];
    for (let k = 0; k <= last; k++) {
      const one = present(run[k]);
      if (k < last && (k === last - 1 || canGoBehind(shop, paths, one, end)))
        moves.push({ one, other: end, isBehind: true });
      if (k > 1 && canGoBefore(shop, paths, one, begin)) moves.push({ one, other: begin, isBehind: false });
      if (k > 0 && k < last && (k === 1 || canGoBehind(shop, paths, begin, one)))
        moves.push({ one: begin, other: one, isBehind: true });
      if (k > 0 && k < last - 1 && canGoBefore(shop, paths, end, one))
        moves.push({ one: end, other: one, isBehind: false });
    }
  }
  return moves;
}

/** The operations between, in the order in which they stand after a move, the moved one among them. */
export function afterMove({ next }: Order, { one, other, isBehind }: Move): readonly number[] {
  const [from, to] = isBehind ? [one, other] : [other, one];
  const run = [from];
  for (let i = from; i !== to;) {
    i = next[i] ?? -1;
    run.push(i);
  }
  return isBehind ? [...run.slice(1), one] : [one, ...run.slice(0, -1)];
}

/** How long the longest path through the moved operations will be: never more than it will be in truth by much, and quick. */
export function lengthAfter(
  shop: Shop,
  order: Order,
  paths: Paths,
  run: readonly number[],
  first: number,
  last: number,
) {
  const { minutes } = shop;
  const heads: number[] = [];
  const own = order.previous[first] ?? -1;
  let free = own < 0 ? 0 : (paths.head[own] ?? 0) + (minutes[own] ?? 0);
  for (const i of run) {
    const head = Math.max(headInJob(shop, paths, i), free);
    heads.push(head);
    free = head + (minutes[i] ?? 0);
  }
  const behind = order.next[last] ?? -1;
  let rest = behind < 0 ? 0 : (paths.tail[behind] ?? 0) + (minutes[behind] ?? 0);
  let longest = 0;
  for (let k = run.length - 1; k >= 0; k--) {
    const i = run[k] ?? 0;
    const tail = Math.max(tailInJob(shop, paths, i), rest);
    rest = tail + (minutes[i] ?? 0);
    longest = Math.max(longest, (heads[k] ?? 0) + rest);
  }
  return longest;
}

/** Puts the operations of a run in their new order. */
export function relink({ previous, next }: Order, run: readonly number[], first: number, last: number): void {
  let before = previous[first] ?? -1;
  const behind = next[last] ?? -1;
  for (const i of run) {
    previous[i] = before;
    if (before >= 0) next[before] = i;
    before = i;
  }
  next[before] = behind;
  if (behind >= 0) previous[behind] = before;
}
