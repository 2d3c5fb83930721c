import { planFaults } from '../../../test-support/check-plan';
import { classicShops, planOfShop } from '../../../test-support/job-shops';
import { repairShop } from '../../../test-support/repair-shop';
import { present } from '../present';
import { chanceOf, drawUpPlan, PlanFault, readProblem, writePlan, type PlanAsked } from '.';

const planned = (asked: PlanAsked) => writePlan(drawUpPlan(readProblem(asked)));

describe('classic job shops', () => {
  test.each(classicShops.filter(({ name }) => ['ft06', 'ft10', 'la01', 'la16'].includes(name)))(
    '$name comes within 3 % of its published optimum of $optimum, never below it',
    (shop) => {
      const asked = planOfShop(shop, 600);
      const plan = planned(asked);
      expect(planFaults(asked, plan)).toEqual([]);
      expect(plan.makespanMinutes).toBeGreaterThanOrEqual(shop.optimum);
      expect(plan.makespanMinutes).toBeLessThanOrEqual(shop.optimum * 1.03);
      expect(plan.boundMinutes).toBeLessThanOrEqual(shop.optimum);
      // Of la01 the bound is the optimum itself: one machine has 666 minutes of work.
      expect(plan.proven).toBe(shop.name === 'la01');
    },
  );
});

/** A small shop by chance: always open, one resource a skill, so that every order can be tried. */
function smallShop(seed: number, objective: PlanAsked['objective']): PlanAsked {
  const chance = chanceOf(seed);
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  return {
    ...{ start: '2026-11-23T07:00', calendars: [], objective, budgetMs: 30 },
    resources: ['a', 'b'].map((id) => ({ id, skills: [id] })),
    jobs: [1, 2, 3].map((j) => {
      const turn = chance() < 0.5;
      const of = (id: string, skill: string) => ({ id, needs: [skill], minutes: whole(10, 60), split: false });
      return {
        ...{ id: `job ${j}`, weight: whole(1, 3) },
        due: `2026-11-23T0${whole(7, 9)}:${whole(10, 59)}`,
        ready: `2026-11-23T07:${whole(10, 40)}`,
        operations: [of('first', turn ? 'a' : 'b'), of('second', turn ? 'b' : 'a')],
      };
    }),
  };
}

const orders = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
] as const;

/** The best figure over every order on both resources, reckoned minute by minute. */
function bestOfAll({ start, jobs, objective }: PlanAsked): number {
  const minute = (text: string | undefined) => (Date.parse(`${text}Z`) - Date.parse(`${start}Z`)) / 60_000;
  const figures = orders.flatMap((onA) =>
    orders.map((onB) => {
      const left = { a: [...onA], b: [...onB] } as Record<string, number[]>;
      const step = [0, 0, 0];
      const doneAt = jobs.map(({ ready }) => Math.max(0, minute(ready)));
      const freeAt: Record<string, number> = { a: 0, b: 0 };
      for (let moves = 0; moves < 6;) {
        const skill = ['a', 'b'].find((one) => {
          const j = left[one]?.[0];
          return j !== undefined && jobs[j]?.operations[step[j] ?? 0]?.needs[0] === one;
        });
        if (!skill) return Infinity;
        const j = present(present(left[skill]).shift());
        const operation = present(jobs[j]?.operations[step[j] ?? 0]);
        const end = Math.max(doneAt[j] ?? 0, freeAt[skill] ?? 0) + operation.minutes;
        doneAt[j] = end;
        freeAt[skill] = end;
        step[j] = (step[j] ?? 0) + 1;
        moves += 1;
      }
      if (objective === 'makespan') return Math.max(...doneAt);
      return jobs.reduce((sum, { due, weight }, j) => sum + weight * Math.max(0, (doneAt[j] ?? 0) - minute(due)), 0);
    }),
  );
  return Math.min(...figures);
}

describe('small shops against every order', () => {
  test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])('shop %d is planned as well as can be', (seed) => {
    for (const objective of ['lateness', 'makespan'] as const) {
      const asked = smallShop(seed, objective);
      const plan = planned(asked);
      const best = bestOfAll(asked);
      expect(objective === 'makespan' ? plan.makespanMinutes : plan.weightedLateMinutes).toBe(best);
      expect(plan.boundMinutes).toBeLessThanOrEqual(best);
      expect(planFaults(asked, plan)).toEqual([]);
    }
  });
});

