/* eslint-disable max-lines -- one algorithm, its steps in the order in which they are taken */
import { solverOf, type Solver } from './solver';

/** Edges of the window count within this, in mm. */
export const edgeMm = 1e-9;

export interface ShimTask {
  readonly gapsMm: readonly number[];
  readonly shimsMm: readonly number[];
  readonly windowMm: { readonly min: number; readonly max: number };
  /** Greatest common measure of the shims in mm; every stack is a whole number of it. */
  readonly measureMm: number;
  /** Shims in whole measures. */
  readonly shims: readonly number[];
}

/** Counts by shim, in the order of `shimsMm`. */
export type Stack = readonly number[];

/** Lengths of a stack, in measures, whose rest lies in the window; edges count within a millionth of a micrometre. */
export function lengthsFor(
  { windowMm, measureMm }: ShimTask,
  gapMm: number,
): { readonly least: number; readonly most: number } {
  return {
    least: Math.max(0, Math.ceil((gapMm - windowMm.max - edgeMm) / measureMm)),
    most: Math.floor((gapMm - windowMm.min + edgeMm) / measureMm),
  };
}

/** A stack that one group of like gaps may take. */
interface Pattern {
  readonly group: number;
  readonly stack: Stack;
}

interface Group {
  readonly gapMm: number;
  readonly members: readonly number[];
  readonly least: number;
  readonly most: number;
}

const epsilon = 1e-6;
const limitS = 2;
/** More patterns than this are not listed; the sum then says that it has no proof. */
const mostPatterns = 20000;

const countOf = (stack: Stack) => stack.reduce((sum, count) => sum + count, 0);

/** Gaps of one size, with a first stack for each size that any stack fits; the others are never met. */
function groupsOf(
  task: ShimTask,
  stock: readonly number[],
): { readonly groups: readonly Group[]; readonly first: Pattern[]; readonly longest: number } {
  const byGap = new Map<number, number[]>();
  task.gapsMm.forEach((gap, i) => byGap.set(gap, [...(byGap.get(gap) ?? []), i]));
  const all = [...byGap].map(([gapMm, members]) => ({ gapMm, members, ...lengthsFor(task, gapMm) }));
  const longest = Math.max(0, ...all.map((group) => group.most));
  const prices = stock.map(() => 1);
  const table = leastCosts(task.shims, stock, prices, longest);
  const groups: Group[] = [];
  const first: Pattern[] = [];
  for (const group of all) {
    const length = cheapestLength(table, group);
    if (length < 0) continue;
    stacksOf(
      length,
      table[0]![length]!,
      task.shims,
      stock,
      prices,
      table,
      (stack) => first.push({ group: groups.length, stack }) < 0,
    );
    groups.push(group);
  }
  return { groups, first, longest };
}

/** The length within a group's window that costs least, −1 where none can be stacked. */
function cheapestLength(table: readonly Float64Array[], group: Group): number {
  let best = -1;
  for (let length = group.least; length <= group.most; length++)
    if (table[0]![length]! < (best < 0 ? Infinity : table[0]![best]!)) best = length;
  return best;
}

/**
 * `table[k][length]`: the least cost of a stack of exactly that length from the shims `k` and after, each at most as
 * often
 * as the stock holds it. The first row answers every gap at once; the rest bound a search.
 */
function leastCosts(
  shims: readonly number[],
  stock: readonly number[],
  prices: readonly number[],
  longest: number,
): readonly Float64Array[] {
  const table = Array.from({ length: shims.length + 1 }, () => new Float64Array(longest + 1).fill(Infinity));
  table[shims.length]![0] = 0;
  for (let k = shims.length - 1; k >= 0; k--) {
    const [after, own, shim] = [table[k + 1]!, table[k]!, shims[k]!];
    for (let length = 0; length <= longest; length++) {
      let best = after[length]!;
      const most = Math.min(stock[k]!, Math.floor(length / shim));
      for (let count = 1; count <= most; count++)
        best = Math.min(best, after[length - count * shim]! + count * prices[k]!);
      own[length] = best;
    }
  }
  return table;
}

