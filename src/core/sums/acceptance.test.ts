import fc from 'fast-check';
import { acceptance } from './acceptance';
import type { AcceptanceInput } from './reckon-acceptance';

const line = (headAt: (flow: number) => number, flows = [60, 80, 100, 120, 140]) =>
  flows.map((flow_m3h) => ({ flow_m3h, head_m: headAt(flow_m3h) }));
const ask = (
  grade: AcceptanceInput['grade'],
  points: AcceptanceInput['points'],
  guarantee: AcceptanceInput['guarantee'] = { flow_m3h: 100, head_m: 40 },
) => acceptance.compute({ guarantee, grade, points }).result;

describe('tolerances of ISO 9906:2012, table 8', () => {
  // A steep straight line: head decides. Deviation of the head alone, flow far outside.
  test.each([
    ['1B', 3, 'pass'],
    ['1B', 3.01, 'fail'],
    ['2B', 5, 'pass'],
    ['2B', -5, 'pass'],
    ['2B', 5.1, 'fail'],
    ['3B', 7, 'pass'],
    ['3B', -7.1, 'fail'],
    ['1U', 6, 'pass'],
    ['1U', -0.01, 'fail'],
    ['2U', 10, 'pass'],
    ['2U', -0.01, 'fail'],
    ['1E', -3, 'pass'],
  ] as const)('grade %s takes a head deviation of %d %%: %s', (grade, pct, verdict) => {
    const flat = line((flow) => 40 * (1 + pct / 100) - 0.01 * (flow - 100));
    expect(ask(grade, flat).verdicts.flow_head).toBe(verdict);
  });
  test.each([
    ['1B', 5],
    ['2B', 8],
    ['3B', 9],
    ['1U', 10],
    ['2U', 16],
  ] as const)('grade %s takes a flow deviation of %d %%', (grade, pct) => {
    const steep = (at: number) => line((flow) => 40 - 4 * (flow - at), [at - 5, at, at + 4]);
    expect(ask(grade, steep(100 + pct - 0.01)).verdicts.flow_head).toBe('pass');
    expect(ask(grade, steep(100 + pct + 0.3)).verdicts.flow_head).toBe('fail');
  });
});

test('the order of the curve is 1, 2 or 3 by the number of points', () => {
  expect(
    ask(
      '2B',
      line((q) => 60 - 0.2 * q, [80, 120]),
    ).curve.order,
  ).toBe(1);
  expect(
    ask(
      '2B',
      line((q) => 60 - 0.2 * q, [80, 100, 120]),
    ).curve.order,
  ).toBe(2);
  expect(
    ask(
      '2B',
      line((q) => 60 - 0.2 * q, [70, 80, 100, 120]),
    ).curve.order,
  ).toBe(2);
  expect(
    ask(
      '2B',
      line((q) => 60 - 0.2 * q),
    ).curve.order,
  ).toBe(3);
});

test('deviations are relative to the guarantee', () => {
  const result = ask(
    '2B',
    line((q) => 62 - 0.2 * q, [80, 120]),
  );
  expect(result.head_at_guaranteed_flow_m).toBeCloseTo(42, 9);
  expect(result.head_deviation_pct).toBeCloseTo(5, 9);
  expect(result.flow_at_guaranteed_head_m3h).toBeCloseTo(110, 6);
  expect(result.flow_deviation_pct).toBeCloseTo(10, 6);
});

describe('efficiency and power', () => {
  const withPower = line((q) => 60 - 0.2 * q).map((point) => ({
    ...point,
    power_kw: 10 + 0.05 * point.flow_m3h,
    efficiency_pct: 70,
  }));
  test('are read where the curve meets the line from the origin through the guarantee', () => {
    // 60 − 0.2 Q = 0.4 Q at Q = 100: power 15 kW
    const result = ask('2B', withPower, { flow_m3h: 100, head_m: 40, power_kw: 15, efficiency_pct: 70 });
    expect(result.power_kw).toBeCloseTo(15, 6);
    expect(result.efficiency_pct).toBeCloseTo(70, 6);
    expect(result.verdicts).toEqual({ flow_head: 'pass', efficiency: 'pass', power: 'pass' });
  });
  test('2B takes efficiency to −5 % and power to +8 %', () => {
    expect(
      ask('2B', withPower, { flow_m3h: 100, head_m: 40, efficiency_pct: 73.6, power_kw: 14 }).verdicts,
    ).toMatchObject({ efficiency: 'pass', power: 'pass' });
    expect(
      ask('2B', withPower, { flow_m3h: 100, head_m: 40, efficiency_pct: 73.8, power_kw: 13.8 }).verdicts,
    ).toMatchObject({ efficiency: 'fail', power: 'fail' });
  });
  test('up to 10 kW the wider tolerances of clause 4.4.2 hold: flow ±10 %, head ±8 %', () => {
    const { result, working } = acceptance.compute({
      guarantee: { flow_m3h: 100, head_m: 40, power_kw: 8 },
      grade: '2B',
      points: line((q) => 43.1 - 0.001 * (q - 100)),
    });
    expect(result.verdicts.flow_head).toBe('pass');
    expect(result.band.flow_m3h.max).toBeCloseTo(110, 9);
    expect(working.some((step) => step.source?.includes('4.4.2'))).toBe(true);
  });
});

test('a curve that rises is warned of; points on one side too', () => {
  expect(
    acceptance
      .compute({ guarantee: { flow_m3h: 100, head_m: 40 }, grade: '2B', points: line((q) => 30 + 0.1 * q) })
      .warnings.map((one) => one.code),
  ).toContain('not-falling');
  expect(
    acceptance
      .compute({ guarantee: { flow_m3h: 200, head_m: 20 }, grade: '2B', points: line((q) => 60 - 0.2 * q) })
      .warnings.map((one) => one.code),
  ).toContain('extrapolated');
});

test('points of one flow make no curve', () => {
  expect(
    acceptance.input.safeParse({
      guarantee: { flow_m3h: 1, head_m: 1 },
      grade: '2B',
      points: [{ flow_m3h: 1, head_m: 1 }],
    }).success,
  ).toBe(false);
  expect(() =>
    acceptance.compute({
      guarantee: { flow_m3h: 1, head_m: 1 },
      grade: '2B',
      points: [
        { flow_m3h: 1, head_m: 1 },
        { flow_m3h: 1, head_m: 2 },
      ],
    }),
  ).toThrow(expect.objectContaining({ path: 'points' }));
});

test('scaling guarantee and points alike changes no deviation', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 50, noNaN: true }),
      fc.double({ min: 0.01, max: 50, noNaN: true }),
      fc.double({ min: -6, max: 6, noNaN: true }),
      (kq, kh, shift) => {
        const scaled = ask(
          '2B',
          line((q) => 60 + shift - 0.2 * q).map((p) => ({ flow_m3h: p.flow_m3h * kq, head_m: p.head_m * kh })),
          { flow_m3h: 100 * kq, head_m: 40 * kh },
        );
        expect(scaled.head_deviation_pct).toBeCloseTo(shift / 0.4, 4);
      },
    ),
  );
});
