import { lastAnswer, workOf, type ActionWork, type StepWork } from '../../bench';
import { actionTitle } from '../../family';
import type { Answer, Signed, StepDone } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { OpenAgain, UndoAnswer } from '../inputs';

const undone = (answer: Answer, who: Signed, why: string): Answer => ({
  ...answer,
  ...who,
  state: 'undone',
  conceded: false,
  data: why ? { ...answer.data, reason: why } : answer.data,
  version: answer.version + 1,
});

/** The step of an answer that is taken back: open again, its signature void and said so. */
export function opened(row: StepDone, who: Signed, why: string): StepDone {
  const voided = row.second ? { voided: row.second.personName } : {};
  const because = why ? { reopened: why, reopenedBy: who.personName } : {};
  const data = { ...row.data, ...voided, ...because };
  return { ...row, ...who, state: 'open', second: null, data, version: row.version + 1 };
}

function findStep(given: Given, { phase, stepId }: Pick<OpenAgain, 'phase' | 'stepId'>): StepWork {
  const found = workOf(given.record, given.family, phase).find((one) => one.step.id === stepId);
  return found ?? refuse('bad-input', reason('unknown-step', { step: stepId, phase }), 'stepId');
}

/** Takes the last answer of a phase back; asks nothing, and leaves its trace in the events. */
export const undoAnswer: Decider<UndoAnswer, object> = (given, { phase, actionId, basedOn }) => {
  const { record, family, who } = given;
  requireStation(record, phase);
  const work = workOf(record, family, phase);
  const step = work.find((one) => one.actions.some(({ action }) => action.id === actionId));
  const at = step?.actions.find(({ action }) => action.id === actionId);
  if (!step || !at) return refuse('bad-input', reason('unknown-action', { action: actionId, phase }), 'actionId');
  const { answer } = at;
  if (!answer) return refuse('wrong-state', reason('nothing-answered', { action: actionTitle(at.action) }));
  if (answer.version !== basedOn) refuseChanged(answer, null);
  if (lastAnswer(work) !== answer)
    refuse('wrong-state', reason('not-the-last-answer', { action: actionTitle(at.action) }));
  return {
    puts: [
      put('answer', undone(answer, who, '')),
      ...(step.row?.state === 'done' ? [put('step', opened(step.row, who, ''))] : []),
    ],
    note: { phase, actionId, round: step.round },
    result: {},
  };
};

/** The answers of a step from an action on; all of it where none is named. */
function fromAction(actions: readonly ActionWork[], actionId: string | undefined): readonly ActionWork[] {
  if (actionId === undefined) return actions;
  const index = actions.findIndex(({ action }) => action.id === actionId);
  if (index < 0) refuse('bad-input', reason('unknown-action', { action: actionId, phase: 'this step' }), 'actionId');
  return actions.slice(index);
}

/** Opens a step again, whole or from one of its actions on, with a reason; what was answered there is asked anew. */
export const openAgain: Decider<OpenAgain, object> = (given, command) => {
  const { phase, stepId, actionId, basedOn } = command;
  const { record, who } = given;
  requireStation(record, phase);
  const { row, step, actions } = findStep(given, command);
  const answered = fromAction(actions, actionId).flatMap(({ answer }) => answer ?? []);
  if (!answered.length && row?.state !== 'done')
    return refuse('wrong-state', reason('step-open-already', { step: step.title }));
  if ((row?.version ?? 0) !== basedOn) refuseChanged(row, null);
  const puts: Put[] = answered.map((answer) => put('answer', undone(answer, who, command.reason)));
  if (row) puts.push(put('step', opened(row, who, command.reason)));
  return { puts, note: { phase, stepId, reason: command.reason }, result: {} };
};
