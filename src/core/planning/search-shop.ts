import { present } from '../present';
import { below, chanceOf, type Chance } from './chance';
import { copyOrder, emptyPaths, orderByStarts, reckonPaths, type Order, type Paths, type Shop } from './job-shop';
import { afterMove, criticalRuns, lengthAfter, movesOf, relink, type Move } from './shop-moves';

/** So many steps without a better plan, and the search sets out again from one of the best. */
const patience = 1800;
const mostElites = 6;

interface Found {
  readonly order: Order;
  readonly longest: number;
}

interface Walk {
  readonly shop: Shop;
  readonly chance: Chance;
  readonly paths: Paths;
  /** Until which step an operation may not stand before another: one row an operation. */
  readonly forbidden: Int32Array;
  order: Order;
  step: number;
}

const endsOf = ({ one, other, isBehind }: Move) => (isBehind ? ([one, other] as const) : ([other, one] as const));

interface Choice {
  readonly run: readonly number[];
  readonly move: Move;
  readonly length: number;
}

/** Whether a move would set right again what was just turned round. */
function isForbidden({ shop, forbidden, step }: Walk, { one, isBehind }: Move, run: readonly number[]): boolean {
  for (const i of run) {
    if (i === one) continue;
    const [first, second] = isBehind ? [i, one] : [one, i];
    if ((forbidden[first * shop.count + second] ?? 0) > step) return true;
  }
  return false;
}

/** The move after which the plan is shortest, of those that are not forbidden or lead to a new best. */
function chooseMove(walk: Walk, best: number): Choice | null {
  const { shop, order, paths, chance } = walk;
  const moves = movesOf(shop, paths, criticalRuns(shop, order, paths, chance));
  let chosen: Choice | null = null;
  let equals = 1;
  for (const move of moves) {
    const run = afterMove(order, move);
    const [first, last] = endsOf(move);
    const length = lengthAfter(shop, order, paths, run, first, last);
    if (chosen && length > chosen.length) continue;
    if (length >= best && isForbidden(walk, move, run)) continue;
    equals = chosen && length === chosen.length ? equals + 1 : 1;
    if (equals === 1 || below(chance, equals) === 0) chosen = { run, move, length };
  }
  if (chosen || !moves.length) return chosen;
  const move = present(moves[below(chance, moves.length)]);
  return { run: afterMove(order, move), move, length: Infinity };
}

function makeMove(walk: Walk, { run, move }: Choice, moveCount: number): void {
  const { shop, order, paths, forbidden, chance } = walk;
  const [first, last] = endsOf(move);
  const until = walk.step + 8 + below(chance, 6) + (moveCount >> 2);
  for (const i of run) {
    if (i === move.one) continue;
    // What stood before is not to stand there again soon.
    const [one, other] = move.isBehind ? [move.one, i] : [i, move.one];
    forbidden[one * shop.count + other] = until;
  }
  relink(order, run, first, last);
  reckonPaths(shop, order, paths);
}

/** Sets out again from one of the best plans, a few steps aside. */
function setOutAgain(walk: Walk, elites: readonly Found[]): void {
  const { shop, paths, chance } = walk;
  walk.order = copyOrder(present(elites[below(chance, elites.length)]).order);
  walk.forbidden.fill(0);
  reckonPaths(shop, walk.order, paths);
  const steps = 4 + below(chance, 12);
  for (let k = 0; k < steps; k++) {
    const moves = movesOf(shop, paths, criticalRuns(shop, walk.order, paths, chance));
    const move = moves[below(chance, Math.max(1, moves.length))];
    if (!move) return;
    makeMove(walk, { run: afterMove(walk.order, move), move, length: 0 }, moves.length);
  }
}

function keepElite(elites: Found[], found: Found): void {
  if (elites.some(({ longest }) => longest === found.longest)) return;
  elites.push(found);
  elites.sort((a, b) => a.longest - b.longest);
  elites.length = Math.min(elites.length, mostElites);
}

/**
 * Shortens a plan by moves along its longest path; what was turned round may not be turned back for a while.
 * @param startOf a plan to begin with
 * @param floor no plan is shorter: reaching it ends the search
 * @param steps how many moves are made
 * @returns starts of the shortest plan that was met
 * Source: E. Nowicki and C. Smutnicki, A fast taboo search algorithm for the job shop problem, Management Science 42, 1996.
 */
export function searchShop(
  shop: Shop,
  startOf: (i: number) => number,
  { floor, steps, seed = 1 }: { readonly floor: number; readonly steps: number; readonly seed?: number },
): { readonly starts: readonly number[]; readonly longest: number; readonly isBest: boolean } {
  const paths = emptyPaths(shop.count);
  const walk: Walk = {
    ...{ shop, paths, chance: chanceOf(seed), forbidden: new Int32Array(shop.count * shop.count), step: 1 },
    order: orderByStarts(shop, startOf),
  };
  reckonPaths(shop, walk.order, paths);
  let best: Found = { order: copyOrder(walk.order), longest: paths.longest };
  const elites: Found[] = [best];
  let local = paths.longest;
  let isBest = best.longest <= floor;
  for (let quiet = 0; walk.step < steps && !isBest; walk.step++) {
    const choice = chooseMove(walk, best.longest);
    if (!choice) {
      // A longest path without a move lies on one resource or in one job: nothing is shorter.
      isBest = paths.longest <= best.longest;
      if (isBest) best = { order: copyOrder(walk.order), longest: paths.longest };
      break;
    }
    makeMove(walk, choice, choice.run.length);
    quiet += 1;
    if (paths.longest < local) {
      local = paths.longest;
      quiet = 0;
      const found = { order: copyOrder(walk.order), longest: local };
      keepElite(elites, found);
      if (local < best.longest) best = found;
      isBest = best.longest <= floor;
    }
    if (quiet < patience) continue;
    setOutAgain(walk, elites);
    local = paths.longest;
    quiet = 0;
  }
  reckonPaths(shop, best.order, paths);
  return { starts: [...paths.head], longest: best.longest, isBest };
}
