import { shareOf, timesPrice } from '../money';
import type { QuoteLine } from '../record';

export interface QuoteTotals {
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly grossMinor: number;
}

/**
 * One line in minor units: quantity × unit price, rounded half up; a struck line is nothing.
 * @example lineTotalMinor({ quantity: 3.5, unitPriceMinor: 6801, struckReason: null }) // 23804
 */
export function lineTotalMinor(line: Pick<QuoteLine, 'quantity' | 'unitPriceMinor' | 'struckReason'>): number {
  return line.struckReason === null ? timesPrice(line.quantity, line.unitPriceMinor) : 0;
}

/**
 * Totals of a quote: the sum of rounded lines, then tax rounded once.
 * @example totalQuote([{ quantity: 2, unitPriceMinor: 1050, struckReason: null }], 20) // { netMinor: 2100, taxMinor: 420, grossMinor: 2520 }
 */
export function totalQuote(
  lines: readonly Pick<QuoteLine, 'quantity' | 'unitPriceMinor' | 'struckReason'>[],
  taxPct: number,
): QuoteTotals {
  const netMinor = lines.reduce((sum, line) => sum + lineTotalMinor(line), 0);
  const taxMinor = shareOf(netMinor, taxPct);
  return { netMinor, taxMinor, grossMinor: netMinor + taxMinor };
}
