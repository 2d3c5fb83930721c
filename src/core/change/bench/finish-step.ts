import { rebuildRound, type StepData, type StepPhase } from '../../record';
import { put } from '../change';
import { refuseChanged, type Decider } from '../decision';
import type { FinishStep } from '../inputs';
import { checkStep } from './check-step';

/** Rebuild steps and checks of the stand are done once a round; teardown once a job. */
const isByRound = (phase: StepPhase) => phase === 'rebuild' || phase === 'test';

function dataOf({ torqueNm, temperatureC, ambientC, consumable, note, cautionsRead }: FinishStep): StepData {
  return {
    ...(torqueNm !== undefined && { torqueNm }),
    ...(temperatureC !== undefined && { temperatureC }),
    ...(ambientC !== undefined && { ambientC }),
    ...(consumable && { consumable }),
    ...(note && { note }),
    ...(cautionsRead.length && { cautions: cautionsRead.join(' ') }),
  };
}

/** Marks a step as done by this person; doing it again replaces what stands there and asks for a new signature. */
export const finishStep: Decider<FinishStep, { readonly stepVersion: number }> = ({ record, family, who }, command) => {
  checkStep({ command, record, family });
  const { phase, stepId, basedOn } = command;
  const round = isByRound(phase) ? rebuildRound(record) : 1;
  const theirs = record.steps.find((one) => one.phase === phase && one.round === round && one.stepId === stepId);
  const data = dataOf(command);
  if ((theirs?.version ?? 0) !== basedOn) refuseChanged(theirs, data);
  const version = basedOn + 1;
  return {
    puts: [put('step', { phase, round, stepId, data, second: null, version, ...who })],
    note: { phase, round, stepId },
    result: { stepVersion: version },
  };
};
