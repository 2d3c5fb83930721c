import { repairShop } from '../../../test-support/repair-shop';
import { runsStepByStep } from '../../../test-support/runs-step-by-step';
import { present } from '../present';
import {
  chanceOf,
  drawUpPlan,
  lastOf,
  quantileAmong,
  quantileOf,
  readProblem,
  simulate,
  type PlanAsked,
  type Spread,
} from '.';
import { inverseNormal } from './quantiles';

describe('a spread', () => {
  // Tables of the standard normal distribution, such as in E. S. Pearson and H. O. Hartley, Biometrika Tables, 1954.
  test.each([
    [0.5, 0],
    [0.9, 1.281552],
    [0.975, 1.959964],
    [0.99, 2.326348],
    [0.001, -3.090232],
  ])('the inverse of the normal distribution at %d is %d', (share, z) =>
    expect(inverseNormal(share)).toBeCloseTo(z, 5),
  );
  test.each([
    { p10: 1, p50: 3, p90: 7 },
    { p10: 0.85, p50: 1, p90: 1.35 },
    { p10: 0, p50: 2, p90: 9 },
    { p10: 1, p50: 1, p90: 1 },
  ])('%j meets its three figures, rises and is never below 0', (spread: Spread) => {
    expect(quantileOf(spread, 0.1)).toBeCloseTo(spread.p10, 7);
    expect(quantileOf(spread, 0.5)).toBeCloseTo(spread.p50, 9);
    expect(quantileOf(spread, 0.9)).toBeCloseTo(spread.p90, 7);
    const figures = [0.001, 0.05, 0.2, 0.4, 0.6, 0.8, 0.97, 0.999].map((share) => quantileOf(spread, share));
    expect(figures.every((figure, i) => figure >= (figures[i - 1] ?? 0) - 1e-12)).toBe(true);
  });
  test('among figures the least is chosen that has the share at or below it', () => {
    const figures = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
    expect([1, 10, 11, 50, 90, 100].map((pct) => quantileAmong(figures, pct))).toEqual([1, 1, 2, 5, 9, 10]);
  });
  test('chance is the same for the same seed, even, and another for another seed', () => {
    const draw = (seed: number) => Array.from({ length: 4000 }, chanceOf(seed));
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3)[0]).not.toBe(draw(4)[0]);
    const tenths = Array.from({ length: 10 }, (_, k) => draw(3).filter((one) => Math.floor(one * 10) === k).length);
    // 400 a tenth, with a standard deviation of 19.
    expect(tenths.every((count) => Math.abs(count - 400) < 80)).toBe(true);
  });
});

