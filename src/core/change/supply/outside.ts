import { findPart } from '../../family';
import { sheetsOf, type OutsideJob, type SheetOf } from '../../record';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { SendOutside, TakeBack, WriteOutside } from '../inputs';
import { fill } from '../sheets/fill';
import { supplyStations } from './asked-part';

type Result = { readonly sheetVersion: number };

function checkParts({ family }: Given, parts: readonly string[]): void {
  const twice = firstTwice(parts);
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'outside.parts');
  const unknown = parts.find((ref) => !findPart(family, ref));
  if (unknown) refuse('bad-input', reason('unknown-part', { part: unknown }), 'outside.parts');
}

function found(given: Given, number: string, basedOn: number, yours: unknown): SheetOf<'outside'> {
  const sheet = sheetsOf(given.record, 'outside').find(({ key }) => key === number);
  if (!sheet) return refuse('wrong-job', reason('no-outside', { number }), 'number');
  if (sheet.version !== basedOn) refuseChanged(sheet.body, yours);
  if (sheet.body.back?.isTaken) refuse('wrong-state', reason('outside-done', { number }));
  return sheet;
}

/** Writes down work that leaves the house: what, on which parts, to whom, and what must come back measured. */
export const writeOutside: Decider<WriteOutside, Result & { readonly number: string }> = (given, command) => {
  const { outside, basedOn } = command;
  requireStation(given.record, ...supplyStations);
  checkParts(given, outside.parts);
  const before = command.number === null ? null : found(given, command.number, basedOn, outside);
  if (before?.body.sent) refuse('wrong-state', reason('outside-away', { number: before.key, to: before.body.to }));
  const next = `W-${given.record.tag.slice(2)}-${sheetsOf(given.record, 'outside').length + 1}`;
  const number = before?.key ?? next;
  const body = { ...outside, number, sent: null, back: null, refused: before?.body.refused ?? [] };
  return {
    puts: [fill(given, { kind: 'outside', key: number, basedOn: before?.version ?? 0, body })],
    note: { number, what: outside.what, to: outside.to },
    result: { sheetVersion: (before?.version ?? 0) + 1, number },
  };
};

const refill = (given: Given, sheet: SheetOf<'outside'>, change: Partial<OutsideJob>) =>
  fill(given, {
    ...{ kind: 'outside', key: sheet.key, basedOn: sheet.version },
    body: { ...sheet.body, ...change },
  });

/** The parts leave for the other shop, which names the day they are due. */
export const sendOutside: Decider<SendOutside, Result> = (given, { number, basedOn, on, dueOn }) => {
  requireStation(given.record, 'parts', 'rebuild', 'test');
  const sheet = found(given, number, basedOn, { on, dueOn });
  if (sheet.body.sent) refuse('wrong-state', reason('outside-away', { number, to: sheet.body.to }));
  if (dueOn < on) refuse('bad-input', reason('due-before-sent', { on, dueOn }), 'dueOn');
  return {
    puts: [refill(given, sheet, { sent: { ...given.who, on }, dueOn, back: null })],
    note: { number, to: sheet.body.to, on, dueOn },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** What is not as it was asked for, in words. */
function faultsOf({ asks }: OutsideJob, values: TakeBack['values']): readonly string[] {
  return asks.flatMap(({ ask, unit, min, max }, i) => {
    const value = values[i];
    if (value === null || value === undefined) return [];
    const isUnder = min !== null && value < min;
    const isOver = max !== null && value > max;
    const said = `${ask}: ${value}${unit && ` ${unit}`}`;
    return isUnder || isOver ? [`${said}, ${isUnder ? `at least ${min}` : `at most ${max ?? ''}`} was asked`] : [];
  });
}

/** The parts are back: what was asked is measured, and they are taken, or go back with the reason. */
export const takeBack: Decider<TakeBack, Result> = (given, command) => {
  const { number, basedOn, on, values, words, isTaken } = command;
  requireStation(given.record, 'parts', 'rebuild', 'test');
  const sheet = found(given, number, basedOn, { on, values });
  if (!sheet.body.sent) return refuse('wrong-state', reason('outside-not-sent', { number }));
  if (on < sheet.body.sent.on)
    refuse('bad-input', reason('due-before-sent', { on: sheet.body.sent.on, dueOn: on }), 'on');
  if (!isTaken && !words) refuse('bad-input', reason('outside-why', { to: sheet.body.to }), 'words');
  const unmeasured = sheet.body.asks.findIndex((_, i) => (values[i] ?? null) === null);
  if (isTaken && unmeasured >= 0)
    refuse(
      'bad-input',
      reason('outside-unmeasured', { ask: sheet.body.asks[unmeasured]?.ask ?? '' }),
      `values.${unmeasured}`,
    );
  const points = faultsOf(sheet.body, values);
  if (isTaken && points.length && !words) refuse('bad-input', reason('outside-not-right', { points }), 'words');
  const back = { ...given.who, on, values, words, isTaken };
  const refused = isTaken ? sheet.body.refused : [...sheet.body.refused, { ...given.who, words }];
  return {
    puts: [refill(given, sheet, { back, refused, ...(!isTaken && { sent: null }) })],
    note: { number, isTaken, words, points },
    result: { sheetVersion: basedOn + 1 },
  };
};
