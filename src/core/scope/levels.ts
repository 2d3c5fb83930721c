import type { Family } from '../family';
import { optionLevels, type Finding, type OptionLevel } from '../record';

/** An item's place among the options: where it stands, and what happens elsewhere. */
export interface Place {
  readonly levels: readonly OptionLevel[];
  readonly instead: string;
}

export const everywhere: Place = { levels: optionLevels, instead: '' };
const betterThanLeast: readonly OptionLevel[] = ['recommended', 'as new'];

/**
 * Points that only say how much leaks back inside: a worn one costs power and does not stop the pump. They are the
 * running clearances whose leakage the family lets be reckoned, with both sizes that they follow from.
 */
export function leakagePoints({ points }: Pick<Family, 'points'>): ReadonlySet<string> {
  return new Set(
    points.flatMap(({ id, derived }) => (derived?.head_share !== undefined ? [id, derived.bore, derived.journal] : [])),
  );
}

/**
 * In which options the work on a part stands, from what was found on it: what is near its limit may wait, and what only
 * leaks back may stay worn, in the least; everything else belongs to each.
 */
export function placeOf(findings: readonly Finding[], family: Pick<Family, 'points'>): Place {
  const leaking = leakagePoints(family);
  const isNear = findings.every(({ kind, verdict }) => kind === 'point' && verdict !== 'out' && verdict !== 'tight');
  if (isNear) return { levels: betterThanLeast, instead: 'kept' };
  const onlyLeaks = findings.every(({ pointId, verdict }) => pointId && leaking.has(pointId) && verdict !== 'tight');
  return onlyLeaks ? { levels: betterThanLeast, instead: 'stays worn' } : everywhere;
}
