import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing, type Person } from '../../../test-support/core-job';
import { bench, inspection } from '../change';
import { sayReason, type Reason } from '../errors';
import { loadFamily, type StepAction } from '../family';
import { present } from '../present';
import type { Tool } from '../record';
import { readReading, sayTool, toolFault, toolKindOf, toolToOffer, workOf } from '.';

const tool = (change: Partial<Tool> = {}): Tool => ({
  ...{ code: 'W-02', kind: 'torque wrench', unit: 'N·m', uncertainty: 1, rangeLow: 10, rangeHigh: 100 },
  dueOn: '2026-12-31',
  ...change,
});
const used = (value: number | null, day = '2026-12-01', unit = 'N·m') => ({ value, unit, day });
const code = (fault: Reason | null) => fault?.code ?? null;

describe('what speaks against a tool', () => {
  test.each([
    ['in range and in time', tool(), used(50), null],
    ['the ends of its range', tool(), used(10), null],
    ['the other end', tool(), used(100), null],
    ['below its range', tool(), used(9.9), 'tool-out-of-range'],
    ['past its range', tool(), used(100.1), 'tool-out-of-range'],
    ['its last day', tool(), used(50, '2026-12-31'), null],
    ['the day after', tool(), used(50, '2027-01-01'), 'tool-overdue'],
    ['another unit', tool(), used(50, '2026-12-01', 'mm'), 'tool-of-another-unit'],
    ['nothing read from it', tool(), used(null), null],
    ['no ends', tool({ rangeLow: null, rangeHigh: null }), used(5000), null],
    ['open below', tool({ rangeLow: null }), used(1), null],
  ])('%s', (_what, one, asked, expected) => expect(code(toolFault(one, asked))).toBe(expected));
  test('is said with its figures', () => {
    expect(sayReason(present(toolFault(tool(), used(7))))).toBe(
      '7 N·m lies outside the range of W-02, 10 to 100 N·m: take another, or an inspector or the coordinator concedes it.',
    );
    expect(sayReason(present(toolFault(tool({ rangeLow: null }), used(120))))).toContain('W-02, at most 100 N·m');
    expect(sayReason(present(toolFault(tool({ dueOn: '2026-11-01' }), used(50))))).toBe(
      'W-02 (torque wrench) was due on 2026-11-01: take another, or an inspector or the coordinator concedes it.',
    );
  });
});

test('a torque wants its wrench, a heating its thermometer, anything else what the file names', () => {
  const kind = (answer: object | undefined, own?: Tool['kind']) =>
    toolKindOf({ answer, tool: own } as Pick<StepAction, 'tool' | 'answer'>);
  expect([kind({ kind: 'torque' }), kind({ kind: 'heat' }), kind({ kind: 'check' }), kind(undefined)]).toEqual([
    'torque wrench',
    'thermometer',
    null,
    null,
  ]);
  expect(kind({ kind: 'torque' }, 'hoist')).toBe('hoist');
});

test('the first tool is offered that nothing speaks against; where all are bad, the first', () => {
  const small = tool({ code: 'W-01', rangeLow: 1, rangeHigh: 12 });
  const late = tool({ code: 'W-00', dueOn: '2026-01-01' });
  const offer = (tools: readonly Tool[], value: number | null) =>
    toolToOffer(tools, 'torque wrench', used(value))?.code ?? null;
  expect(offer([late, small, tool()], 50)).toBe('W-02');
  expect(offer([late, small, tool()], 5)).toBe('W-01');
  expect(offer([late], 5)).toBe('W-00');
  expect(offer([tool({ kind: 'hoist' })], 5)).toBeNull();
});

test('a tool in words', () => {
  expect(sayTool(tool())).toBe('10 to 100 N·m, ±1');
  expect(sayTool(tool({ rangeLow: null }))).toBe('0 to 100 N·m, ±1');
  expect(sayTool(tool({ rangeHigh: null, rangeLow: null }))).toBe('±1 N·m');
  expect(sayTool(tool({ uncertainty: null, unit: 'kg', rangeLow: 0, rangeHigh: 500 }))).toBe('0 to 500 kg');
});

test('a reading is read in the unit of its point', () => {
  expect(readReading('1.772 in', 'mm')).toEqual({ ok: true, value: 45.0088, typedUnit: 'in', typedDigits: 3 });
  expect(readReading('2 bar', 'kPa')).toEqual({ ok: true, value: 200, typedUnit: 'kPa', typedDigits: 0 });
  expect(readReading('12.5', 'MΩ')).toEqual({ ok: true, value: 12.5, typedUnit: 'MΩ', typedDigits: 1 });
  expect(readReading('-1', 'mm')).toMatchObject({ ok: false, why: { code: 'length-out-of-reach' } });
  expect(readReading('wet', 'MΩ')).toMatchObject({ ok: false, why: { code: 'not-a-value' } });
  expect(readReading('wet', 'mm')).toMatchObject({ ok: false, why: { code: 'not-a-length' } });
});

