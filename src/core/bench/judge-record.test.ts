import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob } from '../../../test-support/core-job';
import { bench } from '../change';
import { sayReason } from '../errors';
import { checkBuild } from '../family/closure';
import { loadFamily, type FormOf } from '../family';
import { present } from '../present';
import { exampleRecord } from '../record/example-record';
import { findSum } from '../sums';
import { judgeRecord, readRecord } from './judge-record';
import { rowName, workOf } from '.';

type RecordForm = FormOf<'record'>;
const file = loadFamily(f1);
const script = { duty: { flowM3h: 25, headM: 32, speedRpm: 2900 }, found: {}, dispose: {} } as const;
const job = { record: exampleRecord(), family: new CoreJob(file, script).family };
const form = (change: Partial<RecordForm>): RecordForm => ({
  ...{ kind: 'record', ask: 'Leak test with air', least: 1, example: [{}], wrong: 'stop', columns: [] },
  ...change,
});
const column = (id: string, unit: string, change: Partial<RecordForm['columns'][number]> = {}) => ({
  ...{ id, title: id.replaceAll('_', ' '), unit },
  ...change,
});

/** Air at 300 kPa in one litre for ten minutes, as warm at the end as at the start. */
const leak = form({
  columns: [
    column('start_kpa', 'kPa'),
    column('end_kpa', 'kPa'),
    column('minutes', 'min', { window: { min: 10 } }),
    column('place', '', { choices: ['nowhere', 'gasket', 'seal'] }),
  ],
  means: 'Find the place with soapy water.',
});
const row = { start_kpa: '300', end_kpa: '295', minutes: '10', place: 'nowhere' };
const fault = (one: RecordForm, rows: readonly Record<string, string>[]) => {
  const { refused, wrong } = judgeRecord(one, rows, job, findSum);
  return refused ? `refused: ${sayReason(refused)}` : wrong ? `wrong: ${sayReason(wrong)}` : null;
};

describe('what is typed', () => {
  test('is read cell by cell, in the unit of its column', () =>
    expect(readRecord(leak, [{ ...row, start_kpa: '3 bar' }])).toEqual({
      ok: true,
      rows: [{ start_kpa: 300, end_kpa: 295, minutes: 10, place: 'nowhere' }],
    }));
  test.each([
    [[], 'Leak test with air: 0 of 1 row is filled in.'],
    [[{}], 'Leak test with air: 0 of 1 row is filled in.'],
    [[{ ...row, end_kpa: ' ' }], 'Leak test with air: end kpa of row 1 is not filled in.'],
    [[{ ...row, end_kpa: 'less' }], 'end kpa of row 1: '],
    [[{ ...row, end_kpa: '-5' }], 'end kpa of row 1: -5 cannot be meant, it lies between 0 and 1000000.'],
    [[{ ...row, place: 'there' }], 'place of row 1: choose nowhere or gasket or seal.'],
  ])('%j is refused with what is wrong', (rows, words) => expect(fault(leak, rows)).toContain(`refused: ${words}`));
  test('a temperature may be below nought; another bound is the file’s', () => {
    const one = (change: object) => form({ columns: [column('at', '°C', change)] });
    expect(fault(one({}), [{ at: '-20' }])).toBeNull();
    expect(fault(one({}), [{ at: '-80' }])).toContain('cannot be meant');
    expect(fault(one({ plausible: { min: 0, max: 10 } }), [{ at: '11' }])).toContain('between 0 and 10');
  });
  test('an empty row between others is passed over', () =>
    expect(readRecord(leak, [{}, row, {}])).toMatchObject({ ok: true, rows: [{ start_kpa: 300 }] }));
});

