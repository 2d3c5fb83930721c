import { stationNames, stations } from '@/core/record';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('trends')));
afterAll(() => shop.close());

const pump = { maker: 'Quillmere', model: 'QB', serial: 'TREND-1', size: '' };

test('what went out is counted once with its stations, its answer and its promise, and leads to its jobs', async () => {
  expect(await shop.act('wenna', 'read-trends', {})).toMatchObject({
    ...{ all: { closed: 0, kept_pct: null }, byStation: [], failing: [] },
  });
  const first = await shop.play({ at: 'closed', pump });
  const again = await shop.play({ at: 'closed', pump });
  const here = await shop.play({ at: 'inspect' });
  // Whatever the day is on which this runs, it was promised for later.
  await shop.runtime.pool.promise().query("update jobs set promised_on = '2199-01-01'");
  const trends = await shop.act('wenna', 'read-trends', {});
  expect(trends.all).toMatchObject({
    ...{ closed: 2, kept_pct: 100, first_pass_pct: 100, comeback_pct: 50 },
    answer: { of: 2 },
    tags: { late: [], failedFirst: [], comebacks: [again], promised: 2, tested: 2 },
  });
  expect([...trends.all.tags.closed].sort()).toEqual([first, again].sort());
  // Every station of a repair that goes straight on, in the order of the work.
  expect(trends.byStation.map(({ station }) => station)).toEqual(stations.map((one) => stationNames[one]));
  expect(trends.openByAge.reduce((sum, { count }) => sum + count, 0)).toBe(1);
  expect(trends.months).toHaveLength(24);
  expect(trends.months.at(-1)).toMatchObject({ closed: 2 });
  expect(JSON.stringify(trends)).not.toContain(here);
});

test('a promise that was moved is judged by the day that was promised first', async () => {
  const tag = await shop.play({ at: 'inspect' });
  const { promisedOn } = (await shop.load(tag)) ?? { promisedOn: null };
  await shop.runtime.pool.promise().query(
    `insert into promise_moves (job_id, number, from_day, to_day, reason, person_name, at)
       select id, 1, '2020-01-01', ?, 'late casting', 'Wenna', now() from jobs where tag = ?`,
    [promisedOn, tag],
  );
  await shop.runtime.pool.promise().query('update jobs set closed_at = now() where tag = ?', [tag]);
  const { all } = await shop.act('wenna', 'read-trends', {});
  expect(all.tags.late).toEqual([tag]);
});
