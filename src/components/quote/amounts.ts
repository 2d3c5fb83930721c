import { parseQuantity } from '@/core/units';
import type { ReadForm } from '../ui/form-resolver';
import { readMoney } from './money';

export interface Amounts {
  readonly quantity: string;
  readonly price: string;
}
type Read<Rest> = Omit<Amounts & Rest, keyof Amounts> & { quantity: number; unitPriceMinor: number };

/** Quantity and price as typed; what cannot be read is said at its own field. A discount is typed with a minus. */
export function readAmounts<Rest extends object>({ quantity, price, ...rest }: Amounts & Rest): ReadForm<Read<Rest>> {
  const amount = parseQuantity({ text: quantity, dimension: 'number', assume: '' });
  const isBelow = price.trim().startsWith('-') || price.trim().startsWith('−');
  const money = readMoney(isBelow ? price.trim().slice(1) : price);
  const issues = {
    ...(!amount.ok && { quantity: amount.sentence }),
    ...('sentence' in money && { price: money.sentence }),
  };
  if (!amount.ok || 'sentence' in money) return { ok: false, issues };
  const unitPriceMinor = isBelow ? -money.minor : money.minor;
  return { ok: true, read: { ...rest, quantity: amount.quantity.value.toNumber(), unitPriceMinor } };
}
