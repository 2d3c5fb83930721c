import { workAt } from '@/core/bench';
import type { Family } from '@/core/family';
import { asId, type Answer, type JobRecord, type StepDone } from '@/core/record';
import type { InputOf } from '@/contract';

type Waiting = InputOf<'answer-action'>;

/** Who an entry that waits is of, until the record says it. */
const waits = { personId: null, personName: 'waits here', at: '' };

function foreseen(entry: Waiting, record: JobRecord, family: Family): Answer {
  const { phase, actionId, typed = '', photoId = null, basedOn, notPossible = false, reason } = entry;
  return {
    ...{
      phase,
      round: workAt(record, family, { phase, actionId })?.work.round ?? 1,
      actionId,
      typed,
      value: null,
      unit: '',
      conceded: false,
    },
    photoId: photoId === null ? null : asId(photoId),
    state: notPossible ? ('not possible' as const) : ('done' as const),
    data: reason ? { reason } : {},
    version: basedOn + 1,
    ...waits,
  };
}

/** The row of a step of which every action is answered once the waiting entries are in; null while something is left. */
function closedBy(entry: Waiting, record: JobRecord, family: Family): StepDone | null {
  const { work } = workAt(record, family, entry) ?? {};
  if (!work?.actions.every(({ answer }) => answer)) return null;
  const { round, step, row: before } = work;
  const row = { phase: entry.phase, round, stepId: step.id, state: 'done' as const, data: before?.data ?? {} };
  return { ...row, second: null, version: (before?.version ?? 0) + 1, ...waits };
}

/**
 * The record as it will be when the entries of this device that wait for the line are taken: the bench goes on from it.
 * Only answers are foreseen; whether they are taken is said by the server.
 */
export function foresee(record: JobRecord, family: Family, entries: readonly Waiting[]): JobRecord {
  return entries.reduce<JobRecord>((sofar, entry) => {
    const answer = foreseen(entry, sofar, family);
    const isSame = (one: Answer) =>
      one.phase === answer.phase && one.round === answer.round && one.actionId === answer.actionId;
    const answers = [...sofar.answers.filter((one) => !isSame(one)), answer];
    const closed = closedBy(entry, { ...sofar, answers }, family);
    const isSameStep = (one: StepDone) =>
      closed !== null && one.phase === closed.phase && one.round === closed.round && one.stepId === closed.stepId;
    const steps = closed ? [...sofar.steps.filter((one) => !isSameStep(one)), closed] : sofar.steps;
    return { ...sofar, answers, steps };
  }, record);
}
