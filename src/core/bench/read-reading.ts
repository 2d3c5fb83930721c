import type { Reason } from '../errors';
import type { MeasuringUnit } from '../record';
import { parseQuantity } from '../units';
import { readValue } from './read-value';

/** The longest that a point of a pump can measure, in mm. */
const longestMm = 10_000;

export type ReadingRead =
  | { readonly ok: true; readonly value: number; readonly typedUnit: string; readonly typedDigits: number }
  | { readonly ok: false; readonly why: Reason };

function readLength(typed: string, least: number): ReadingRead {
  const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
  if (!parsed.ok) return { ok: false, why: { code: 'not-a-length', about: { sentence: parsed.sentence } } };
  const { value, unit, digits } = parsed.quantity;
  if (value.lt(least) || value.gt(longestMm))
    return { ok: false, why: { code: 'length-out-of-reach', about: { typed, least, most: longestMm } } };
  return { ok: true, value: value.toDecimalPlaces(6).toNumber(), typedUnit: unit, typedDigits: digits };
}

/**
 * Reads what was typed at a point, in the unit of the point; another unit of the same kind may be typed along.
 * @param least the least length that a point can have: below nought for a difference
 * @example readReading('1.772 in', 'mm') // { ok: true, value: 45.0088, typedUnit: 'in', typedDigits: 3 }
 */
export function readReading(typed: string, unit: MeasuringUnit, least = 0): ReadingRead {
  if (unit === 'mm') return readLength(typed, least);
  const read = readValue(typed, unit);
  if (!read.ok) return { ok: false, why: { code: 'not-a-value', about: { sentence: read.sentence } } };
  return { ok: true, value: read.value, typedUnit: unit, typedDigits: read.digits };
}