describe('everywhere that a value enters', () => {
  const job = () => new CoreJob(loadFamily(f1), wornRing);
  const wrenches = [
    tool({ rangeHigh: 400 }),
    tool({ code: 'W-09', dueOn: '2026-01-01' }),
    tool({ code: 'H-01', kind: 'hoist' }),
  ];
  const facts = { tools: wrenches, zone: 'UTC' };

  test('a torque without its wrench, with another tool, one that is overdue, or out of range is refused, or conceded', () => {
    const played = job().playTo('rebuild');
    const at = played.family.rebuild.findIndex((step) => step.id === 'impeller-on');
    played.workThrough('rebuild', played.family.rebuild.slice(0, at));
    const step = present(played.family.rebuild[at]);
    const torque = present(step.actions.find(({ answer }) => answer?.kind === 'torque'));
    for (const action of step.actions.slice(0, step.actions.indexOf(torque))) played.answer('rebuild', step, action);
    const window = torque.answer?.kind === 'torque' ? torque.answer.window_nm : { min: 0, max: 0 };
    const typed = String((window.min + window.max) / 2);
    const command = (code: string, reason = '') => ({
      ...{ tag: played.record.tag, phase: 'rebuild' as const, actionId: torque.id, typed, photoId: null, reason },
      ...{ consumable: '', tool: code, notPossible: false, cautionsRead: [...step.cautions], basedOn: 0 },
    });
    const send = (code: string) => played.decide('Odile', ['answer-action', bench.answerAction], facts, command(code));
    const codeOf = (decided: ReturnType<typeof send>) =>
      decided.ok ? null : [decided.refusal.details.reason?.code, decided.refusal.details.issues?.[0]?.path];
    expect(codeOf(send(''))).toEqual(['tool-wanted', 'tool']);
    expect(codeOf(send('X-99'))).toEqual(['unknown-instrument', 'tool']);
    expect(codeOf(send('H-01'))).toEqual(['tool-of-another-kind', 'tool']);
    expect(codeOf(send('W-09'))).toEqual(['tool-overdue', 'tool']);
    expect(codeOf(send('W-02'))).toBeNull();
    const concede = (who: Person, reason: string) =>
      played.decide(who, ['concede-answer', bench.concedeAnswer], facts, command('W-09', reason));
    expect(codeOf(concede('Marek', ''))).toEqual(['concession-reason', 'reason']);
    const conceded = concede('Marek', 'the other wrench is out on site');
    if (!conceded.ok) throw conceded.refusal;
    played.take(conceded.decision);
    const answer = played.record.answers.find((one) => one.actionId === torque.id);
    expect(answer).toMatchObject({ conceded: true, personName: 'Marek', data: { tool: 'W-09' } });
    const { isDone } = present(workOf(played.record, played.family, 'rebuild')[at]);
    expect(isDone).toBe(step.actions.at(-1) === torque);
  });
  test('a reading of a gauge that is overdue, or out of its range, is refused, or conceded by name', () => {
    const played = job().playTo('inspect');
    const gauge = (change: Partial<Tool>) =>
      tool({ code: 'M-07', kind: 'outside micrometer', unit: 'mm', rangeLow: 0, rangeHigh: 150, ...change });
    const entry = { pointId: 'ring-bore', place: 'A:0' as never, typed: '100.36', instrument: 'M-07', basedOn: 0 };
    const command = { tag: played.record.tag, phase: 'as-found' as const, entries: [entry] };
    const read = (one: Tool) =>
      played.decide('Odile', ['record-readings', inspection.recordReadings], { tools: [one], zone: 'UTC' }, command);
    const codeOf = (decided: ReturnType<typeof read>) =>
      decided.ok ? null : [decided.refusal.details.reason?.code, decided.refusal.details.issues?.[0]?.path];
    expect(codeOf(read(gauge({})))).toBeNull();
    expect(codeOf(read(gauge({ dueOn: '2026-01-01' })))).toEqual(['tool-overdue', 'instrument']);
    expect(codeOf(read(gauge({ rangeHigh: 75 })))).toEqual(['tool-out-of-range', 'instrument']);
    expect(codeOf(read(gauge({ code: 'M-08' })))).toEqual(['unknown-instrument', 'instrument']);
    const late = { tools: [gauge({ dueOn: '2026-01-01' })], zone: 'UTC' };
    const conceding = { ...command, reason: 'checked against a gauge block this morning' };
    const concede = (facts: typeof late, entries = [entry]) =>
      played.decide('Marek', ['concede-readings', inspection.concedeReadings], facts, { ...conceding, entries });
    expect(codeOf(concede({ ...late, tools: [gauge({})] }))).toEqual(['nothing-to-concede', 'reason']);
    // Of two readings only the one whose gauge is late is conceded.
    const both = concede(late, [entry, { ...entry, place: 'A:90' as never, instrument: null as never }]);
    expect(both.ok && both.decision.after.readings.map(({ conceded }) => conceded)).toEqual([conceding.reason, null]);
    played.act('Marek', ['concede-readings', inspection.concedeReadings], late, conceding);
    expect(played.record.readings).toMatchObject([
      { conceded: 'checked against a gauge block this morning', personName: 'Marek', unit: 'mm', value: 100.36 },
    ]);
  });
  test('what cannot be meant is refused: nothing at all, and a size ten times off', () => {
    const played = job().playTo('inspect');
    const read = (typed: string) => {
      const entries = [{ pointId: 'ring-bore', place: 'A:0' as never, typed, instrument: null, basedOn: 0 }];
      const command = { tag: played.record.tag, phase: 'as-found' as const, entries };
      const decided = played.decide('Odile', ['record-readings', inspection.recordReadings], facts, command);
      return decided.ok ? null : decided.refusal.details.reason?.code;
    };
    expect([read('0'), read('10.036'), read('-5'), read('9999'), read('100.36')]).toEqual([
      'not-to-be-meant',
      'not-to-be-meant',
      'length-out-of-reach',
      'not-to-be-meant',
      null,
    ]);
  });
});
