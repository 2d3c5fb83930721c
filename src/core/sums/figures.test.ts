import fc from 'fast-check';
import * as z from 'zod';
import { loadSolver } from '@/solver/highs-solver';
import { SumRefusal, sums, type Solver } from '.';

/** Extremes of what may be typed: nothing, the least, the most, and one in between, of either sign. */
const extremes = [0, 1e-12, -1e-12, 1e-6, 1, 7, -1, 1e5, 1e12, -1e12] as const;
let solver: Solver;
beforeAll(async () => void (solver = await loadSolver()));

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** An example with one of its numbers replaced, wherever it stands. */
function* variants(value: unknown, other: number): Generator<unknown> {
  if (typeof value === 'number') yield other;
  if (Array.isArray(value))
    for (const [i, item] of value.entries())
      for (const one of variants(item, other)) yield value.map((old: unknown, at) => (at === i ? one : old));
  if (isPlain(value))
    for (const [key, item] of Object.entries(value))
      for (const one of variants(item, other)) yield { ...value, [key]: one };
}

const light = sums.filter((sum) => !sum.needsSolver);

function numbersOf(value: unknown): readonly number[] {
  if (typeof value === 'number') return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersOf) : [];
}

/** What a sum does with an input: a result of real numbers, or a refusal that says something. */
function expectAnswer(sum: (typeof sums)[number], input: unknown): void {
  const read = sum.input.safeParse(input);
  if (!read.success) return expect(read.error.issues.length).toBeGreaterThan(0);
  try {
    const { result } = sum.compute(read.data, solver);
    expect([input, numbersOf(result).filter((one) => !Number.isFinite(one))]).toEqual([input, []]);
  } catch (error) {
    expect(error).toBeInstanceOf(SumRefusal);
    expect((error as SumRefusal).message).not.toBe('');
  }
}

test.each(light.map((sum) => [sum.id, sum] as const))(
  '%s answers every extreme figure with numbers or with a reason, never with nothing',
  (_id, sum) => {
    for (const extreme of extremes) for (const input of variants(sum.example.input, extreme)) expectAnswer(sum, input);
  },
);

test.each(light.map((sum) => [sum.id, sum] as const))('%s does so where several figures are extreme', (_id, sum) => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(30), fc.constantFrom(...extremes)), { minLength: 2, maxLength: 4 }),
      (changes) => {
        let input: unknown = sum.example.input;
        for (const [at, extreme] of changes) {
          const all = [...variants(input, extreme)];
          input = all[at % Math.max(1, all.length)] ?? input;
        }
        expectAnswer(sum, input);
      },
    ),
    { numRuns: 60 },
  );
});

test.each([1e-308, 5e-324, -1e-300, 1e-13])('%d is refused by name: no gauge tells it from nothing', (value) => {
  for (const sum of light)
    for (const input of variants(sum.example.input, value)) {
      const read = sum.input.safeParse(input);
      if (read.success) continue;
      expect(z.flattenError(read.error).fieldErrors).toBeDefined();
    }
  const readings = sums.find((sum) => sum.id === 'readings');
  const input = { new_mm: { min: 1, max: 2 }, reuse_mm: {}, readings: [{ plane: 'A', angle_deg: 0, value_mm: value }] };
  expect([...new Set(readings?.input.safeParse(input).error?.issues.map((issue) => issue.path.join('.')))]).toEqual([
    'readings.0.value_mm',
  ]);
});

describe('sizes and torques below nothing are refused by name', () => {
  const pathsOf = (id: string, input: unknown) =>
    sums
      .find((sum) => sum.id === id)
      ?.input.safeParse(input)
      .error?.issues.map((issue) => issue.path.join('.'));
  const readings = {
    new_mm: { min: 45.002, max: 45.013 },
    reuse_mm: { min: 44.998 },
    readings: [{ plane: 'A', angle_deg: 0, value_mm: 45 }],
  };
  const nut = { torque_nm: 100, window_nm: { min: 95, max: 115 }, nut_slots: 4, washer_tabs: 19, nm_per_deg: 2 };
  test.each([
    ['readings', { ...readings, new_mm: { min: -1, max: 45 } }, 'new_mm.min'],
    ['readings', { ...readings, new_mm: { min: -2, max: -1 } }, 'new_mm.min'],
    ['readings', { ...readings, reuse_mm: { min: -0.5 } }, 'reuse_mm.min'],
    ['readings', { ...readings, reuse_mm: { max: -0.5 } }, 'reuse_mm.max'],
    ['readings', { ...readings, readings: [{ plane: 'A', angle_deg: 0, value_mm: -45 }] }, 'readings.0.value_mm'],
    ['lock-nut', { ...nut, window_nm: { min: -5, max: 115 } }, 'window_nm.min'],
  ])('%s %j', (id, input, path) => expect(pathsOf(id, input)).toContain(path));
});
