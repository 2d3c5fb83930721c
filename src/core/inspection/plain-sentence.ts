import { present } from '../present';
import { limitsOf, sayLimits, type FamilyPoint } from '../family';
import { writeLimits } from '../units';
import type { PointState } from './judge-points';

/**
 * The finding of a point in words for the customer, who has no drawing.
 * For instance: "The gap that lets pumped liquid leak back inside the pump is worn out: 0.91 mm where at most 0.76 mm
 * is allowed." Where the family says what a bad point means: "The shaft is bent: 0.09 mm where at most 0.05 mm is
 * allowed."
 */
export function plainSentence(state: PointState): string {
  const { point, verdict, worst } = state;
  const subject = subjectOf(point);
  if (verdict === null || worst === null) return `${subject} could not be measured.`;
  const { unit, decimals } = limitsOf(point);
  const digits = unit === 'mm' ? (point.resolution_mm < 0.01 ? 3 : 2) : decimals;
  const value = `${worst.toFixed(digits)} ${unit === 'count' ? '' : unit}`.trim();
  if (verdict === 'new') return `${subject} is as new.`;
  if (verdict === 'reuse')
    return `${subject} is ${point.limits ? 'no longer as new' : 'worn'} but may go on: ${value}.`;
  if (verdict === 'near') return `${subject} is so near its limit that our gauge cannot tell it apart: ${value}.`;
  if (verdict === 'tight') return `${subject} is tighter than designed: ${value}.`;
  const allowed = `${value} where ${limitWords(state, digits)} is allowed.`;
  return isSaidBad(point)
    ? `${point.plain.slice(0, -1)}: ${allowed}`
    : `${subject} is ${point.limits ? 'past its limit' : 'worn out'}: ${allowed}`;
}

/** A family says in plain words either what the point is, or, with a full stop, what a bad one means. */
const isSaidBad = ({ plain }: FamilyPoint) => plain.endsWith('.');

function subjectOf(point: FamilyPoint): string {
  if (isSaidBad(point)) return `The ${point.title.charAt(0).toLowerCase()}${point.title.slice(1)}`;
  return point.plain.charAt(0).toUpperCase() + point.plain.slice(1);
}

function limitWords({ point, worst }: PointState, digits: number): string {
  if (point.limits) return sayLimits(point).reuse;
  const said = (mm: number) => `${writeLimits([mm], digits).join('')} mm`;
  if (point.derived) return `at most ${said(point.derived.limit_um / 1000)}`;
  const low = point.reuse_mm?.min ?? present(point.new_mm).min;
  const high = point.reuse_mm?.max ?? present(point.new_mm).max;
  return present(worst) < low ? `at least ${said(low)}` : `at most ${said(high)}`;
}
