import { present } from '../present';
import f4 from '@families/f4-bore-hole.json';
import f5 from '@families/f5-plastic-booster.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '../family';
import { exampleReading, exampleRecord } from '../record/example-record';
import { reckonSetting, sayFigure } from './reckon-setting';

const settingOf = (family: ReturnType<typeof buildFamily>, step: string) =>
  present(present(family.rebuild.find((one) => one.id === step)).settings[0]);

describe('a setting takes its inputs from the family and from the job', () => {
  test('the float of a bore-hole pump from its readings: as left before as found', () => {
    const family = buildFamily(loadFamily(f4), { stages: 3 });
    const setting = settingOf(family, 'straps-on');
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
  test('the shims of a booster from the gap of every stage', () => {
    const family = buildFamily(loadFamily(f5), { stages: 4 });
    const setting = settingOf(family, 'stack-on');
    const gaps = [0.02, 0.12, 0.2, 0.07].map((gap, i) => exampleReading(`stage-gap-${i + 1}`, 'A:0', gap));
    const { outcome } = reckonSetting(setting, exampleRecord({ readings: gaps }), family);
    const result = present(outcome).result as { gaps: { met: boolean; stack_mm: number[]; rest_mm: number }[] };
    expect(result.gaps.map((gap) => gap.stack_mm)).toEqual([[], [0.1], [0.2], [0.05]]);
    expect(result.gaps.every((gap) => gap.met)).toBe(true);
  });
  test('the arc of a gear pump by the family’s own table: 700 mm²/s wants 1.3 times the base', () => {
    const family = buildFamily(loadFamily(f6));
    const setting = settingOf(family, 'clearance');
    // 0.1 mm · 1.3 = 0.13 mm; π · 132 mm · 0.13 / 2 mm = 26.955 mm
    expect(
      (present(reckonSetting(setting, exampleRecord({}), family).outcome).result as { arc_mm: number }).arc_mm,
    ).toBeCloseTo(26.955, 3);
  });
});
test('what is not measured yet is named, not guessed', () => {
  const family = buildFamily(loadFamily(f4), { stages: 3 });
  const { outcome, waits } = reckonSetting(
    settingOf(family, 'straps-on'),
    exampleRecord({ readings: [exampleReading('shaft-down', 'A:0', 73.4)] }),
    family,
  );
  expect([outcome, waits]).toEqual([null, 'waits for shaft up: coupling face to motor flange']);
});
test('what the sum refuses is said in its words', () => {
  const family = buildFamily(loadFamily(f6));
  const setting = {
    ...settingOf(family, 'clearance'),
    input: { clearance_mm: 0.1, arc_mm: 3, pitch_mm: 2, mark_diameter_mm: 100 },
  };
  expect(reckonSetting(setting, exampleRecord({}), family).waits).toContain('exactly one');
});
