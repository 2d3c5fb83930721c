import { buildMany, roundMany } from './shim-shares';
import { relax, solveMaster, worthwhile, type Master, type Share } from './shim-master';
import { countOf, epsilon, groupsOf, type Group, type Pattern, type ShimTask, type Stack } from './shim-stacks';
import { solverOf, type Solver } from './solver';

const limitS = 2;

interface Best extends Share {
  readonly proven: boolean;
}

/**
 * The relaxation bounds the cost. Shares that are rounded or built mostly reach the bound; where none does, the
 * patterns at hand are searched, then every other that could better the best.
 */
function bestOf(master: Master, start: readonly Pattern[], longest: number): Best | null {
  const relaxed = relax(master, [...start], longest);
  const shareOf = (values: readonly number[] | null, patterns: readonly Pattern[]): Share | null =>
    values && {
      values,
      patterns,
      cost: values.reduce((sum, value, i) => sum + value * master.costOf(patterns[i]!.stack), 0),
    };
  const search = (patterns: readonly Pattern[], floor: number) => solveMaster(master, patterns, floor);
  if (!relaxed) {
    const found = shareOf(search(start, -Infinity).values, start);
    return found && { ...found, proven: false };
  }
  const { patterns, objective } = relaxed;
  const floor = Math.ceil(objective - epsilon);
  const isProven = ({ cost }: Share) => cost < objective + 1 - epsilon;
  const rounded = shareOf(roundMany(master, patterns, relaxed.values, floor), patterns);
  const built = rounded ?? buildMany(master, relaxed, floor);
  if (built && isProven(built)) return { ...built, proven: true };
  const searched = shareOf(search(patterns, floor).values, patterns);
  const own = searched && (!built || searched.cost < built.cost) ? searched : built;
  if (!own) return null;
  if (isProven(own)) return { ...own, proven: true };
  const more = worthwhile(master, relaxed, own.cost, longest);
  if (!more) return { ...own, proven: false };
  const { values, proven } = search(more, floor);
  const better = shareOf(values, more);
  return { ...(better && better.cost < own.cost ? better : own), proven };
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
 * One stock shared by all gaps: most gaps met, then fewest shims. Like gaps are one group; the relaxation over the
 * stacks of each group is solved by column generation, whole shares are built near it, and patterns that it left out
 * are listed only as far as their price lets them better the best share, so that the outcome is exact. Source: Gilmore
 * and Gomory, cutting stock, 1961.
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
      : bestOf({ ...shared, costOf: countOf, shimCost: 1, met: -most.cost }, most.patterns, longest);
  const best = fewest ?? most;
  const next = groups.map(() => 0);
  best.patterns.forEach((pattern, i) => {
    for (let n = 0; n < best.values[i]!; n++)
      stacks[groups[pattern.group]!.members[next[pattern.group]!++]!] = pattern.stack;
  });
  return { stacks, proven: most.proven && best.proven };
}
