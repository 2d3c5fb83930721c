import { repairShop } from '../../../test-support/repair-shop';
import { present } from '../present';
import { SumRefusal } from './notebook';
import { plan } from './plan';
import { quantileBetween } from './quantile';
import { turnaround } from './turnaround';
import { promise } from './promise';
import { readyDate } from './ready-date';

const { budgetMs: _budget, ...shop } = repairShop(12, 2);
const asked = { ...shop, budget_ms: 60 };
const lastId = present(asked.jobs.at(-1)).id;
const refusalOf = (reckon: () => unknown) => {
  try {
    reckon();
  } catch (error) {
    if (error instanceof SumRefusal) return `${error.path}: ${error.message}`;
    throw error;
  }
  return '';
};

describe('a plan over the open interface', () => {
  test('gives each operation its hands, its pieces where it may pause, and each job what limits it', () => {
    const { result, working } = plan.compute(plan.input.parse(asked));
    expect(result.operations).toHaveLength(72);
    expect(result.operations.filter(({ pieces }) => pieces)).toHaveLength(48);
    const late = result.jobs.reduce(
      (sum, { late_minutes }, j) => sum + late_minutes * present(asked.jobs[j]).weight,
      0,
    );
    expect(result.weighted_late_minutes).toBe(late);
    expect(working.length).toBeGreaterThan(2);
  });
  test.each([
    [{ jobs: [{ ...present(asked.jobs[0]), operations: [] }] }, 'a job has at least one operation'],
    [{ start: 'Monday' }, 'a time looks like'],
    [{ resources: [] }, 'nobody is there'],
    [{ objective: 'haste' }, 'Invalid option'],
    [{ budget_ms: 20_000 }, 'Too big'],
    [{ calendars: [{ id: 'x', weekly: [{ weekday: 1, from: '12:00', to: '07:00' }] }] }, 'closes before it opens'],
  ])('what cannot be read is refused: %#', (change, words) => {
    const read = plan.input.safeParse({ ...asked, ...change });
    expect(JSON.stringify(read.error?.issues)).toContain(words);
  });
  test('what no plan can be made of is refused by the name of its field', () => {
    const first = present(asked.jobs[0]);
    const bad = {
      ...asked,
      jobs: [{ ...first, operations: first.operations.map((one) => ({ ...one, needs: ['anvil'] })) }],
    };
    expect(refusalOf(() => plan.compute(plan.input.parse(bad)))).toBe(
      'jobs.0.operations.0.needs.0: nobody has “anvil”',
    );
    const many = { ...asked, jobs: Array.from({ length: 1000 }, (_, j) => ({ ...first, id: `J-${j}` })) };
    expect(refusalOf(() => plan.compute(plan.input.parse(many)))).toContain('at most 5000');
  });
});

describe('when a job is ready', () => {
  const reckon = (more: object) =>
    readyDate.compute(readyDate.input.parse({ ...asked, job: lastId, runs: 300, ...more })).result;
  test('its days rise with the chance', () => {
    const { early, likely, late, quantiles } = reckon({});
    expect([early, likely, late]).toEqual([early, likely, late].toSorted());
    const days = quantiles.map(({ date }) => date);
    expect(days).toEqual(days.toSorted());
    expect(quantiles.find(({ pct }) => pct === 90)?.date).toBe(late);
  });
  test('an answer that is awaited, parts that come late and tests that fail make it later', () => {
    const plain = reckon({}).late;
    expect(reckon({ answer_days: { p10: 20, p50: 40, p90: 60 } }).late > plain).toBe(true);
    expect(reckon({ lead_factor: { p10: 6, p50: 8, p90: 9 } }).late > plain).toBe(true);
    expect(reckon({ fail_rate: 0.8 }).late >= plain).toBe(true);
  });
  test('a job that is not there is named', () =>
    expect(refusalOf(() => reckon({ job: 'P-9999' }))).toBe('job: there is no job “P-9999”'));
  test('an answer alone: a job of a minute is ready on the day of the answer', () => {
    const alone = {
      ...{ start: '2026-11-23T07:00', resources: [{ id: 'Joss', skills: ['hand'] }], job: 'P-1', runs: 4000 },
      jobs: [{ id: 'P-1', operations: [{ id: 'note', needs: ['hand'], minutes: 1 }] }],
      answer_days: { p10: 1.5, p50: 3.5, p90: 7.5 },
    };
    const { early, likely, late } = readyDate.compute(readyDate.input.parse(alone)).result;
    expect([early, likely, late]).toEqual(['2026-11-24', '2026-11-26', '2026-11-30']);
  });
});

