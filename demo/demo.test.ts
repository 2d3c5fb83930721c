import { workOf } from '@/core/bench';
import { limitsOf, proposeSize, type Family } from '@/core/family';
import { present } from '@/core/present';
import { approvedLines } from '@/core/supply';
import type { JobRecord } from '@/core/record';
import { listEvents, loadJobRecord } from '@/db';
import { startRuntime, type Runtime } from '@/server';
import { buildFor, findFamily, shippedFamilies } from '@/server/families';
import { emptyDatabase } from '../test-support/demonstration';
import { demoJobs, type DemoJob } from './jobs';
import { loadDemo } from './load-demo';
import { afterWork, lastWork, workMinutes } from './shop-hours';

const fileOf = (job: DemoJob) => present(shippedFamilies.find((one) => one.id === (job.family?.id ?? 'F1')));
const plateOf = ({ pump }: DemoJob) => `${pump.model} ${pump.size}`;
const built = (job: DemoJob) => {
  const size = proposeSize(fileOf(job), plateOf(job));
  return buildFor(fileOf(job), { ...job.family?.build, ...(size !== undefined && { size }) });
};
const jobs = demoJobs.map((job) => [`${job.pump.serial}, ${job.whyOut}`, job] as const);

describe('the shop’s hours', () => {
  // 28 and 29 November 2026 are a Saturday and a Sunday; the valley is one hour ahead of UTC in winter, two in summer.
  const at = (text: string) => Date.parse(text);
  test.each([
    ['2026-11-27T08:00:00Z', 60, '2026-11-27T09:00:00.000Z'],
    ['2026-11-27T14:30:00Z', 60, '2026-11-30T06:30:00.000Z'],
    ['2026-11-28T10:00:00Z', 0, '2026-11-30T06:00:00.000Z'],
    ['2026-11-26T22:00:00Z', 540 + 5, '2026-11-30T06:05:00.000Z'],
    ['2026-07-01T05:00:00Z', 15, '2026-07-01T05:15:00.000Z'],
  ])('from %s, %d working minutes on it is %s', (from, minutes, until) =>
    expect(new Date(afterWork(at(from), minutes)).toISOString()).toBe(until),
  );
  test('between two moments, nights and Sundays do not count', () =>
    // Friday 8:00 to 16:00, and Monday 7:00 to 8:30.
    expect(workMinutes(at('2026-11-27T07:00:00Z'), at('2026-11-30T07:30:00Z'))).toBe(8 * 60 + 90));
  test('the last working moment before a Sunday is on the Friday', () =>
    expect(new Date(lastWork(at('2026-11-29T12:00:00Z'))).toISOString()).toBe('2026-11-27T14:59:00.000Z'));
});

describe.each(jobs)('the demonstration’s %s', (_title, job) => {
  test('bears a plate that names a size of its construction', () =>
    expect(proposeSize(fileOf(job), plateOf(job))).toBeDefined());
  test('has a duty whose power follows from flow, head and efficiency, within what liquids weigh', () => {
    const { flowM3h, headM, powerKw, efficiencyPct } = job.duty;
    const ofWater = (1000 * 9.81 * (flowM3h / 3600) * headM) / 1000 / (efficiencyPct / 100);
    expect(powerKw / ofWater).toBeGreaterThan(0.85);
    expect(powerKw / ofWater).toBeLessThan(1.25);
  });
  test('stands at a step that its construction has', () => {
    const { teardown, rebuild } = built(job);
    if (job.stopsBefore !== undefined) expect([...teardown, ...rebuild].map(({ id }) => id)).toContain(job.stopsBefore);
    for (const [part] of job.visual ?? []) expect(built(job).parts.map(({ ref }) => ref)).toContain(part);
  });
});

/** The tag of a job of the whole demonstration: they are taken in one after the other. */
const tagOf = (job: DemoJob) => `P-0${398 + demoJobs.indexOf(job)}`;