describe('a repair shop with hands, places and calendars', () => {
  test.each([3, 12, 40])('%d pumps: nobody and nothing in two places, hours and order kept', (count) => {
    for (const seed of [1, 2, 3]) {
      const asked = repairShop(count, seed, 60);
      const plan = planned(asked);
      expect(planFaults(asked, plan)).toEqual([]);
      expect(plan.boundMinutes).toBeLessThanOrEqual(plan.weightedLateMinutes);
    }
  });
  test('the same question has the same answer', () =>
    expect(planned(repairShop(15, 5, 80))).toEqual(planned(repairShop(15, 5, 80))));
  test('a longer search is never worse', () => {
    const figures = [1, 50, 400].map((budget) => planned(repairShop(40, 4, budget)).weightedLateMinutes);
    expect(figures).toEqual(figures.toSorted((a, b) => b - a));
  });
  test('a weight decides who is late', () => {
    const twins = (weights: readonly number[]): PlanAsked => ({
      ...{ start: '2026-11-23T07:00', calendars: [], objective: 'lateness', budgetMs: 20 },
      resources: [{ id: 'Joss', skills: ['hand'] }],
      jobs: weights.map((weight, j) => ({
        ...{ id: `P-${j}`, weight, due: '2026-11-23T08:00' },
        operations: [{ id: 'rebuild', needs: ['hand'], minutes: 60, split: false }],
      })),
    });
    const late = (weights: readonly number[]) => planned(twins(weights)).jobs.map(({ lateMinutes }) => lateMinutes);
    expect(late([1, 3])).toEqual([60, 0]);
    expect(late([3, 1])).toEqual([0, 60]);
  });
});

describe('what keeps a job', () => {
  const day = {
    id: 'day',
    weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' })),
    closed: [],
  };
  const shop = (jobs: PlanAsked['jobs']): PlanAsked => ({
    ...{ start: '2026-11-23T07:00', calendars: [day], objective: 'lateness', budgetMs: 10, jobs },
    resources: [
      { id: 'Joss', calendar: 'day', skills: ['hand'] },
      { id: 'Stand', skills: ['stand'] },
    ],
  });
  const work = (minutes: number, more: object = {}) => [
    { id: 'rebuild', needs: ['hand'], minutes, split: false, ...more },
    { id: 'test', needs: ['stand'], minutes: 30, split: false },
  ];
  const limit = (jobs: PlanAsked['jobs'], id: string) =>
    planned(shop(jobs)).jobs.find((one) => one.id === id)?.limitedBy;
  test('a hand that is at another pump', () =>
    expect(
      limit(
        [
          { id: 'P-1', weight: 5, due: '2026-11-23T08:00', operations: work(200) },
          { id: 'P-2', weight: 1, due: '2026-11-23T08:00', operations: work(120) },
        ],
        'P-2',
      ),
    ).toEqual({ kind: 'resource', id: 'Joss' }));
  test('a part that comes on a day', () =>
    expect(limit([{ id: 'P-1', weight: 1, operations: work(60, { ready: '2026-11-25T09:00' }) }], 'P-1')).toEqual({
      ...{ kind: 'parts', id: 'rebuild' },
    }));
  test('the end of the day, where nothing else is waited for', () =>
    expect(limit([{ id: 'P-1', weight: 1, ready: '2026-11-23T14:00', operations: work(90) }], 'P-1')).toEqual({
      ...{ kind: 'calendar', id: 'day' },
    }));
  test('its own longest work, where it waits for nothing', () =>
    expect(limit([{ id: 'P-1', weight: 1, operations: work(90) }], 'P-1')).toEqual({
      ...{ kind: 'operation', id: 'rebuild' },
    }));
});

describe('what no plan can be made of', () => {
  const asked = repairShop(2);
  const [first] = asked.jobs;
  const job = present(first);
  const withJob = (change: object): PlanAsked => ({ ...asked, jobs: [{ ...job, ...change }] });
  const withWork = (change: object, i = 1) =>
    withJob({ operations: job.operations.map((one, k) => (k === i ? { ...one, ...change } : one)) });
  test.each([
    ['an unknown skill', withWork({ needs: ['anvil'] }), 'jobs.0.operations.1.needs.0', 'nobody has “anvil”'],
    [
      'more of a skill than there are',
      withWork({ needs: ['washer', 'washer'] }),
      'jobs.0.operations.1.needs',
      'nobody is left',
    ],
    ['an unknown predecessor', withWork({ after: ['polish'] }), 'jobs.0.operations.1.after.0', 'no operation “polish”'],
    ['a circle', withWork({ after: ['rebuild'] }), 'jobs.0.operations', 'in a circle'],
    ['an operation twice', withWork({ id: 'teardown' }), 'jobs.0.operations.1.id', '“teardown” stands there twice'],
    ['a job twice', { ...asked, jobs: [job, job] }, 'jobs.1.id', 'stands there twice'],
    [
      'a resource twice',
      { ...asked, resources: [...asked.resources, present(asked.resources[0])] },
      'resources.12.id',
      'twice',
    ],
    [
      'an unknown calendar',
      { ...asked, resources: [{ id: 'x', calendar: 'moon', skills: ['hand'] }] },
      'resources.0.calendar',
      'no calendar “moon”',
    ],
    ['a day that is none', withJob({ due: '2026-02-30' }), 'jobs.0.due', '“2026-02-30” is no time'],
    [
      'work longer than any opening',
      withWork({ needs: ['stand'], minutes: 400, split: false }),
      'jobs.0.operations.1.minutes',
      'longer than any opening',
    ],
  ] as const)('%s is named by its field', (_what, bad, path, words) => {
    let thrown: unknown;
    try {
      readProblem(bad);
    } catch (error) {
      thrown = error;
    }
    expect(thrown).toBeInstanceOf(PlanFault);
    expect(thrown).toMatchObject({ path, message: expect.stringContaining(words) as string });
  });
});
