import { holds, wholeBuild, type WholeBuild } from './build-words';
import type { Axis, FamilyFile } from './format';
import { present } from '../present';

type Axes = Readonly<Record<string, string>>;
/** Up to so many combinations of choices are all tried; of more, a cover of all pairs. */
export const mostCombinations = 64;

/** Every combination of choices, axes that a combination has not got left out. */
function allCombinations(axes: readonly Axis[]): readonly Axes[] {
  return axes.reduce<readonly Axes[]>(
    (sofar, axis) =>
      sofar.flatMap((chosen) =>
        holds(axis.when, chosen) ? axis.choices.map((choice) => ({ ...chosen, [axis.id]: choice.id })) : [chosen],
      ),
    [{}],
  );
}

const pairsOf = (chosen: Axes): readonly string[] => {
  const words = Object.entries(chosen).map(([axis, choice]) => `${axis}=${choice}`);
  return words.flatMap((one, i) => words.slice(i + 1).map((other) => `${one} ${other}`));
};

/** Chooses axis after axis what covers most pairs that are still open. */
function nextCombination(axes: readonly Axis[], open: ReadonlySet<string>, seed: string): Axes {
  const wanted = Object.fromEntries(seed.split(' ').map((word) => word.split('=') as [string, string]));
  const chosen: Record<string, string> = {};
  for (const axis of axes) {
    if (!holds(axis.when, chosen)) continue;
    const gain = (choice: string) => pairsOf({ ...chosen, [axis.id]: choice }).filter((pair) => open.has(pair)).length;
    const best = axis.choices.reduce((top, one) => (gain(one.id) > gain(top.id) ? one : top), present(axis.choices[0]));
    chosen[axis.id] = wanted[axis.id] ?? best.id;
  }
  return chosen;
}

/** Combinations in which every pair of choices that can stand together does so at least once. */
function pairwiseCover(axes: readonly Axis[]): readonly Axes[] {
  const possible = new Set<string>();
  for (const [i, axis] of axes.entries())
    for (const other of axes.slice(i + 1))
      for (const one of axis.choices)
        for (const two of other.choices) possible.add(`${axis.id}=${one.id} ${other.id}=${two.id}`);
  const cover: Axes[] = [];
  for (const pair of possible) {
    if (!possible.has(pair)) continue;
    const chosen = nextCombination(axes, possible, pair);
    // A pair that conditions between axes exclude is tried once and then given up.
    possible.delete(pair);
    for (const covered of pairsOf(chosen)) possible.delete(covered);
    if (!cover.some((one) => JSON.stringify(one) === JSON.stringify(chosen))) cover.push(chosen);
  }
  return cover;
}

/** How many combinations of choices a family has, conditions between axes left aside. */
const product = (axes: readonly Axis[]) => axes.reduce((many, axis) => many * axis.choices.length, 1);

/**
 * The builds that stand for all builds of a family: every combination of choices, or a cover of all pairs where there
 * are more than 64; least, usual and greatest counts of every set; every size. Sizes and counts go round over the
 * combinations.
 */
export function buildsToCheck(file: FamilyFile): readonly WholeBuild[] {
  const axes = product(file.axes) <= mostCombinations ? allCombinations(file.axes) : pairwiseCover(file.axes);
  const counts = (['usual', 'least', 'most'] as const).map((which) =>
    Object.fromEntries(
      file.sets.flatMap((set) => (typeof set.count === 'number' ? [] : [[set.id, set.count[which]] as const])),
    ),
  );
  const sizes = file.sizes.length ? file.sizes.map((one) => one.id) : [undefined];
  const turns = Math.max(axes.length, axes.length * counts.length, sizes.length);
  const builds = Array.from({ length: turns }, (_, i) => {
    const chosen = present(axes[i % axes.length]);
    const own = present(counts[Math.floor(i / axes.length) % counts.length]);
    const size = sizes[i % sizes.length];
    const here = Object.fromEntries(
      Object.entries(own).filter(([set]) => holds(file.sets.find((one) => one.id === set)?.when, chosen)),
    );
    return wholeBuild(file, { axes: chosen, counts: here, ...(size !== undefined && { size }) });
  });
  const said = builds.map((build) => JSON.stringify(build));
  return builds.filter((_, i) => said.indexOf(present(said[i])) === i);
}
