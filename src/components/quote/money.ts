import { parseQuantity } from '@/core/units';

/** Money as typed (`1250`, `99.50`, `99,50`) in minor units; a sentence where it cannot be read. */
export function readMoney(text: string): { readonly minor: number } | { readonly sentence: string } {
  const parsed = parseQuantity({ text: text.replace(/[€$£\s]/g, ''), dimension: 'number', assume: '' });
  if (!parsed.ok) return { sentence: parsed.sentence };
  const minor = parsed.quantity.value.times(100);
  if (!minor.isInteger()) return { sentence: `"${text}" has more than two decimals.` };
  if (minor.lt(0) || minor.gt(100_000_000)) return { sentence: `"${text}" is not a price of a line.` };
  return { minor: minor.toNumber() };
}

export function writeMoney(minor: number): string {
  return (minor / 100).toFixed(2);
}
