import type { Decider } from '../decision';
import type { AdvanceJob, HoldJob } from '../inputs';

/** Moves a job through a gate to the next station; a shut gate answers with what is missing. */
export const advanceJob: Decider<AdvanceJob, object> = (_given, { event }) => ({
  puts: [],
  note: {},
  result: {},
  kind: event,
  move: event,
});

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