/** All stacks of `length` that cost at most `mostCost`, walking only where the table says that one exists. */
function stacksOf(
  length: number,
  mostCost: number,
  shims: readonly number[],
  stock: readonly number[],
  prices: readonly number[],
  table: readonly Float64Array[],
  take: (stack: Stack) => boolean,
): boolean {
  const stack = shims.map(() => 0);
  const walk = (k: number, rest: number, left: number): boolean => {
    if (table[k]![rest]! > left + epsilon) return true;
    if (k === shims.length) return take([...stack]);
    for (let count = Math.min(stock[k]!, Math.floor(rest / shims[k]!)); count >= 0; count--) {
      stack[k] = count;
      if (!walk(k + 1, rest - count * shims[k]!, left - count * prices[k]!)) return false;
    }
    stack[k] = 0;
    return true;
  };
  return walk(0, length, mostCost);
}

interface Master {
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

function solveMaster(
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

const tries = 500;

/**
 * Rounds the relaxation many times: its whole parts, now and then one less, then the rest by their fractions in a
 * shuffled
 * order while groups and stock hold. Where a rounding reaches the bound, no search is needed. The shuffle has a fixed
 * seed,
 * so that the same task gives the same answer.
 */
function roundMany(
  { groups, stock, met, costOf }: Master,
  patterns: readonly Pattern[],
  relaxed: readonly number[],
  floor: number,
): readonly number[] | null {
  let state = 20261125;
  const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const costs = patterns.map((one) => costOf(one.stack));
  const sizes = patterns.map((one) => countOf(one.stack));
  const whole = relaxed.map((value) => Math.floor(value + epsilon));
  const fraction = relaxed.map((value, i) => value - whole[i]! - 0.05 * sizes[i]!);
  const keys = new Float64Array(patterns.length);
  const order = Uint16Array.from(patterns, (_, i) => i);
  let best: { readonly values: readonly number[]; readonly cost: number } | null = null;
  for (let attempt = 0; attempt < tries; attempt++) {
    const left = [...stock];
    const open = groups.map((group) => group.members.length);
    const values = patterns.map(() => 0);
    let taken = 0;
    const take = (i: number, most: number) => {
      const { group, stack } = patterns[i]!;
      let count = Math.min(most, open[group]!);
      for (let k = 0; k < stack.length && count > 0; k++)
        if (stack[k]! > 0) count = Math.min(count, Math.floor(left[k]! / stack[k]!));
      if (count <= 0) return;
      for (let k = 0; k < stack.length; k++) left[k]! -= count * stack[k]!;
      open[group]! -= count;
      values[i]! += count;
      taken += count;
    };
    whole.forEach((count, i) => count > 0 && take(i, count - (random() < 0.12 ? 1 : 0)));
    const spread = 0.3 + random();
    for (let i = 0; i < keys.length; i++) keys[i] = fraction[i]! + spread * random();
    order.sort((a, b) => keys[b]! - keys[a]!);
    for (const i of order) if (met === undefined || taken < met) take(i, met === undefined ? Infinity : met - taken);
    if (met !== undefined && taken < met) continue;
    const cost = values.reduce((sum, value, i) => sum + value * costs[i]!, 0);
    if (!best || cost < best.cost) best = { values, cost };
    if (cost <= floor + epsilon) break;
  }
  return best && best.cost <= floor + epsilon ? best.values : null;
}

/** What the stacks of a group cost beside their shims, once rows have prices. */
function pricesFrom(master: Master, duals: readonly number[]) {
  const { groups, stock, met } = master;
  const shimPrices = stock.map((_, k) => master.shimCost - duals[groups.length + k]!);
  const fixed = groups.map(
    (_, g) =>
      master.costOf(stock.map(() => 0)) - duals[g]! - (met === undefined ? 0 : duals[groups.length + stock.length]!),
  );
  return { shimPrices, fixed };
}

interface Optimum {
  readonly patterns: Pattern[];
  readonly objective: number;
  readonly duals: readonly number[];
  readonly values: readonly number[];
}

/** Column generation: patterns are added while one exists whose price is negative; then the relaxation is solved. */
function relax(master: Master, patterns: Pattern[], longest: number): Optimum | null {
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
function worthwhile(
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

interface Best {
  readonly values: readonly number[];
  readonly patterns: readonly Pattern[];
  readonly cost: number;
  readonly proven: boolean;
}

/**
 * The relaxation bounds the cost; where its own patterns do not reach that bound, every other that could is listed too.
 */
function bestOf(master: Master, start: Pattern[], longest: number): Best | null {
  const relaxed = relax(master, start, longest);
  const costOf = (values: readonly number[], patterns: readonly Pattern[]) =>
    values.reduce((sum, value, i) => sum + value * master.costOf(patterns[i]!.stack), 0);
  const patterns = relaxed?.patterns ?? start;
  const floor = relaxed ? Math.ceil(relaxed.objective - epsilon) : -Infinity;
  const values =
    (relaxed && roundMany(master, patterns, relaxed.values, floor)) ?? solveMaster(master, patterns, floor).values;
  if (!values) return null;
  const cost = costOf(values, patterns);
  const own = { values, patterns, cost };
  if (!relaxed) return { ...own, proven: false };
  if (cost < relaxed.objective + 1 - epsilon) return { ...own, proven: true };
  const more = worthwhile(master, relaxed, cost, longest);
  if (!more) return { ...own, proven: false };
  const second = solveMaster(master, more, floor);
  const better =
    second.values && costOf(second.values, more) < cost
      ? { values: second.values, patterns: more, cost: costOf(second.values, more) }
      : own;
  return { ...better, proven: second.proven };
}

/**
 * What is left when the time was up before anything was found: each gap takes its first stack while the stock holds it.
 */
function oneAfterTheOther(
  {
    groups,
    first,
    stock,
  }: { readonly groups: readonly Group[]; readonly first: readonly Pattern[]; readonly stock: readonly number[] },
  empty: readonly Stack[],
): readonly Stack[] {
  const left = [...stock];
  const stacks = [...empty];
  for (const { group, stack } of first)
    for (const member of groups[group]!.members) {
      if (stack.some((count, k) => count > left[k]!)) break;
      stack.forEach((count, k) => (left[k]! -= count));
      stacks[member] = stack;
    }
  return stacks;
}

/**
 * One stock shared by all gaps: most gaps met, then fewest shims. Like gaps are one group; the whole-number programme
 * over
 * the stacks of each group is solved by column generation, and patterns that the relaxation left out are listed only as
 * far
 * as their price lets them better the solution, so that the outcome is exact. Source: Gilmore and Gomory, cutting
 * stock, 1961.
 */
export function shareStock(
  task: ShimTask,
  stock: readonly number[],
  given: Solver | undefined,
): { readonly stacks: readonly Stack[]; readonly proven: boolean } {
  const solver = solverOf(given, 'shim-stack');
  const { groups, first, longest } = groupsOf(task, stock);
  const stacks: Stack[] = task.gapsMm.map(() => task.shims.map(() => 0));
  if (!groups.length) return { stacks, proven: true };
  const started = solver.nowS();
  const secondsLeft = () => limitS - (solver.nowS() - started);
  const shared = { groups, stock, task, solver, secondsLeft };
  const most = bestOf({ ...shared, costOf: () => -1, shimCost: 0 }, first, longest);
  if (!most) return { stacks: oneAfterTheOther({ groups, first, stock }, stacks), proven: false };
  const fewest =
    most.cost === 0
      ? most
      : bestOf({ ...shared, costOf: countOf, shimCost: 1, met: -most.cost }, [...most.patterns], longest);
  const best = fewest ?? most;
  const next = groups.map(() => 0);
  best.patterns.forEach((pattern, i) => {
    for (let n = 0; n < best.values[i]!; n++)
      stacks[groups[pattern.group]!.members[next[pattern.group]!++]!] = pattern.stack;
  });
  return { stacks, proven: most.proven && best.proven };
}
