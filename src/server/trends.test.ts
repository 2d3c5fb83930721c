import { present } from '@/core/present';
import { stationNames, stations } from '@/core/record';
import { heldAt } from '@/core/workload';
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

test('a pump that went out is held once against the plan of the day on which it came in, and of its answer', async () => {
  const before = (await shop.act('wenna', 'read-trends', {})).plan;
  expect(before).toMatchObject({ pumps: 0 });
  expect(before.left).toBeGreaterThan(0);
  let still = before.left;
  while (still > 0) {
    const { tested, left } = await shop.act('wenna', 'back-test', {});
    expect(left).toBe(still - tested);
    still = left;
  }
  expect(await shop.act('wenna', 'back-test', {})).toEqual({ tested: 0, left: 0 });
  const { cameIn, answered, pumps, left } = (await shop.act('wenna', 'read-trends', {})).plan;
  expect([pumps, left]).toEqual([before.left, 0]);
  // Played within an hour, they were ready before any day that a plan says with an answer and parts ahead.
  expect(cameIn.held.map(({ of, held }) => held === of && of === pumps)).toEqual(heldAt.map(() => true));
  expect(cameIn.laterDays).toBeLessThan(0);
  expect(answered.held[0]?.of).toBe(pumps);
});

test('money: what is approved and not out, and what the pumps that went out were quoted and came to', async () => {
  const here = await shop.play({ at: 'rebuild' });
  const { currency, inWork, costs } = await shop.act('wenna', 'read-money', {});
  expect(currency).toBe('EUR');
  const record = present(await shop.load(here));
  const decided = present(record.approvals[0]).decisions;
  const sum = present(record.quotes[0]).lines.reduce(
    (all, line) => all + (decided[line.id] === 'approved' ? Math.round(line.quantity * line.unitPriceMinor) : 0),
    0,
  );
  expect(inWork.find(({ tag }) => tag === here)?.minor).toBe(sum);
  const { costs: own } = await shop.act('wenna', 'read-costs', { tag: present(costs[0]).tag });
  const both = own.filter(({ quotedMinor, trueMinor }) => quotedMinor !== null && trueMinor !== null);
  expect(present(costs[0]).trueMinor).toBe(both.reduce((all, { trueMinor }) => all + (trueMinor ?? 0), 0));
});
