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

/**
 * The same of whole numbers without big ones, which take many times as long; null where a sum could go beyond what a
 * number holds exactly. Nearly all amounts and percentages of a quote are whole.
 */
function nearestWhole(top: number, bottom: number): number | null {
  const halves = 2 * Math.abs(top) + bottom;
  if (!Number.isInteger(top) || !Number.isSafeInteger(halves)) return null;
  const rounded = (halves - (halves % (2 * bottom))) / (2 * bottom);
  return top < 0 ? 0 - rounded : rounded;
}

const areWhole = (...values: readonly number[]) => values.every(Number.isInteger);

/** The product of two numbers, or the hundredth part of it, rounded. */
function product(one: Written, other: Written, hundredths: 0 | 2): number {
  return nearest(one.digits * other.digits, 10n ** BigInt(one.decimals + other.decimals + hundredths));
}

/** What is no number is no amount. */
const areNumbers = (...values: readonly number[]) => values.every((value) => Number.isFinite(value));

/**
 * A quantity at a price, in minor units.
 * @example timesPrice(3.5, 6801) // 23804
 */
export function timesPrice(quantity: number, unitPriceMinor: number): number {
  if (!areNumbers(quantity, unitPriceMinor)) return Number.NaN;
  const whole = quantity * unitPriceMinor;
  if (Number.isInteger(quantity) && Number.isInteger(unitPriceMinor) && Number.isSafeInteger(whole)) return whole;
  return product(written(quantity), written(unitPriceMinor), 0);
}

/**
 * An amount with a percentage added, in minor units.
 * @param pct the mark-up in percent, such as 18 or 7.5
 * @example withMarkup(350, 17) // 410
 */
export function withMarkup(minor: number, pct: number): number {
  if (!areNumbers(minor, pct)) return Number.NaN;
  const quick = areWhole(minor, pct) ? nearestWhole(minor * (100 + pct), 100) : null;
  if (quick !== null) return quick;
  const { digits, decimals } = written(pct);
  const all = { digits: digits + 100n * 10n ** BigInt(decimals), decimals };
  return product(written(minor), all, 2);
}

/**
 * A percentage of an amount, in minor units.
 * @example shareOf(1050, 20) // 210
 */
export function shareOf(minor: number, pct: number): number {
  if (!areNumbers(minor, pct)) return Number.NaN;
  const quick = areWhole(minor, pct) ? nearestWhole(minor * pct, 100) : null;
  return quick ?? product(written(minor), written(pct), 2);
}

/**
 * Minutes as hours with two decimals, as a line of a quote names them; half a hundredth goes up.
 * @example hoursOf(25) // 0.42
 */
export function hoursOf(minutes: number): number {
  if (!areNumbers(minutes)) return Number.NaN;
  const quick = areWhole(minutes) ? nearestWhole(100 * minutes, 60) : null;
  if (quick !== null) return quick / 100;
  const { digits, decimals } = written(minutes);
  return nearest(100n * digits, 60n * 10n ** BigInt(decimals)) / 100;
}
