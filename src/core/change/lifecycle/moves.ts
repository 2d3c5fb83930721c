import { isWayBack, moves } from '../../lifecycle';
import { reason, refuse, type Decider } from '../decision';
import type { AdvanceJob, HoldJob } from '../inputs';

/**
 * Moves a job through a gate to the next station; a shut gate answers with what is missing. A way back asks for a reason.
 */
export const advanceJob: Decider<AdvanceJob, object> = ({ record }, { event, reason: why }) => {
  if (isWayBack(event) && !why) refuse('bad-input', reason('way-back-reason', { words: moves[event].words }), 'reason');
  if (event === 'reopen-test' && record.reports.length)
    refuse('wrong-state', reason('issued-already', { number: record.reports[0]?.number ?? '' }));
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
