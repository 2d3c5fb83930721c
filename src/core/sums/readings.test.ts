import fc from 'fast-check';
import { readings } from './readings';
import type { ReadingsInput } from './reckon-readings';

const at = (values: readonly number[]): ReadingsInput['readings'] =>
  values.map((value_mm, i) => ({ plane: i < values.length / 2 ? 'A' : 'B', angle_deg: (i % 2) * 90, value_mm }));
const seat = { new_mm: { min: 45.002, max: 45.013 }, reuse_mm: { min: 44.998 } };
const verdict = (values: readonly number[], more: Partial<ReadingsInput> = {}) =>
  readings.compute({ ...seat, readings: at(values), ...more }).result.verdict;

describe('verdict', () => {
  test('inside the new limits is new, edges included, whatever the guard', () => {
    expect(verdict([45.002, 45.013])).toBe('new');
    expect(verdict([45.002, 45.013], { guard: true, uncertainty_um: 50 })).toBe('new');
  });
  test('between new and reuse is reusable, the edge of the limit included', () => {
    expect(verdict([45.001])).toBe('reuse');
    expect(verdict([44.998])).toBe('reuse');
  });
  test('past the limit by any amount is out', () => {
    expect(verdict([44.99799])).toBe('out');
    expect(verdict([44.99799], { guard: true, uncertainty_um: 100 })).toBe('out');
  });
  test('with a guard band, nearer to the limit than the uncertainty is near', () => {
    expect(verdict([44.9994], { guard: true, uncertainty_um: 1.5 })).toBe('near');
    expect(verdict([44.9996], { guard: true, uncertainty_um: 1.5 })).toBe('reuse');
  });
  test('a side without a reuse limit has the new limit as its limit', () => {
    expect(verdict([45.0131])).toBe('out');
  });
});

test('roundness, taper, wear and share follow from the readings', () => {
  // plane A 45.000, 45.004 (mean 45.002); plane B 44.999, 45.001 (mean 45.000)
  const { result } = readings.compute({ ...seat, readings: at([45.0, 45.004, 44.999, 45.001]) });
  expect(result).toMatchObject({
    count: 4,
    min_mm: 44.999,
    max_mm: 45.004,
    out_of_round_um: 4,
    taper_um: 2,
    worst_mm: 44.999,
    wear_um: 3,
    wear_used_pct: 75,
  });
});

test('of two worn sides the one past its limit decides', () => {
  const { result } = readings.compute({
    new_mm: { min: 10, max: 10.01 },
    reuse_mm: { min: 9.9, max: 10.02 },
    readings: at([9.95, 10.03]),
  });
  expect(result).toMatchObject({ worst_mm: 10.03, verdict: 'out' });
});

test('a guard without an uncertainty, and crossed limits, are refused by name', () => {
  expect(() => readings.compute({ ...seat, readings: at([45]), guard: true })).toThrow(
    expect.objectContaining({ path: 'uncertainty_um' }),
  );
  expect(() => readings.compute({ new_mm: { min: 1, max: 2 }, reuse_mm: { min: 1.5 }, readings: at([1]) })).toThrow(
    expect.objectContaining({ path: 'reuse_mm.min' }),
  );
  expect(() => readings.compute({ new_mm: { min: 1, max: 2 }, reuse_mm: { max: 1.5 }, readings: at([1]) })).toThrow(
    expect.objectContaining({ path: 'reuse_mm.max' }),
  );
  expect(readings.input.safeParse({ ...seat, readings: [] }).success).toBe(false);
});

test('moving every size by the same amount changes no verdict and no wear', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: -20, max: 400 }),
      (microns, shift) => {
        const move = (by: number) =>
          readings.compute({
            new_mm: { min: 50 + by, max: 50.01 + by },
            reuse_mm: { min: 49.99 + by, max: 50.02 + by },
            readings: at(microns.map((um) => 50.005 + um / 1000 + by)),
          }).result;
        expect(move(shift).verdict).toBe(move(0).verdict);
        expect(move(shift).wear_um).toBeCloseTo(move(0).wear_um, 4);
      },
    ),
  );
});

test('the verdict never improves when a reading wears further', () => {
  const order = ['new', 'reuse', 'near', 'out'];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 10 }), (um, more) => {
      const guard = { guard: true, uncertainty_um: 2 };
      expect(order.indexOf(verdict([45.002 - (um + more) / 1000], guard))).toBeGreaterThanOrEqual(
        order.indexOf(verdict([45.002 - um / 1000], guard)),
      );
    }),
  );
});
