import { workOf } from '../../bench';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { AllowDeviation } from '../inputs';

/** Allows a step to be done before what should come first: by name, with a reason that stands in the report. */
export const allowDeviation: Decider<AllowDeviation, object> = ({ record, family, who }, command) => {
  const { phase, stepId } = command;
  requireStation(record, phase);
  const work = workOf(record, family, phase).find((one) => one.step.id === stepId);
  if (!work) return refuse('bad-input', reason('unknown-step', { step: stepId, phase }), 'stepId');
  if (!work.waitsFor.length) refuse('wrong-state', reason('nothing-comes-first', { step: work.step.title }));
  const held = work.waitsFor.find((one) => one.hold_point);
  if (held) refuse('wrong-state', reason('hold-point-first', { step: work.step.title, first: held.title }));
  const data = { ...work.row?.data, deviation: command.reason, deviationBy: who.personName };
  const { round } = work;
  const version = (work.row?.version ?? 0) + 1;
  return {
    puts: [put('step', { phase, round, stepId, state: 'open', data, second: null, version, ...who })],
    note: { phase, stepId, reason: command.reason, first: work.waitsFor.map((one) => one.title) },
    result: {},
  };
};