describe('of ten constructions, and of a pump on its third visit', () => {
  const one = (id: string) => present(demoJobs.find((job) => job.family?.id === id));
  const told = [
    ...demoJobs.filter((job) => job.pump.serial === 'QB-22871'),
    present(demoJobs.find((job) => job.part === 'failed once' && job.at === 'test')),
    ...['F2', 'F3', 'F4', 'F5', 'F6', 'F7', 'F8', 'F9', 'F10'].map(one),
  ];
  let runtime: Runtime;
  const played: { readonly job: DemoJob; readonly record: JobRecord; readonly family: Family }[] = [];
  // The tests of the interface have the whole demonstration loaded already, which takes a minute or two.
  const wholeAt = process.env.DEMONSTRATION_URL;
  beforeAll(async () => {
    runtime = startRuntime(wholeAt ?? (await emptyDatabase('puddlestone_demo_story')));
    const tags = wholeAt
      ? told.map(tagOf)
      : await loadDemo(
          runtime,
          told.map(({ example: _, ...job }) => job),
        );
    for (const [i, tag] of tags.entries()) {
      const record = present(await loadJobRecord(runtime.database, tag));
      const family = await findFamily(runtime.database, record.familyId, record.familyVersion);
      played.push({ job: present(told[i]), record, family });
    }
  }, 300_000);
  afterAll(() => runtime.pool.end());

  test('work happens in working hours', async () => {
    for (const { record } of played) {
      const events = await listEvents(runtime.database, record.id);
      expect(events.length).toBeGreaterThan(1);
      const odd = events.filter(({ at }) => {
        const words = new Date(at).toLocaleString('en-GB', {
          timeZone: 'Europe/Vienna',
          weekday: 'short',
          hour: '2-digit',
        });
        const [, day = '', hour = ''] = /^(\w+)\D*(\d+)/.exec(words) ?? [];
        return ['Sat', 'Sun'].includes(day) || Number(hour) < 7 || Number(hour) >= 16;
      });
      expect(odd.map(({ at, kind }) => `${record.tag} ${kind} ${String(at)}`)).toEqual([]);
    }
  });

  test('nothing heals by itself: what was neither bought nor worked on leaves as it came', () => {
    let compared = 0;
    for (const { record, family } of played) {
      const bought = approvedLines(record).flatMap((line) => line.parts.map(({ ref }) => ref));
      const worked = record.findings.filter((one) => one.disposition).map((one) => one.partRef);
      const renewed = new Set([...bought, ...worked]);
      for (const left of record.readings.filter(({ phase }) => phase === 'as-left')) {
        const part = present(
          family.parts.find(({ ref }) => ref === family.points.find((p) => p.id === left.pointId)?.part),
        );
        if (renewed.has(part.ref) || part.soft) continue;
        const found = record.readings.find(
          (other) => other.phase === 'as-found' && other.pointId === left.pointId && other.place === left.place,
        );
        if (!found) continue;
        compared++;
        expect([record.tag, left.pointId, left.place, left.typed]).toEqual([
          ...[record.tag, left.pointId, left.place],
          found.typed,
        ]);
      }
    }
    expect(compared).toBeGreaterThan(20);
  });

  test('a pump that comes back is no newer than it left', () => {
    const visits = played.filter(({ job }) => job.pump.serial === 'QB-22871');
    expect(visits).toHaveLength(3);
    let compared = 0;
    for (const [i, { record, family }] of visits.slice(1).entries()) {
      const before = present(visits[i]).record.readings.filter(({ phase }) => phase === 'as-left');
      for (const found of record.readings.filter(({ phase }) => phase === 'as-found')) {
        const left = before.find((other) => other.pointId === found.pointId && other.place === found.place);
        if (!left) continue;
        const { asNew, reuse } = limitsOf(present(family.points.find(({ id }) => id === found.pointId)));
        const wears = asNew.min === undefined || (reuse.min === undefined && asNew.max !== undefined) ? 1 : -1;
        compared++;
        expect([found.pointId, wears * (Number(found.typed) - Number(left.typed)) >= 0]).toEqual([found.pointId, true]);
      }
    }
    expect(compared).toBeGreaterThan(10);
  });

  test('every torque lies in its window, and nothing that was answered is refused', () => {
    let torques = 0;
    for (const { record, family } of played)
      for (const phase of ['teardown', 'rebuild', 'test'] as const)
        for (const { at, step } of workOf(record, family, phase).flatMap((row) =>
          row.actions.map((each) => ({ at: each, step: row.step })),
        )) {
          const { answer } = at.action;
          if (answer?.kind !== 'torque' || !at.answer) continue;
          torques++;
          const reached = Number(at.answer.typed);
          expect([step.id, reached >= answer.window_nm.min && reached <= answer.window_nm.max]).toEqual([
            step.id,
            true,
          ]);
        }
    expect(torques).toBeGreaterThan(30);
  });

  test('every picture is of a part that the construction has, or of the pump', () => {
    for (const { record, family } of played) {
      const known = new Set(family.parts.map(({ ref }) => `part:${ref}`));
      const actions = new Set(
        [...family.teardown, ...family.rebuild, ...family.test.steps].flatMap((step) =>
          step.actions.map(({ id }) => `action:${id}`.slice(0, 80)),
        ),
      );
      for (const { about } of record.photos)
        expect([about, about === 'job:received' || known.has(about) || actions.has(about)]).toEqual([about, true]);
    }
  });

  test('each of the others stands where its construction tells something', () => {
    for (const { job, record, family } of played) {
      if (job.stopsBefore === undefined) continue;
      const phase = record.station === 'teardown' ? 'teardown' : 'rebuild';
      const next = workOf(record, family, phase).find((row) => row.actions.some((each) => !each.answer));
      expect([family.id, next?.step.id]).toEqual([family.id, job.stopsBefore]);
    }
  });
});
