import { standingReadings } from '@/core/bench';
import { verifyJob } from '@/core/change';
import { limitsOf } from '@/core/family';
import { judgePoints } from '@/core/inspection';
import { present } from '@/core/present';
import type { JobRecord } from '@/core/record';
import { approvedNet } from '@/core/quoting';
import { quantileBetween } from '@/core/sums/quantile';
import { listApprovedOf, listEndedOrders, listEvents, listWorkedThrough, loadJobRecord, sha256 } from '@/db';
import { startRuntime, type Runtime } from '@/server';
import { findFamily } from '@/server/families';
import { wearsUp } from '@/stand-ins';
import { leadSpreads, workRatios } from '@/core/workload';
import { emptyDatabase } from '../../test-support/demonstration';
import { demoJobs } from '../jobs';
import { loadDemo } from '../load-demo';
import { generator } from './draw-visits';
import { workLine } from './work-line';

const dayMs = 86_400_000;

describe('the line of working minutes', () => {
  // A Friday and the Monday after it; the valley is one hour ahead of UTC in winter.
  const line = workLine(Date.parse('2026-11-27T00:00:00Z'), Date.parse('2026-12-31T00:00:00Z'));
  test.each([
    ['2026-11-27T06:00:00Z', 0],
    ['2026-11-27T07:30:00Z', 90],
    ['2026-11-28T12:00:00Z', 540],
    ['2026-11-30T06:10:00Z', 550],
  ])('%s lies %d minutes of work after its begin', (at, minutes) =>
    expect(line.minuteOf(Date.parse(at))).toBe(minutes),
  );
  test('a minute of a shift is a moment of it', () =>
    expect(new Date(line.momentOf(550)).toISOString()).toBe('2026-11-30T06:10:00.000Z'));
});

