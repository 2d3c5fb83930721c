import { parseQuantity, units } from '../units';

export type ValueRead =
  | { readonly ok: true; readonly value: number; readonly digits: number }
  | { readonly ok: false; readonly sentence: string };

/** Decimals that a kept value has; finer than any gauge of a shop. */
const keptDecimals = 6;

/**
 * Reads what was typed for a value of some unit. A unit that is typed along is converted where it is of the same kind.
 * @param unit the unit of the value; one that no table knows (MΩ, drops) takes a number alone
 * @returns the value in that unit, with the decimals that were typed; a sentence where it cannot be read
 * @example readValue('2 bar', 'kPa') // { ok: true, value: 200, digits: 0 }
 */
export function readValue(typed: string, unit: string): ValueRead {
  const own = units.find((one) => one.symbol === unit);
  const parsed = own
    ? parseQuantity({ text: typed, dimension: own.dimension, assume: own.symbol })
    : parseQuantity({ text: typed, dimension: 'number', assume: '' });
  if (!parsed.ok) {
    const sentence = own ? parsed.sentence : `"${typed.trim()}" is not a number${unit && ` of ${unit}`}.`;
    return { ok: false, sentence: typed.trim() ? sentence : 'Nothing is typed yet.' };
  }
  const { value, digits } = parsed.quantity;
  const inUnit = own ? value.div(own.factor).minus(own.offset ?? 0) : value;
  return { ok: true, value: inUnit.toDecimalPlaces(keptDecimals).toNumber(), digits };
}
