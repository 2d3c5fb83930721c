import f1 from '../../../test-support/plain-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '../family';
import { present } from '../present';
import type { Duty, StandReading } from '../record';
import { judgeRun } from '.';

/**
 * Runs whose figures are reckoned by hand. Both pipes of the made-up stand are alike, so that no velocity head counts;
 * the density is such that 10 kPa are one metre.
 */
const file = buildFamily(loadFamily(f1));
const family = { ...file, test: { ...file.test, pipe_mm: { suction: 80, discharge: 80 } } };
const density = 1000 / 0.980665; // kg/m³: 10 kPa lift it one metre
const gauge = (flowM3h: number, headM: number, change: Partial<StandReading> = {}): StandReading => ({
  ...{ flowM3h, suctionKpa: -20, dischargeKpa: headM * 10 - 20, speedRpm: 2900, powerInKw: 5, motorEfficiencyPct: 80 },
  ...{ densityKgM3: density, vibrationMmS: 1, bearingC: 40 },
  ...change,
});
/** Head 40 m without flow, falling by the square to 30 m at 20 m³/h: H = 40 − Q²/40. */
const parabola = (add = 0) => [0, 5, 10, 15, 20, 24].map((flow) => gauge(flow, 40 - flow ** 2 / 40 + add));
const duty: Duty = { flowM3h: 20, headM: 30, speedRpm: 2900 };
const judge = (guarantee: Duty, readings: readonly StandReading[]) => judgeRun({ family, guarantee, readings });

describe('a curve', () => {
  test('through the guaranteed point passes with no deviation, and says so', () => {
    const { verdict, reason, acceptance, slip, points } = judge(duty, parabola());
    expect([verdict, slip]).toEqual(['pass', null]);
    expect(reason).toBe(
      'Within the tolerance: head +0.0 % at the guaranteed flow, flow +0.0 % at the guaranteed head.',
    );
    expect(present(acceptance).head_at_guaranteed_flow_m).toBeCloseTo(30, 6);
    expect(points[2]?.headM).toBeCloseTo(37.5, 6);
    // 5 kW in at 80 % are 4 kW on the shaft
    expect(points.map((point) => point.powerKw)).toEqual(
      [4, 4, 4, 4, 4, 4].map((kw) => expect.closeTo(kw, 9) as number),
    );
  });
  test('three metres low is ten per cent low: outside in flow and head', () => {
    // H = 37 − Q²/40 reaches 30 m at Q = √280 = 16.73 m³/h, 16.3 % less than 20
    const { verdict, reason } = judge(duty, parabola(-3));
    expect([verdict, reason]).toEqual([
      'fail',
      'Outside the tolerance in flow and head: head −10.0 % at the guaranteed flow, flow −16.3 % at the guaranteed head.',
    ]);
  });
  test('that never reaches the guaranteed head says that', () => {
    expect(judge({ ...duty, headM: 45 }, parabola()).reason).toContain('the guaranteed head is not reached');
  });
  test('fails by its power or its efficiency alone, and names which', () => {
    // on the line through the guarantee the shaft takes 4 kW; 8 % above 3 kW are 3.24
    expect(judge({ ...duty, powerKw: 3 }, parabola())).toMatchObject({
      verdict: 'fail',
      reason: expect.stringMatching(/^Outside the tolerance in power: head \+0\.0 %/) as string,
    });
    expect(judge({ ...duty, powerKw: 4 }, parabola()).verdict).toBe('pass');
    // ρ·g·Q·H = 10 kPa/m · 30 m · 20/3600 m³/s = 1.667 kW of 4: 41.7 %, far below 70 %
    expect(judge({ ...duty, efficiencyPct: 70 }, parabola()).reason).toMatch(/^Outside the tolerance in efficiency:/);
    expect(judge({ ...duty, efficiencyPct: 41 }, parabola()).verdict).toBe('pass');
    expect(judge({ ...duty, efficiencyPct: 70, powerKw: 3 }, parabola()).reason).toContain('efficiency and power');
  });
  test('is brought to the rated speed: flow by the ratio, head by its square, power by its cube', () => {
    const slower = parabola().map((one) => ({
      ...one,
      ...{ speedRpm: 1450, flowM3h: one.flowM3h / 2, powerInKw: one.powerInKw / 8 },
      dischargeKpa: (one.dischargeKpa - one.suctionKpa) / 4 + one.suctionKpa,
    }));
    const { points, verdict } = judge(duty, slower);
    expect(verdict).toBe('pass');
    expect(points[4]).toMatchObject({
      flowM3h: expect.closeTo(20, 9) as number,
      headM: expect.closeTo(30, 9) as number,
      powerKw: expect.closeTo(4, 9) as number,
      efficiencyPct: expect.closeTo(41.667, 3) as number,
    });
  });
  test('never shows less than no head, nor more than all efficiency', () => {
    const odd = [...parabola(), gauge(26, -2), gauge(22, 28, { powerInKw: 0.1 })];
    const { points, warnings } = judge(duty, odd);
    expect(points.at(-2)).toMatchObject({ headM: 0, efficiencyPct: 0 });
    expect(points.at(-1)?.efficiencyPct).toBe(100);
    expect(warnings.length).toBeGreaterThan(0);
  });
  test('shows the working of the fifth point, or of the last where there are fewer, and then the acceptance', () => {
    const headIn = (count: number) =>
      judge(duty, parabola().slice(0, count)).working.find((step) => step.what === 'Total head')?.outcome;
    expect(headIn(6)).toBe('30 m');
    expect(headIn(4)).toBe('34.38 m');
    expect(judge(duty, parabola()).working.at(-1)?.what).toBe('Flow and head');
  });
});

