import type { Chance } from './chance';

/** What is known of something that varies: below the first in one of ten, below the second in half, above the third in one of ten. */
export interface Spread {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** Of the standard normal distribution, at nine tenths. */
const normalAt90 = 1.2815515655446004;

/**
 * The inverse of the standard normal distribution, to a relative error of 1.2e-9.
 * Source: P. J. Acklam's rational approximation, in two tails and a middle.
 * @param share above 0 and below 1
 * @example inverseNormal(0.5) // 0
 */
export function inverseNormal(share: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
  ];
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1];
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];
  const polynomial = (terms: readonly number[], x: number) => terms.reduce((sum, term) => sum * x + term, 0);
  const low = 0.02425;
  if (share < low) {
    const q = Math.sqrt(-2 * Math.log(share));
    return polynomial(c, q) / polynomial(d, q);
  }
  if (share > 1 - low) return -inverseNormal(1 - share);
  const q = share - 0.5;
  const r = q * q;
  return (q * polynomial(a, r)) / polynomial(b, r);
}

/** The normal distribution in so many equal parts, each by its middle: a draw looks one up. */
const parts = 8192;
let middles: Float64Array | undefined;
const normalBy = (chance: Chance) => {
  middles ??= Float64Array.from({ length: parts }, (_, k) => inverseNormal((k + 0.5) / parts) / normalAt90);
  return middles[Math.floor(chance() * parts)] ?? 0;
};

const figureAt = ({ p10, p50, p90 }: Spread, z: number) => {
  if (p10 <= 0) return Math.max(0, z < 0 ? p50 + z * (p50 - p10) : p50 + z * (p90 - p50));
  return z < 0 ? p50 * (p10 / p50) ** -z : p50 * (p90 / p50) ** z;
};

/**
 * A figure at a share of a spread: in the logarithm a normal distribution on each side of the middle, so that the three
 * figures are met; where the first is 0, in the figure itself and never below 0.
 * @param share above 0 and below 1
 * @example Math.round(1e6 * quantileOf({ p10: 1, p50: 3, p90: 7 }, 0.9)) // 7e6
 */
export const quantileOf = (spread: Spread, share: number) => figureAt(spread, inverseNormal(share) / normalAt90);

/** A figure by chance. */
export const drawFrom = (spread: Spread, chance: Chance) => figureAt(spread, normalBy(chance));

/**
 * The figure below which a share of some lies: the least of them that has at least that share at or below it.
 * @param sorted rising, at least one
 * @example quantileAmong([1, 2, 3, 4], 50) // 2
 */
export const quantileAmong = (sorted: readonly number[], pct: number) =>
  sorted[Math.max(0, Math.ceil((pct / 100) * sorted.length) - 1)] ?? 0;
