import { limitsOf, type FamilyPoint, type FormOf } from '../family';

interface Bounds {
  readonly min: number;
  readonly max: number;
}

/** A size from which on a figure that is many times off is a slip of the decimal point and no wear, in mm. */
const leastSizeMm = 5;
/** How many times off. */
const slipFactor = 8;
/** The largest length that a pump of a shop measures, in mm. */
const largestMm = 3000;
/** Beyond any other quantity on a bench. */
const largest = 1e6;

/** What the value is held against, as far as it is known: what it should be, its window, what was found. */
function referenceOf(form: FormOf<'value'>, found: number | null): number | null {
  const { min, max } = form.window ?? {};
  const middle = min !== undefined && max !== undefined ? (min + max) / 2 : (max ?? min);
  return form.should ?? middle ?? found;
}

/**
 * What can be meant at all by a value: what the file says, else nothing negative, no length of nought or of many
 * metres, and no size that is eight times off what is known of it (4.5 for 45).
 * @param found what was found at the same place, in the same unit; null where nothing was
 */
export function plausibleBand(form: FormOf<'value'>, found: number | null): Bounds {
  if (form.plausible) return form.plausible;
  if (form.unit !== 'mm') return { min: form.unit === '°C' ? -60 : 0, max: largest };
  const reference = referenceOf(form, found);
  if (reference === null || Math.abs(reference) < leastSizeMm) return { min: 0, max: largestMm };
  return { min: reference / slipFactor, max: Math.min(largestMm, reference * slipFactor) };
}

/** Whether a value can be meant: inside what is plausible, and not nought where only more than nought can be. */
export function isPlausible(value: number, form: FormOf<'value'>, found: number | null): boolean {
  const { min, max } = plausibleBand(form, found);
  const isNought =
    value === 0 && form.unit === 'mm' && !form.plausible && (form.window?.min ?? 1) > 0 && form.should !== 0;
  return !isNought && value >= min && value <= max;
}

/**
 * What can be meant at all by a reading of a point: what the file says; for a size, nothing eight times off what it is
 * new; else nothing negative.
 */
export function plausibleReading(point: FamilyPoint): Bounds {
  if (point.limits?.plausible) return point.limits.plausible;
  const { unit, asNew } = limitsOf(point);
  if (unit !== 'mm') return { min: unit === '°C' ? -60 : 0, max: largest };
  const { min, max } = asNew;
  const size = point.new_mm && min !== undefined && max !== undefined ? (min + max) / 2 : 0;
  return size < leastSizeMm ? { min: 0, max: largestMm } : { min: size / slipFactor, max: size * slipFactor };
}
