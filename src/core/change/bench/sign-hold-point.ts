import { workersOf, workOf } from '../../bench';
import type { Signed } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { SignHoldPoint } from '../inputs';

export interface Signer {
  /** Who signs, proved by their PIN. */
  readonly signer: Pick<Signed, 'personId' | 'personName'>;
}

/** A second person signs a hold point: somebody who did none of it in this round, and the step as they saw it. */
export const signHoldPoint: Decider<SignHoldPoint, object, Signer> = (
  { record, family, who, facts },
  { stepId, basedOn },
) => {
  const second: Signed = { ...facts.signer, at: who.at };
  requireStation(record, 'rebuild');
  const work = workOf(record, family, 'rebuild').find((one) => one.step.id === stepId);
  if (!work?.step.hold_point) return refuse('bad-input', reason('not-a-hold-point', { step: stepId }), 'stepId');
  const { row, step } = work;
  if (!row || !work.isDone) return refuse('wrong-state', reason('step-not-done', { step: step.title }));
  if (workersOf(work).some((one) => one.personId === second.personId))
    refuse('second-person-needed', reason('same-person', { person: second.personName }));
  if (row.second) refuse('wrong-state', reason('signed-already', { step: step.title, person: row.second.personName }));
  if (row.version !== basedOn) refuseChanged(row, null);
  return {
    puts: [put('step', { ...row, second, version: row.version + 1 })],
    note: { stepId, round: row.round, signedBy: second.personName },
    result: {},
  };
};
