import { present } from '../present';
import f4 from '@families/f4-bore-hole.json';
import f5 from '@families/f5-plastic-booster.json';
import f6 from '@families/f6-internal-gear.json';
import plain from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Setting } from '../family';
import { exampleAnswer, exampleReading, exampleRecord } from '../record/example-record';
import type { Answer } from '../record';
import { findSum } from '../sums';
import { reckonSetting as reckon, sayFigure, takenFrom } from './reckon-setting';

const reckonSetting = (
  setting: Setting,
  record: ReturnType<typeof exampleRecord>,
  family: ReturnType<typeof buildFamily>,
) => reckon(setting, { record, family }, findSum);
const settingOf = (family: ReturnType<typeof buildFamily>, step: string) =>
  present(
    present(family.rebuild.find((one) => one.id === step)).actions.flatMap(({ answer }): Setting[] =>
      answer?.kind === 'setting' ? [answer] : [],
    )[0],
  );

describe('a setting takes its inputs from the family and from the job', () => {
  test('the float of a bore-hole pump from its readings: as left before as found', () => {
    const family = buildFamily(loadFamily(f4), { counts: { stage: 3 } });
    const setting = settingOf(family, 'float');
    const found = [exampleReading('shaft-down', 'A:0', 73.4), exampleReading('shaft-up', 'A:0', 70.9)];
    // 73.4 − 70.9 = 2.5 mm
    expect(present(reckonSetting(setting, exampleRecord({ readings: found }), family).outcome).result).toMatchObject({
      float_mm: expect.closeTo(2.5, 9) as number,
      verdict: 'within',
    });
    const left = [
      exampleReading('shaft-down', 'A:0', 73.6, 'as-left'),
      exampleReading('shaft-up', 'A:0', 69.5, 'as-left'),
    ];
    const { outcome } = reckonSetting(setting, exampleRecord({ readings: [...found, ...left] }), family);
    // 73.6 − 69.5 = 4.1 mm, over 3.8
    expect(present(outcome).result).toMatchObject({ float_mm: expect.closeTo(4.1, 9) as number, verdict: 'over' });
    expect(sayFigure(present(outcome), setting)).toBe('4.1 mm');
  });
  test('the shims of one stage of a booster from the light under its own edge', () => {
    const family = buildFamily(loadFamily(f5), { counts: { stage: 4 } });
    const setting = settingOf(family, 'stage-on-3');
    const answers = [0.02, 0.12, 0.2, 0.07].map((gap, i) =>
      exampleAnswer({ phase: 'rebuild', actionId: `edge-${i + 1}`, value: gap, unit: 'mm', typed: String(gap) }),
    );
    const { outcome } = reckonSetting(setting, exampleRecord({ answers }), family);
    const result = present(outcome).result as { gaps: { met: boolean; stack_mm: number[]; rest_mm: number }[] };
    expect(result.gaps.map((gap) => [gap.stack_mm, gap.rest_mm, gap.met])).toEqual([[[0.2], 0, true]]);
  });
  test('the arc of a gear pump by the family’s own table: 700 mm²/s wants 1.3 times the base', () => {
    const family = buildFamily(loadFamily(f6));
    const setting = settingOf(family, 'clearance');
    const { intake } = exampleRecord();
    const pumped = exampleRecord({ intake: { ...intake, liquidTemperatureC: 60, viscosityMm2S: 700 } });
    // 0.1 mm · 1.3 = 0.13 mm; π · 132 mm · 0.13 / 2 mm = 26.955 mm
    expect((present(reckonSetting(setting, pumped, family).outcome).result as { arc_mm: number }).arc_mm).toBeCloseTo(
      26.955,
      3,
    );
  });
});
test('what is not measured yet is named, not guessed', () => {
  const family = buildFamily(loadFamily(f4), { counts: { stage: 3 } });
  const { outcome, waits } = reckonSetting(
    settingOf(family, 'float'),
    exampleRecord({ readings: [exampleReading('shaft-down', 'A:0', 73.4)] }),
    family,
  );
  expect([outcome, waits]).toEqual([null, 'waits for shaft fully up: depth from the inlet’s motor face']);
});
test('what only receiving can say leads there', () => {
  const family = buildFamily(loadFamily(f6));
  const setting = settingOf(family, 'clearance');
  const { saidAt, waits } = reckonSetting(setting, exampleRecord({}), family);
  expect([saidAt, waits]).toEqual(['liquid', 'waits for the viscosity of the liquid, the temperature of the liquid']);
  const speed = { ...setting, from: { viscosity_mm2_s: { job: 'speed_rpm' as const, as: 'mean' as const } } };
  const { intake } = exampleRecord();
  const noDuty = exampleRecord({ intake: { ...intake, duty: null } });
  expect(reckonSetting(speed, noDuty, family).saidAt).toBe('duty');
});
test('what the sum refuses is said in its words', () => {
  const family = buildFamily(loadFamily(f6));
  const setting = {
    ...settingOf(family, 'clearance'),
    input: { clearance_mm: 0.1, arc_mm: 3, pitch_mm: 2, mark_diameter_mm: 100 },
    from: {},
  };
  expect(reckonSetting(setting, exampleRecord({}), family).waits).toContain('exactly one');
});

