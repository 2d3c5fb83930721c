import { present } from '../present';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { exampleReading } from '../record/example-record';
import { judgePoint, judgePoints, plainSentence } from '.';

const family = buildFamily(loadFamily(f1));
const point = (id: string) => present(family.points.find((one) => one.id === id));
const inMm = (um: number | null) => (um === null ? null : um / 1000);
const seat = (values: readonly number[], uncertaintyUm: number | null = null) =>
  judgePoint(point('wet-seat'), {
    phase: 'as-found',
    readings: ['A:0', 'A:90', 'B:0', 'B:90']
      .slice(0, values.length)
      .map((place, i) => exampleReading('wet-seat', place, present(values[i]), 'as-found', inMm(uncertaintyUm))),
  });

test('a point without readings is to do, and its strip still shows its limits', () => {
  const state = seat([]);
  expect(state).toMatchObject({ verdict: null, words: 'to do', taken: 0, wanted: 4, worst: null });
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
  expect(clearance(100.36, 100.02)).toMatchObject({ verdict: 'new', worst: 0.34 });
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

describe('the reason in words', () => {
  const ring = (a: number, b = a) =>
    judgePoint(point('ring-bore'), {
      phase: 'as-found',
      readings: [exampleReading('ring-bore', 'A:0', a), exampleReading('ring-bore', 'A:90', b)],
    });
  test.each([
    [ring(100.36), 'as new', '100.36 mm lies within the new limits'],
    // new to 100.375, reuse to 100.64: 0.125 of 0.265 is 47 %
    [ring(100.5), 'reusable', '100.50 mm: 47 % of the wear allowance is used'],
    [ring(100.7), 'out', '100.70 mm is past the limit for reuse (to 100.64)'],
    // smaller than new, and no limit below: past the new one
    [ring(100.3), 'out', '100.30 mm is past the limit for reuse (to 100.64)'],
    [seat([44.99]), 'out', '44.990 mm is past the limit for reuse (from 44.998)'],
    [seat([44.9996]), 'reusable', '44.9996 mm: 60 % of the wear allowance is used'],
  ])('%#: %s', (state, words, reason) => expect([state.words, state.reason]).toEqual([words, reason]));
  test('a gauge that cannot tell says how much is used', () => {
    expect(seat([44.999], 1.5).reason).toBe(
      '44.999 mm is nearer to the limit (from 44.998) than the gauge’s uncertainty; 75 % of the wear allowance is used',
    );
  });
  test('of several gauges the widest counts, and it stands on the strip in mm', () => {
    const two = judgePoint(point('wet-seat'), {
      phase: 'as-found',
      readings: [
        exampleReading('wet-seat', 'A:0', 44.999, 'as-found', 0.0001),
        exampleReading('wet-seat', 'A:90', 45.005, 'as-found', 0.0015),
      ],
    });
    expect([two.verdict, present(two.strip).uncertainty, two.taken, two.wanted]).toEqual(['near', 0.0015, 2, 4]);
  });
  test('a point that is not critical has no guard band', () => {
    const reading = exampleReading('ring-bore', 'A:0', 100.639, 'as-found', 0.005);
    expect(judgePoint(point('ring-bore'), { phase: 'as-found', readings: [reading] }).verdict).toBe('reuse');
  });
});

describe('a clearance in words', () => {
  const clearance = (bores: readonly number[], hubs: readonly number[]) =>
    judgePoint(point('ring-clearance'), {
      phase: 'as-found',
      readings: [
        ...bores.map((mm, i) => exampleReading('ring-bore', `A:${i * 90}`, mm)),
        ...hubs.map((mm, i) => exampleReading('hub-diameter', `A:${i * 90}`, mm)),
      ],
    });
  test.each([
    [clearance([100.36], [100.02]), 'as new', 0.34, '0.34 mm is as designed'],
    // 0.50 of a designed 0.34 in the middle: 1.5 times
    [clearance([100.5], [100.0]), 'reusable', 0.5, '0.5 mm, 1.5 × the designed clearance'],
    [clearance([100.2], [100.0]), 'tight', 0.2, '0.2 mm is less than designed: it may rub'],
    [clearance([100.9], [100.0]), 'out', 0.9, '0.9 mm is past 0.76 mm, 2.6 × the designed clearance'],
  ])('%#: %s', (state, words, worst, reason) => {
    expect([state.words, state.worst, state.reason]).toEqual([words, worst, reason]);
  });
  test('its strip runs from the least to the largest that the readings allow', () => {
    const { strip, worst } = clearance([100.35, 100.5], [100.0, 99.9]);
    expect(present(strip).ticks).toEqual([0.35, 0.6]);
    expect([worst, present(strip).worst]).toEqual([0.6, 0.6]);
    expect([present(strip).newBand, present(strip).reuseBand]).toEqual([
      [0.3, 0.38],
      [0.3, 0.76],
    ]);
  });
  test('waits for both parts, and says so', () => {
    expect(clearance([100.4], [])).toMatchObject({
      verdict: null,
      reason: 'follows from the two parts',
      worst: null,
    });
    expect(clearance([], [100.0]).words).toBe('to do');
  });
});

test('limits that cross are said, not judged', () => {
  const crossed = { ...point('ring-bore'), reuse_mm: { max: 100.3 } };
  const state = judgePoint(crossed, { phase: 'as-found', readings: [exampleReading('ring-bore', 'A:0', 100.36)] });
  expect(state).toMatchObject({ verdict: null, words: 'cannot be judged', strip: null, worst: null, working: [] });
  expect(state.reason).toContain('lies below the upper new limit');
});

describe('in plain words for the customer', () => {
  const said = (id: string, mm: readonly number[], uncertaintyUm: number | null = null) =>
    plainSentence(
      judgePoint(point(id), {
        phase: 'as-found',
        readings: mm.map((value, i) => exampleReading(id, `A:${i * 90}`, value, 'as-found', inMm(uncertaintyUm))),
      }),
    );
  test('what was not measured, what is near, what is tight, and a clearance past its limit', () => {
    expect(said('ring-bore', [])).toBe('The inside of the wear ring could not be measured.');
    expect(said('wet-seat', [44.999], 1.5)).toBe(
      'The seat of the bearing next to the pump is so near its limit that our gauge cannot tell it apart: 44.999 mm.',
    );
    const gap = (bore: number) =>
      plainSentence(
        judgePoint(point('ring-clearance'), {
          phase: 'as-found',
          readings: [exampleReading('ring-bore', 'A:0', bore), exampleReading('hub-diameter', 'A:0', 100)],
        }),
      );
    expect(gap(100.2)).toMatch(/ is tighter than designed: 0\.20 mm\.$/);
    expect(gap(100.91)).toMatch(/ is worn out: 0\.91 mm where at most 0\.76 mm is allowed\.$/);
  });
  test('a size below the new limits where nothing else is allowed', () => {
    expect(said('ring-bore', [100.3])).toMatch(/ is worn out: 100\.30 mm where at least 100\.34 mm is allowed\.$/);
  });
});

describe('what a strip and a working are made of', () => {
  const ringState = (mm: number) =>
    judgePoint(point('ring-bore'), { phase: 'as-found', readings: [exampleReading('ring-bore', 'A:0', mm)] });
  test('the strip has fifteen hundredths of its span left on each side', () => {
    // 100.34 to 100.64 with a reading at 100.74: a span of 0.40
    const { strip } = ringState(100.74);
    expect([present(strip).low, present(strip).high]).toEqual([
      expect.closeTo(100.28, 9) as number,
      expect.closeTo(100.8, 9) as number,
    ]);
    const flat = { ...point('ring-bore'), new_mm: { min: 5, max: 5 }, reuse_mm: {} };
    expect(judgePoint(flat, { phase: 'as-found', readings: [] }).strip).toMatchObject({ low: 4.99, high: 5.01 });
  });
  test('a point that is to do has no working, and a size has where its limits come from at the end', () => {
    expect(seat([]).working).toEqual([]);
    expect(ringState(100.36).working.at(-1)).toEqual({ what: 'Limits', outcome: 'maker’s table of this family' });
    // a ring is no bearing seat
    expect(ringState(100.36).working.map((step) => step.what)).not.toContain('Bearing on this seat');
    const clearance = judgePoint(point('ring-clearance'), {
      phase: 'as-found',
      readings: [exampleReading('ring-bore', 'A:0', 100.36), exampleReading('hub-diameter', 'A:0', 100.02)],
    });
    expect(clearance.working.at(-1)?.what).toBe('Limits');
    expect(clearance.working.length).toBeGreaterThan(4);
  });
  test('the bearing’s step says what it puts against what', () => {
    expect(present(seat([45.0, 45.01]).working.find((step) => step.what === 'Bearing on this seat'))).toEqual({
      what: 'Bearing on this seat',
      formula: 'seat − bearing bore, normal class',
      put: 'seat 0 to 10 µm, bore −12 to 0 µm on 45 mm',
      outcome: 'interference 0 to 22 µm',
      source: 'ISO 492, normal class',
    });
  });
  test('planes and angles of a reading are kept apart: out of round within one, taper between two', () => {
    const readings = [
      exampleReading('wet-seat', 'A:0', 45.004),
      exampleReading('wet-seat', 'A:90', 45.01),
      exampleReading('wet-seat', 'B:0', 45.011),
      exampleReading('wet-seat', 'B:90', 45.011),
    ];
    const { working } = judgePoint(point('wet-seat'), { phase: 'as-found', readings });
    const said = (what: string) => working.find((step) => step.what === what)?.outcome;
    expect([said('Out of round'), said('Taper')]).toEqual(['6 µm', '4 µm']);
  });
  test('a reading at a place that the point no longer has counts for its verdict, not for its places', () => {
    const state = judgePoint(point('ring-bore'), {
      phase: 'as-found',
      readings: [exampleReading('ring-bore', 'C:45', 100.36), exampleReading('hub-diameter', 'A:0', 90)],
    });
    expect([state.taken, state.wanted, state.verdict]).toEqual([0, 2, 'new']);
  });
  test('two limits for reuse are both said', () => {
    const both = { ...point('ring-bore'), reuse_mm: { min: 100.2, max: 100.64 } };
    const said = (mm: number) =>
      judgePoint(both, { phase: 'as-found', readings: [exampleReading('ring-bore', 'A:0', mm)] }).reason;
    expect(said(100.7)).toBe('100.70 mm is past the limit for reuse (from 100.20 to 100.64)');
    const none = { ...point('ring-bore'), reuse_mm: {} };
    const state = judgePoint(none, { phase: 'as-found', readings: [exampleReading('ring-bore', 'A:0', 100.7)] });
    expect(state.reason).toBe('100.70 mm is past the limit for reuse (the new limits)');
    expect(plainSentence(state)).toMatch(/100\.70 mm where at most 100\.375 mm is allowed\.$/);
  });
  test('what is not a refusal of the sum is not swallowed', () => {
    const broken = { ...point('ring-bore'), new_mm: undefined };
    expect(() => judgePoint(broken, { phase: 'as-found', readings: [] })).toThrow('must be there');
  });
  test('a tight clearance shows its least, and the worst of the strip with it', () => {
    const state = judgePoint(point('ring-clearance'), {
      phase: 'as-found',
      readings: [
        exampleReading('ring-bore', 'A:0', 100.2),
        exampleReading('ring-bore', 'A:90', 100.3),
        exampleReading('hub-diameter', 'A:0', 100),
      ],
    });
    expect([state.words, state.worst, present(state.strip).worst]).toEqual(['tight', 0.2, 0.2]);
  });
});
