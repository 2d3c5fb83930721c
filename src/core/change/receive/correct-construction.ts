import { workOf } from '../../bench';
import { actionTitle, partsOn, type Family } from '../../family';
import { benchPhases, isConstructionOpen, type JobRecord } from '../../record';
import { opened } from '../bench/take-back';
import { put, type Put } from '../change';
import { reason, refuse, requireStation, type Decider, type Given } from '../decision';
import type { CorrectConstruction } from '../inputs';

interface Result {
  readonly familyVersion: string;
  readonly asksElastomer: boolean;
  readonly dropped: string[];
}

interface Facts {
  readonly built: Family;
}

/** What teardown still asks for where the pump is built so, in words. */
function openAtTeardown(record: JobRecord, built: Family): readonly string[] {
  const accounted = new Set(record.parts.map(({ ref }) => ref));
  return [
    ...workOf(record, built, 'teardown').flatMap(({ actions }) =>
      actions.filter(({ answer }) => !answer).map(({ action }) => actionTitle(action)),
    ),
    ...partsOn(built.parts, 'came').flatMap(({ ref, name }) => (accounted.has(ref) ? [] : [name])),
  ];
}

/** What is recorded and stands for nothing where the pump is built so: answers, readings, parts, by what they are of. */
function droppedBy({ record, family }: Pick<Given, 'record' | 'family'>, built: Family): string[] {
  const actionsOf = (one: Family) =>
    benchPhases.flatMap((phase) => workOf(record, one, phase).flatMap(({ actions }) => actions));
  const kept = new Set(actionsOf(built).map(({ action }) => action.id));
  const points = new Set(built.points.map(({ id }) => id));
  const parts = new Set(built.parts.map(({ ref }) => ref));
  const read = new Set(record.readings.map(({ pointId }) => pointId));
  const accounted = new Set(record.parts.map(({ ref }) => ref));
  return [
    ...actionsOf(family)
      .filter(({ action, answer }) => answer && !kept.has(action.id))
      .map(({ action }) => actionTitle(action)),
    ...family.points.filter(({ id }) => read.has(id) && !points.has(id)).map(({ title }) => title),
    ...family.parts.filter(({ ref }) => accounted.has(ref) && !parts.has(ref)).map(({ name }) => name),
  ];
}

/** Steps of teardown that were done and have more to do where the pump is built so: they are open again. */
function stepsOpened({ record, who }: Given, built: Family, why: string): readonly Put[] {
  return workOf(record, built, 'teardown').flatMap(({ row, isDone, actions }) =>
    row && isDone && actions.some(({ answer }) => !answer) ? [put('step', opened(row, who, why))] : [],
  );
}

/**
 * What was found out of how it is built and is said otherwise now: the answer follows, under the name of who says so.
 * An answer that stood against the build would vouch for a pump that is not there.
 */
function answersFollowing({ record, who }: Given, built: Family, why: string): readonly Put[] {
  return workOf(record, built, 'teardown').flatMap(({ actions }) =>
    actions.flatMap(({ action: { answer: form }, answer }) => {
      const { axis, should } = form?.kind === 'choice' ? form : {};
      if (!answer || axis === undefined || should === undefined || answer.typed === should) return [];
      const data = why ? { ...answer.data, reason: why } : answer.data;
      return [put('answer', { ...answer, ...who, typed: should, data, version: answer.version + 1 })];
    }),
  );
}

function checkUnderWay({ record, facts: { built } }: Given<Facts>, why: string): void {
  const { tag } = record;
  if (built.id !== record.familyId)
    refuse('wrong-state', reason('recorded-by-family', { tag, family: record.familyId, other: built.id }));
  if (record.quotes.length) refuse('wrong-state', reason('quote-drawn-up', { tag }));
  if (!why) refuse('bad-input', reason('why-built-otherwise', { tag }), 'reason');
  const open = record.station === 'receive' || record.station === 'teardown' ? [] : openAtTeardown(record, built);
  if (open.length) refuse('wrong-state', reason('teardown-asks-more', { tag, open: open.slice(0, 6) }));
}

/**
 * The pump turns out to be built otherwise than it was received, or is converted and goes back otherwise than it came.
 * While nothing is recorded, another construction may be chosen too; later the same one, built otherwise, with a reason:
 * what still applies stays, what does not is named and stays in the record. An elastomer that the new construction does
 * not come with is asked for again.
 */
export const correctConstruction: Decider<CorrectConstruction, Result, Facts> = (given, { reason: why }) => {
  const { record, facts } = given;
  const { built } = facts;
  const { tag, intake } = record;
  requireStation(record, 'receive', 'teardown', 'clean', 'inspect', 'quote');
  if (built.id === record.familyId && built.version === record.familyVersion)
    refuse('bad-input', reason('built-so-already', { tag, family: built.id }), 'familyId');
  if (!isConstructionOpen(record)) checkUnderWay(given, why);
  const asksElastomer = intake.elastomer !== '' && !built.elastomers.includes(intake.elastomer);
  const dropped = droppedBy(given, built);
  return {
    puts: [
      ...(asksElastomer ? [put('intake', { ...intake, version: intake.version + 1, elastomer: '' })] : []),
      ...stepsOpened(given, built, why),
      ...answersFollowing(given, built, why),
    ],
    note: {
      from: `${record.familyId} ${record.familyVersion}`,
      to: `${built.id} ${built.version}`,
      ...(why && { reason: why }),
      ...(dropped.length && { dropped }),
      ...(asksElastomer && { elastomerDropped: intake.elastomer }),
    },
    result: { familyVersion: built.version, asksElastomer, dropped },
    family: built,
  };
};
