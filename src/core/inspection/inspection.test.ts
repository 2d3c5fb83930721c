import { present } from '../present';
import f1 from '@families/f1-overhung.json';
import { loadFamily } from '../family';
import { exampleReading } from '../record/example-record';
import { judgePoint, judgePoints, plainSentence } from '.';

const family = loadFamily(f1);
const point = (id: string) => present(family.points.find((one) => one.id === id));
const seat = (values: readonly number[], uncertainty: number | null = null) =>
  judgePoint(point('wet-seat'), {
    phase: 'as-found',
    readings: ['A:0', 'A:90', 'B:0', 'B:90']
      .slice(0, values.length)
      .map((place, i) => exampleReading('wet-seat', place, present(values[i]), 'as-found', uncertainty)),
  });

test('a point without readings is to do, and its strip still shows its limits', () => {
  const state = seat([]);
  expect(state).toMatchObject({ verdict: null, words: 'to do', taken: 0, wanted: 4, worstMm: null });
  expect(state.strip).toMatchObject({ newBand: [45.002, 45.013], reuseBand: [44.998, 45.013], ticks: [] });
});

test('the strip holds all that is drawn on it', () => {
  const { strip } = seat([44.99, 45.02, 45.005]);
  for (const value of [...present(strip).ticks, ...present(strip).newBand, ...present(strip).reuseBand]) {
    expect(value).toBeGreaterThan(present(strip).low);
    expect(value).toBeLessThan(present(strip).high);
  }
});

test('a critical point uses the guard band of its gauge; without a gauge it is judged as it is', () => {
  expect(seat([44.999], 1.5).verdict).toBe('near');
  expect(seat([44.999]).verdict).toBe('reuse');
  expect(seat([44.999], 1.5).reason).toContain('nearer to the limit (from 44.998)');
});

test('a bearing seat says what interference it gives with a normal-class bearing', () => {
  // seat 45.004 to 45.010; bore 0 / −12 µm: interference 4 to 22 µm
  const step = present(seat([45.004, 45.01]).working.find((one) => one.what === 'Bearing on this seat'));
  expect(step.outcome).toBe('interference 4 to 22 µm');
  expect(present(seat([44.996]).working.find((one) => one.what === 'Bearing on this seat')).outcome).toBe(
    'may be loose by 4 µm',
  );
});

test('the clearance follows from the two actual parts', () => {
  const clearance = (bore: number, hub: number) =>
    judgePoint(point('ring-clearance'), {
      phase: 'as-found',
      readings: [exampleReading('ring-bore', 'A:0', bore), exampleReading('hub-diameter', 'A:0', hub)],
    });
  expect(clearance(100.36, 100.02)).toMatchObject({ verdict: 'new', worstMm: 0.34 });
  expect(clearance(100.9, 100.0).verdict).toBe('out');
  expect(clearance(100.9, 100.0).reason).toContain('2.6 × the designed clearance');
  expect(clearance(100.1, 100.0).verdict).toBe('tight');
  expect(
    judgePoint(point('ring-clearance'), { phase: 'as-found', readings: [exampleReading('ring-bore', 'A:0', 100.4)] })
      .verdict,
  ).toBeNull();
});

test('as-found and as-left readings are kept apart', () => {
  const readings = [exampleReading('wet-seat', 'A:0', 44.9), exampleReading('wet-seat', 'A:0', 45.005, 'as-left')];
  const of = (phase: 'as-found' | 'as-left') =>
    present(judgePoints({ family, readings, phase }).find((state) => state.point.id === 'wet-seat')).verdict;
  expect([of('as-found'), of('as-left')]).toEqual(['out', 'new']);
});

test('only points of the phase are asked for', () => {
  expect(
    judgePoints({ family, readings: [], phase: 'as-found' }).some((state) => state.point.id === 'shaft-float'),
  ).toBe(false);
  expect(
    judgePoints({ family, readings: [], phase: 'as-left' }).some((state) => state.point.id === 'shaft-float'),
  ).toBe(true);
});

test.each([
  [45.005, 'is as new.'],
  [45.0, 'is worn but may go on: 45.000 mm.'],
  [44.99, 'is worn out: 44.990 mm where at least 44.998 mm is allowed.'],
  [45.02, 'is worn out: 45.020 mm where at most 45.013 mm is allowed.'],
])('%d mm in plain words: %s', (value, words) =>
  expect(plainSentence(seat([value]))).toBe(`The seat of the bearing next to the pump ${words}`),
);

test('every point gets a verdict from readings at its new limit, whatever their number', () => {
  const readings = family.points.flatMap((one) =>
    one.places.map((place) => exampleReading(one.id, `${place.plane}:${place.angle_deg}`, present(one.new_mm).min)),
  );
  const states = Array.from({ length: 13 }, () => judgePoints({ family, readings, phase: 'as-found' })).flat();
  expect(states.length).toBeGreaterThan(190);
  expect(states.every((state) => state.verdict !== null)).toBe(true);
});
