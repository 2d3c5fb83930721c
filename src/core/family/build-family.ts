import { drawnWith, movedBody, movedPoint } from './build-drawing';
import { sized } from './build-sizes';
import { buildAfter, holds, versionOf, wholeBuild, type Build, type WholeBuild } from './build-words';
import type { Family, FamilyFile, FamilyPoint, SizeRow, Step, StepAction } from './format';
import { convertFamily } from './convert-family';
import { memberId, memberName } from './member';
import { repeatingIds, repeatSteps } from './repeat-steps';

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

const variesKnown = new WeakMap<object, boolean>();

/** Whether anything in a part of a file depends on the build; what does not is shared by all builds, not copied. */
function varies(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const known = variesKnown.get(value);
  if (known !== undefined) return known;
  const isOwn = isObject(value) && ('when' in value || columnOf(value) !== undefined);
  const found = isOwn || Object.values(value).some(varies);
  variesKnown.set(value, found);
  return found;
}

function cutJson(value: unknown, cut: Cut): unknown {
  if (!varies(value)) return value;
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
      ...point.each?.[i],
      ...derivedOf(point, family.points, i + 1),
    }));
  });
  return repeated.map((point, i) => ({ ...point, number: i + 1 }));
}

interface Here {
  readonly part: (ref: string) => boolean;
  readonly point: (id: string) => boolean;
  /** Whether a part stays where it is in this build. */
  readonly stays: (ref: string) => boolean;
  /** The kits of the build. */
  readonly kits: Family['kits'];
  /** The title of what was chosen of an axis; undefined where the build has not got it. */
  readonly choice: (axis: string) => string | undefined;
}

/** An action cut to what a build has: none where it counts or measures only what the build has not got. */
function cutAction(action: StepAction, here: Here): StepAction | null {
  const lights = action.lights.filter(here.part);
  const { answer } = action;
  if (answer?.kind === 'count' && answer.of !== undefined && !here.part(answer.of)) return null;
  if (answer?.kind === 'choice' && answer.axis !== undefined) {
    const should = here.choice(answer.axis);
    return should === undefined ? null : { ...action, lights, answer: { ...answer, should, wrong: 'stop' } };
  }
  if (answer?.kind === 'kit') {
    const kits = here.kits.flatMap(({ number, title }) => (number === undefined ? [] : [{ number, title }]));
    return kits.length ? { ...action, lights, answer: { ...answer, kits } } : null;
  }
  if (answer?.kind !== 'measure') return { ...action, lights };
  const points = answer.points.filter(here.point);
  return points.length ? { ...action, lights, answer: { ...answer, points } } : null;
}

/** Cuts a step to the parts and points that a build has; none where nothing is left to do, or all its parts stay. */
function cutStep(step: Step, here: Here): readonly Step[] {
  const actions = step.actions.flatMap((action) => cutAction(action, here) ?? []);
  const parts = step.parts.filter((ref) => here.part(ref) && !here.stays(ref));
  const isOfWhatStays = step.parts.some(here.stays) && !parts.length;
  if (!actions.length || isOfWhatStays) return [];
  return [{ ...step, parts, needs: step.needs.filter((ref) => here.part(ref) && !here.stays(ref)), actions }];
}

/** What comes after steps or actions that this build has not got does not wait for them. */
function afterHere<Ordered extends { readonly id: string; readonly after?: string[] | undefined }>(
  here: readonly Ordered[],
  written: readonly { readonly id: string }[],
): readonly Ordered[] {
  const left = new Set(here.map(({ id }) => id));
  const cut = new Set(written.map(({ id }) => id).filter((id) => !left.has(id)));
  return here.map((one) => (one.after ? { ...one, after: one.after.filter((id) => !cut.has(id)) } : one));
}

/** Actions that stand once for each soft part, one a part, with how many there are in this build. */
function eachPiece(step: Step, parts: Family['parts']): Step {
  const soft = parts.filter((part) => part.soft);
  const actions = step.actions.flatMap((action): readonly StepAction[] =>
    action.each === undefined
      ? [action]
      : soft.map(({ ref, name, quantity }) => ({
          ...action,
          ...{ id: `${action.id}-${ref}`, piece: ref, lights: [ref], title: `${quantity} × ${name}` },
        })),
  );
  return { ...step, actions };
}

/** What stays in its place in this build is not soft there; what does not says nothing of it. */
const stayOf = ({ stays, soft }: Family['parts'][number], axes: WholeBuild['axes']) =>
  stays !== undefined && holds(stays, axes) ? { stays, soft: false } : { stays: undefined, soft };

/** The steps that a build has, each with the actions that it has, in their order. */
function stepsHere(list: readonly Step[], written: readonly Step[], here: Here): readonly Step[] {
  const asWritten = new Map(written.map((step) => [step.id, step.actions]));
  const cut = list
    .flatMap((step) => cutStep(step, here))
    .map((step) => ({ ...step, actions: [...afterHere(step.actions, asWritten.get(step.id) ?? [])] }));
  return afterHere(cut, written);
}

