import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Step } from '../family';
import { exampleAnswer, exampleRecord, exampleRun, exampleStep } from '../record/example-record';
import type { Answer, StepDone } from '../record';
import { findAction, latestAnswer, nextAction, workOf } from '.';

const action = (id: string, after?: readonly string[]) => ({
  ...{ id, do: [id], tools: [], consumables: [], lights: [], moves: 'none' as const, cautions: [], once: false },
  ...(after && { after: [...after] }),
});
const step = (id: string, actions: readonly string[], change: Partial<Step> = {}): Step => ({
  ...{ id, title: id.toUpperCase(), parts: [], needs: [], cautions: [], hold_point: false },
  actions: actions.map((one) => action(one)),
  ...change,
});
const base = buildFamily(loadFamily(f1));
const familyOf = (...rebuild: readonly Step[]) => ({ ...base, rebuild: [...rebuild] });
const three = familyOf(step('one', ['a', 'b']), step('two', ['c'], { hold_point: true }), step('three', ['d']));
const answered = (...ids: readonly string[]): Answer[] =>
  ids.map((actionId) => exampleAnswer({ phase: 'rebuild', actionId }));
const done = (stepId: string, change: Partial<StepDone> = {}) => exampleStep({ stepId, ...change });
const signed = { personId: null, personName: 'Marek', at: '2026-11-24T08:00:00.000Z' };
const nextIn = (family: typeof three, record: Parameters<typeof workOf>[0]) =>
  nextAction(workOf(record, family, 'rebuild'))?.action.action.id ?? null;
const record = (answers: readonly Answer[], steps: readonly StepDone[] = []) => exampleRecord({ answers, steps });

test('actions come one after the other, steps one after the other', () => {
  expect(nextIn(three, record([]))).toBe('a');
  expect(nextIn(three, record(answered('a')))).toBe('b');
  const work = workOf(record([]), three, 'rebuild');
  expect(work.map((one) => one.waitsFor.map((first) => first.id))).toEqual([[], ['one'], ['two']]);
  expect(work[0]?.actions.map((one) => one.waitsFor.map((first) => first.id))).toEqual([[], ['a']]);
});
test('nothing goes on over a hold point before it is signed', () => {
  const held = record(answered('a', 'b', 'c'), [done('one'), done('two')]);
  expect(nextIn(three, held)).toBeNull();
  expect(workOf(held, three, 'rebuild').map((one) => [one.isDone, one.isHeld])).toEqual([
    [true, false],
    [true, true],
    [false, false],
  ]);
  expect(nextIn(three, record(answered('a', 'b', 'c'), [done('one'), done('two', { second: signed })]))).toBe('d');
});
test('a step that is opened again holds up what stands on it', () => {
  const opened = record(answered('a', 'b', 'c'), [done('one', { state: 'open' }), done('two', { second: signed })]);
  const work = workOf(opened, three, 'rebuild');
  expect(work.map((one) => one.isDone)).toEqual([false, true, false]);
  expect(work[1]?.waitsFor.map((first) => first.id)).toEqual(['one']);
});
test('what was taken back is asked again, and its version is gone on from', () => {
  const back = record([
    ...answered('a'),
    exampleAnswer({ phase: 'rebuild', actionId: 'b', state: 'undone', version: 4 }),
  ]);
  const at = workOf(back, three, 'rebuild')[0]?.actions[1];
  expect([at?.answer, at?.stored?.version]).toEqual([null, 4]);
  expect(nextIn(three, back)).toBe('b');
});
test('what is not possible counts as answered', () =>
  expect(nextIn(three, record([exampleAnswer({ phase: 'rebuild', actionId: 'a', state: 'not possible' })]))).toBe('b'));
test('a file may say what comes first, or that nothing does', () => {
  const free = familyOf(
    step('one', ['a']),
    step('two', ['b'], { after: [] }),
    step('three', ['c'], { after: ['one', 'two'] }),
  );
  const work = workOf(record([]), free, 'rebuild');
  expect(work.map((one) => one.waitsFor.map((first) => first.id))).toEqual([[], [], ['one', 'two']]);
  const loose = familyOf({ ...step('one', []), actions: [action('a'), action('b'), action('c', ['a'])] });
  expect(workOf(record(answered('a')), loose, 'rebuild')[0]?.actions.map((one) => one.waitsFor.length)).toEqual([
    0, 0, 0,
  ]);
  expect(workOf(record([]), loose, 'rebuild')[0]?.actions.map((one) => one.waitsFor.length)).toEqual([0, 1, 1]);
});
test('a deviation that was allowed lets a step go before what comes first', () => {
  const allowed = record(
    [],
    [done('three', { state: 'open', data: { deviation: 'part is away', deviationBy: 'Marek' } })],
  );
  const work = workOf(allowed, three, 'rebuild');
  expect([work[2]?.waitsFor, work[2]?.deviation]).toEqual([[], { reason: 'part is away', by: 'Marek' }]);
  expect(work[1]?.deviation).toBeNull();
});
test('after a failed run the rebuild is another round; teardown stays', () => {
  const failed = exampleRun({ guarantee: { flowM3h: 1, headM: 1, speedRpm: 1 }, points: [], decision: 'failed' });
  const again = { ...record(answered('a', 'b'), [done('one')]), runs: [failed] };
  expect(nextIn(three, again)).toBe('a');
  const torn = exampleRecord({ answers: [exampleAnswer({ actionId: 'x' })], runs: [failed] });
  const family = { ...three, teardown: [step('off', ['x', 'y'])] };
  expect(nextAction(workOf(torn, family, 'teardown'))?.action.action.id).toBe('y');
});
test('the latest answer is that of the last round that stands', () => {
  const first = exampleAnswer({ phase: 'rebuild', actionId: 'a', typed: '1' });
  const second = { ...first, round: 2, typed: '2' };
  expect(latestAnswer({ answers: [second, first] }, 'rebuild', 'a')?.typed).toBe('2');
  expect(latestAnswer({ answers: [first, { ...second, state: 'undone' }] }, 'rebuild', 'a')?.typed).toBe('1');
  expect(latestAnswer({ answers: [first] }, 'teardown', 'a')).toBeNull();
});
test('an action is found with its step, in its own phase alone', () => {
  expect(findAction(three, 'rebuild', 'c')?.step.id).toBe('two');
  expect([findAction(three, 'teardown', 'c'), findAction(three, 'rebuild', 'z')]).toEqual([null, null]);
});
