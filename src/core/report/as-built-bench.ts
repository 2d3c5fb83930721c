import { findAction, latestAnswer, stepsOf as benchSteps } from '../bench';
import type { Family, Step } from '../family';
import { benchPhases, type Answer, type JobRecord, type Reading, type StepDone } from '../record';
import type { AsBuilt } from './as-built';

const number = (value: unknown) => (typeof value === 'number' ? value : null);
const text = (value: unknown) => (typeof value === 'string' ? value : null);

/** The answers of a step in a round that stand. */
function answersOf(record: JobRecord, step: Step | undefined, { phase, round }: StepDone): readonly Answer[] {
  const ids = new Set(step?.actions.map((action) => action.id));
  return record.answers.filter(
    (one) => one.phase === phase && one.round === round && one.state === 'done' && ids.has(one.actionId),
  );
}

/** The rebuild steps that are done, with what was reached at them. Before there were actions, the step held it. */
export function stepsOf(record: JobRecord, family: Family): AsBuilt['steps'] {
  return record.steps
    .filter((row) => row.phase === 'rebuild' && row.state === 'done')
    .map((row) => {
      const step = family.rebuild.find((one) => one.id === row.stepId);
      const answers = answersOf(record, step, row);
      const kindOf = (answer: Answer) => step?.actions.find((one) => one.id === answer.actionId)?.answer?.kind;
      const last = (kind: 'torque' | 'heat') => answers.findLast((answer) => kindOf(answer) === kind)?.value;
      const consumable = answers.findLast((answer) => answer.data.consumable)?.data.consumable;
      return {
        round: row.round,
        title: step?.title ?? row.stepId,
        by: row.personName,
        at: row.at,
        torque_nm: last('torque') ?? number(row.data.torqueNm),
        temperature_c: last('heat') ?? number(row.data.temperatureC),
        consumable: consumable ?? text(row.data.consumable),
        hold_point_signed_by: row.second?.personName ?? null,
      };
    });
}

/** “Split cone of this stage, stage 2”. */
const ofMember = (ask: string, member: Step['member']) => (member ? `${ask}, ${member.name}` : ask);

/** What was taken down at teardown and came back at rebuild, side by side. */
export function positionsOf(record: JobRecord, family: Family): AsBuilt['positions'] {
  const said = (phase: 'teardown' | 'rebuild', id: string) => {
    const taken = latestAnswer(record, phase, id);
    if (taken?.state === 'not possible') return `not possible: ${taken.data.reason ?? ''}`;
    return taken ? taken.typed || (taken.photoId ? 'photo' : '') : '';
  };
  return family.rebuild.flatMap((step) =>
    step.actions.flatMap(({ id, answer, member = step.member }) =>
      answer && 'agrees_with' in answer && answer.agrees_with !== undefined
        ? [
            {
              what: ofMember(answer.ask, member),
              teardown: said('teardown', answer.agrees_with),
              rebuild: said('rebuild', id),
            },
          ]
        : [],
    ),
  );
}

function answerDeviation(answer: Answer, family: Family): string | null {
  const found = findAction(family, answer.phase, answer.actionId);
  const title = found ? `${found.step.title}, ${found.action.title ?? found.action.do[0] ?? ''}` : answer.actionId;
  const because = answer.data.reason ?? '';
  if (answer.state === 'not possible') return `Not possible, by ${answer.personName}: ${title}. ${because}`;
  const { tool } = answer.data;
  const said = [answer.typed, tool && `by ${tool}`].filter(Boolean).join(' ');
  return answer.conceded ? `Conceded by ${answer.personName}: ${title}, ${said}. ${because}` : null;
}

function stepDeviations(row: StepDone, family: Family): readonly string[] {
  const phase = benchPhases.find((one) => one === row.phase);
  const title = phase && benchSteps(family, phase).find((one) => one.id === row.stepId)?.title;
  const { deviation, deviationBy, voided } = row.data;
  const named = title ?? row.stepId;
  return [
    ...(typeof deviation === 'string'
      ? [`Out of order, allowed by ${String(deviationBy)}: ${named}. ${deviation}`]
      : []),
    ...(typeof voided === 'string' ? [`Signature of ${voided} made void by a later change: ${named}`] : []),
  ];
}

function readingDeviation({ conceded, pointId, typed, unit, instrument, personName }: Reading, family: Family) {
  const title = family.points.find((one) => one.id === pointId)?.title ?? pointId;
  return conceded === null
    ? null
    : `Reading conceded by ${personName}: ${title}, ${typed} ${unit} by ${instrument ?? 'no gauge'}. ${conceded}`;
}

/** What was done otherwise than the family says, each with who let it stand and why. */
export function benchDeviations(record: JobRecord, family: Family): readonly string[] {
  return [
    ...record.answers.flatMap((answer) => answerDeviation(answer, family) ?? []),
    ...record.steps.flatMap((row) => stepDeviations(row, family)),
    ...record.readings.flatMap((reading) => readingDeviation(reading, family) ?? []),
  ];
}
