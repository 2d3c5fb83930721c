import { conflictOf, settle } from './conflict-fields';
import type { WaitingEntry } from './waiting';

const base = {
  key: 'k-1',
  label: 'Cone nut to torque: 110',
  place: 'P-0428 rebuild torque-4',
  madeAt: '2026-11-24T10:43:00.000Z',
  maker: { personId: 'p-ines', name: 'Ines' },
  pass: 'pass',
};
const error = (theirs: unknown, code = 'changed-meanwhile') => ({
  ...{ code, what: 'w', kept: 'k', todo: 't', issues: [], theirs },
});
const answer = (input: object, theirs: unknown): WaitingEntry => ({
  ...base,
  verb: 'answer-action',
  input: { tag: 'P-0428', phase: 'rebuild', actionId: 'torque-4', basedOn: 0, ...input },
  error: error(theirs),
});
const theirAnswer = {
  ...{ phase: 'rebuild', round: 1, actionId: 'torque-4', state: 'done', typed: '108', value: 108, unit: 'N·m' },
  ...{ photoId: null, conceded: false, version: 3, personName: 'Odile', at: '2026-11-24T11:00:00.000Z' },
  data: { tool: 'W-02', passes: [54, 81], cautions: ['heavy-parts'] },
};
const reading = (entry: object, theirs: object | undefined): WaitingEntry => ({
  ...base,
  verb: 'record-readings',
  input: {
    tag: 'P-0411',
    phase: 'as-found',
    entries: [{ pointId: 'sleeve', place: 'A:0', typed: '45.01', instrument: 'M-07', basedOn: 0, ...entry }],
  },
  error: error(theirs),
});
const theirReading = {
  pointId: 'sleeve',
  place: 'A:0',
  typed: '45.02',
  typedUnit: 'mm',
  instrument: 'M-07',
  conceded: null,
  version: 2,
};

describe('the fields in which two disagree', () => {
  test('are those that say otherwise, each with both; what was read beside it is none', () => {
    const conflict = conflictOf(answer({ typed: '110', tool: 'W-01', passes: [54, 81] }, theirAnswer));
    expect(conflict).toMatchObject({ by: 'Odile', at: '2026-11-24T11:00:00.000Z', version: 3 });
    expect(conflict?.fields).toEqual([
      { key: 'typed', name: 'Entry', mine: '110', theirs: '108' },
      { key: 'tool', name: 'Tool', mine: 'W-01', theirs: 'W-02' },
    ]);
  });
  test('of a reading are its figure with its unit, and its gauge', () => {
    const conflict = conflictOf(reading({ instrument: null }, theirReading));
    expect(conflict?.fields).toEqual([
      { key: 'typed', name: 'Entry', mine: '45.01', theirs: '45.02 mm' },
      { key: 'instrument', name: 'Gauge', mine: '', theirs: 'M-07' },
    ]);
  });
  test('are none where the same was typed with its unit', () => {
    expect(conflictOf(reading({ typed: '45.02 mm' }, theirReading))?.fields).toEqual([]);
  });
  test('name rows of a record cell by cell, a picture, and that it was not possible', () => {
    const rows = [
      { nut: '1', torque: '40' },
      { nut: '2', torque: '41' },
    ];
    const theirs = { ...theirAnswer, typed: '', state: 'not possible', photoId: 'ph-1', data: { rows: [{ nut: 1 }] } };
    expect(conflictOf(answer({ rows }, theirs))?.fields).toEqual([
      { key: 'rows', name: 'Rows', mine: '1 · 40; 2 · 41', theirs: '1' },
      { key: 'photoId', name: 'Picture', mine: '', theirs: 'a picture' },
      { key: 'notPossible', name: 'Not possible', mine: '', theirs: 'yes' },
    ]);
  });
  test('are not looked for where it was refused for something else, or nothing stands there', () => {
    expect(conflictOf({ ...answer({}, theirAnswer), error: error(theirAnswer, 'bad-input') })).toBeNull();
    expect(conflictOf(answer({}, undefined))).toBeNull();
  });
});

