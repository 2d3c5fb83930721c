import type { Family } from '../family';
import type { Phase, Reading } from '../record';
import { judgePoints, type PointVerdict } from './judge-points';

/** A gauge that read too much or too little. */
export interface WrongBy {
  readonly code: string;
  /** The largest error that was found, in the unit of its readings, zero or more. */
  readonly error: number;
}

/** A point whose verdict cannot be trusted: what it is by what was read, and what it may be. */
export interface Turned {
  readonly pointId: string;
  readonly is: PointVerdict;
  readonly maybe: readonly PointVerdict[];
}

interface Asked {
  readonly family: Family;
  /** The readings that stand. */
  readonly readings: readonly Reading[];
  readonly phase: Phase;
}

/**
 * Points that would be judged otherwise had a gauge read by its whole error too much, or too little: the ones that it
 * measured, and those that are reckoned from them.
 */
export function turnedBy({ family, readings, phase }: Asked, { code, error }: WrongBy): readonly Turned[] {
  const judge = (own: readonly Reading[]) => judgePoints({ family, readings: own, phase });
  const by = (off: number) =>
    judge(
      readings.map((one) =>
        one.instrument === code && one.phase === phase && one.value !== null ? { ...one, value: one.value + off } : one,
      ),
    );
  const [more, less] = [by(error), by(-error)];
  return judge(readings).flatMap(({ point, verdict }, i) => {
    if (!verdict) return [];
    const others = [more[i]?.verdict, less[i]?.verdict].flatMap((one) => (one && one !== verdict ? [one] : []));
    return others.length ? [{ pointId: point.id, is: verdict, maybe: [...new Set(others)] }] : [];
  });
}
