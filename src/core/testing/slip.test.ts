import { present } from '../present';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '@/core/family';
import { simulatedTestStand } from '@/stand-ins';
import { judgeRun } from '.';

const family = buildFamily(loadFamily(f6));
const guarantee = { flowM3h: 16, headM: 60, powerKw: 6, efficiencyPct: 52, speedRpm: 350 };
const water = 998.2;
/** Gauges of a pump whose turns move 17.22 m³/h (820 cm³ at 350 1/min) and whose slip goes with pressure. */
const gauges = (slipPer100Kpa: number, density = water) =>
  [150, 300, 450, 600].map((kpa) => ({
    flowM3h: 17.22 - (slipPer100Kpa * kpa) / 100,
    suctionKpa: -10,
    dischargeKpa: kpa - 10,
    speedRpm: 350,
    powerInKw: 5,
    motorEfficiencyPct: 90,
    densityKgM3: density,
    vibrationMmS: 1,
    bearingC: 40,
  }));

test('flow at the duty’s pressure, read off the straight line, against displacement and guarantee', () => {
  // 60 m of water are 998.2 · 9.80665 · 60 / 1000 = 587.4 kPa; slip 0.2 m³/h each 100 kPa leaves 17.22 − 1.175 = 16.045
  // m³/h, 93.2 %.
  const { slip, verdict, acceptance, reason } = judgeRun({ family, guarantee, readings: gauges(0.2) });
  expect(acceptance).toBeNull();
  expect(present(slip).dutyKpa).toBeCloseTo(587.34, 1);
  expect(present(slip).theoreticalM3h).toBeCloseTo(17.22, 3);
  expect(present(slip).flowAtDutyM3h).toBeCloseTo(16.045, 2);
  expect(present(slip).volumetricPct).toBeCloseTo(93.18, 1);
  expect([verdict, reason]).toEqual(['pass', expect.stringContaining('16.05 m³/h arrive at 587 kPa')]);
});
test('the guarantee less five per cent counts where it is more than the family’s least', () => {
  // 95 % of 16 are 15.2 m³/h; 78 % of 17.22 are 13.43. A slip of 0.35 leaves 15.16: a fail although 88 % arrive.
  const { verdict, slip, reason } = judgeRun({ family, guarantee, readings: gauges(0.35) });
  expect([verdict, present(slip).leastM3h.toFixed(2)]).toEqual(['fail', '15.20']);
  expect(reason).toContain('Too little');
});
test('readings at another speed are brought to the rated one', () => {
  const slower = gauges(0.2).map((one) => ({ ...one, speedRpm: 343, flowM3h: one.flowM3h * (343 / 350) }));
  expect(present(judgeRun({ family, guarantee, readings: slower }).slip).flowAtDutyM3h).toBeCloseTo(16.045, 2);
});
describe('at the viscosity of the job', () => {
  const run = (slipPer100Kpa: number, testMm2S: number, jobMm2S: number) =>
    judgeRun({
      family,
      guarantee: { ...guarantee, viscosityMm2S: jobMm2S },
      readings: gauges(slipPer100Kpa).map((one) => ({ ...one, viscosityMm2S: testMm2S })),
    });
  test('slip goes against viscosity: twice as thick, half as much', () => {
    // 0.2 m³/h each 100 kPa are 1.175 m³/h at 587.3 kPa; of a liquid of 80 instead of 40 mm²/s 0.587, so 16.63 arrive.
    const { slip, verdict, reason, warnings } = run(0.2, 40, 80);
    expect(present(slip?.atJob).slipM3h).toBeCloseTo(0.587, 3);
    expect(present(slip?.atJob).flowM3h).toBeCloseTo(16.633, 2);
    expect([verdict, warnings]).toEqual(['pass', []]);
    expect(reason).toContain('Of the job’s liquid (80 mm²/s, at the stand 40) about 16.63 m³/h are to be expected.');
  });
  test('of a thinner one the guaranteed flow must arrive too', () => {
    // Twice as thin: 2.35 m³/h slip, 14.87 arrive; 95 % of 16 are 15.2. On the stand 16.05 arrived.
    const { verdict, reason } = run(0.2, 40, 20);
    expect([verdict, reason]).toEqual([
      'fail',
      expect.stringMatching(/^Too little of the job’s liquid: 16\.05.*14\.87/),
    ]);
    expect(run(0.2, 40, 35).verdict).toBe('pass');
  });
  test('a thicker one excuses nothing that lacks on the stand', () => {
    expect(run(0.35, 40, 400).verdict).toBe('fail');
  });
  test('far apart it is called an order of size; not known it is not reckoned', () => {
    expect(run(0.2, 1, 700).warnings).toEqual([expect.stringContaining('by a factor of 700')]);
    expect(run(0.2, 70, 700).warnings).toEqual([]);
    expect(present(judgeRun({ family, guarantee, readings: gauges(0.2) }).slip).atJob).toBeNull();
    const known = { ...guarantee, viscosityMm2S: 700 };
    expect(present(judgeRun({ family, guarantee: known, readings: gauges(0.2) }).slip).atJob).toBeNull();
  });
});
test('one pressure alone makes no line', () =>
  expect(() => judgeRun({ family, guarantee, readings: gauges(0.2).slice(0, 1) })).toThrow('fewer than two pressures'));
test.each([
  ['sound', 'pass'],
  ['internal leakage', 'fail'],
  ['air in the suction', 'fail'],
] as const)('a pump that is %s, on the simulated stand: %s', async (condition, verdict) => {
  for (const seed of ['a', 'b', 'c', 'd', 'e']) {
    const readings = await simulatedTestStand.run({
      seed,
      rated: { ...guarantee, efficiencyPct: 52 },
      pipeMm: family.test.pipe_mm,
      flowShares: [],
      slip: { displacementCm3: present(family.test.displacement_cm3), pressureShares: family.test.pressure_shares },
      condition,
    });
    expect(readings).toHaveLength(5);
    expect(judgeRun({ family, guarantee, readings }).verdict).toBe(verdict);
  }
});