describe('as a person settles it', () => {
  const mine = answer({ typed: '110', tool: 'W-01', passes: [54, 81] }, theirAnswer);
  test('it is based on what stands now, under a key of its own, without its refusal', () => {
    const settled = settle(mine, new Set(), 'k-2');
    expect(settled).toMatchObject({ key: 'k-2', input: { typed: '110', tool: 'W-01', basedOn: 3 } });
    expect(settled).not.toHaveProperty('error');
  });
  test('one field may be theirs and another mine', () => {
    expect(settle(mine, new Set(['tool']), 'k-2')?.input).toMatchObject({ typed: '110', tool: 'W-02', basedOn: 3 });
    expect(settle(mine, new Set(['typed']), 'k-2')?.input).toMatchObject({ typed: '108', tool: 'W-01', basedOn: 3 });
  });
  test('there is nothing to send where all of theirs stands', () => {
    expect(settle(mine, new Set(['typed', 'tool']), 'k-2')).toBeNull();
  });
  test('of a reading the one reading changes', () => {
    const settled = settle(reading({ instrument: null }, theirReading), new Set(['instrument']), 'k-2');
    expect(settled?.input).toMatchObject({ entries: [{ typed: '45.01', instrument: 'M-07', basedOn: 2 }] });
  });
  test('a field that says nothing with them says nothing then', () => {
    const theirs = { ...theirAnswer, data: {} };
    expect(settle(answer({ typed: '110', tool: 'W-01' }, theirs), new Set(['tool']), 'k-2')?.input).toEqual({
      ...{ tag: 'P-0428', phase: 'rebuild', actionId: 'torque-4', typed: '110', tool: undefined, basedOn: 3 },
    });
  });
});

describe('of several things in one entry', () => {
  const accounts = (theirs: object): WaitingEntry => ({
    ...base,
    verb: 'account-parts',
    input: {
      tag: 'P-0411',
      parts: [
        { partRef: 'casing', state: 'present', note: '', basedOn: 0 },
        { partRef: 'impeller', state: 'present', note: '', basedOn: 0 },
      ],
    },
    error: error(theirs),
  });
  const broken = { ref: 'impeller', state: 'broken', note: 'a vane', version: 2, personName: 'Odile' };
  test('the one that another changed is held against theirs, and alone is based on it', () => {
    const entry = accounts(broken);
    expect(conflictOf(entry)?.fields).toEqual([
      { key: 'state', name: 'State', mine: 'present', theirs: 'broken' },
      { key: 'note', name: 'Note', mine: '', theirs: 'a vane' },
    ]);
    expect(settle(entry, new Set(['note']), 'k-2')?.input).toMatchObject({
      parts: [
        { partRef: 'casing', basedOn: 0 },
        { partRef: 'impeller', state: 'present', note: 'a vane', basedOn: 2 },
      ],
    });
  });
  test('the others still go where that one is to stand as it does', () => {
    expect(settle(accounts(broken), new Set(['state', 'note']), 'k-2')?.input).toEqual({
      tag: 'P-0411',
      parts: [{ partRef: 'casing', state: 'present', note: '', basedOn: 0 }],
    });
  });
});

describe('a disposition, a look, and what is not known', () => {
  const other = (verb: string, input: object, theirs: object) =>
    ({ ...base, verb, input: { tag: 'P-0411', ...input }, error: error(theirs) }) as WaitingEntry;
  test('another action with the same reason is another disposition', () => {
    const theirs = { action: 'repair', reason: 'worn', version: 1 };
    const entry = other(
      'dispose',
      { target: { pointId: 'sleeve' }, action: 'replace', reason: 'worn', basedOn: 0 },
      theirs,
    );
    expect(conflictOf(entry)?.fields).toEqual([
      { key: 'action', name: 'Disposition', mine: 'replace', theirs: 'repair' },
    ]);
    expect(settle(entry, new Set(), 'k-2')?.input).toMatchObject({ action: 'replace', basedOn: 1 });
    expect(settle(entry, new Set(['action']), 'k-2')).toBeNull();
  });
  test('nothing seen meets something that another saw', () => {
    const entry = other(
      'look-at-parts',
      { parts: [{ partRef: 'sleeve', basedOn: 0 }] },
      { ref: 'sleeve', seen: 'something', version: 1 },
    );
    expect(conflictOf(entry)?.fields).toEqual([{ key: 'seen', name: 'Seen', mine: 'nothing', theirs: 'something' }]);
  });
  test('where a row cannot be told apart the two are chosen whole, and never called the same', () => {
    const entry = other('answer-action', { actionId: 'a', typed: 'x', basedOn: 0 }, { version: 4 });
    expect(conflictOf(entry)?.fields).toMatchObject([{ key: 'whole', theirs: 'what stands there now' }]);
    expect(settle(entry, new Set(), 'k-2')?.input).toMatchObject({ typed: 'x', basedOn: 4 });
    expect(settle(entry, new Set(['whole']), 'k-2')).toBeNull();
  });
});
