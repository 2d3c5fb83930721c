import fc from 'fast-check';
import { fit } from './fit';
import { classLimits } from './iso-286-limits';
import { SumRefusal } from './sum';

/** Deviations in µm as tabled in ISO 286-2:2010. */
const shafts: readonly [number, string, number, number][] = [
  [50, 'k6', 2, 18],
  [25, 'p6', 22, 35],
  [100, 'g6', -34, -12],
  [30, 'h6', -13, 0],
  [120, 'js9', -43.5, 43.5],
  [200, 'r6', 77, 106],
  [160, 's7', 100, 140],
  [18, 'j6', -3, 8],
  [3, 'js6', -3, 3],
  [45, 'k5', 2, 13],
  [65, 'f7', -60, -30],
  [40, 'n6', 17, 33],
  [75, 'm6', 11, 30],
  [20, 'e8', -73, -40],
  [500, 'h11', -400, 0],
  [10, 'k8', 0, 22],
];
const holes: readonly [number, string, number, number][] = [
  [50, 'H7', 0, 25],
  [40, 'N7', -33, -8],
  [20, 'K7', -15, 6],
  [60, 'M7', -30, 0],
  [45, 'P7', -42, -17],
  [10, 'J7', -7, 8],
  [300, 'M6', -41, -9],
  [25, 'F8', 20, 53],
  [80, 'E9', 60, 134],
  [180, 'K6', -21, 4],
  [30, 'N9', -52, 0],
  [50, 'H8', 0, 39],
  [6, 'H8', 0, 18],
  [100, 'J6', -6, 16],
  [12, 'JS8', -13.5, 13.5],
  [250, 'H11', 0, 290],
];

describe('limits of size against the tables of ISO 286-2', () => {
  test.each(shafts)('shaft %d %s', (nominalMm, text, lower, upper) => {
    const limits = classLimits({ nominalMm, of: 'shaft', text });
    expect([limits.lowerUm, limits.upperUm]).toEqual([lower, upper]);
  });
  test.each(holes)('hole %d %s', (nominalMm, text, lower, upper) => {
    const limits = classLimits({ nominalMm, of: 'hole', text });
    expect([limits.lowerUm, limits.upperUm]).toEqual([lower, upper]);
  });
});

describe('fit', () => {
  test('H7/h6 always has clearance of 0 or more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 500, noNaN: true }),
        (nominal_mm) => fit.compute({ nominal_mm, hole: 'H7', shaft: 'h6' }).result.kind === 'clearance',
      ),
    );
  });
  test('clearance is hole less shaft, whatever the classes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 499 }),
        fc.constantFrom('H7', 'JS6', 'N7', 'P7', 'F8'),
        fc.constantFrom('h6', 'k5', 'm6', 'p6', 'g6'),
        (nominal_mm, hole, shaft) => {
          const { result } = fit.compute({ nominal_mm, hole, shaft });
          expect(result.clearance_um.max).toBeCloseTo(1000 * (result.hole_mm.max - result.shaft_mm.min), 3);
          expect(result.clearance_um.min).toBeCloseTo(1000 * (result.hole_mm.min - result.shaft_mm.max), 3);
        },
      ),
    );
  });
  test('a largest clearance of 0 is interference', () => {
    expect(fit.compute({ nominal_mm: 3, hole: 'K6', shaft: 'k6' }).result).toMatchObject({
      clearance_um: { max: 0 },
      kind: 'interference',
    });
    expect(fit.compute({ nominal_mm: 100, hole: 'P7', shaft: 'h6' }).result.kind).toBe('interference'); // −24/−59 against −22/0: largest −2
    expect(fit.compute({ nominal_mm: 50, hole: 'H7', shaft: 'p6' }).result.clearance_um).toEqual({ min: -42, max: -1 });
  });
  test.each([
    [50, 'H7', 'j8', 'shaft'],
    [50, 'J9', 'h6', 'hole'],
    [50, 'K9', 'h6', 'hole'],
    [0.8, 'N9', 'h6', 'hole'],
  ])('a class the standard does not give is refused by name: %d %s/%s', (nominal_mm, hole, shaft, path) => {
    expect(() => fit.compute({ nominal_mm, hole, shaft })).toThrow(SumRefusal);
    expect(() => fit.compute({ nominal_mm, hole, shaft })).toThrow(expect.objectContaining({ path }));
  });
  test.each([
    [{ nominal_mm: 0, hole: 'H7', shaft: 'h6' }],
    [{ nominal_mm: 501, hole: 'H7', shaft: 'h6' }],
    [{ nominal_mm: 50, hole: 'H12', shaft: 'h6' }],
    [{ nominal_mm: 50, hole: 'H7', shaft: 'H6' }],
    [{ nominal_mm: NaN, hole: 'H7', shaft: 'h6' }],
  ])('input that does not fit is refused: %j', (input) => {
    expect(fit.input.safeParse(input).success).toBe(false);
  });
});
