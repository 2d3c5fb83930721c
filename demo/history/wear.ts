import { judgePoints } from '@/core/inspection';
import { limitsOf, type Family, type FamilyPoint } from '@/core/family';
import type { Reading } from '@/core/record';
import type { Chance } from '@/core/planning';
import { present } from '@/core/present';
import { wearsUp } from '@/stand-ins';

export const keyOf = (pointId: string, place: string) => `${pointId}/${place}`;

/** Readings as typed, by point and place. */
export type Typed = ReadonlyMap<string, string>;

interface Asked {
  readonly family: Family;
  /** The standing readings of the played job, as found. */
  readonly found: readonly Reading[];
  /** What the visit before left; null for a first one. */
  readonly before: Typed | null;
  /** Wear over that of the played job. */
  readonly wear: number;
  readonly chance: Chance;
}

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const verdictsOf = (family: Family, readings: readonly Reading[]) =>
  new Map(judgePoints({ family, readings, phase: 'as-found' }).map(({ point, verdict }) => [point.id, verdict]));

/** Readings of one point, all moved by as much, each from what stood before it. */
function moved(point: FamilyPoint, own: readonly Reading[], { before, wear, chance }: Asked): readonly Reading[] {
  const { asNew, reuse, decimals } = limitsOf(point);
  const up = wearsUp({ asNew, reuse });
  const sign = up ? 1 : -1;
  const edge = (up ? asNew.max : asNew.min) ?? 0;
  const bases = own.map((one) => Number(before?.get(keyOf(one.pointId, one.place)) ?? one.value));
  const worn = sign * (mean(own.map(({ value }) => present(value))) - edge);
  const wanted = worn > 0 ? worn * wear : worn * (0.7 + 0.3 * chance());
  const by = Math.max(before ? 0 : -Infinity, wanted - sign * (mean(bases) - edge));
  return own.map((one, i) => retyped(one, present(bases[i]) + sign * by, decimals));
}

function retyped(reading: Reading, value: number, decimals: number): Reading {
  const typed = Math.max(0, value).toFixed(decimals);
  return { ...reading, typed, value: Number(typed) };
}

/** Nearer to the played readings where `share` is 1, as asked where it is 0; never back behind what stood before. */
function mixed(
  own: readonly Reading[],
  asked: readonly Reading[],
  share: number,
  point: FamilyPoint,
  before: Typed | null,
) {
  const { asNew, reuse, decimals } = limitsOf(point);
  const worse = wearsUp({ asNew, reuse }) ? Math.max : Math.min;
  return own.map((one, i) => {
    const value = share * present(one.value) + (1 - share) * present(present(asked[i]).value);
    const stood = before?.get(keyOf(one.pointId, one.place));
    return retyped(one, stood === undefined ? value : worse(value, Number(stood)), decimals);
  });
}

/**
 * Readings of a visit, as found: each point with the verdict that the played job had, so that all that was said and done
 * of it holds; worn by the visit's own hours, and never less than the visit before left it.
 * @returns null where no such readings are found
 */
export function wornReadings(asked: Asked): readonly Reading[] | null {
  const { family, found, before } = asked;
  const wanted = verdictsOf(family, found);
  const points = family.points.filter(({ id }) => found.some(({ pointId }) => pointId === id));
  const of = (readings: readonly Reading[], id: string) => readings.filter(({ pointId }) => pointId === id);
  let shares = new Map(points.map(({ id }) => [id, 0]));
  const moves = new Map(points.map((point) => [point.id, moved(point, of(found, point.id), asked)]));
  for (let tries = 0; tries < 6; tries++) {
    const drawn = points.flatMap((point) =>
      mixed(of(found, point.id), present(moves.get(point.id)), present(shares.get(point.id)), point, before),
    );
    const verdicts = verdictsOf(family, drawn);
    const odd = [...wanted].filter(([id, verdict]) => verdicts.get(id) !== verdict).map(([id]) => id);
    if (!odd.length) return drawn;
    // A point that is reckoned from others has its verdict by them.
    const isAny = odd.some((id) => !shares.has(id));
    shares = new Map(
      [...shares].map(([id, share]) => [id, isAny || odd.includes(id) ? Math.min(1, share + 0.25) : share]),
    );
  }
  return null;
}