describe('two years of closed jobs', () => {
  let runtime: Runtime;
  let tags: readonly string[] = [];
  const records: JobRecord[] = [];
  const examples = demoJobs.filter(({ example }) => example);
  beforeAll(async () => {
    const wholeAt = process.env.DEMONSTRATION_URL;
    runtime = startRuntime(wholeAt ?? (await emptyDatabase('puddlestone_two_years')));
    if (!wholeAt) await loadDemo(runtime, examples);
    // The jobs that are played have the tags from P-0398 on.
    const [rows] = await runtime.pool.promise().query("select tag from jobs where tag < 'P-0398' order by tag");
    tags = (rows as { tag: string }[]).map(({ tag }) => tag);
    for (const tag of tags) records.push(present(await loadJobRecord(runtime.database, tag)));
  }, 400_000);
  afterAll(() => runtime.pool.end());

  test('there are some eighty, opened over two years, all closed', () => {
    expect(tags.length).toBeGreaterThan(70);
    const opened = records.map(({ openedAt }) => Date.parse(openedAt));
    expect((Math.max(...opened) - Math.min(...opened)) / dayMs).toBeGreaterThan(550);
    expect(records.filter(({ closedAt }) => closedAt === null)).toEqual([]);
  });

  test('each chain is whole, and replaying it gives the record', async () => {
    for (const record of records.filter((_one, i) => i % 6 === 0)) {
      const events = await listEvents(runtime.database, record.id);
      expect([record.tag, verifyJob({ record, events, sha256 })]).toEqual([record.tag, null]);
      expect(events.map(({ at }) => at)).toEqual([...events.map(({ at }) => at)].sort());
    }
  });

  test('nothing in them speaks of the job after which they were made', async () => {
    const serials = examples.map(({ pump }) => pump.serial);
    const record = present(records[10]);
    const told = (await listEvents(runtime.database, record.id)).map(({ data }) => data).join('\n');
    expect(told).toContain(record.pump.serial);
    expect(serials.filter((serial) => told.includes(serial))).toEqual([]);
    const others = [...new Set(told.match(/P-\d{4}/g))].filter((tag) => tag !== record.tag);
    expect(others).toEqual([]);
  });

  test('what is past its limit for reuse was answered, and what was answered is past it', async () => {
    let answered = 0;
    for (const record of records) {
      const family = await findFamily(runtime.database, record.familyId, record.familyVersion);
      for (const { point, verdict, reason } of judgePoints({
        ...{ family, readings: standingReadings(record, family), phase: 'as-found' },
      })) {
        const finding = record.findings.find((one) => one.pointId === point.id && one.phase === 'as-found');
        if (verdict !== 'out' && verdict !== 'tight') continue;
        answered += 1;
        expect([record.tag, point.id, finding?.disposition?.reason]).toEqual([record.tag, point.id, reason]);
      }
    }
    expect(answered).toBeGreaterThan(100);
  });

  test('a pump that comes back is no newer than it left, and has run on', async () => {
    let compared = 0;
    for (const record of records) {
      const earlier = records.filter((one) => one.pump.serial === record.pump.serial && one.openedAt < record.openedAt);
      const before = earlier.at(-1);
      if (!before) continue;
      expect(record.intake.runningHours).toBeGreaterThan(present(before.intake.runningHours));
      const family = await findFamily(runtime.database, record.familyId, record.familyVersion);
      const left = standingReadings(before, family).filter(({ phase }) => phase === 'as-left');
      for (const found of standingReadings(record, family).filter(({ phase }) => phase === 'as-found')) {
        const was = left.find((one) => one.pointId === found.pointId && one.place === found.place);
        const point = family.points.find(({ id }) => id === found.pointId);
        if (!was || !point) continue;
        compared += 1;
        const worn = (wearsUp(limitsOf(point)) ? 1 : -1) * (Number(found.typed) - Number(was.typed));
        expect([record.tag, found.pointId, worn >= 0]).toEqual([record.tag, found.pointId, true]);
      }
    }
    expect(compared).toBeGreaterThan(300);
  });

  test('answers, work and first tests come back as they were drawn', async () => {
    // What fell into a night or a Sunday is written when the shop opens: it came between the closing before and then.
    const week = 7 * dayMs;
    const sentFirst = Math.min(
      ...records.flatMap(({ quotes }) => quotes.flatMap(({ sentAt }) => Date.parse(sentAt ?? '') || [])),
    );
    const line = workLine(sentFirst - week, Date.now() + week);
    const closingBefore = (at: number) => line.momentOf(line.minuteOf(at) - 5);
    const answers = records.flatMap(({ quotes, approvals }) => {
      const [sent, at] = [Date.parse(quotes[0]?.sentAt ?? ''), Date.parse(approvals[0]?.at ?? '')];
      return sent && at ? [{ latest: (at - sent) / dayMs, earliest: (closingBefore(at) - sent) / dayMs }] : [];
    });
    const { middle, spread } = generator.answer;
    // The middle of n draws lies within three times 1.25 spreads by the root of n, on the scale of logarithms.
    const within = Math.exp((3 * 1.2533 * spread) / Math.sqrt(answers.length));
    const middleOf = (which: 'latest' | 'earliest') =>
      present(
        quantileBetween(
          answers.map((one) => one[which]),
          50,
        ),
      );
    expect(middleOf('latest')).toBeGreaterThan(middle / within);
    expect(middleOf('earliest')).toBeLessThan(middle * within);
    expect(within).toBeLessThan(1.45);
    const ratios = workRatios((await listWorkedThrough(runtime.database)).filter(({ tag }) => tags.includes(tag)));
    expect(ratios.length).toBeGreaterThan(70);
    expect(Math.abs(present(quantileBetween(ratios, 50)) - generator.work.middle)).toBeLessThan(0.12);
    const failed = records.filter(({ runs }) => runs.some(({ decision }) => decision === 'failed'));
    expect(failed.length).toBeGreaterThan(0);
    expect(failed.length / records.length).toBeLessThan(0.2);
  });

  test('what was approved is the same by the database and by each record', async () => {
    for (const id of new Set(records.map(({ customer }) => customer.id))) {
      const approved = await listApprovedOf(runtime.database, id);
      for (const record of records.filter(({ customer }) => customer.id === id))
        expect([record.tag, approved.get(record.tag)]).toEqual([record.tag, approvedNet(record)]);
    }
  });

  test('who began the teardown is who worked on it', async () => {
    const [rows] = await runtime.pool.promise().query(
      `select count(*) as all_of, sum(events.person_id = worked_spans.person_id) as same from worked_spans
         join jobs on jobs.tag = worked_spans.tag join events on events.job_id = jobs.id and events.kind = 'begin-teardown'
        where worked_spans.station = 'teardown' and worked_spans.tag < 'P-0398'`,
    );
    const [{ all_of: all, same } = { all_of: 0, same: 0 }] = rows as { all_of: number; same: number }[];
    expect(Number(all)).toBe(tags.length);
    expect(Number(same)).toBe(Number(all));
  });

  test('the house that is late most often is told from the others by its orders', async () => {
    const { byHouse, orders } = leadSpreads(await listEndedOrders(runtime.database));
    expect(orders).toBeGreaterThan(120);
    const late = present(byHouse['Sillwater Pump Parts']);
    const others = Object.entries(byHouse).filter(([house]) => house !== 'Sillwater Pump Parts');
    expect(others.length).toBeGreaterThan(0);
    for (const [, { p90 }] of others) expect(p90).toBeLessThan(late.p90);
  });

  test('work happens in working hours, by people of the shop', async () => {
    const [rows] = await runtime.pool
      .promise()
      .query(
        "select distinct weekday(at) as day from events join jobs on jobs.id = events.job_id where tag < 'P-0398'",
      );
    expect((rows as { day: number }[]).map(({ day }) => day).filter((day) => day > 4)).toEqual([]);
    const [others] = await runtime.pool
      .promise()
      .query(
        "select distinct kind from events join jobs on jobs.id = events.job_id where tag < 'P-0398' and person_id is null",
      );
    // Houses acknowledge their orders themselves.
    expect(others).toEqual([{ kind: 'acknowledge-order' }]);
  });
});