describe('a setting from a position that was kept', () => {
  const family = buildFamily(loadFamily(plain), {});
  const setting: Setting = {
    ...{ kind: 'setting', mode: 'set', sum: 'seal-setting', title: 'Working length of the seal', unit: 'mm' },
    input: { reference_to_seat_mm: 40, free_length_mm: 33, compression_mm: { min: 4, max: 6 } },
    from: { reference_to_collar_mm: { action: 'seal-setting', as: 'mean' } },
    gives: 'working_length_mm',
  };
  const asked = present(family.teardown.flatMap((step) => step.actions).find((one) => one.id === 'seal-setting'));
  const sealLength = present(asked.do[0]).toLowerCase();
  const kept = (phase: Answer['phase'], actionId: string, value: number | null, round = 1): Answer =>
    exampleAnswer({ phase, actionId, value, unit: 'mm', typed: String(value), round });
  const reckoned = (...answers: readonly Answer[]) => reckonSetting(setting, exampleRecord({ answers }), family);
  const length = (...answers: readonly Answer[]) => {
    const { outcome } = reckoned(...answers);
    return outcome && sayFigure(outcome, setting);
  };
  test('is reckoned from teardown until rebuild has its own, and then from the last of rebuild', () => {
    // the seat stands 40 mm from the reference
    expect(length(kept('teardown', 'seal-setting', 12))).toBe('28 mm');
    const both = [kept('teardown', 'seal-setting', 12), kept('rebuild', 'seal-setting-left', 11)];
    expect(length(...both)).toBe('29 mm');
    expect(length(...both.toReversed())).toBe('29 mm');
    expect(length(...both, kept('rebuild', 'seal-setting-left', 10.5, 2))).toBe('29.5 mm');
    expect(length({ ...kept('rebuild', 'seal-setting-left', 11), state: 'undone' }, ...both.slice(0, 1))).toBe('28 mm');
  });
  test('is not reckoned from another place, nor from words', () => {
    expect(reckoned(kept('teardown', 'secondary-count', 12))).toEqual({
      ...{ setting, outcome: null, waits: `waits for ${sealLength}`, saidAt: null, needsSolver: false },
    });
    expect(reckoned(kept('rebuild', 'secondary-count-left', 12)).outcome).toBeNull();
    expect(reckoned(kept('teardown', 'seal-setting', null)).outcome).toBeNull();
  });
  test('waits for nothing once it is reckoned', () => {
    expect(reckoned(kept('teardown', 'seal-setting', 12))).toMatchObject({ setting, waits: '' });
  });
  test('says what of its inputs does not fit, each by its path', () => {
    const odd = { ...setting, input: { ...setting.input, free_length_mm: -1, compression_mm: { min: 6, max: 4 } } };
    const { outcome, waits } = reckonSetting(
      odd,
      exampleRecord({ answers: [kept('teardown', 'seal-setting', 12)] }),
      family,
    );
    expect(outcome).toBeNull();
    expect(waits).toBe(
      'free_length_mm: must be more than 0; compression_mm.min: the lower limit is above the upper one',
    );
  });
});

describe('a setting from several things', () => {
  const family = buildFamily(loadFamily(f4), { counts: { stage: 3 } });
  const straps = settingOf(family, 'float');
  test('names each that it waits for', () => {
    expect(reckonSetting(straps, exampleRecord({}), family).waits).toBe(
      'waits for shaft fully down: depth from the inlet’s motor face, shaft fully up: depth from the inlet’s motor face',
    );
  });
  test('a point that the family does not have is named as the file has it', () => {
    const odd = { ...straps, from: { down_mm: { point: 'no-such-point', as: 'list' as const } } };
    expect(reckonSetting(odd, exampleRecord({}), family).waits).toBe('waits for no-such-point');
  });
  test('takes the mean of a point’s readings where it does not want the list', () => {
    const readings = [exampleReading('shaft-down', 'A:0', 73.0), exampleReading('shaft-down', 'A:90', 74.0)];
    const given = { record: exampleRecord({ readings }), family };
    expect(takenFrom({ point: 'shaft-down', as: 'mean' }, given)).toBe(73.5);
    expect(takenFrom({ point: 'shaft-down', as: 'list' }, given)).toEqual([73, 74]);
    expect(takenFrom({ point: 'shaft-up', as: 'mean' }, given)).toBeNull();
  });
  test('a sum that wants a solver is reckoned elsewhere, and says where', () => {
    const donor: Setting = {
      ...{
        kind: 'setting',
        mode: 'judge',
        sum: 'donor-match',
        title: 'Which impeller',
        gives: 'points',
        unit: 'points',
      },
      input: {
        slots: [{ id: 'this pump', pump: 'this one', part: 'impeller' }],
        candidates: [{ id: 'A', unit: 'donor A', part: 'impeller', condition: 'good', wear_used_pct: 30 }],
      },
      from: {},
    };
    expect(reckonSetting(donor, exampleRecord({}), family)).toMatchObject({
      ...{ outcome: null, waits: 'is reckoned on the Sums page', needsSolver: true },
    });
  });
});

test.each([
  [4.12345, 'mm', '4.123 mm'],
  [123456, 'N', '123500 N'],
  [[1, 2.5], 'mm', '1, 2.5'],
  [[{ mm: 0.1, count: 2 }], 'mm', '2 × 0.1'],
  [[], 'mm', 'none'],
  ['within', '', 'within'],
  [null, '', '—'],
])('a figure %j in %s is said as %s', (value, unit, words) => {
  const setting = { ...settingOf(buildFamily(loadFamily(f6)), 'clearance'), gives: 'figure', unit };
  expect(sayFigure({ result: { figure: value }, working: [], warnings: [] }, setting)).toBe(words);
});
