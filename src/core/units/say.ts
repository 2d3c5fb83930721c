import { numberFormat } from '@/words/formats';

/**
 * Shows a length as the shop wants it, from exact millimetres.
 * @example formatLength({ mm: 12.7, digits: 2, display: 'inch' }) // '0.500 in'
 */
export function formatLength({
  mm,
  digits,
  display,
}: {
  readonly mm: number;
  readonly digits: number;
  readonly display: LengthDisplay;
}): string {
  return display === 'metric' ? `${mm.toFixed(digits)} mm` : `${(mm / 25.4).toFixed(Math.min(5, digits + 1))} in`;
}

/** How the shop reads lengths: `unit` is meant where none is typed. */
export type LengthDisplay = 'metric' | 'inch';
export const lengthUnit = (display: LengthDisplay) => (display === 'inch' ? 'in' : 'mm');

/** Money in minor units as people read it. @example formatMoney({ minor: 123456, currency: 'EUR' }) // '€1,234.56' */
export function formatMoney({ minor, currency }: { readonly minor: number; readonly currency: string }): string {
  return numberFormat('en-GB', { style: 'currency', currency }).format(minor / 100);
}

/**
 * Decimals that limits need so that none is rounded, and at least so many.
 * @example decimalsOf([100.34, 100.375], 2) // 3
 */
export function decimalsOf(limits: readonly number[], least: number): number {
  return Math.max(least, ...limits.map((limit) => String(limit).split('.')[1]?.length ?? 0));
}

/**
 * Limits with one number of decimals: as many as any of them has, and at least so many. A limit is never rounded.
 * @example writeLimits([100.34, 100.375], 2) // { 0: '100.340', 1: '100.375' }
 */
export function writeLimits(limits: readonly number[], least: number): readonly string[] {
  const digits = decimalsOf(limits, least);
  return limits.map((limit) => limit.toFixed(digits));
}