describe('what it comes to', () => {
  test('an entry outside its window is wrong, with what that means', () =>
    expect(fault(leak, [{ ...row, minutes: '4' }])).toBe(
      'wrong: minutes of row 1: 4 min is outside at least 10 min. Find the place with soapy water.',
    ));
  test('a torque by nut: each by its own name', () => {
    const nuts = form({
      ...{ ask: 'Torque of the gland', rows: ['nut 1', 'nut 2'], least: 1 },
      columns: [column('torque', 'N·m', { window: { min: 40, max: 46 } })],
    });
    expect(fault(nuts, [{ torque: '42' }])).toBe(
      'refused: Torque of the gland: 1 of 2 rows is filled in.'.replace('is', 'are'),
    );
    expect(fault(nuts, [{ torque: '42' }, { torque: '38' }])).toBe(
      'wrong: torque of nut 2: 38 N·m is outside 40 to 46 N·m.',
    );
    expect(fault(nuts, [{ torque: '42' }, { torque: '46' }])).toBeNull();
    expect([rowName(nuts, 1), rowName(leak, 2)]).toEqual(['nut 2', 'row 3']);
  });
  const decay = form({
    columns: leak.columns.slice(0, 2),
    judge: {
      ...{ sum: 'leak-decay', gives: 'verdict', unit: '', right: ['tight'], from: {} },
      input: { medium: 'gas', start_c: 20, end_c: 20, volume_l: 1, minutes: 10, limit_ml_min: 5 },
    },
  });
  test('by a sum with the one row as its fields', () => {
    // 1000 mL · 5 kPa / 101.325 kPa in ten minutes are 4.93 mL a minute; at 6 kPa, 5.92.
    expect(fault(decay, [{ start_kpa: '300', end_kpa: '295' }])).toBeNull();
    expect(fault(decay, [{ start_kpa: '300', end_kpa: '294' }])).toBe('wrong: Leak test with air: leaks.');
    const judged = judgeRecord(decay, [{ start_kpa: '300', end_kpa: '295' }], job, findSum);
    expect(judged).toMatchObject({ typed: '300 kPa, 295 kPa: tight', value: null, unit: '' });
  });
  test('or by a figure in a window, which is kept as its value', () => {
    const amount = form({
      columns: decay.columns,
      judge: { ...present(decay.judge), gives: 'leak_ml_min', unit: 'mL/min', right: undefined, window: { max: 4 } },
    });
    const judged = judgeRecord(amount, [{ start_kpa: '300', end_kpa: '295' }], job, findSum);
    expect(judged.value).toBeCloseTo(4.9346, 4);
    expect(judged).toMatchObject({ unit: 'mL/min', typed: '300 kPa, 295 kPa: 4.935 mL/min' });
    expect(judged.wrong?.code).toBe('record-judged');
  });
  test('a log as a list: packing that drips right is left alone, one that is hot is not in order', () => {
    const log = form({
      ...{ ask: 'Run-in of the gland', least: 2, means: 'Go on as the sum says.' },
      columns: [
        column('at_min', 'min'),
        column('turn_deg', '°'),
        column('temperature_c', '°C'),
        column('drops_per_min', 'drops/min'),
      ],
      judge: {
        ...{ sum: 'gland-log', list: 'entries', gives: 'next', unit: '', right: ['leave'], from: {} },
        input: { window_drops_min: { min: 20, max: 60 }, wait_min: 10, step_deg: 30, max_c: 60 },
      },
    });
    const entry = (at_min: number, drops: number, celsius = 30) => ({
      ...{ at_min: String(at_min), turn_deg: '0', temperature_c: String(celsius), drops_per_min: String(drops) },
    });
    expect(fault(log, [entry(0, 50)])).toContain('1 of 2 rows');
    expect(fault(log, [entry(0, 40), entry(10, 40), entry(20, 40)])).toBeNull();
    expect(fault(log, [entry(0, 200), entry(20, 120)])).toBe(
      'wrong: Run-in of the gland: tighten. Go on as the sum says.',
    );
    expect(judgeRecord(log, [entry(0, 40), entry(10, 40)], job, findSum).typed).toMatch(/^2 rows: /);
  });
  test('what the sum cannot take is refused in its words; what the job does not know yet is named', () => {
    expect(fault(decay, [{ start_kpa: '0', end_kpa: '295' }])).toMatch(/^refused: Leak test with air: start_kpa: /);
    const waiting = form({
      columns: decay.columns,
      judge: { ...present(decay.judge), from: { start_c: { job: 'liquid_temperature_c', as: 'mean' } } },
    });
    expect(fault(waiting, [{ start_kpa: '300', end_kpa: '295' }])).toBe(
      'refused: Leak test with air: start_c is not known yet.',
    );
  });
});

