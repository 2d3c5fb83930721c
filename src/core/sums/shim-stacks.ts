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
export interface Pattern {
  readonly group: number;
  readonly stack: Stack;
}

export interface Group {
  readonly gapMm: number;
  readonly members: readonly number[];
  readonly least: number;
  readonly most: number;
}

/** Figures of the solver count as alike within this. */
export const epsilon = 1e-6;

export const countOf = (stack: Stack) => stack.reduce((sum, count) => sum + count, 0);

/** Gaps of one size, with a first stack for each size that any stack fits; the others are never met. */
export function groupsOf(
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
export function cheapestLength(table: readonly Float64Array[], group: Group): number {
  let best = -1;
  for (let length = group.least; length <= group.most; length++)
    if (table[0]![length]! < (best < 0 ? Infinity : table[0]![best]!)) best = length;
  return best;
}

/**
 * `table[k][length]`: the least cost of a stack of exactly that length from the shims `k` and after, each at most as
 * often as the stock holds it. The first row answers every gap at once; the rest bound a search.
 */
export function leastCosts(
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
export function stacksOf(
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
