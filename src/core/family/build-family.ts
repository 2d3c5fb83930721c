import { holds, versionOf, wholeBuild, type Build, type WholeBuild } from './build-words';
import type { Family, FamilyFile, FamilyPoint, SizeRow } from './format';

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function columnOf(value: Readonly<Record<string, unknown>>): string | undefined {
  const { size, ...rest } = value;
  return typeof size === 'string' && Object.keys(rest).length === 0 ? size : undefined;
}

interface Cut {
  readonly axes: WholeBuild['axes'];
  readonly row: SizeRow | undefined;
}

function figureOf(column: string, row: SizeRow | undefined): number | string {
  const figure = row?.values[column];
  if (figure === undefined) throw new RangeError(`The size table has no column “${column}”`);
  return figure;
}

function cutJson(value: unknown, cut: Cut): unknown {
  if (Array.isArray(value))
    return value
      .filter((one) => !isObject(one) || holds(one.when as Parameters<typeof holds>[0], cut.axes))
      .map((one) => cutJson(one, cut));
  if (!isObject(value)) return value;
  const column = columnOf(value);
  if (column !== undefined) return figureOf(column, cut.row);
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, own]) => (key === 'when' ? [] : [[key, cutJson(own, cut)]])),
  );
}

/**
 * Part of a file cut to one build: elements of other builds left out, figures of the size table put in.
 * @throws RangeError for a column that the size table does not have
 */
export function cutToBuild<Part>(part: Part, family: Pick<FamilyFile, 'sizes'>, { axes, size }: WholeBuild): Part {
  const row = family.sizes.find((one) => one.id === size);
  return cutJson(part, { axes, row }) as Part;
}

type Counts = WholeBuild['counts'];
/** How many of a thing a pump has, when the family counts it over a set. */
const timesOf =
  (counts: Counts) =>
  ({ per }: { readonly per?: string | undefined }) =>
    per === undefined ? 1 : (counts[per] ?? 0);

/** The id of an element of one member of a set. @example memberId('ring-bore', 3) // 'ring-bore-3' */
export const memberId = (id: string, member: number): string => `${id}-${member}`;

/** What a member is called in a title: its own name, or its number. @example 'stage 3', 'drive end' */
export function memberName(family: Pick<Family, 'sets'>, set: string, member: number): string {
  const found = family.sets.find((one) => one.id === set);
  return found?.names[member - 1] ?? `${found?.title ?? set} ${member}`;
}

function derivedOf(point: FamilyPoint, points: Family['points'], member: number): Partial<FamilyPoint> {
  if (!point.derived) return {};
  const own = (id: string) =>
    points.some((one) => one.id === id && one.per === point.per) ? memberId(id, member) : id;
  return { derived: { ...point.derived, bore: own(point.derived.bore), journal: own(point.derived.journal) } };
}

function repeatPoints(family: Family, counts: Counts): Family['points'] {
  const { stack } = family.section;
  const repeated = family.points.flatMap((point): readonly FamilyPoint[] => {
    const { per } = point;
    if (per === undefined) return [point];
    const pitch = stack?.set === per ? stack.pitch : 0;
    return Array.from({ length: counts[per] ?? 0 }, (_, i) => ({
      ...point,
      id: memberId(point.id, i + 1),
      title: `${point.title}, ${memberName(family, per, i + 1)}`,
      at: [point.at[0] + i * pitch, point.at[1]],
      ...derivedOf(point, family.points, i + 1),
    }));
  });
  return repeated.map((point, i) => ({ ...point, number: i + 1 }));
}

/** Cuts a step to the parts that a build has, and counts its captures over their sets. */
function cutSteps(here: (ref: string) => boolean, times: ReturnType<typeof timesOf>) {
  return <Step extends Family['teardown'][number]>(step: Step): Step => ({
    ...step,
    parts: step.parts.filter(here),
    captures: step.captures
      .filter((capture) => !capture.of || here(capture.of))
      .map((capture) => ({
        ...capture,
        ...(typeof capture.expect === 'number' && { expect: capture.expect * times(capture) }),
      })),
  });
}

/** The kits that give something to a build, each with as many of a set's parts as the set has members. */
function kitsOf(family: Family, here: (ref: string) => boolean, times: ReturnType<typeof timesOf>): Family['kits'] {
  const perOf = new Map(family.parts.map((part) => [part.ref, part.per]));
  return family.kits
    .map((kit) => ({
      ...kit,
      gives: kit.gives
        .filter((one) => here(one.part))
        .map((one) => ({ ...one, qty: one.qty * times({ per: perOf.get(one.part) }) })),
    }))
    .filter((kit) => kit.gives.length > 0);
}

/**
 * A family as one pump is built: the elements of its build alone, the figures of its size, and as many of each set's
 * parts, points and counts as the set has members. The version says the build behind a `+`.
 * @throws BuildError for a choice, a size or a count that the family does not have
 */
export function buildFamily(file: FamilyFile, build: Build = {}): Family {
  const whole = wholeBuild(file, build);
  const cut = cutToBuild(file.written, file, whole);
  const times = timesOf(whole.counts);
  const parts = cut.parts
    .filter((part) => times(part) > 0)
    .map((part) => ({ ...part, quantity: part.quantity * times(part) }));
  const refs = new Set(parts.map((part) => part.ref));
  const here = (ref: string) => refs.has(ref);
  const step = cutSteps(here, times);
  const points = cut.points.filter((point) => here(point.part));
  return {
    ...cut,
    version: versionOf(file, whole),
    axes: file.written.axes,
    sizes: file.written.sizes,
    sets: file.written.sets,
    parts: parts.map((part) => ({ ...part, behind: part.behind.filter(here) })),
    points: repeatPoints({ ...cut, points }, whole.counts),
    teardown: cut.teardown.map(step),
    rebuild: cut.rebuild.map((one) => ({ ...step(one), needs: one.needs.filter(here) })),
    section: { ...cut.section, bodies: cut.section.bodies.filter((body) => here(body.part)) },
    damage: cut.damage.filter((one) => here(one.part)),
    kits: kitsOf(cut, here, times),
  };
}