describe('a promise to a caller', () => {
  const add = { ...present(asked.jobs[0]), id: 'P-NEW', ready: undefined, due: undefined };
  const reckon = (more: object) => promise.compute(promise.input.parse({ ...asked, add, runs: 300, ...more })).result;
  test('in its turn makes nobody later; put first it is ready no later, and says whom it delays', () => {
    const [turn, first] = [reckon({}), reckon({ first: true })];
    expect(turn.makes_later).toEqual([]);
    expect(turn.dates.map(({ pct }) => pct)).toEqual([50, 80, 95]);
    expect(first.dates.every(({ date }, i) => date <= present(turn.dates[i]).date)).toBe(true);
    expect(first.makes_later.length).toBeGreaterThan(0);
    const minutes = first.makes_later.map(({ minutes: late }) => late);
    expect(minutes).toEqual(minutes.toSorted((a, b) => b - a));
    expect(first.makes_later.some(({ job }) => job === 'P-NEW')).toBe(false);
  });
  test('with nothing else in the shop it begins at once', () => {
    const { dates } = reckon({ jobs: [], at_pct: [50] });
    expect(present(dates[0]).date <= '2026-11-25').toBe(true);
  });
});

describe('turnaround', () => {
  test('quantiles lie between figures as published for type 7', () => {
    // Hyndman and Fan: of 1 to 10 the first decile is 1.9, the median 5.5, the ninth decile 9.1.
    const ten = [10, 1, 2, 9, 3, 8, 4, 7, 5, 6];
    expect([10, 50, 90].map((pct) => quantileBetween(ten, pct))).toEqual([
      expect.closeTo(1.9, 9),
      5.5,
      expect.closeTo(9.1, 9),
    ]);
    expect(quantileBetween([], 50)).toBeNull();
  });
  const jobs = [
    { opened: '2026-10-01', closed: '2026-10-31', promised: '2026-10-20' },
    { opened: '2026-11-01T08:00', closed: '2026-11-06T20:00', promised: '2026-11-06', runs: 1 },
    { opened: '2026-11-02', closed: '2026-11-30T17:00', runs: 3, comeback_of: 'P-0001' },
    { opened: '2026-07-01' },
    { opened: '2026-11-28' },
    { opened: '2026-11-20', closed: '2026-12-03' },
  ];
  const reckon = (more: object = {}) =>
    turnaround.compute(turnaround.input.parse({ jobs, from: '2026-11-01', to: '2026-11-30', ...more })).result;
  test('counts what closed in the period, its last day with it, and judges the day of the promise as a whole', () => {
    const found = reckon();
    expect(found.closed).toBe(2);
    expect(found.kept_pct).toBe(100);
    expect(found.first_pass_pct).toBe(50);
    expect(found.comeback_pct).toBe(50);
    // 5.5 days and 28 days and 17 hours.
    expect(found.days.mean).toBeCloseTo((5.5 + 28 + 17 / 24) / 2, 5);
  });
  test('what is open at the end is counted by age, what closed later among it', () => {
    const rows = reckon().open_by_age;
    expect(rows.reduce((sum, { count }) => sum + count, 0)).toBe(3);
    expect(rows.find(({ up_to_days }) => up_to_days === 7)?.count).toBe(1);
    expect(rows.find(({ up_to_days }) => up_to_days === 14)?.count).toBe(1);
    expect(rows.at(-1)).toEqual({ up_to_days: 153, count: 1 });
  });
  test('with nothing closed there is nothing to judge by', () =>
    expect(reckon({ from: '2025-01-01', to: '2025-02-01' })).toMatchObject({
      ...{ closed: 0, kept_pct: null, first_pass_pct: null, comeback_pct: null, by_station: [] },
      days: { mean: null, p50: null, p90: null },
    }));
  test.each([
    [{ jobs: [{ opened: '2026-11-05', closed: '2026-11-01' }] }, 'jobs.0.closed: it is closed before it was opened'],
    [{ jobs: [{ opened: '2026-02-30' }] }, 'jobs.0.opened: “2026-02-30” is no time'],
    [{ to: '2026-10-01' }, 'to: the period ends before it begins'],
  ])('%# is refused by name', (change, words) => expect(refusalOf(() => reckon(change))).toBe(words));
});
