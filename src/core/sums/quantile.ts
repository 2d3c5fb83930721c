/**
 * Below which a share of some figures lies, between two of them in proportion; null of none.
 * Source: R. J. Hyndman and Y. Fan, Sample quantiles in statistical packages, The American Statistician 50, 1996, type 7.
 */
export function quantileBetween(figures: readonly number[], pct: number): number | null {
  const sorted = figures.toSorted((a, b) => a - b);
  const at = ((sorted.length - 1) * pct) / 100;
  const [low, high] = [sorted[Math.floor(at)], sorted[Math.ceil(at)]];
  return low === undefined || high === undefined ? null : low + (high - low) * (at - Math.floor(at));
}