type Times = ReturnType<typeof timesOf>;
/** “Rebuild, 9 stages”: the title of what stands once for all members of a set. */
function titleOver(
  { title, per }: { readonly title: string; readonly per?: string | undefined },
  sets: Family['sets'],
  times: Times,
) {
  const set = sets.find((one) => one.id === per);
  if (!set) return title;
  const count = times({ per });
  return `${title}, ${count} ${count === 1 ? set.title : set.plural}`;
}

/** Standing work, the minutes of what repeats over a set as many times as the set has members. */
function labourOf(family: Family, times: Times): Family['labour'] {
  return family.labour
    .filter((task) => times(task) > 0)
    .map((task) => ({
      ...task,
      title: titleOver(task, family.sets, times),
      minutes: task.minutes * times(task),
      ...(task.cleaning !== undefined && { cleaning: task.cleaning * times(task) }),
    }));
}

/**
 * The kits that give something to a build, each with as many of a set's parts as the set has members; a kit that is
 * sold by the member has its price as many times.
 */
function kitsOf(family: Family, here: (ref: string) => boolean, times: Times): Family['kits'] {
  const perOf = new Map(family.parts.map((part) => [part.ref, part.per]));
  return family.kits
    .filter((kit) => times(kit) > 0)
    .map((kit) => ({
      ...kit,
      title: titleOver(kit, family.sets, times),
      price_minor: kit.price_minor * times(kit),
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
  const after = buildAfter(file, whole);
  const came = buildOne(file, whole);
  return after ? { ...convertFamily(came, buildOne(file, after)), version: came.version } : came;
}

const titleOf = ({ axes }: Pick<FamilyFile, 'axes'>, id: string, choice: string | undefined) =>
  axes.find((axis) => axis.id === id)?.choices.find((one) => one.id === choice)?.title;

/** The run of a build: of one that has no curve, the power taken. */
function trialIn({ power_alone, ...test }: Family['test'], axes: WholeBuild['axes']): Family['test'] {
  return power_alone !== undefined && holds(power_alone, axes) ? { ...test, kind: 'power' } : test;
}

/** The parts of a build, as many of each as it has. */
function partsOf(once: Family['parts'], { axes }: WholeBuild, times: Times): Family['parts'] {
  return once.map((part) => ({ ...part, quantity: part.quantity * times(part), ...stayOf(part, axes) }));
}

function hereOf(
  file: FamilyFile,
  { axes }: WholeBuild,
  { parts, points, kits }: Pick<Family, 'parts' | 'points' | 'kits'>,
): Here {
  const staying = new Map(parts.map((part) => [part.ref, part.stays !== undefined]));
  return {
    part: (ref) => staying.has(ref),
    point: (id) => points.some((one) => one.id === id),
    stays: (ref) => staying.get(ref) === true,
    kits,
    choice: (axis) => titleOf(file, axis, axes[axis]),
  };
}

function buildOne(file: FamilyFile, whole: WholeBuild): Family {
  // Shapes are the same in every build, and their words are no conditions.
  const { shapes, ...written } = file.written;
  const row = file.sizes.find((one) => one.id === whole.size);
  const cut = sized({ ...cutToBuild(written, file, whole), shapes }, file, row);
  const times = timesOf(whole.counts);
  const once = new Map(cut.parts.filter((part) => times(part) > 0).map((part) => [part.ref, part]));
  const here = (ref: string) => once.has(ref);
  const parts = partsOf([...once.values()], whole, times);
  const by = cut.section.moved.reduce((sum, one) => sum + one.by, 0);
  const points = cut.points.filter((point) => here(point.part)).map((point) => movedPoint(point, by));
  const family = { sets: file.written.sets, points };
  const kits = kitsOf({ ...cut, sets: file.written.sets }, here, times);
  const repeating = { family, counts: whole.counts, parts: once, perOf: repeatingIds(cut) };
  const left = hereOf(file, whole, { parts, points, kits });
  const steps = (phase: 'teardown' | 'rebuild' | 'test', written: readonly Step[]) => {
    const list = written.map((step) => eachPiece(step, parts));
    const asWritten = phase === 'test' ? file.written.test.steps : file.written[phase];
    return repeatSteps(stepsHere(list, asWritten, left), phase, repeating);
  };
  return {
    ...cut,
    version: versionOf(file, whole),
    axes: file.written.axes,
    sizes: file.written.sizes,
    sets: file.written.sets,
    parts: parts.map((part) => ({ ...part, behind: part.behind.filter(here) })),
    points: repeatPoints({ ...cut, points }, whole.counts),
    teardown: steps('teardown', cut.teardown),
    rebuild: steps('rebuild', cut.rebuild),
    test: { ...trialIn(cut.test, whole.axes), steps: steps('test', cut.test.steps) },
    section: {
      ...cut.section,
      moved: [],
      bodies: cut.section.bodies.filter((body) => here(body.part)).map((body) => movedBody(body, by)),
      drawn_with: drawnWith(cut.section, here),
    },
    ...(cut.end_view && {
      end_view: { ...cut.end_view, bodies: cut.end_view.bodies.filter((body) => here(body.part)) },
    }),
    damage: cut.damage.filter((one) => here(one.part)),
    kits,
    labour: labourOf({ ...cut, sets: file.written.sets }, times),
  };
}