describe('in a job', () => {
  const written = structuredClone(file);
  const [check] = written.written.test.steps;
  const { answer: _answer, ...action } = present(check?.actions[0]);
  const asked: RecordForm = { ...leak, example: [row] };
  const steps = [{ ...present(check), actions: [{ ...action, answer: asked }] }];
  const withRecord = { ...written, written: { ...written.written, test: { ...written.written.test, steps } } };
  test('the rows are kept with the answer, stand in the report, and what is not right is refused', () => {
    const played = new CoreJob(withRecord, script).playTo('test');
    const { tag } = played.record;
    const command = {
      ...{ tag, phase: 'test' as const, actionId: action.id, typed: '', photoId: null, consumable: '', tool: '' },
      ...{ reason: '', notPossible: false, cautionsRead: [...present(check).cautions], basedOn: 0 },
    };
    const facts = { tools: [], zone: 'UTC' };
    const send = (rows: Record<string, string>[]) =>
      played.decide('Odile', ['answer-action', bench.answerAction], facts, { ...command, rows });
    const refused = send([{ ...row, minutes: '4' }]);
    expect(refused.ok ? null : refused.refusal.details.reason?.code).toBe('cell-outside');
    const taken = send([row]);
    if (!taken.ok) throw taken.refusal;
    played.take(taken.decision);
    expect(workOf(played.record, played.family, 'test')[0]?.actions[0]?.answer).toMatchObject({
      typed: '300 kPa, 295 kPa, 10 min, nowhere',
      data: { rows: [{ start_kpa: 300, end_kpa: 295, minutes: 10, place: 'nowhere' }] },
    });
  });
  test('a file is not closed whose example is short, empty, outside, or not right by its sum', () => {
    const { family } = new CoreJob(withRecord, script);
    const faults = (answer: RecordForm) =>
      checkBuild({
        ...family,
        test: { ...family.test, steps: [{ ...present(steps[0]), actions: [{ ...action, answer }] }] },
      })
        .filter((one) => one.rule === 'setting-inputs')
        .map((one) => one.what);
    expect(faults(asked)).toEqual([]);
    expect(faults({ ...asked, least: 2 })).toEqual(['the example has fewer than 2 rows']);
    expect(faults({ ...asked, example: [{ ...row, minutes: '' }] })).toEqual([
      'row 1 of the example is not right in minutes',
    ]);
    expect(faults({ ...asked, example: [{ ...row, minutes: '9' }] })).toHaveLength(1);
    expect(faults({ ...asked, example: [{ ...row, place: 'x' }] })).toEqual([
      'row 1 of the example says “x” for place',
    ]);
    const judged = (end: string, change: object = {}): RecordForm => ({
      ...asked,
      columns: leak.columns.slice(0, 2),
      example: [{ start_kpa: '300', end_kpa: end }],
      judge: {
        ...{ sum: 'leak-decay', gives: 'verdict', unit: '', right: ['tight'], from: {} },
        input: { medium: 'gas', start_c: 20, end_c: 20, volume_l: 1, minutes: 10, limit_ml_min: 5 },
        ...change,
      },
    });
    expect(faults(judged('295'))).toEqual([]);
    expect(faults(judged('200'))).toEqual(['the example comes out as verdict “leaks”']);
    expect(faults(judged('295', { sum: 'no-such' }))).toEqual(['there is no sum “no-such”']);
    expect(faults(judged('295', { input: {} })).length).toBeGreaterThan(0);
  });
});

describe('rows that must go together', () => {
  const gaps = form({
    columns: [column('gap', 'mm', { agree: 0.5 })],
    rows: ['12 o’clock', '3 o’clock', '6 o’clock'],
    means: 'One side runs ahead.',
  });
  const at = (...all: string[]) =>
    fault(
      gaps,
      all.map((gap) => ({ gap })),
    );
  test('four places of a gap may lie so far apart and no further', () => {
    expect(at('4.0', '4.5', '4.2')).toBeNull();
    expect(at('4.0', '4.6', '4.2')).toBe('wrong: gap: the rows lie 0.6 mm apart, 0.5 mm may be. One side runs ahead.');
  });
  test('drops that rise are not bedding in, however few they are', () => {
    const drops = form({
      columns: [column('drops', 'drops/min', { falls: true, window: { max: 20 } })],
      rows: ['5 min', '30 min', '60 min'],
    });
    const count = (...all: string[]) =>
      fault(
        drops,
        all.map((one) => ({ drops: one })),
      );
    expect(count('6', '2', '2')).toBeNull();
    expect(count('6', '2', '3')).toBe(
      'wrong: drops of 60 min: 3 drops/min is more than the 2 drops/min before it; it must fall.',
    );
    expect(count('30', '2', '1')).toContain('outside');
  });
  test('an example that does not go together keeps a file open', () => {
    const { family } = new CoreJob(file, script);
    const [first, ...others] = family.rebuild;
    const step = present(first);
    const actions = [
      ...step.actions,
      {
        ...present(step.actions[0]),
        id: 'gaps',
        answer: { ...gaps, example: ['1', '2', '1'].map((gap) => ({ gap })) },
      },
    ];
    const faults = checkBuild({ ...family, rebuild: [{ ...step, actions }, ...others] });
    expect(faults.map(({ what }) => what)).toContain('the rows of the example do not go together in gap');
  });
});
