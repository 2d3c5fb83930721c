import { shareOf, timesPrice } from '../money';
import { optionLevels, type OptionLevel, type Quote, type QuoteLine } from '../record';
import { afterDiscount } from './draft-line';

type Priced = Pick<QuoteLine, 'quantity' | 'unitPriceMinor' | 'struckReason' | 'discountPct'>;

export interface QuoteTotals {
  /** The sum of the rounded lines, before the discount on the whole. */
  readonly linesMinor: number;
  readonly discountMinor: number;
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly grossMinor: number;
}

/**
 * One line in minor units: quantity × unit price, rounded half up, less its own discount; a struck line is nothing.
 * @example lineTotalMinor({ quantity: 3.5, unitPriceMinor: 6801, struckReason: null, discountPct: 0 }) // 23804
 */
export function lineTotalMinor(line: Priced): number {
  if (line.struckReason !== null) return 0;
  return afterDiscount(timesPrice(line.quantity, line.unitPriceMinor), line.discountPct);
}

/**
 * Totals of a quote: the sum of rounded lines, less the discount on the whole, then tax rounded once.
 * @example totalQuote([{ quantity: 2, unitPriceMinor: 1050, struckReason: null, discountPct: 0 }], { taxPct: 20, discountPct: 10 }) // { linesMinor: 2100, discountMinor: 210, netMinor: 1890, taxMinor: 378, grossMinor: 2268 }
 */
export function totalQuote(
  lines: readonly Priced[],
  { taxPct, discountPct }: Pick<Quote, 'taxPct' | 'discountPct'>,
): QuoteTotals {
  const linesMinor = lines.reduce((sum, line) => sum + lineTotalMinor(line), 0);
  const discountMinor = shareOf(linesMinor, discountPct);
  const netMinor = linesMinor - discountMinor;
  const taxMinor = shareOf(netMinor, taxPct);
  return { linesMinor, discountMinor, netMinor, taxMinor, grossMinor: netMinor + taxMinor };
}

/** Whether a line stands in an option; in every one where it names none, or where nothing is to be chosen. */
export function standsIn({ options }: Pick<QuoteLine, 'options'>, option: OptionLevel | null): boolean {
  return option === null || !options.length || options.includes(option);
}

/** The lines that are offered in an option: those that stand in it and are not struck. */
export function offeredLines({ lines }: Pick<Quote, 'lines'>, option: OptionLevel | null): readonly QuoteLine[] {
  return lines.filter((line) => line.struckReason === null && standsIn(line, option));
}

/** The options of a quote; one that is null where there is nothing to choose. */
export function optionsOf({ options }: Pick<Quote, 'options'>): readonly (OptionLevel | null)[] {
  return options.length ? options : [null];
}

/**
 * The options in which lines differ, from the least to the most: of two that are alike the one nearer to what is
 * recommended; none where all are alike.
 */
export function distinctOptions(lines: readonly Pick<QuoteLine, 'options' | 'struckReason'>[]): readonly OptionLevel[] {
  const standing = lines.filter(({ struckReason }) => struckReason === null);
  const partingOf = (one: OptionLevel, other: OptionLevel) =>
    standing.some((line) => standsIn(line, one) !== standsIn(line, other));
  const found = optionLevels.filter((level) => level === 'recommended' || partingOf(level, 'recommended'));
  return found.length > 1 ? found : [];
}

/**
 * What is left of an option's price after what it costs the shop; null where a line's cost is not known.
 * @returns margin in minor units, and as a share of the price in percent
 */
export function marginOf(
  lines: readonly QuoteLine[],
  quote: Pick<Quote, 'taxPct' | 'discountPct'>,
): { readonly minor: number; readonly pct: number | null; readonly unknown: number } {
  const { netMinor } = totalQuote(lines, quote);
  const standing = lines.filter(({ struckReason, kind }) => struckReason === null && kind !== 'discount');
  const cost = standing.reduce((sum, line) => sum + timesPrice(line.quantity, line.unitCostMinor ?? 0), 0);
  const minor = netMinor - cost;
  const unknown = standing.filter(({ unitCostMinor }) => unitCostMinor === null).length;
  return { minor, pct: netMinor > 0 ? (100 * minor) / netMinor : null, unknown };
}
