import { leadSpreads, type LeadKept } from './lead-spreads';

const order = (supplier: string, days: number, due = 10): LeadKept => ({
  supplier,
  placedOn: '2026-03-01',
  firstDueOn: `2026-03-${String(1 + due).padStart(2, '0')}`,
  endedOn: `2026-03-${String(1 + days).padStart(2, '0')}`,
});

test('eight orders that came on their days leave nothing to vary', () => {
  const kept = Array.from({ length: 8 }, () => order('Mill House', 10));
  expect(leadSpreads(kept)).toEqual({
    ...{ all: { p10: 1, p50: 1, p90: 1 }, byHouse: { 'Mill House': { p10: 1, p50: 1, p90: 1 } }, orders: 8 },
  });
});
test('seven of a house say nothing of it, but count among all', () => {
  const kept = [...Array.from({ length: 7 }, () => order('Mill House', 20)), order('Weir', 10)];
  const { all, byHouse } = leadSpreads(kept);
  expect(byHouse).toEqual({});
  // Eight ratios, seven of them two: the middle is two.
  expect(all?.p50).toBe(2);
});
test('by hand: nine orders of ten days that took 10 to 18', () => {
  const kept = Array.from({ length: 9 }, (_, i) => order('Weir', 10 + i));
  // Ratios 1.0 to 1.8 in steps of 0.1: at 10 of 100 the place 0.8, at 50 the fifth, at 90 the place 7.2.
  const own = leadSpreads(kept).byHouse.Weir;
  expect(own?.p10).toBeCloseTo(1.08, 9);
  expect(own?.p50).toBeCloseTo(1.4, 9);
  expect(own?.p90).toBeCloseTo(1.72, 9);
});
test('an order without a first day, one that has not ended, and one that was due at once are no measure', () => {
  const odd = [
    { ...order('Weir', 3), firstDueOn: null },
    { ...order('Weir', 3), endedOn: null },
    { ...order('Weir', 3), firstDueOn: '2026-03-01' },
  ];
  expect(leadSpreads(odd).orders).toBe(0);
});
