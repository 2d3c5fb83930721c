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
