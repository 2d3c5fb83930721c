import { rebuildRound } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { SignHoldPoint } from '../inputs';

/** A second person signs a hold point: never the one who did the step, and the step as that person saw it. */
export const signHoldPoint: Decider<SignHoldPoint, object> = ({ record, family, who }, { stepId, basedOn }) => {
  requireStation(record, 'rebuild');
  const step = family.rebuild.find((one) => one.id === stepId);
  const round = rebuildRound(record);
  const done = record.steps.find((one) => one.phase === 'rebuild' && one.round === round && one.stepId === stepId);
  if (!step?.hold_point) return refuse('bad-input', reason('not-a-hold-point', { step: stepId }), 'stepId');
  if (!done) return refuse('wrong-state', reason('step-not-done', { step: step.title }));
  if (done.personId === who.personId) refuse('second-person-needed', reason('same-person', { person: who.personName }));
  if (done.second)
    refuse('wrong-state', reason('signed-already', { step: step.title, person: done.second.personName }));
  if (done.version !== basedOn) refuseChanged(done, null);
  return {
    puts: [put('step', { ...done, second: who, version: done.version + 1 })],
    note: { stepId, round },
    result: {},
  };
};
