/** A mark of an axis without what sums of fractions leave behind. */
export const sayMark = (value: number): string => String(Number(value.toPrecision(4)));

/** The least round step that is no smaller than a rough one above nought: 1, 2 or 5 times a power of ten. */
export function niceStep(rough: number): number {
  const power = 10 ** Math.floor(Math.log10(rough));
  return power * ([1, 2, 5].find((factor) => factor * power >= rough) ?? 10);
}

/** An axis from nought to a round figure that is no less than the most that it shows, in at most five steps. */
export function upTo(most: number): { readonly domain: [number, number]; readonly ticks: number[] } {
  // A stand that measured nothing has an axis, too.
  const step = niceStep((most > 0 ? most : 1) / 5);
  const count = Math.max(1, Math.ceil(most / step));
  return { domain: [0, count * step], ticks: Array.from({ length: count + 1 }, (_, i) => i * step) };
}
