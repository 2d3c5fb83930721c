import f10 from '@families/f10-submersible.json';
import { buildFamily, loadFamily } from '../family';
import type { StandReading } from '../record';
import { flowSharesOf, judgeRun } from '.';

const mixer = buildFamily(loadFamily(f10), { axes: { unit: 'mixer' } });
const pump = buildFamily(loadFamily(f10));

/** What a stand reads: power into a motor of 80 per cent, at a speed. */
const reading = (powerInKw: number, speedRpm = 1000): StandReading => ({
  ...{ flowM3h: 90, suctionKpa: 0, dischargeKpa: 20, densityKgM3: 998.2, bearingC: 40, vibrationMmS: 1 },
  ...{ powerInKw, speedRpm, motorEfficiencyPct: 80 },
});
const guarantee = { flowM3h: 90, headM: 2, speedRpm: 1000, powerKw: 4 };
const judge = (readings: readonly StandReading[], powerKw: number | undefined = 4) => {
  const { powerKw: _, ...rest } = guarantee;
  return judgeRun({ family: mixer, guarantee: { ...rest, ...(powerKw !== undefined && { powerKw }) }, readings });
};

test('a mixer is run without a curve, a pump of the same construction with one', () => {
  expect([mixer.test.kind, pump.test.kind]).toEqual(['power', 'curve']);
  expect(flowSharesOf(mixer.test)).toEqual([1, 1, 1, 1, 1]);
  expect(flowSharesOf(pump.test)).toEqual(pump.test.flow_shares);
});

test('the power at the shaft is that of the motor less its losses, at the rated speed by its third power', () => {
  // 5 kW at 80 % are 4 kW; at half the speed an eighth of it was taken: 0.5 kW at 80 % and 500 rpm are 3.2 kW.
  expect(judge([reading(5), reading(5)]).power).toEqual({ meanKw: 4, ratedKw: 4, spreadPct: 0 });
  expect(judge([reading(0.5, 500), reading(0.5, 500)]).power?.meanKw).toBeCloseTo(3.2, 9);
});

test.each([
  // 5.25 kW at 80 % are 4.2 kW, which is the plate and five per cent of it.
  ['at the limit', [5.25, 5.25], 'pass', 'Runs evenly: 4.2 kW at the shaft of 4 on the plate'],
  ['past it', [5.26, 5.26], 'fail', 'Takes too much: 4.21 kW'],
  // 4.75 and 5.25 kW are 3.8 and 4.2 at the shaft: 0.4 of 4.0, ten per cent.
  ['as uneven as it may be', [4.75, 5.25], 'pass', 'readings 10 % apart'],
  ['more uneven', [4.7, 5.25], 'fail', 'Does not run evenly'],
  ['both', [5, 6], 'fail', 'Takes too much, and does not run evenly'],
] as const)('%s: %j kW into the motor', (_what, kw, verdict, words) => {
  const judged = judge(kw.map((one) => reading(one)));
  expect(judged.verdict).toBe(verdict);
  expect(judged.reason).toContain(words);
  expect(judged.acceptance ?? judged.slip).toBeNull();
});

test('where the plate says no power, only whether it runs evenly is judged, and that is said', () => {
  const judged = judgeRun({
    family: mixer,
    guarantee: { flowM3h: 90, headM: 2, speedRpm: 1000 },
    readings: [reading(50), reading(50)],
  });
  expect([judged.verdict, judged.power?.ratedKw]).toEqual(['pass', null]);
  expect(judged.warnings.join()).toContain('The plate says no power');
});

test('what never turned is refused, with its reason', () =>
  expect(() => judge([{ ...reading(5), speedRpm: 0 }])).toThrow());
