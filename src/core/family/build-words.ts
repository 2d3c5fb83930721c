import { present } from '../present';
import type { FamilyHeader } from './format';

/** How one pump is built: a choice an axis, its size, and how many it has of each set that is counted. */
export interface Build {
  readonly axes?: Readonly<Record<string, string>>;
  readonly size?: string;
  readonly counts?: Readonly<Record<string, number>>;
  /** What it is converted to, by axis: it came as `axes` say and goes back with these. */
  readonly to?: Readonly<Record<string, string>>;
}

const between = '--';
const countMark = 'n-';
const convertMark = 'to-';

/** Formats before 2 wrote the variant and the number of stages alone. */
function readOldBuild(words: readonly string[]): Build {
  const stages = words.find((word) => /^\d+$/.test(word));
  const variant = words.find((word) => !/^\d+$/.test(word));
  return {
    ...(variant && { axes: { variant } }),
    ...(stages && { counts: { stage: Number(stages) } }),
  };
}

/**
 * A build from names and values: `size`, `n-` and a set, `to-` and an axis that is converted, or an axis.
 * @example buildOf([['seal', 'cartridge'], ['n-stage', '7']]) // { axes: { seal: 'cartridge' }, counts: { stage: 7 } }
 */
export function buildOf(words: readonly (readonly [name: string, value: string])[]): Build {
  const axes: Record<string, string> = {};
  const counts: Record<string, number> = {};
  const to: Record<string, string> = {};
  let size: string | undefined;
  for (const [name, value] of words) {
    if (name === 'size') size = value;
    else if (name.startsWith(convertMark)) to[name.slice(convertMark.length)] = value;
    else if (name.startsWith(countMark)) counts[name.slice(countMark.length)] = Number(value);
    else axes[name] = value;
  }
  return {
    ...(Object.keys(axes).length && { axes }),
    ...(size !== undefined && { size }),
    ...(Object.keys(counts).length && { counts }),
    ...(Object.keys(to).length && { to }),
  };
}

/**
 * What follows the `+` of a version: the way a job's pump is built.
 * @example readBuild('2.0.0+seal--cartridge.n-stage--7.size--40') // { axes: { seal: 'cartridge' }, size: '40', counts: { stage: 7 } }
 */
export function readBuild(version: string): Build {
  const words = version.split('+')[1]?.split('.') ?? [];
  if (words.length && !words.some((word) => word.includes(between))) return readOldBuild(words);
  return buildOf(words.map((word) => word.split(between) as [string, string]));
}

/**
 * The version with the way of building behind it, as semantic versioning writes build metadata.
 * @example writeBuild('2.0.0', { axes: { seal: 'cartridge' }, counts: { stage: 7 } }) // '2.0.0+seal--cartridge.n-stage--7'
 */
export function writeBuild(version: string, { axes = {}, size, counts = {}, to = {} }: Build): string {
  const bare = present(version.split('+')[0]);
  const words = [
    ...Object.entries(axes).map(([axis, choice]) => `${axis}${between}${choice}`),
    ...Object.entries(counts).map(([set, count]) => `${countMark}${set}${between}${count}`),
    ...(size === undefined ? [] : [`size${between}${size}`]),
    ...Object.entries(to).map(([axis, choice]) => `${convertMark}${axis}${between}${choice}`),
  ];
  return words.length ? `${bare}+${words.join('.')}` : bare;
}

/**
 * Which of two versions is newer, whatever stands behind the `+`: above 0 the first, below 0 the other.
 * @example compareVersions('1.10.0', '1.9.3+packed') // 1
 */
export function compareVersions(one: string, other: string): number {
  const parts = (version: string) => present(version.split('+')[0]).split('.').map(Number);
  return parts(one).reduce((sign, value, i) => sign || value - present(parts(other)[i]), 0);
}

/** A build with what a family knows of it: choices, size and counts that it does not have are dropped. */
export function knownBuild({ axes, sizes, sets }: FamilyHeader, build: Build): Build {
  const isChoice = ([name, choice]: readonly [string, string]) =>
    axes.some((axis) => axis.id === name && axis.choices.some((one) => one.id === choice));
  const isCount = ([name, count]: readonly [string, number]) =>
    Number.isInteger(count) &&
    sets.some(
      (set) => set.id === name && typeof set.count !== 'number' && count >= set.count.least && count <= set.count.most,
    );
  return {
    axes: Object.fromEntries(Object.entries(build.axes ?? {}).filter(isChoice)),
    counts: Object.fromEntries(Object.entries(build.counts ?? {}).filter(isCount)),
    ...(build.size !== undefined && sizes.some((one) => one.id === build.size) && { size: build.size }),
    ...(build.to && { to: Object.fromEntries(Object.entries(build.to).filter(isChoice)) }),
  };
}

/** The size whose nameplate words stand on a plate; undefined where none does. */
export function proposeSize({ sizes }: Pick<FamilyHeader, 'sizes'>, nameplate: string): string | undefined {
  const plate = nameplate.toLowerCase();
  return sizes.find((row) => row.nameplate.some((word) => plate.includes(word.toLowerCase())))?.id;
}

type When = Readonly<Record<string, string | readonly string[]>> | undefined;

/** Whether something exists in a build. An axis that the build has not got chooses nothing. */
export function holds(condition: When, axes: Readonly<Record<string, string>>): boolean {
  return Object.entries(condition ?? {}).every(([axis, choice]) => {
    const chosen = axes[axis];
    return chosen !== undefined && (typeof choice === 'string' ? choice === chosen : choice.includes(chosen));
  });
}

