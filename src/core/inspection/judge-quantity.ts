import type { PointLimits } from '../family';

export type QuantityVerdict = 'new' | 'reuse' | 'near' | 'out';
export interface JudgedQuantity {
  readonly verdict: QuantityVerdict;
  /** The value that decides: the farthest past, or the nearest to, the limit for reuse. */
  readonly worst: number;
}

/** How far a value lies inside a band; negative outside. Infinite where the band is open to both sides. */
function marginOf(value: number, { min = -Infinity, max = Infinity }: PointLimits['reuse']): number {
  return Math.min(value - min, max - value);
}

/**
 * Judges readings of a quantity with open limits, such as an insulation of at least 10 MΩ or a run-out of at most
 * 0.05 mm. All readings within the new limits: as new. One past the limit for reuse: out. Nearer to it than the
 * instrument can tell: near. Otherwise it may go on.
 * @param values readings, in the unit of the limits; at least one
 * @param uncertainty of the instrument, in that unit; 0 where it is not known
 * @throws RangeError without a value
 * @example judgeQuantity([12, 8], { asNew: { min: 10 }, reuse: { min: 5 } }, 0) // { verdict: 'reuse', worst: 8 }
 */
export function judgeQuantity(
  values: readonly number[],
  { asNew, reuse }: Pick<PointLimits, 'asNew' | 'reuse'>,
  uncertainty: number,
): JudgedQuantity {
  if (!values.length) throw new RangeError('no reading to judge');
  const worst = values.reduce((last, value) => (marginOf(value, reuse) < marginOf(last, reuse) ? value : last));
  const margin = marginOf(worst, reuse);
  if (margin < 0) return { verdict: 'out', worst };
  if (values.every((value) => marginOf(value, asNew) >= 0)) return { verdict: 'new', worst };
  return { verdict: margin < uncertainty ? 'near' : 'reuse', worst };
}
