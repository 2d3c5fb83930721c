import { partLives, wearOf, type VisitMeasure } from '.';

const visit = (
  tag: string,
  day: string,
  hours: number | null,
  asFound: number | null,
  asLeft: number | null,
): VisitMeasure => ({
  ...{ tag, day, hours, asFound, asLeft },
});
// A ring gap, as new 0.30 to 0.38 mm, out above 0.76 mm.
const gap = { reuse: { max: 0.76 }, asNew: { min: 0.3, max: 0.38 }, uncertainty: 0.01 };
const visits = [
  visit('P-1', '2022-01-01', 10_000, 0.55, 0.35),
  visit('P-2', '2024-01-01', 30_000, 0.75, 0.36),
  visit('P-3', '2025-01-01', 40_000, 0.56, 0.36),
];

describe('wear of a point', () => {
  test('is what was found over what the visit before had left, for a thousand hours', () => {
    const { steps, per1000h, direction, limit } = wearOf({ ...gap, visits });
    expect([direction, limit]).toEqual([1, 0.76]);
    // 0.75 - 0.35 in 20 000 h; 0.56 - 0.36 in 10 000 h.
    expect(steps.map((step) => [step.fromTag, step.toTag, step.hours])).toEqual([
      ['P-1', 'P-2', 20_000],
      ['P-2', 'P-3', 10_000],
    ]);
    expect(steps[0]?.per1000h).toBeCloseTo(0.02, 9);
    expect(per1000h).toBeCloseTo(0.02, 9);
  });
  test('tells when it will be out, in hours and by how fast they come in days', () => {
    const { forecast, isOut, usedShare } = wearOf({ ...gap, visits });
    // 0.76 - 0.36 at 0.02 a thousand hours: 20 000 h; 30 000 h came in 1096 days.
    expect(forecast?.hoursLeft).toBeCloseTo(20_000, 6);
    expect(forecast?.outAtHours[1]).toBeCloseTo(60_000, 6);
    expect(forecast?.outAtHours[0]).toBeLessThan(60_000);
    expect(forecast?.outAtHours[2]).toBeGreaterThan(60_000);
    // 20 000 h are 730.67 days: from the first of January 2025.
    expect(forecast?.outOn?.[1]).toBe('2027-01-01');
    expect(isOut).toBe(false);
    expect(usedShare).toBe(0);
  });
  test('of a shaft goes down to its least', () => {
    const wear = wearOf({
      ...{ reuse: { min: 39.9 }, asNew: { min: 39.98, max: 40 }, uncertainty: 0.002 },
      visits: [visit('P-1', '2022-01-01', 0, 40, 40), visit('P-2', '2023-01-01', 8000, 39.96, 39.96)],
    });
    expect(wear.direction).toBe(-1);
    expect(wear.per1000h).toBeCloseTo(0.005, 9);
    // 0.06 left at 0.005.
    expect(wear.forecast?.hoursLeft).toBeCloseTo(12_000, 4);
    // From 39.98 down to 39.90 are 0.08, of which 0.02 are gone.
    expect(wear.usedShare).toBeCloseTo(0.25, 9);
  });
  test('below what two readings can tell apart is no rate to reckon with', () => {
    const small = [visit('P-1', '2022-01-01', 0, 0.35, 0.35), visit('P-2', '2023-01-01', 8000, 0.36, null)];
    // 0.01 is less than 0.01 times the root of two.
    expect(wearOf({ ...gap, visits: small })).toMatchObject({ isUnclear: true, forecast: null, last: 0.36 });
  });
  test('of one visit, without a meter, or with a meter that ran back is no rate', () => {
    expect(wearOf({ ...gap, visits: visits.slice(0, 1) })).toMatchObject({ per1000h: null, steps: [], forecast: null });
    const unmetered = visits.map((one) => ({ ...one, hours: null }));
    expect(wearOf({ ...gap, visits: unmetered }).steps).toEqual([]);
    expect(
      wearOf({
        ...gap,
        visits: [visit('P-1', '2022-01-01', 900, 0.4, 0.4), visit('P-2', '2023-01-01', 100, 0.5, null)],
      }).steps,
    ).toEqual([]);
  });
  test('of a pump that hardly runs no day is named: it lies beyond all that anybody plans', () => {
    const idle = [visit('P-1', '2022-01-01', 100, 0.35, 0.35), visit('P-2', '2024-01-01', 101, 0.4, null)];
    const { forecast } = wearOf({ ...gap, reuse: { max: 4000 }, visits: idle });
    expect(forecast?.outOn).toBeNull();
    expect(forecast?.hoursLeft).toBeGreaterThan(0);
  });
  test('what is beyond its limit is out, and nothing is foretold of it', () => {
    const worn = [visit('P-1', '2022-01-01', 0, 0.35, 0.35), visit('P-2', '2023-01-01', 8000, 0.91, null)];
    expect(wearOf({ ...gap, visits: worn })).toMatchObject({ isOut: true, forecast: null });
  });
});

describe('lives of parts', () => {
  const seal = { ref: 'seal', name: 'Seal', why: 'ran dry' };
  test('go from renewal to renewal, the last one on', () => {
    const lives = partLives([
      { tag: 'P-1', day: '2021-09-01', hours: 21_400, renewed: [seal] },
      {
        tag: 'P-2',
        day: '2024-07-01',
        hours: 45_900,
        renewed: [
          { ...seal, why: 'by rule' },
          { ref: 'ring', name: 'Ring', why: 'worn' },
        ],
      },
      { tag: 'P-3', day: '2026-11-01', hours: 66_200, renewed: [] },
    ]);
    expect(
      lives.map(({ name, spans }) => [name, spans.map((span) => [span.fromHours, span.toHours, span.why])]),
    ).toEqual([
      [
        'Seal',
        [
          [0, 21_400, 'ran dry'],
          [21_400, 45_900, 'by rule'],
          [45_900, 66_200, null],
        ],
      ],
      [
        'Ring',
        [
          [0, 45_900, 'worn'],
          [45_900, 66_200, null],
        ],
      ],
    ]);
  });
  test('without a meter there are none', () =>
    expect(partLives([{ tag: 'P-1', day: '2021-09-01', hours: null, renewed: [seal] }])).toEqual([]));
});