describe('the slip of a displacement pump', () => {
  const gear = buildFamily(loadFamily(f6), {});
  const guarantee = { flowM3h: 16, headM: 60, speedRpm: 350 };
  /** Flow that loses 0.2 m³/h each 100 kPa from 17 m³/h without pressure. */
  const run = (slope = -0.002) =>
    [100, 300, 500].map((kpa) =>
      gauge(17 + slope * kpa, 0, { suctionKpa: 0, dischargeKpa: kpa, speedRpm: 350, densityKgM3: 1000 }),
    );
  test('is a straight line; the working says it, the pressure of the duty and what is asked for', () => {
    const { working, slip, verdict, reason, warnings } = judgeRun({ family: gear, guarantee, readings: run() });
    // 1000 · 9.80665 · 60 = 588.4 kPa; 17 − 0.002 · 588.4 = 15.823; 820 cm³ · 350 · 60 / 10⁶ = 17.22; 91.9 %
    expect(slip?.line[0]).toBeCloseTo(17, 9);
    expect(slip?.line[1]).toBeCloseTo(-0.002, 9);
    expect(slip?.pressuresKpa).toEqual([100, 300, 500]);
    expect(working[0]).toEqual({
      ...{ what: 'Flow over pressure', formula: 'straight line, least squares', put: '3 points' },
      outcome: 'Q = 17 − 0.2 m³/h per 100 kPa',
    });
    expect(working[1]).toMatchObject({
      what: 'Pressure of the duty',
      put: '1000 · 9.80665 · 60',
      outcome: '588.4 kPa',
    });
    expect(working.at(-1)).toMatchObject({
      what: 'Asked for',
      put: '78 % of 17.22 m³/h, and the guarantee 16 less 5 %',
      outcome: '15.2 m³/h',
    });
    expect([verdict, warnings]).toEqual(['pass', []]);
    expect(reason).toBe('15.82 m³/h arrive at 588 kPa, 91.9 % of what the turns move; 15.2 m³/h are asked for.');
  });
  test('that grows with the pressure is said to be unsteady', () => {
    const grown = judgeRun({ family: gear, guarantee, readings: run(0.0001) });
    expect(grown.warnings).toContain('The flow grows with the pressure: a gauge or the speed was not steady.');
    expect(grown.working[0]?.outcome).toBe('Q = 17 + 0.01 m³/h per 100 kPa');
  });
  test('the family’s least counts where it is more than the guarantee', () => {
    const low = judgeRun({ family: gear, guarantee: { ...guarantee, flowM3h: 10 }, readings: run() });
    // 78 % of 17.22 are 13.43; 95 % of 10 are 9.5
    expect(low.slip?.leastM3h).toBeCloseTo(13.4316, 4);
  });
  test('a pump that gives nothing at its pressure gives nothing, not less', () => {
    const dead = judgeRun({ family: gear, guarantee, readings: run(-0.04) });
    expect(dead).toMatchObject({ verdict: 'fail', slip: { volumetricPct: 0 } });
    expect(dead.reason).toMatch(/^Too little: /);
  });
});
