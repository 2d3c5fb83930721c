import { present } from '@/core/present';
import { exampleRecord } from '@/core/record/example-record';
import { readMoney, writeMoney } from '../quote/money';
import { emptyIntake, readIntakeText, writeIntakeText } from './intake-text';

test('units at receiving are understood and kept in the record’s units', () => {
  const { intake, issues } = readIntakeText({
    ...emptyIntake,
    flow: '110 gpm',
    head: '105 ft',
    speed: '2900',
    power: '5 hp',
    efficiency: '66 %',
    runningHours: '1200 h',
  });
  expect(issues).toEqual({});
  expect(present(intake.duty).flowM3h).toBeCloseTo(24.983718, 5);
  expect(present(intake.duty).headM).toBeCloseTo(32.004, 6);
  expect(present(intake.duty).powerKw).toBeCloseTo(3.728499, 5);
  expect(intake).toMatchObject({ runningHours: 1200, duty: { efficiencyPct: 66, speedRpm: 2900 } });
});
test('the liquid as it is pumped: degrees of either scale, viscosity by either name', () => {
  const read = (temperature: string, viscosity: string) => readIntakeText({ ...emptyIntake, temperature, viscosity });
  expect(read('248 °F', '60 cSt').intake).toMatchObject({ liquidTemperatureC: 120, viscosityMm2S: 60 });
  expect(read('-10', '').intake).toMatchObject({ liquidTemperatureC: -10, viscosityMm2S: null });
  expect(read('warm', '').issues.temperature).toContain('"warm"');
});
test('no duty at all is fine, half a duty is asked for by field', () => {
  expect(readIntakeText(emptyIntake)).toMatchObject({ intake: { duty: null }, issues: {} });
  expect(readIntakeText({ ...emptyIntake, flow: '25' }).issues).toEqual({
    head: 'the duty needs flow, head and speed together',
    speed: 'the duty needs flow, head and speed together',
  });
});
test('a value that cannot be read is named at its field', () => {
  expect(readIntakeText({ ...emptyIntake, flow: 'a lot', head: '3', speed: '4' }).issues.flow).toContain('"a lot"');
  expect(readIntakeText({ ...emptyIntake, runningHours: '1,234' }).issues.runningHours).toContain('1.234 or 1234');
});
test('what was received is written back as it was', () => {
  const { intake } = exampleRecord({
    intake: {
      ...exampleRecord().intake,
      ...{ liquidTemperatureC: 120, viscosityMm2S: 60 },
      cameWith: ['guard', 'a sack of bolts'],
      shims: [{ foot: 'rear left', thicknesses: '0.5 mm' }],
      ...{ liquidState: 'not known', arrival: 'in parts' },
    },
  });
  const { version: _version, isolation: _isolation, ...kept } = intake;
  expect(readIntakeText(writeIntakeText(intake)).intake).toEqual(kept);
});
test.each([
  ['99.50', 9950],
  ['99,5', 9950],
  ['€ 1250', 125000],
  ['0', 0],
])('a price of %s is %d minor units', (text, minor) => expect(readMoney(text)).toEqual({ minor }));
test.each(['abc', '1.005', '-3', '1e9', ''])('%j is not a price', (text) =>
  expect(readMoney(text)).toHaveProperty('sentence'),
);
test('prices are written and read again', () => {
  for (const minor of [0, 1, 99, 100, 123456]) expect(readMoney(writeMoney(minor))).toEqual({ minor });
});
