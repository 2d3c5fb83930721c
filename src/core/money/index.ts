import { Decimal } from 'decimal.js';

/** Exact to the last digit of any quantity, price and share that a shop writes down. */
const Exact = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP });

/**
 * An amount in whole minor units: half a unit and more goes up, away from zero. The one rounding rule for money.
 * @param exact minor units with any fraction
 */
function toMinor(exact: Decimal): number {
  return exact.toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber();
}

/**
 * A quantity at a price, in minor units.
 * @example timesPrice(3.5, 6801) // 23804
 */
export function timesPrice(quantity: number, unitPriceMinor: number): number {
  return toMinor(new Exact(quantity).times(unitPriceMinor));
}

/**
 * An amount with a percentage added, in minor units.
 * @param pct the mark-up in percent, such as 18 or 7.5
 * @example withMarkup(350, 17) // 410
 */
export function withMarkup(minor: number, pct: number): number {
  return toMinor(new Exact(minor).times(new Exact(pct).plus(100)).div(100));
}

/**
 * A percentage of an amount, in minor units.
 * @example shareOf(1050, 20) // 210
 */
export function shareOf(minor: number, pct: number): number {
  return toMinor(new Exact(minor).times(pct).div(100));
}

/**
 * Minutes as hours with two decimals, as a line of a quote names them; half a hundredth goes up.
 * @example hoursOf(25) // 0.42
 */
export function hoursOf(minutes: number): number {
  return new Exact(minutes).div(60).toDecimalPlaces(2, Decimal.ROUND_HALF_UP).toNumber();
}
