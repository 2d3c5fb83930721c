import type { MeasuringUnit } from '../record/enumerations';
import { writeLimits } from '../units';
import type { FamilyPoint } from './format';

interface OpenBand {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}

/** What a point is judged by, in its unit. */
export interface PointLimits {
  readonly unit: MeasuringUnit;
  readonly asNew: OpenBand;
  readonly reuse: OpenBand;
  /** The least step that its instrument shows. */
  readonly resolution: number;
  readonly decimals: number;
}

/** Decimals that a step wants. @example stepDecimals(0.005) // 2 */
export const stepDecimals = (resolution: number): number => Math.max(0, Math.round(-Math.log10(resolution)));

/** The limits of a point, whichever way its file writes them. A derived clearance is given in mm as well. */
export function limitsOf(point: FamilyPoint): PointLimits {
  const { limits, derived, new_mm, reuse_mm, resolution_mm } = point;
  if (limits) {
    const { resolution } = limits;
    return {
      unit: point.unit,
      asNew: limits.new,
      reuse: limits.reuse ?? limits.new,
      resolution,
      decimals: stepDecimals(resolution),
    };
  }
  const common = { unit: 'mm' as const, resolution: resolution_mm, decimals: stepDecimals(resolution_mm) };
  if (derived) {
    const { min, max } = derived.design_um;
    return { ...common, asNew: { min: min / 1000, max: max / 1000 }, reuse: { max: derived.limit_um / 1000 } };
  }
  return { ...common, asNew: new_mm ?? {}, reuse: reuse_mm ?? {} };
}

/** About what a point measures when it is new; null where it has no limits. */
export function middleOf(point: FamilyPoint): number | null {
  const { min, max } = limitsOf(point).asNew;
  return min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max ?? null);
}

/** Decimals that both ends of a band are written with, so that neither is rounded. */
const leastDecimals = ({ unit, resolution, decimals }: PointLimits) =>
  unit === 'mm' ? (resolution < 0.01 ? 3 : 2) : decimals;

/** A band in words. “44.97 to 45.02 mm”, “at most 2 bands” */
function sayBand({ min, max }: OpenBand, least: number, unit: string): string {
  const said = writeLimits(
    [min, max].filter((end) => end !== undefined),
    least,
  );
  const words =
    min === undefined
      ? max !== undefined && `at most ${said[0]}`
      : max === undefined
        ? `at least ${said[0]}`
        : `${said[0]} to ${said[1]}`;
  return words ? `${words} ${unit === 'count' ? '' : unit}`.trim() : '';
}

/** What a point must be in one line, as new and for reuse; of one that is derived, as designed and its limit. */
export function sayPoint(point: FamilyPoint): string {
  const { derived } = point;
  if (derived)
    return `${derived.design_um.min} to ${derived.design_um.max} µm as designed, limit ${derived.limit_um} µm`;
  const { asNew, reuse } = sayLimits(point);
  return `${asNew} new${reuse && `, ${reuse} for reuse`}`;
}

/**
 * The limits of a point in words, such as “44.975 to 45.000 mm” as new and “from 44.950 mm” for reuse.
 */
export function sayLimits(point: FamilyPoint): { readonly asNew: string; readonly reuse: string } {
  const limits = limitsOf(point);
  const least = leastDecimals(limits);
  const { min, max } = limits.reuse;
  const [from, to] = [min, max].map((end) => (end === undefined ? '' : (writeLimits([end], least)[0] ?? '')));
  const reuse = point.limits
    ? sayBand(limits.reuse, least, limits.unit)
    : [from && `from ${from}`, to && `to ${to}`].filter(Boolean).join(' ');
  return {
    asNew: sayBand(limits.asNew, least, limits.unit),
    reuse: point.limits || !reuse ? reuse : `${reuse} mm`,
  };
}
