import fc from 'fast-check';
import { hoursOf, shareOf, timesPrice, withMarkup } from '.';

/** A decimal number as it is written, as an exact fraction. */
function fractionOf(value: number): readonly [top: bigint, bottom: bigint] {
  const [whole = '0', decimals = ''] = value.toFixed(6).split('.');
  return [BigInt(whole + decimals), 10n ** BigInt(decimals.length)];
}
/** The nearest whole number to a fraction that is not negative, halves upwards; by whole numbers only. */
const nearest = (top: bigint, bottom: bigint) => Number((2n * top + bottom) / (2n * bottom));

const minor = fc.integer({ min: 0, max: 100_000_000 });
const percent = fc.integer({ min: 0, max: 100_000 }).map((thousandths) => thousandths / 1000);
const quantity = fc.integer({ min: 1, max: 10_000_000 }).map((thousandths) => thousandths / 1000);
const runs = { numRuns: 3000 };

describe('money is rounded by one rule, as exact fractions are', () => {
  test('quantity times price', () =>
    fc.assert(
      fc.property(quantity, minor, (count, price) => {
        const [top, bottom] = fractionOf(count);
        expect(timesPrice(count, price)).toBe(nearest(top * BigInt(price), bottom));
      }),
      runs,
    ));
  test('a mark-up', () =>
    fc.assert(
      fc.property(minor, percent, (amount, pct) => {
        const [top, bottom] = fractionOf(pct);
        expect(withMarkup(amount, pct)).toBe(nearest(BigInt(amount) * (100n * bottom + top), 100n * bottom));
      }),
      runs,
    ));
  test('a share, such as tax', () =>
    fc.assert(
      fc.property(minor, percent, (amount, pct) => {
        const [top, bottom] = fractionOf(pct);
        expect(shareOf(amount, pct)).toBe(nearest(BigInt(amount) * top, 100n * bottom));
      }),
      runs,
    ));
  test('whole amounts and percentages, below nought too, also beyond what a number holds exactly', () =>
    fc.assert(
      fc.property(fc.maxSafeInteger(), fc.integer({ min: -100, max: 1000 }), (amount, pct) => {
        const away = (top: bigint, bottom: bigint) => (top < 0n ? -nearest(-top, bottom) : nearest(top, bottom)) + 0;
        expect(shareOf(amount, pct)).toBe(away(BigInt(amount) * BigInt(pct), 100n));
        expect(withMarkup(amount, pct)).toBe(away(BigInt(amount) * BigInt(100 + pct), 100n));
      }),
      runs,
    ));
  test('hours of minutes, to the hundredth', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000 }), (minutes) =>
        expect(Math.round(hoursOf(minutes) * 100)).toBe(nearest(BigInt(minutes) * 100n, 60n)),
      ),
      runs,
    ));
});

/** Halves that floating point puts below the middle: 350 × 1.17 is 409.49999999999994 there, 409.5 on paper. */
test.each([
  [350, 17, 410],
  [1050, 7, 1124],
  [150, 15, 173],
  [250, 1.8, 255],
  [50, 1, 51],
  [0, 18, 0],
])('%d with %d %% is %d', (amount, pct, expected) => expect(withMarkup(amount, pct)).toBe(expected));

/** Below zero a half goes away from zero, as above it: what is taken back is what was asked. */
test.each([
  [-1.005, 1000, -1005],
  [-0.5, 1, -1],
  [-0.4, 1, 0],
])('%d at %d is %d', (count, price, expected) => expect(timesPrice(count, price) + 0).toBe(expected));

/** As an engine writes very small and very large numbers. */
test.each([
  [1e-7, 50_000_000, 5],
  [2.5e-7, 2_000_000, 1],
  [1.5e21, 2, 3e21],
])('%d at %d is %d', (count, price, expected) => expect(timesPrice(count, price)).toBe(expected));

test('what is no number is no amount', () => {
  const none = [timesPrice(NaN, 1), timesPrice(1, Infinity), withMarkup(1, NaN), shareOf(NaN, 1), hoursOf(-Infinity)];
  expect(none.every(Number.isNaN)).toBe(true);
});

test.each([
  [1.005, 1000, 1005],
  [0.285, 100, 29],
  [2.675, 200, 535],
  [3.5, 6801, 23804],
])('%d at %d is %d', (count, price, expected) => expect(timesPrice(count, price)).toBe(expected));
