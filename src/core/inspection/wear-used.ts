import { limitsOf } from '../family';
import type { PointState } from './judge-points';

/**
 * How much of its wear allowance a point has used, in per cent: the distance of its worst reading past the nearer new
 * limit over the whole allowance. 0 inside the new limits; null where it is not measured, or nothing may wear.
 */
export function wearUsedPct({ point, worst }: PointState): number | null {
  if (worst === null) return null;
  const { asNew, reuse } = limitsOf(point);
  const above = asNew.max !== undefined && worst > asNew.max ? worst - asNew.max : 0;
  const below = asNew.min !== undefined && worst < asNew.min ? asNew.min - worst : 0;
  if (!above && !below) return 0;
  const ends = above ? [asNew.max, reuse.max] : [reuse.min, asNew.min];
  const [low, high] = ends;
  if (low === undefined || high === undefined || high <= low) return null;
  return Number(((100 * (above || below)) / (high - low)).toFixed(1));
}
