import type { Reason } from '../../errors';
import { isWayBack, moves, type EventKind } from '../../lifecycle';
import type { JobRecord } from '../../record';
import { reason, refuse, type Decider } from '../decision';
import type { AdvanceJob, HoldJob } from '../inputs';

/** Why a way back from the return is none for this pump; null where it is one. */
function backFromReturn(record: JobRecord, event: EventKind): Reason | null {
  if (event !== 'reopen-report' && event !== 'reopen-declined') return null;
  const { tag, outcome, returned } = record;
  if (returned) return reason('released-already', { tag });
  if (event === 'reopen-declined') return outcome === 'repaired' ? reason('repaired-already', { tag }) : null;
  return outcome === 'repaired' ? null : reason('not-repaired', { tag });
}

/**
 * Moves a job through a gate to the next station; a shut gate answers with what is missing. A way back asks for a reason.
 */
export const advanceJob: Decider<AdvanceJob, object> = ({ record }, { event, reason: why }) => {
  if (isWayBack(event) && !why) refuse('bad-input', reason('way-back-reason', { words: moves[event].words }), 'reason');
  if (event === 'reopen-test' && record.reports.length)
    refuse('wrong-state', reason('issued-already', { number: record.reports[0]?.number ?? '' }));
  const odd = backFromReturn(record, event);
  if (odd) refuse('wrong-state', odd);
  return { puts: [], note: { ...(why && { reason: why }) }, result: {}, kind: event, move: event };
};

/** Puts a job on hold: why, until when, and who holds it meanwhile. */
export const holdJob: Decider<HoldJob, object> = (_given, { reason, until, holder }) => ({
  puts: [],
  note: { reason, until, holder },
  result: {},
  kind: 'hold',
  move: 'hold',
  hold: { reason, until, holder },
});

/** Ends a hold. */
export const resumeJob: Decider<unknown, object> = () => ({
  puts: [],
  note: {},
  result: {},
  kind: 'resume',
  move: 'resume',
});
