import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { exampleReading } from '../record/example-record';
import { turnedBy } from './turned-by';

// Ring bore: new up to 100.375, reuse up to 100.64; hub: reuse from 99.86. The example readings are by M-07 where they
// have an uncertainty.
const family = buildFamily(loadFamily(f1));
const at = (pointId: string, value: number, phase: 'as-found' | 'as-left' = 'as-found') =>
  ['A:0', 'A:90'].map((place) => exampleReading(pointId, place, value, phase, 0));
const turned = (
  readings: ReturnType<typeof at>,
  error: number,
  code = 'M-07',
  phase: 'as-found' | 'as-left' = 'as-found',
) => turnedBy({ family, readings, phase }, { code, error });

test('by hand: a bore 0.02 below its limit turns by an error of 0.05, not by one of 0.01', () => {
  const bore = at('ring-bore', 100.62);
  expect(turned(bore, 0.05)).toEqual([{ pointId: 'ring-bore', is: 'reuse', maybe: ['out'] }]);
  expect(turned(bore, 0.01)).toEqual([]);
});
test('what lies beyond its limit by less than the error may still be good', () =>
  expect(turned(at('ring-bore', 100.66), 0.05)).toEqual([{ pointId: 'ring-bore', is: 'out', maybe: ['reuse'] }]));
test('a point that is reckoned from others turns with them', () => {
  // Clearance 0.74 of 0.76 allowed: bore 100.60, hub 99.86; 0.02 on the bore makes it 0.76 and more.
  const both = [...at('ring-bore', 100.6), ...at('hub-diameter', 99.86).map((one) => ({ ...one, instrument: 'M-01' }))];
  expect(turned(both, 0.03).map(({ pointId }) => pointId)).toContain('ring-clearance');
});
test('nothing turns that another gauge read, that belongs to another phase, or by no error', () => {
  expect(turned(at('ring-bore', 100.62), 0.05, 'M-99')).toEqual([]);
  expect(turned(at('ring-bore', 100.62, 'as-left'), 0.05)).toEqual([]);
  expect(turned(at('ring-bore', 100.62), 0)).toEqual([]);
});
