import type { Solver } from './solver';
import {
  cheapestLength,
  epsilon,
  leastCosts,
  stacksOf,
  type Group,
  type Pattern,
  type ShimTask,
  type Stack,
} from './shim-stacks';

/** More patterns than this are not listed; the sum then says that it has no proof. */
const mostPatterns = 20000;

/** How often each pattern is taken, and what that costs. */
export interface Share {
  readonly values: readonly number[];
  readonly patterns: readonly Pattern[];
  readonly cost: number;
}

export interface Master {
  readonly groups: readonly Group[];
  readonly stock: readonly number[];
  readonly task: ShimTask;
  readonly solver: Solver;
  /** What a pattern costs before the stock has a price. */
  readonly costOf: (stack: Stack) => number;
  readonly shimCost: number;
  readonly met?: number;
  readonly secondsLeft: () => number;
}

export function solveMaster(
  { groups, stock, solver, costOf, met, secondsLeft }: Master,
  patterns: readonly Pattern[],
  floor?: number,
) {
  const columns = patterns.map((_, i) => i);
  const rows = [
    ...groups.map((group, g) => {
      const own = columns.filter((i) => patterns[i]!.group === g);
      return { columns: own, values: own.map(() => 1), least: -Infinity, most: group.members.length };
    }),
    ...stock.map((most, k) => {
      const own = columns.filter((i) => patterns[i]!.stack[k]! > 0);
      return { columns: own, values: own.map((i) => patterns[i]!.stack[k]!), least: -Infinity, most };
    }),
    ...(met === undefined ? [] : [{ columns, values: columns.map(() => 1), least: met, most: Infinity }]),
  ];
  return solver.solve({
    costs: patterns.map((one) => costOf(one.stack)),
    uppers: patterns.map((one) => groups[one.group]!.members.length),
    rows,
    whole: floor !== undefined,
    ...(floor !== undefined && { floor }),
    limitS: Math.max(0.05, secondsLeft()),
  });
}

/** What the stacks of a group cost beside their shims, once rows have prices. */
export function pricesFrom(master: Master, duals: readonly number[]) {
  const { groups, stock, met } = master;
  const shimPrices = stock.map((_, k) => master.shimCost - duals[groups.length + k]!);
  const fixed = groups.map(
    (_, g) =>
      master.costOf(stock.map(() => 0)) - duals[g]! - (met === undefined ? 0 : duals[groups.length + stock.length]!),
  );
  return { shimPrices, fixed };
}

export interface Optimum {
  readonly patterns: readonly Pattern[];
  readonly objective: number;
  readonly duals: readonly number[];
  readonly values: readonly number[];
}

/** Column generation: patterns are added while one exists whose price is negative; then the relaxation is solved. */
export function relax(master: Master, patterns: Pattern[], longest: number): Optimum | null {
  const { groups, stock, task, secondsLeft } = master;
  for (;;) {
    const { values, bound, duals } = solveMaster(master, patterns);
    if (!values) return null;
    const { shimPrices, fixed } = pricesFrom(master, duals);
    const table = leastCosts(task.shims, stock, shimPrices, longest);
    const before = patterns.length;
    groups.forEach((group, g) => {
      const best = cheapestLength(table, group);
      const price = table[0]![best]!;
      if (!(fixed[g]! + price < -epsilon)) return;
      stacksOf(best, price, task.shims, stock, shimPrices, table, (stack) => {
        patterns.push({ group: g, stack });
        return false;
      });
    });
    if (patterns.length === before) return { patterns, objective: bound, duals, values };
    if (secondsLeft() <= 0) return null;
  }
}

/** Every pattern whose price lets it stand in a solution better than `than`; null when they are too many. */
export function worthwhile(
  master: Master,
  { duals, objective, patterns }: Optimum,
  than: number,
  longest: number,
): Pattern[] | null {
  const { groups, stock, task, secondsLeft } = master;
  const { shimPrices, fixed } = pricesFrom(master, duals);
  const table = leastCosts(task.shims, stock, shimPrices, longest);
  const room = than - 1 - objective + epsilon;
  const known = new Set(patterns.map((one) => `${one.group} ${one.stack.join(' ')}`));
  const found = [...patterns];
  for (const [g, group] of groups.entries())
    for (let length = group.least; length <= group.most; length++) {
      const isDone = stacksOf(length, room - fixed[g]!, task.shims, stock, shimPrices, table, (stack) => {
        if (!known.has(`${g} ${stack.join(' ')}`)) found.push({ group: g, stack });
        return found.length < mostPatterns;
      });
      if (!isDone || secondsLeft() <= 0) return null;
    }
  return found;
}
