import { sheetsOf, type MadePart, type SheetOf } from '../../record';
import { judgeSketch, madeOf, sketchFaults, sketchTable } from '../../supply';
import type { FamilyPart } from '../../family';
import { reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { HandOverMade, MeasureMade, ReleaseMade, WorkOnMade, WriteMade } from '../inputs';
import { fill } from '../sheets/fill';
import { askedPart, neededPart, supplyStations } from './asked-part';

type Result = { readonly sheetVersion: number };
type Sheet = SheetOf<'made'>;

const titleOf = ({ shape }: Pick<MadePart, 'shape'>, id: string) =>
  sketchTable[shape].dimensions.find((dimension) => dimension.id === id)?.title ?? id;

function checkSketch(made: WriteMade['made']): void {
  const [fault] = sketchFaults(made);
  if (!fault) return;
  const beyond = fault.beyond === undefined ? {} : { beyond: titleOf(made, fault.beyond).toLowerCase() };
  const about = { dimension: titleOf(made, fault.dimension), code: fault.code, ...beyond };
  refuse('bad-input', reason('sketch-fault', about), `made.dimensions.${fault.dimension}`);
}

/** What a release rests on: where it changes, the sketch is released anew. */
const grounds = ({ shape, dimensions, material, bears }: WriteMade['made']) =>
  JSON.stringify([shape, dimensions, material, bears]);

/** The number of the next part that a job makes. @example 'M-0431-1' */
const nextNumber = ({ record }: Given) => `M-${record.tag.slice(2)}-${sheetsOf(record, 'made').length + 1}`;

/** Readings of dimensions that are as they were: what was measured by another sketch is measured again. */
function readingsThatStay(before: MadePart | undefined, made: WriteMade['made']): MadePart['readings'] {
  const isAsBefore = (id: string) => {
    const [was, is] = [before?.dimensions, made.dimensions].map((list) => list?.find((one) => one.id === id));
    return before?.shape === made.shape && JSON.stringify(was) === JSON.stringify(is);
  };
  return (before?.readings ?? []).filter(({ id }) => isAsBefore(id));
}

/** Begins a part that the shop makes, or changes its sketch: why, from which measure, dimensions, material. */
export const writeMade: Decider<WriteMade, Result & { readonly number: string }> = (given, command) => {
  const { partRef, made, basedOn } = command;
  const part = askedPart(given, partRef);
  requireStation(given.record, ...supplyStations);
  const before = madeOf(given.record, partRef)?.body;
  if (before?.handedOver)
    refuse('wrong-state', reason('made-handed-over', { part: part.name, by: before.handedOver.personName }));
  checkSketch(made);
  const stands = before !== undefined && grounds(before) === grounds(made);
  const fell = before?.released && !stands ? before.released.personName : null;
  const number = before?.number ?? nextNumber(given);
  const body = {
    ...made,
    number,
    released: stands ? before.released : null,
    worked: before?.worked ?? [],
    readings: readingsThatStay(before, made),
    handedOver: null,
  };
  return {
    puts: [fill(given, { kind: 'made', key: partRef, basedOn, body })],
    note: { partRef, number, shape: made.shape, ...(fell && { releaseFell: fell }) },
    result: { sheetVersion: basedOn + 1, number },
  };
};

function standing(given: Given, { partRef, basedOn }: Pick<WriteMade, 'partRef' | 'basedOn'>, yours: unknown) {
  const part = askedPart(given, partRef);
  const sheet = madeOf(given.record, partRef);
  if (!sheet) return refuse('wrong-state', reason('no-made', { part: part.name }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, yours);
  const by = sheet.body.handedOver?.personName;
  if (by !== undefined) refuse('wrong-state', reason('made-handed-over', { part: part.name, by }));
  return { part, sheet };
}

const refill = (given: Given, sheet: Sheet, change: Partial<MadePart>) =>
  fill(given, {
    ...{ kind: 'made', key: sheet.key, basedOn: sheet.version },
    body: { ...sheet.body, ...change },
  });

/** Releases the sketch of a part that holds pressure, lifts or turns: by name. */
export const releaseMade: Decider<ReleaseMade, Result> = (given, command) => {
  const { part, sheet } = standing(given, command, command.words);
  requireStation(given.record, ...supplyStations);
  if (sheet.body.released) refuse('wrong-state', reason('made-release-idle', { part: part.name }));
  if (!sheet.body.material) refuse('wrong-state', reason('material-wanted', { part: part.name }));
  return {
    puts: [refill(given, sheet, { released: { ...given.who, words: command.words } })],
    note: { partRef: part.ref, words: command.words },
    result: { sheetVersion: sheet.version + 1 },
  };
};

/** What must be there before somebody works on it. */
function checkMakeable(given: Given, part: FamilyPart, { bears, released, material }: MadePart): void {
  neededPart(given, part);
  requireStation(given.record, 'parts', 'rebuild', 'test');
  if (bears && !released) refuse('wrong-state', reason('made-not-released', { part: part.name }));
  if (!material) refuse('wrong-state', reason('material-wanted', { part: part.name }));
}

/** Minutes at a machine on a part that is made. */
export const workOnMade: Decider<WorkOnMade, Result> = (given, command) => {
  const { machine, minutes } = command;
  const { part, sheet } = standing(given, command, { machine, minutes });
  checkMakeable(given, part, sheet.body);
  return {
    puts: [refill(given, sheet, { worked: [...sheet.body.worked, { ...given.who, machine, minutes }] })],
    note: { partRef: part.ref, machine, minutes },
    result: { sheetVersion: sheet.version + 1 },
  };
};

/** Own readings against the sketch; the last one of a dimension counts. */
export const measureMade: Decider<MeasureMade, Result & { readonly out: readonly string[] }> = (given, command) => {
  const { part, sheet } = standing(given, command, command.readings);
  checkMakeable(given, part, sheet.body);
  if (!sheet.body.worked.length) refuse('wrong-state', reason('made-not-worked', { part: part.name }));
  const unknown = command.readings.find(({ id }) => !sheet.body.dimensions.some((one) => one.id === id));
  if (unknown) refuse('bad-input', reason('unknown-dimension', { dimension: unknown.id }), 'readings');
  const taken = command.readings.map((reading) => ({ ...reading, gauge: command.gauge, ...given.who }));
  const kept = sheet.body.readings.filter(({ id }) => !taken.some((reading) => reading.id === id));
  const readings = [...kept, ...taken];
  const out = judgeSketch({ ...sheet.body, readings })
    .filter(({ verdict }) => verdict === 'under' || verdict === 'over')
    .map(({ title }) => title);
  return {
    puts: [refill(given, sheet, { readings })],
    note: { partRef: part.ref, readings: command.readings, out },
    result: { sheetVersion: sheet.version + 1, out },
  };
};

const small = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Hands a part that was made over to the rebuild, tried on its seat. One that is not as drawn is not handed over. */
export const handOverMade: Decider<HandOverMade, Result> = (given, command) => {
  const { part, sheet } = standing(given, command, command.fitted);
  checkMakeable(given, part, sheet.body);
  if (!sheet.body.worked.length) refuse('wrong-state', reason('made-not-worked', { part: part.name }));
  const points = judgeSketch(sheet.body).flatMap(({ title, verdict }) =>
    verdict === 'within' ? [] : [`${small(title)} is ${verdict ?? 'not measured'}`],
  );
  if (points.length) refuse('gate-shut', reason('made-not-right', { part: part.name, points }));
  return {
    puts: [refill(given, sheet, { handedOver: { ...given.who, fitted: command.fitted } })],
    note: { partRef: part.ref, number: sheet.body.number, fitted: command.fitted },
    result: { sheetVersion: sheet.version + 1 },
  };
};
