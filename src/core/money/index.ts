/** A number as it is written, as a whole number over a power of ten: exact, as a shop writes it down. */
interface Written {
  readonly digits: bigint;
  readonly decimals: number;
}

function written(value: number): Written {
  const [mantissa = '0', exponent = '0'] = String(value).split('e');
  const [whole = '0', fraction = ''] = mantissa.split('.');
  const decimals = fraction.length - Number(exponent);
  const digits = BigInt(whole + fraction);
  return decimals < 0 ? { digits: digits * 10n ** BigInt(-decimals), decimals: 0 } : { digits, decimals };
}

/** A fraction as a whole number: half and more goes up, away from zero. The one rounding rule for money. */
function nearest(top: bigint, bottom: bigint): number {
  const size = top < 0n ? -top : top;
  const rounded = (2n * size + bottom) / (2n * bottom);
  return Number(top < 0n ? -rounded : rounded);
}

const exactly = (one: Written, other: Written, bottom: number): number =>
  nearest(one.digits * other.digits, BigInt(bottom) * 10n ** BigInt(one.decimals + other.decimals));

/**
 * The product of two numbers over a whole one, rounded. Nearly all of a quote are whole and small: those need no big
 * numbers, which take ten times as long.
 */
function product(one: number, other: number, bottom: number): number {
  const top = one * other;
  const halves = 2 * Math.abs(top) + bottom;
  if (!Number.isInteger(one) || !Number.isInteger(other) || !Number.isSafeInteger(halves))
    return exactly(written(one), written(other), bottom);
  const rounded = (halves - (halves % (2 * bottom))) / (2 * bottom);
  return top < 0 ? 0 - rounded : rounded;
}

/** What is no number is no amount. */
const areNumbers = (...values: readonly number[]) => values.every((value) => Number.isFinite(value));

/**
 * A quantity at a price, in minor units.
 * @example timesPrice(3.5, 6801) // 23804
 */
export function timesPrice(quantity: number, unitPriceMinor: number): number {
  if (!areNumbers(quantity, unitPriceMinor)) return Number.NaN;
  return product(quantity, unitPriceMinor, 1);
}

/**
 * An amount with a percentage added, in minor units.
 * @param pct the mark-up in percent, such as 18 or 7.5
 * @example withMarkup(350, 17) // 410
 */
export function withMarkup(minor: number, pct: number): number {
  if (!areNumbers(minor, pct)) return Number.NaN;
  if (Number.isInteger(pct)) return product(minor, 100 + pct, 100);
  const { digits, decimals } = written(pct);
  return exactly(written(minor), { digits: digits + 100n * 10n ** BigInt(decimals), decimals }, 100);
}

/**
 * A percentage of an amount, in minor units.
 * @example shareOf(1050, 20) // 210
 */
export function shareOf(minor: number, pct: number): number {
  if (!areNumbers(minor, pct)) return Number.NaN;
  return product(minor, pct, 100);
}

/**
 * Minutes as hours with two decimals, as a line of a quote names them; half a hundredth goes up.
 * @example hoursOf(25) // 0.42
 */
export function hoursOf(minutes: number): number {
  if (!areNumbers(minutes)) return Number.NaN;
  return product(minutes, 100, 60) / 100;
}
