import { pricesFrom, type Master, type Optimum, type Share } from './shim-master';
import { cheapestLength, countOf, epsilon, leastCosts, stacksOf, type Pattern } from './shim-stacks';

const tries = 500;
const mostBuilds = 3000;
/** Steps through tables that building may take; a tenth of a second or two. */
const mostSteps = 3e7;

/** Chances with a fixed seed, so that the same task gives the same answer. */
function chances(): () => number {
  let state = 20261125;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/**
 * Rounds the relaxation many times: its whole parts, now and then one less, then the rest by their fractions in a
 * shuffled order while groups and stock hold. Only a rounding that reaches the bound is of use.
 */
export function roundMany(
  { groups, stock, met, costOf }: Master,
  patterns: readonly Pattern[],
  relaxed: readonly number[],
  floor: number,
): readonly number[] | null {
  const random = chances();
  const costs = patterns.map((one) => costOf(one.stack));
  const sizes = patterns.map((one) => countOf(one.stack));
  const whole = relaxed.map((value) => Math.floor(value + epsilon));
  const fraction = relaxed.map((value, i) => value - whole[i]! - 0.05 * sizes[i]!);
  const keys = new Float64Array(patterns.length);
  const order = Uint16Array.from(patterns, (_, i) => i);
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
    if (values.reduce((sum, value, i) => sum + value * costs[i]!, 0) <= floor + epsilon) return values;
  }
  return null;
}

/** What is left while a share is built. */
class Building {
  readonly left: number[];
  readonly open: number[];
  readonly patterns: Pattern[] = [];

  constructor({ stock, groups }: Master) {
    this.left = [...stock];
    this.open = groups.map((group) => group.members.length);
  }

  take(pattern: Pattern): void {
    this.patterns.push(pattern);
    this.open[pattern.group]!--;
    pattern.stack.forEach((count, k) => (this.left[k]! -= count));
  }

  /** Gives a gap of the group the stack that is cheapest at these prices, if what is left makes one. */
  takeCheapest({ groups, task }: Master, group: number, prices: readonly number[]): boolean {
    const { shims } = task;
    const table = leastCosts(shims, this.left, prices, groups[group]!.most);
    const length = cheapestLength(table, groups[group]!);
    if (length < 0) return false;
    const before = this.patterns.length;
    stacksOf(length, table[0]![length]!, shims, this.left, prices, table, (stack) => {
      this.take({ group, stack });
      return false;
    });
    return this.patterns.length > before;
  }
}

/**
 * Builds shares of the stock, many times: the whole parts of the relaxation but for some that chance drops, then gap
 * after gap the stack that is cheapest at the relaxation's prices from what is left. A gap that went without comes
 * earlier the next time, and a shim that had run out grows dearer. Where a build reaches the bound no search is needed;
 * else the best one narrows the search. Steps are counted instead of time.
 */
export function buildMany(master: Master, { duals, values, patterns }: Optimum, floor: number): Share | null {
  const { groups, stock, task, met, costOf } = master;
  const { shimPrices, fixed } = pricesFrom(master, duals);
  const random = chances();
  const whole = patterns.flatMap((one, i) => Array.from({ length: Math.floor(values[i]! + epsilon) }, () => one));
  const stepsFor = groups.map(({ most }) => task.shims.reduce((sum, shim) => sum + (most * most) / shim / 2, 0));
  // Shims measured so finely that one share alone would take longer are left to the search.
  if (groups.reduce((sum, { members }, g) => sum + members.length * stepsFor[g]!, 0) > mostSteps) return null;
  // Where the relaxation puts no price on the stock, the sparing of what is rare tells stacks apart.
  const scarce = stock.map((most) => 0.02 + 0.1 / (1 + most));
  const wanted = groups.map(({ most }, g) => most * 1e-3 - fixed[g]!);
  let steps = 0;
  let best: Share | null = null;
  const build = () => {
    const building = new Building(master);
    const dropped = 0.6 * random();
    for (const pattern of whole) if (random() > dropped) building.take(pattern);
    const spread = 0.3 * random();
    const jitter = () => 1 + spread * (random() - 0.5);
    const weight = random() < 0.5 ? 0 : random();
    const prices = shimPrices.map((price, k) => (Math.max(0, price) + weight * scarce[k]! + 1e-3) * jitter());
    const keys = wanted.map((key) => key * jitter());
    for (const g of groups.map((_, i) => i).toSorted((a, b) => keys[b]! - keys[a]!))
      while (building.open[g]! > 0 && building.patterns.length < (met ?? Infinity)) {
        steps += stepsFor[g]!;
        if (building.takeCheapest(master, g, prices)) continue;
        wanted[g]! += 0.1;
        building.left.forEach((count, k) => count === 0 && (scarce[k]! += 0.01));
        break;
      }
    return building.patterns;
  };
  for (let builds = 0; builds < mostBuilds && steps < mostSteps; builds++) {
    const built = build();
    if (built.length < (met ?? 0)) continue;
    const cost = built.reduce((sum, { stack }) => sum + costOf(stack), 0);
    if (!best || cost < best.cost) best = { patterns: built, values: built.map(() => 1), cost };
    if (cost <= floor + epsilon) break;
  }
  return best;
}
