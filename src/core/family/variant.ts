import { present } from '../present';
import type { Family } from './schema';

export interface Build {
  readonly variant?: string;
  readonly stages?: number;
}

const isIn = (variant: string | undefined) => (one: { readonly variants?: readonly string[] | undefined }) =>
  !one.variants || (variant !== undefined && one.variants.includes(variant));

/**
 * What follows the `+` of a version: the way a job's pump is built.
 * @example readBuild('1.2.0+cartridge.7') // { variant: 'cartridge', stages: 7 }
 */
export function readBuild(version: string): Build {
  const words = version.split('+')[1]?.split('.') ?? [];
  const stages = words.find((word) => /^\d+$/.test(word));
  const variant = words.find((word) => !/^\d+$/.test(word));
  return { ...(variant && { variant }), ...(stages && { stages: Number(stages) }) };
}

/**
 * The version with the way of building behind it, as semantic versioning writes build metadata.
 * @example writeBuild('1.2.0', { variant: 'cartridge', stages: 7 }) // '1.2.0+cartridge.7'
 */
export function writeBuild(version: string, { variant, stages }: Build): string {
  const words = [variant, stages].filter((word) => word !== undefined);
  return words.length ? `${version.split('+')[0]}+${words.join('.')}` : present(version.split('+')[0]);
}

/**
 * Which of two versions is newer, whatever stands behind the `+`: above 0 the first, below 0 the other.
 * @example compareVersions('1.10.0', '1.9.3+packed') // 1
 */
export function compareVersions(one: string, other: string): number {
  const parts = (version: string) => present(version.split('+')[0]).split('.').map(Number);
  return parts(one).reduce((sign, value, i) => sign || value - present(parts(other)[i]), 0);
}

function pointsByStage(family: Family, stages: number): Family['points'] {
  const repeated = family.points.flatMap((point) => {
    if (point.per !== 'stage') return [point];
    const suffixed = (id: string) =>
      family.points.some((one) => one.id === id && one.per === 'stage') ? id : undefined;
    return Array.from({ length: stages }, (_, i) => ({
      ...point,
      id: `${point.id}-${i + 1}`,
      title: `${point.title}, stage ${i + 1}`,
      at: [point.at[0] + i * (family.section.stack?.pitch ?? 0), point.at[1]] as [number, number],
      ...(point.derived && {
        derived: {
          ...point.derived,
          bore: suffixed(point.derived.bore) ? `${point.derived.bore}-${i + 1}` : point.derived.bore,
          journal: suffixed(point.derived.journal) ? `${point.derived.journal}-${i + 1}` : point.derived.journal,
        },
      }),
    }));
  });
  return repeated.map((point, i) => ({ ...point, number: i + 1 }));
}

function refuseUnknownBuild(family: Family, { variant, stages }: Build): void {
  if (variant !== undefined && !family.variants.some((one) => one.id === variant))
    throw new RangeError(
      `${family.id} is not built as “${variant}”; it is built as ${family.variants.map((one) => one.id).join(', ') || 'one way only'}`,
    );
  if (stages !== undefined && (!family.stages || stages < family.stages.least || stages > family.stages.most))
    throw new RangeError(
      family.stages
        ? `${family.id} has ${family.stages.least} to ${family.stages.most} stages, not ${stages}`
        : `${family.id} has no stages`,
    );
}

/** How many of a thing a pump has, when the family counts it by stages. */
type Times = (one: { readonly per: 'pump' | 'stage' }) => number;

/** Cuts a step to what a build has: its parts and its captures, counted by stages. */
function stepCutter(keep: ReturnType<typeof isIn>, here: (ref: string) => boolean, times: Times) {
  const captures = (list: Family['teardown'][number]['captures']) =>
    list
      .filter(keep)
      .filter((capture) => !capture.of || here(capture.of))
      .map((capture) => ({
        ...capture,
        ...(typeof capture.expect === 'number' && { expect: capture.expect * times(capture) }),
      }));
  return <Step extends Family['teardown'][number]>(one: Step): Step => ({
    ...one,
    parts: one.parts.filter(here),
    captures: captures(one.captures),
  });
}

/** The kits that give something to a build, each with as many of a stage's parts as there are stages. */
function kitsOf(family: Family, here: (ref: string) => boolean, stages: number): Family['kits'] {
  const perStage = new Set(family.parts.filter((part) => part.per === 'stage').map((part) => part.ref));
  return family.kits
    .map((kit) => ({
      ...kit,
      gives: kit.gives
        .filter((one) => here(one.part))
        .map((one) => ({ ...one, qty: one.qty * (perStage.has(one.part) ? stages : 1) })),
    }))
    .filter((kit) => kit.gives.length > 0);
}

/**
 * A family as one pump is built: the parts, points, steps and drawing of its variant alone, and as many of each stage's
 * parts, points and counts as it has stages. The version says both behind a `+`. Throws RangeError for a variant or a
 * number of stages that the family does not have.
 */
export function buildFamily(
  family: Family,
  { variant = family.variants[0]?.id, stages = family.stages?.usual }: Build = {},
): Family {
  refuseUnknownBuild(family, { ...(variant !== undefined && { variant }), ...(stages !== undefined && { stages }) });
  const keep = isIn(variant);
  const times: Times = (one) => (one.per === 'stage' ? (stages ?? 1) : 1);
  const parts = family.parts.filter(keep).map((part) => ({ ...part, quantity: part.quantity * times(part) }));
  const refs = new Set(parts.map((part) => part.ref));
  const here = (ref: string) => refs.has(ref);
  const step = stepCutter(keep, here, times);
  const points = family.points.filter(keep).filter((point) => here(point.part));
  return {
    ...family,
    version: writeBuild(family.version, {
      ...(family.variants.length && variant !== undefined && { variant }),
      ...(family.stages && stages !== undefined && { stages }),
    }),
    parts,
    points: pointsByStage({ ...family, points }, stages ?? 1),
    teardown: family.teardown.filter(keep).map(step),
    rebuild: family.rebuild
      .filter(keep)
      .map((one) => ({ ...step(one), needs: one.needs.filter(here), settings: one.settings.filter(keep) })),
    section: { ...family.section, bodies: family.section.bodies.filter(keep).filter((body) => here(body.part)) },
    damage: family.damage.filter((one) => here(one.part)),
    kits: kitsOf(family, here, stages ?? 1),
  };
}
