import { planFaults } from '../../../test-support/check-plan';
import { repairShop } from '../../../test-support/repair-shop';
import { present } from '../present';
import { readProblem, redrawPlan, writePlan, type PlanAsked, type WrittenPlan } from '.';

const shop = repairShop(14, 3, 200);
const redrawn = (asked: PlanAsked, standing: WrittenPlan['operations'] = []) =>
  writePlan(redrawPlan(readProblem(asked), standing));
const first = redrawn(shop);
const startsOf = ({ operations }: WrittenPlan) =>
  new Map(operations.map(({ job, operation, start }) => [`${job} ${operation}`, start]));

const moved = (before: WrittenPlan, after: WrittenPlan) =>
  after.jobs.filter(({ id, end }) => before.jobs.find((one) => one.id === id)?.end !== end).map(({ id }) => id);

test('where nothing has changed nothing moves', () => {
  const again = redrawn(shop, first.operations);
  expect(moved(first, again)).toEqual([]);
  expect(startsOf(again)).toEqual(startsOf(first));
  expect(again.operations.map(({ resources }) => resources)).toEqual(
    first.operations.map(({ resources }) => resources),
  );
});

test('a pump more goes behind what stands: nobody who was in time becomes late by a day', () => {
  const [one] = repairShop(1, 9).jobs;
  const more = { ...shop, jobs: [...shop.jobs, { ...present(one), id: 'new', due: '2027-06-01T16:00' }] };
  const plan = redrawn(more, first.operations);
  expect(planFaults(more, plan)).toEqual([]);
  expect(moved(first, plan)).toEqual(['new']);
});

test('a test that is wanted a week later moves its own pump; the others flow round it and none becomes later', () => {
  const last = present(
    first.operations
      .filter(({ operation }) => operation === 'test')
      .toSorted((a, b) => b.start.localeCompare(a.start))[0],
  );
  const day = new Date(Date.parse(`${last.start.slice(0, 10)}T00:00Z`) + 7 * 86_400_000).toISOString().slice(0, 10);
  const wish = (job: PlanAsked['jobs'][number]) =>
    job.id === last.job
      ? {
          ...job,
          operations: job.operations.map((one) => (one.id === 'test' ? { ...one, ready: `${day}T00:00` } : one)),
        }
      : job;
  const wished = { ...shop, jobs: shop.jobs.map(wish) };
  const plan = redrawn(wished, first.operations);
  expect(planFaults(wished, plan)).toEqual([]);
  expect(present(plan.jobs.find(({ id }) => id === last.job)).end >= day).toBe(true);
  for (const { id, end } of plan.jobs)
    if (id !== last.job) expect(end <= present(first.jobs.find((one) => one.id === id)).end).toBe(true);
});

test('what somebody who is away had is given to others, in the order that stood', () => {
  const away = {
    ...shop,
    calendars: [
      ...shop.calendars,
      {
        ...present(shop.calendars[0]),
        id: 'away',
        closed: ['2026-11-23', '2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27'],
      },
    ],
    resources: shop.resources.map((one) => (one.id === 'Odile' ? { ...one, calendar: 'away' } : one)),
  };
  const plan = redrawn(away, first.operations);
  expect(planFaults(away, plan)).toEqual([]);
  expect(plan.operations.some(({ resources, start }) => resources.includes('Odile') && start < '2026-11-28')).toBe(
    false,
  );
});

test('a plan that costs days of lateness is given up for one that does not', () => {
  // The order of the letters, where the last one is due first: kept to, nine pumps would make it late.
  const asked: PlanAsked = {
    ...{ start: '2026-11-23T07:00', calendars: [], objective: 'lateness', budgetMs: 50 },
    resources: [{ id: 'hand', skills: ['hand'] }],
    jobs: Array.from({ length: 9 }, (_, j) => ({
      ...{ id: `job ${j}`, weight: 1, due: j === 8 ? '2026-11-24T07:00' : '2026-12-23T07:00' },
      operations: [{ id: 'work', needs: ['hand'], minutes: 1440, split: false }],
    })),
  };
  const standing = asked.jobs.map(({ id }, j) => ({
    ...{ job: id, operation: 'work', resources: ['hand'] },
    start: new Date(Date.parse('2026-11-23T07:00Z') + j * 86_400_000).toISOString().slice(0, 16),
    end: '',
  }));
  const plan = redrawn(asked, standing);
  expect(plan.weightedLateMinutes).toBe(0);
  expect(plan.operations.find(({ job }) => job === 'job 8')?.start).toBe('2026-11-23T07:00');
});