/** Thrown for a way of building that a family does not have; `field` names what was chosen wrongly. */
export class BuildError extends RangeError {
  constructor(
    readonly field: 'axes' | 'size' | 'counts',
    message: string,
  ) {
    super(message);
    this.name = 'BuildError';
  }
}

/** A whole build: a choice for every axis that exists in it, a size where there is a table, a count for every set. */
export type WholeBuild = Required<Omit<Build, 'size' | 'to'>> & Pick<Build, 'size' | 'to'>;

function chosenAxes({ id, axes }: FamilyHeader, chosen: Readonly<Record<string, string>>) {
  const unknown = Object.keys(chosen).find((name) => !axes.some((axis) => axis.id === name));
  if (unknown !== undefined) {
    const ways = axes.map((axis) => axis.id).join(', ');
    throw new BuildError(
      'axes',
      `${id} has no choice of “${unknown}”; ${ways ? `it has ${ways}` : 'it is built in one way only'}`,
    );
  }
  const whole: Record<string, string> = {};
  for (const axis of axes) {
    if (!holds(axis.when, whole)) continue;
    const choice = chosen[axis.id] ?? present(axis.choices[0]).id;
    if (!axis.choices.some((one) => one.id === choice)) {
      const ways = axis.choices.map((one) => one.id).join(', ');
      throw new BuildError('axes', `${id} is not built as “${choice}”; ${axis.title.toLowerCase()} is one of ${ways}`);
    }
    whole[axis.id] = choice;
  }
  return whole;
}

function chosenCounts({ id, sets }: FamilyHeader, given: Build['counts'] = {}, axes: WholeBuild['axes']) {
  const unknown = Object.keys(given).find((name) => !sets.some((one) => one.id === name));
  if (unknown !== undefined) throw new BuildError('counts', `${id} has no ${unknown}s to count`);
  const whole: Record<string, number> = {};
  for (const { id: name, count, plural, when } of sets) {
    if (!holds(when, axes)) continue;
    const usual = typeof count === 'number' ? count : count.usual;
    const own = given[name] ?? usual;
    const [least, most] = typeof count === 'number' ? [count, count] : [count.least, count.most];
    if (!Number.isInteger(own) || own < least || own > most) {
      const range = least === most ? String(least) : `${least} to ${most}`;
      throw new BuildError('counts', `${id} has ${range} ${plural}, not ${own}`);
    }
    whole[name] = own;
  }
  return whole;
}

/**
 * A build completed with what is usual where nothing was chosen.
 * @throws BuildError for an axis, a choice, a size or a count that the family does not have
 */
export function wholeBuild(family: FamilyHeader, { axes = {}, size, counts, to = {} }: Build): WholeBuild {
  const own = chosenAxes(family, axes);
  const row = size ?? family.sizes[0]?.id;
  if (row !== undefined && !family.sizes.some((one) => one.id === row)) {
    const sizes = family.sizes.map((one) => one.id).join(', ');
    throw new BuildError(
      'size',
      `${family.id} has no size “${row}”; ${sizes ? `its sizes are ${sizes}` : 'it has no size table'}`,
    );
  }
  const goesBack = chosenAxes(family, { ...own, ...to });
  const changed = Object.fromEntries(Object.entries(goesBack).filter(([axis, choice]) => own[axis] !== choice));
  return {
    ...{ axes: own, counts: chosenCounts(family, counts, own) },
    ...(row !== undefined && { size: row }),
    ...(Object.keys(changed).length && { to: changed }),
  };
}

/** The build in which a converted pump goes back; undefined where it goes back as it came. */
export function buildAfter(family: FamilyHeader, { axes, size, counts, to }: WholeBuild): WholeBuild | undefined {
  if (!to) return undefined;
  const own = chosenAxes(family, { ...axes, ...to });
  const counted = Object.entries(counts).filter(([set]) => holds(family.sets.find((one) => one.id === set)?.when, own));
  return wholeBuild(family, { axes: own, counts: Object.fromEntries(counted), ...(size !== undefined && { size }) });
}

/** The parts of a whole build that its version has to say: counts that are always the same need no word. */
export function versionOf(family: FamilyHeader, { axes, size, counts, to }: WholeBuild): string {
  const counted = Object.fromEntries(
    family.sets.flatMap(({ id, count }) => {
      const own = counts[id];
      return typeof count === 'number' || own === undefined ? [] : [[id, own]];
    }),
  );
  return writeBuild(family.version, {
    ...{ axes, counts: counted },
    ...(size !== undefined && { size }),
    ...(to && { to }),
  });
}

/** Choices by axis in words, in the order of the family. */
export function sayChoices({ axes }: Pick<FamilyHeader, 'axes'>, chosen: Readonly<Record<string, string>>): string {
  return axes.flatMap((axis) => axis.choices.find((one) => one.id === chosen[axis.id])?.title ?? []).join(', ');
}

/**
 * A build in words, as it stands beside a pump's name; empty where there is one way of building only.
 * @param version the version of a pump, with its build behind the `+`
 */
export function sayBuild(family: FamilyHeader, version: string): string {
  const { axes, size, counts, to } = wholeBuild(family, knownBuild(family, readBuild(version)));
  const choices = sayChoices(family, axes);
  const row = family.sizes.find((one) => one.id === size)?.title;
  const counted = family.sets.flatMap(({ id, title, plural, count }) => {
    const own = counts[id];
    return typeof count === 'number' || own === undefined ? [] : [`${own} ${own === 1 ? title : plural}`];
  });
  const came = [...(choices ? [choices] : []), ...(row ? [row] : []), ...counted].join(', ');
  return to ? `${came}; goes back as ${sayChoices(family, to)}` : came;
}
