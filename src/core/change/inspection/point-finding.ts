import { findingAt, roundOfPoint, standingReadings } from '../../bench';
import { judgePoint, plainSentence, type PointState } from '../../inspection';
import type { Finding, Phase } from '../../record';
import { reason, refuse, type Given } from '../decision';

/** The words of a point's finding, for the shop. */
function wordsOf({ point, verdict, words, reason: why }: PointState, phase: Phase): string {
  const subject = `${phase === 'as-left' ? 'As left, ' : ''}${point.title}`;
  return `${subject}: ${verdict ? `${words}. ${why}` : 'not measured'}`;
}

/** The finding of a point; where there is none yet, one with its verdict as it stands, in version 0: not yet put. */
export function findingOfPoint(
  { record, family, who, newId }: Given,
  pointId: string,
  phase: Phase = 'as-found',
): Finding {
  const existing = findingAt(record, family, { pointId, phase });
  if (existing) return existing;
  const point = family.points.find((one) => one.id === pointId);
  if (!point) return refuse('bad-input', reason('unknown-point', { point: pointId }), 'pointId');
  const state = judgePoint(point, { readings: standingReadings(record, family), phase });
  return {
    id: newId(),
    kind: 'point',
    phase,
    round: roundOfPoint(record, family, phase)(pointId),
    pointId,
    actionId: null,
    partRef: point.part,
    words: wordsOf(state, phase),
    plain: plainSentence(state),
    proposed: state.verdict,
    verdict: state.verdict,
    overruledReason: null,
    waivedReason: null,
    photoId: null,
    version: 0,
    disposition: null,
    ...who,
  };
}
