import * as z from 'zod';
import { loadSolver } from '@/solver/highs-solver';
import type { Solver } from './solver';
import { findSum, loadSum, sums } from '.';

/** Every number of the expected result stands in the actual one, to nine digits. */
function expectMatch(actual: unknown, expected: unknown): void {
  if (typeof expected === 'number') expect(actual as number).toBeCloseTo(expected, Number.isInteger(expected) ? 6 : 3);
  else if (expected && typeof expected === 'object')
    for (const [key, value] of Object.entries(expected)) expectMatch((actual as Record<string, unknown>)[key], value);
  else expect(actual).toEqual(expected);
}

test('ids are single and are found', () => {
  expect(new Set(sums.map((sum) => sum.id)).size).toBe(sums.length);
  for (const sum of sums) expect(findSum(sum.id)).toBe(sum);
  expect(findSum('guess')).toBeUndefined();
});
test('each is fetched by itself as well', async () => {
  for (const sum of sums) expect(await loadSum(sum.id)).toBe(sum);
  for (const name of ['guess', 'toString']) expect(await loadSum(name)).toBeUndefined();
});

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

describe.each(sums.map((sum) => [sum.id, sum] as const))('%s', (_id, sum) => {
  const input = sum.input.parse(sum.example.input);
  let outcome: ReturnType<typeof sum.compute>;
  beforeAll(() => {
    outcome = sum.compute(input, solver);
  });
  test('the worked example comes out as written', () => expectMatch(outcome.result, sum.example.result));
  test('the result fits its schema', () =>
    expect(sum.result.safeParse(outcome.result).error?.issues ?? []).toEqual([]));
  test('every step of the working says what and its outcome', () => {
    expect(outcome.working.length).toBeGreaterThan(1);
    for (const step of outcome.working) expect(step.what.length * step.outcome.length).toBeGreaterThan(0);
  });
  test('unknown fields, nothing and nonsense are refused without a throw', () => {
    for (const bad of [null, 7, [], {}, { ...(sum.example.input as object), surplus: 1 }])
      expect(sum.input.safeParse(bad).success).toBe(false);
  });
  test('the same input gives the same outcome, and the input is left alone', () => {
    const before = JSON.stringify(input);
    expect(JSON.stringify(sum.compute(input, solver))).toBe(JSON.stringify(outcome));
    expect(JSON.stringify(input)).toBe(before);
  });
  test('its schemas can be published', () =>
    expect(Object.keys(z.toJSONSchema(sum.input, { io: 'input', unrepresentable: 'any' }))).toEqual(
      expect.arrayContaining([expect.stringMatching(/^(type|oneOf)$/) as string]),
    ));
});