describe('runs of a plan', () => {
  const { schedule, ends } = drawUpPlan(readProblem(repairShop(10, 3, 50)));
  const still = { runs: 3, seed: 1, leadOf: () => null, failRate: 0, factorOf: () => null, againOf: () => [] };
  test('with nothing that varies end as planned, or sooner where a gap was left', () => {
    for (const [j, runs] of simulate(schedule, still).entries()) {
      expect(new Set(runs).size).toBe(1);
      expect(runs[0]).toBeLessThanOrEqual(present(ends[j]));
    }
  });
  test('are the same for the same seed, rising, and later where work takes longer', () => {
    const run = (p50: number) =>
      simulate(schedule, { ...still, runs: 200, factorOf: () => ({ p10: p50 * 0.9, p50, p90: p50 * 1.4 }) });
    expect(run(1)).toEqual(run(1));
    const middle = (all: readonly (readonly number[])[]) => all.map((one) => quantileAmong(one, 50));
    for (const all of run(1)) expect(all).toEqual(all.toSorted((a, b) => a - b));
    const [usual, long] = [middle(run(1)), middle(run(1.5))];
    expect(long.every((end, j) => end >= (usual[j] ?? 0))).toBe(true);
  });
  test('are those of looking at every operation that may begin at every step', () => {
    const shop = repairShop(12, 5, 50);
    const jobs = shop.jobs.map((job) => ({
      ...job,
      operations: job.operations.map((one) => ({ ...one, split: true })),
    }));
    const { schedule: tight } = drawUpPlan(readProblem({ ...shop, jobs }));
    const varies = {
      ...{ ...still, runs: 20, seed: 5 },
      factorOf: (i: number) => (i % 3 ? { p10: 0.4, p50: 1, p90: 2.5 } : null),
      leadOf: (j: number) => (j % 2 ? { p10: 0.7, p50: 1, p90: 3 } : null),
    };
    expect(simulate(tight, varies)).toEqual(runsStepByStep(tight, varies));
  });
  /** One hand that is always there. */
  const alone = (minutes: number, more: object = {}): PlanAsked => ({
    ...{ start: '2026-11-23T07:00', calendars: [], objective: 'lateness', budgetMs: 1 },
    resources: [{ id: 'Joss', skills: ['hand'] }],
    jobs: [{ id: 'P-1', weight: 1, operations: [{ id: 'test', needs: ['hand'], minutes, split: false, ...more }] }],
  });
  const endsOf = (asked: PlanAsked, varies: object) => {
    const plan = drawUpPlan(readProblem(asked));
    return present(
      simulate(plan.schedule, { ...still, againOf: (j) => lastOf(plan.schedule.problem, j), ...varies })[0],
    );
  };
  test('one work alone has just the spread that it was given', () => {
    const runs = endsOf(alone(1000), { runs: 4000, factorOf: () => ({ p10: 0.8, p50: 1, p90: 1.5 }) });
    expect(quantileAmong(runs, 10) / 1000).toBeCloseTo(0.8, 1);
    expect(quantileAmong(runs, 50) / 1000).toBeCloseTo(1, 1);
    expect(quantileAmong(runs, 90) / 1000).toBeCloseTo(1.5, 1);
  });
  test('a test that fails is done again: two of ten runs take twice as long or longer', () => {
    const runs = endsOf(alone(100), { runs: 5000, failRate: 0.2 });
    const twice = runs.filter((end) => end >= 200).length / runs.length;
    const thrice = runs.filter((end) => end >= 300).length / runs.length;
    // 0.2 and 0.04, with standard deviations of 0.006 and 0.003.
    expect(Math.abs(twice - 0.2)).toBeLessThan(0.025);
    expect(Math.abs(thrice - 0.04)).toBeLessThan(0.012);
  });
  /** Two pumps, each tested by a tester of its own, or both by the one. */
  const pair = (second: string, readyOn: readonly [string, string]): PlanAsked => ({
    ...alone(100),
    resources: ['Joss', 'Ines'].map((id) => ({ id, skills: [id] })),
    jobs: readyOn.map((ready, j) => ({
      ...{ id: `P-${j}`, weight: 1, ready, due: '2026-12-01' },
      operations: [{ id: 'test', needs: [j === 0 ? 'Joss' : second], minutes: 100, split: false }],
    })),
  });
  const [sooner, later] = ['2026-11-23T07:00', '2026-11-24T07:00'] as const;
  test('which test fails in a run does not hang on what goes before it elsewhere', () => {
    const firstOf = (otherReady: string) => endsOf(pair('Ines', [sooner, otherReady]), { runs: 300, failRate: 0.4 });
    expect(new Set(firstOf(later)).size).toBeGreaterThan(2);
    const early = endsOf(pair('Ines', [later, later]), { runs: 300, failRate: 0.4 });
    const late = endsOf(pair('Ines', [later, sooner]), { runs: 300, failRate: 0.4 });
    expect(late).toEqual(early);
  });
  test('a job that is put first is not kept by what is planned before it and comes as late', () => {
    // Both wait for a part until the second day; the plan takes the first pump first, for there is one tester.
    const both = pair('Joss', [later, later]);
    expect(endsOf(both, {})).toEqual([1540, 1540, 1540]);
    expect(endsOf(both, { first: 1 })).toEqual([1640, 1640, 1640]);
    expect(endsOf(both, { first: 0 })).toEqual([1540, 1540, 1540]);
  });
  test('a part that takes half as long again comes half as late again', () => {
    const runs = endsOf(alone(60, { ready: '2026-11-24T07:00' }), { leadOf: () => ({ p10: 1.5, p50: 1.5, p90: 1.5 }) });
    expect(runs).toEqual([2160 + 60, 2160 + 60, 2160 + 60]);
  });
});
