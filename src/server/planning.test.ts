import { present } from '@/core/present';
import { addWorked, countFirstRuns, findPlannedPump, keepPlan, listSupplyLines, readKeptPlan } from '@/db';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { codeOf, detailsOf } from '../../test-support/told';
import { act, perform, readFeed } from '.';
import { shippedFamilies } from './families';

/** The plan of a shop against the database: hands, places, who is away, wishes, weights, promises. */
let shop: TestShop;
let tag: string;
beforeAll(async () => {
  shop = await openTestShop('planning');
  tag = await shop.play({ at: 'teardown' });
  await shop.play({ at: 'parts' });
});
afterAll(() => shop.close());

const plan = () => shop.act('wenna', 'read-plan', {});
const query = (text: string, ...values: readonly string[]) => shop.runtime.pool.promise().query(text, [...values]);
const pumpOf = async (own: string) => present((await plan()).pumps.find((pump) => pump.tag === own));
const handOf = async (skill: string) =>
  present((await plan()).resources.find(({ kind, skills }) => kind === 'hand' && skills.some((one) => one === skill)));
const stonesOf = async (own: string, operation: string) =>
  (await plan()).board.flatMap(({ id, kind, basins }) =>
    basins.flatMap(({ day, stones }) =>
      stones
        .filter((one) => one.tag === own && one.operation === operation)
        .map((stone) => ({ ...stone, id, kind, day })),
    ),
  );

test('a shop has places and hands from the start, and a plan of all that is open', async () => {
  const shown = await plan();
  expect(shown.lacking).toEqual([]);
  expect(shown.pumps.length).toBeGreaterThanOrEqual(2);
  expect(shown.resources.filter(({ kind }) => kind === 'place').length).toBeGreaterThan(3);
  const teardown = await stonesOf(tag, 'teardown');
  expect(new Set(teardown.map(({ kind }) => kind))).toEqual(new Set(['hand', 'place']));
  const pump = await pumpOf(tag);
  expect([pump.range.early, pump.range.likely, pump.range.late]).toEqual(
    [pump.range.early, pump.range.likely, pump.range.late].toSorted(),
  );
  expect(pump.plannedOn >= shown.today).toBe(true);
});

test('the plan is kept with the day of each pump: the floor, the job and the desk say the same', async () => {
  const pump = await pumpOf(tag);
  const { database } = shop.runtime;
  expect(await findPlannedPump(database, tag)).toMatchObject({ ...pump.range, keptPct: pump.keptPct });
  const floor = await shop.act('wenna', 'read-floor', {});
  expect(present(floor.strips.find((one) => one.tag === tag)).ready).toEqual(pump.range);
  const job = await shop.act('wenna', 'read-job', { tag });
  expect([job.ready, job.planned]).toEqual([pump.range, { limit: pump.limit.words, keptPct: pump.keptPct }]);
  const kept = present(await readKeptPlan(database));
  await plan();
  expect((await readKeptPlan(database))?.version).toBe(kept.version);
});

test('two copies that draw it up at once keep one', async () => {
  const { database } = shop.runtime;
  const { version = 0 } = (await readKeptPlan(database)) ?? {};
  const row = { madeOf: 'x', plan: '{}', at: new Date(), pumps: [], basedOn: version };
  expect(await keepPlan(database, row)).toBe(true);
  expect(await keepPlan(database, row)).toBe(false);
  // What is no plan of now is drawn up anew.
  await query('update kept_plans set plan = ?', '{"operations":[],"pumps":[]}');
  expect((await plan()).pumps.length).toBeGreaterThan(1);
});

test('where hands are short the parts are needed when hands are there', async () => {
  const { database } = shop.runtime;
  const lines = (await listSupplyLines(database)).filter(({ line }) => line.tag !== tag);
  const [first] = lines;
  const { line } = present(first);
  await query("update planned_pumps set goes_on = '2027-03-04', is_by_hands = true where tag = ?", line.tag);
  const own = (await listSupplyLines(database)).filter((one) => one.line.tag === line.tag);
  expect(own.every((one) => one.line.neededBy === '2027-03-04' && one.line.isByHands)).toBe(true);
  await query('update planned_pumps set is_by_hands = false where tag = ?', line.tag);
  expect((await listSupplyLines(database)).find((one) => one.line.tag === line.tag)?.line.neededBy).toBe(line.neededBy);
});

test('the bench takes the minutes; they can be corrected and written down, with what they were', async () => {
  const worked = await shop.play({ at: 'inspect' });
  const read = () => shop.act('odile', 'read-worked', { tag: worked });
  const see = (person: string, workSeconds?: number) =>
    act('record-finding', shop.contextOf(person, workSeconds === undefined ? {} : { workSeconds }), {
      ...{ tag: worked, partRef: 'impeller', words: 'scored', plain: '', photoId: null },
    });
  await see('odile');
  expect((await read()).pieces).toEqual([]);
  await see('odile', 300);
  await see('odile', 1);
  await see('marek', 600);
  const pieces = (await read()).pieces.map(({ personName, station, minutes }) => [personName, station, minutes]);
  // Odile's second entry goes on from her first, and nobody is in two places.
  expect(pieces.toSorted()).toEqual([
    ['marek', 'inspect', 10],
    ['odile', 'inspect', 5],
  ]);
  // What another copy wrote of Odile meanwhile: she was at another pump, so this is a piece of its own.
  const { personId: odile } = shop.signerOf('odile');
  const row = { id: 'elsewhere', tag: 'P-0', station: 'inspect', personId: odile, personName: 'odile', reason: '' };
  const at = new Date(Date.now() + 1000);
  const times = { startedAt: at, endedAt: at, seconds: 0, takenSeconds: null, correctedBy: null };
  await addWorked(shop.runtime.database, { ...row, ...times });
  await see('odile', 1);
  expect((await read()).pieces.filter(({ personName }) => personName === 'odile')).toHaveLength(2);
  const own = present((await read()).pieces.find(({ personName }) => personName === 'odile'));
  const change = { id: own.id, basedOn: own.version, minutes: 42, reason: 'the tablet lay in the office' };
  await shop.act('odile', 'correct-worked', change);
  expect(await codeOf(shop.act('odile', 'correct-worked', change))).toBe('changed-meanwhile');
  expect(await codeOf(shop.act('odile', 'correct-worked', { ...change, id: 'x' }))).toBe('not-found');
  expect((await read()).pieces.find(({ id }) => id === own.id)).toMatchObject({
    ...{ minutes: 42, taken: 5, correctedBy: 'odile', reason: change.reason },
  });
  const more = { tag: worked, station: 'teardown', day: '2026-11-26', minutes: 90, reason: 'with the crane' };
  const { personId } = shop.signerOf('ines');
  await shop.act('odile', 'add-worked', { ...more, personId });
  expect((await detailsOf(shop.act('odile', 'add-worked', { ...more, personId: 'nobody' })))?.what).toContain('nobody');
  expect((await read()).stations.find(({ station }) => station === 'teardown')).toMatchObject({ minutes: 90 });
});

test('of first tests those count as failed that were decided so, whatever other pumps had a second run', async () => {
  await shop.play({ at: 'report' });
  const { database } = shop.runtime;
  const before = await countFirstRuns(database);
  const columns = 'job_id, guarantee, grade, verdict, points, decision, person_id, person_name, at';
  await query(
    `insert into test_runs (id, run, ${columns}) select 'again', 2, ${columns} from test_runs where run = 1 limit 1`,
  );
  expect(await countFirstRuns(database)).toEqual(before);
  expect(before.failed).toBe(0);
  await query("update test_runs set decision = 'failed' where run = 1 limit 1");
  expect(await countFirstRuns(database)).toEqual({ ...before, failed: 1 });
});

test('a sick technician is one entry: it is tried, kept, and taken away again', async () => {
  const { today } = await plan();
  const [first] = (await stonesOf(tag, 'teardown')).filter(({ kind }) => kind === 'hand');
  const who = present(first).id;
  const away = { resourceId: who, from: today, to: '2099-12-31' };
  const tried = await shop.act('wenna', 'try-plan', { change: { kind: 'absence', ...away } });
  expect(tried.board.find(({ id }) => id === who)?.basins.flatMap(({ stones }) => stones)).toEqual([]);
  expect((await stonesOf(tag, 'teardown')).some(({ id }) => id === who)).toBe(true);
  const { id } = await shop.act('wenna', 'save-absence', { ...away, reason: 'sick' });
  expect((await stonesOf(tag, 'teardown')).some((stone) => stone.id === who)).toBe(false);
  expect((await plan()).board.find((row) => row.id === who)?.basins[0]?.away).toBe('sick');
  await shop.act('wenna', 'end-absence', { id });
  // Who is back gets what is free for them; what was given to others meanwhile stays with those.
  expect((await plan()).board.find((row) => row.id === who)?.basins[0]?.away).toBeNull();
  expect(await codeOf(shop.act('wenna', 'end-absence', { id }))).toBe('not-found');
});

test('where the only one who can is away for good, that is said, and the absence can be taken back', async () => {
  const { today } = await plan();
  const { id } = await shop.act('wenna', 'save-absence', {
    resourceId: 'stand',
    from: today,
    to: '2099-12-31',
    reason: 'sold',
  });
  expect((await plan()).fault).toContain('No plan can be drawn up');
  await shop.act('wenna', 'end-absence', { id });
  expect((await plan()).fault).toBeNull();
});

test('a wish for a hand and a day is respected until it is taken back', async () => {
  const { today } = await plan();
  const day = new Date(Date.parse(today) + 10 * 86_400_000).toISOString().slice(0, 10);
  const wish = { tag, operation: 'teardown', resourceId: (await handOf('bench hand')).id, notBefore: day };
  const tried = await shop.act('wenna', 'try-plan', { change: { kind: 'wish', wish } });
  expect(tried.moved.map((one) => one.tag)).toContain(tag);
  await shop.act('wenna', 'wish-operation', wish);
  const kept = await stonesOf(tag, 'teardown');
  expect(kept.every((stone) => stone.day >= day && stone.isWished)).toBe(true);
  await shop.act('wenna', 'wish-operation', { ...wish, resourceId: null, notBefore: null });
  expect((await stonesOf(tag, 'teardown')).some((stone) => stone.day < day)).toBe(true);
});

test('hours and skills are written as compare-and-set; what nobody can do is said', async () => {
  const { calendars, resources } = await plan();
  const week = present(calendars[0]);
  const { version, ...own } = week;
  const change = { ...own, closed: ['2099-12-25'], basedOn: version };
  const both = await Promise.all([1, 2].map(() => codeOf(shop.act('wenna', 'save-calendar', change))));
  expect(both.toSorted()).toEqual(['changed-meanwhile', 'done']);
  const stand = present(resources.find(({ skills }) => skills.includes('stand')));
  const { version: before, ...place } = stand;
  await shop.act('wenna', 'save-resource', { ...place, isActive: false, basedOn: before });
  const without = await plan();
  expect([without.lacking, without.board]).toEqual([['stand'], []]);
  const refused = await detailsOf(shop.act('wenna', 'try-plan', { change: { kind: 'weight', tag, weight: 2 } }));
  expect(refused?.what).toContain('no plan yet');
  await shop.act('wenna', 'save-resource', { ...place, isActive: true, basedOn: before + 1 });
  expect((await plan()).lacking).toEqual([]);
});

test('a weight, with its reason, decides who waits; the weight stands at the pump', async () => {
  await shop.act('wenna', 'weigh-job', { tag, weight: 5, reason: 'the ferry stands still' });
  expect((await pumpOf(tag)).weight).toBe(5);
  expect(await codeOf(shop.act('wenna', 'weigh-job', { tag, weight: 0, reason: 'x' }))).toBe('bad-input');
});

test.each([
  [{ resourceId: 'nobody', from: '2026-12-01', to: '2026-12-02', reason: 'sick' }, 'no hand and no place “nobody”'],
  [{ resourceId: 'stand', from: '2026-12-03', to: '2026-12-02', reason: 'away' }, 'last day is before the first'],
  [{ resourceId: 'stand', from: '2026-02-30', to: '2026-12-02', reason: 'away' }, 'from: there is no such day'],
])('an absence that cannot be is refused by name: %#', async (absence, words) => {
  const refused = await detailsOf(shop.act('wenna', 'save-absence', absence));
  expect(JSON.stringify(refused)).toContain(words);
});

test('the pumps of a plan are named once for whoever looks, and anew when a weight, a stop or a name is another', async () => {
  const first = (await plan()).pumps;
  expect((await plan()).pumps).toBe(first);
  const own = async () => {
    const { weight, isHeld, customer } = await pumpOf(tag);
    return { weight, isHeld, customer };
  };
  const before = await own();
  await shop.act('wenna', 'weigh-job', { tag, weight: 3, reason: 'a ward waits for it' });
  expect(await own()).toEqual({ ...before, weight: 3 });
  await shop.act('wenna', 'weigh-job', { tag, weight: before.weight, reason: 'as before' });
  await query('update customers set name = ? where name = ?', 'Fallowmere Baths', before.customer);
  expect(await own()).toEqual({ ...before, customer: 'Fallowmere Baths' });
  await query('update customers set name = ? where name = ?', before.customer, 'Fallowmere Baths');
  await shop.act('wenna', 'hold-job', { tag, reason: 'asked', until: '2031-01-01', holder: 'C' });
  expect(await own()).toEqual({ ...before, isHeld: true });
  await shop.act('wenna', 'resume-job', { tag });
  expect(await own()).toEqual(before);
});

test('a caller is told three days, in its turn and put first', async () => {
  const { today } = await plan();
  const ask = (isFirst: boolean) => shop.act('wenna', 'ask-promise', { familyId: 'F1', comesOn: today, isFirst });
  const [turn, first] = [await ask(false), await ask(true)];
  const days = present(turn.answer).dates.map(({ date }) => date);
  expect(days).toEqual(days.toSorted());
  expect(present(turn.answer).makesLater).toEqual([]);
  expect(present(first.answer).dates.every(({ date }, i) => date <= present(days[i]))).toBe(true);
  expect(await codeOf(shop.act('wenna', 'ask-promise', { familyId: 'F99', comesOn: today }))).toBe('not-found');
  const labour = present(present(shippedFamilies.find(({ id }) => id === 'F2')).written.labour[0]).id;
  const { familyId } = await shop.act('sunniva', 'make-own-family', {
    ...{ familyId: 'F2', title: 'Monoblock, our way', changes: [{ path: `labour/${labour}/minutes`, value: 95 }] },
  });
  const own = await shop.act('wenna', 'ask-promise', { familyId, comesOn: today, isFirst: false });
  expect(present(own.answer).dates).toHaveLength(3);
});

test('a calendar reads a hand’s work by its link alone, until the link is ended', async () => {
  const hand = await handOf('bench hand');
  const { id, path } = await shop.act('ines', 'make-feed', { subject: hand.id });
  const token = path.split('/').at(-1);
  const nobody = shop.runtime.contextFor({ kind: 'nobody' });
  const read = (asked: unknown) => perform(readFeed, nobody, { token: asked });
  const { text } = await read(token);
  expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
  const own = (await plan()).board.find((row) => row.id === hand.id)?.basins.flatMap(({ stones }) => stones) ?? [];
  expect(own.length).toBeGreaterThan(0);
  for (const stone of own) expect(text).toContain(`SUMMARY:${stone.tag} ${stone.title}`);
  const [rows] = await shop.runtime.pool.promise().query('select token_hash from calendar_feeds');
  expect(JSON.stringify(rows)).not.toContain(token);
  expect((await shop.act('wenna', 'read-feeds', {})).feeds.find((one) => one.id === id)?.name).toBe(hand.name);
  await shop.act('wenna', 'end-feed', { id });
  expect(await codeOf(read(token))).toBe('not-found');
  expect(await codeOf(read('abc'))).toBe('bad-input');
  expect(await codeOf(shop.act('wenna', 'end-feed', { id }))).toBe('not-found');
  expect(await codeOf(shop.act('ines', 'make-feed', { subject: 'nobody' }))).toBe('bad-input');
});

test('what comes and goes is a calendar of whole days: promises, and orders with their day', async () => {
  const { path } = await shop.act('wenna', 'make-feed', { subject: 'deliveries' });
  const nobody = shop.runtime.contextFor({ kind: 'nobody' });
  const { text } = await perform(readFeed, nobody, { token: path.split('/').at(-1) });
  const { promisedOn } = await pumpOf(tag);
  expect(text).toContain(`SUMMARY:${tag} promised to`);
  expect(text).toContain(`DTSTART;VALUE=DATE:${promisedOn.replaceAll('-', '')}`);
});

test('other hours are added and given to a hand; hours that are not there are refused', async () => {
  const half = { weekly: [1, 2, 3].map((weekday) => ({ weekday, from: '08:00', to: '12:00' })), closed: [] };
  await shop.act('wenna', 'save-calendar', { ...half, id: 'half', name: 'Mornings', basedOn: 0 });
  expect(await codeOf(shop.act('wenna', 'save-calendar', { ...half, id: 'half', name: 'Twice', basedOn: 0 }))).toBe(
    'changed-meanwhile',
  );
  const hand = await handOf('bench hand');
  const { version, ...own } = present(
    (await shop.act('wenna', 'read-hands', {})).resources.find(({ id }) => id === hand.id),
  );
  const change = { ...own, calendarId: 'half', basedOn: version };
  await shop.act('wenna', 'save-resource', change);
  const row = present((await plan()).board.find(({ id }) => id === hand.id));
  expect([...new Set(row.basins.map(({ openMinutes }) => openMinutes))].toSorted()).toEqual([0, 240]);
  expect(
    await codeOf(shop.act('wenna', 'save-resource', { ...change, calendarId: 'none', basedOn: version + 1 })),
  ).toBe('bad-input');
  await shop.act('wenna', 'save-resource', { ...change, isActive: false, basedOn: version + 1 });
  expect((await plan()).resources.some(({ id }) => id === hand.id)).toBe(false);
  const still = (await shop.act('wenna', 'read-hands', {})).resources.find(({ id }) => id === hand.id);
  expect(still).toMatchObject({ isActive: false, calendarId: 'half' });
  await shop.act('wenna', 'save-resource', { ...change, calendarId: 'week', basedOn: version + 2 });
});

test('the weeks ahead say how full each hand is, and which promises fall into them', async () => {
  const { weeks, rows, fault } = await shop.act('wenna', 'read-weeks', {});
  expect(fault).toBeNull();
  expect(weeks).toHaveLength(8);
  expect(rows.every((row) => row.weeks.length === 8)).toBe(true);
  expect(weeks.some(({ narrowest }) => narrowest !== null)).toBe(true);
});

describe('finding', () => {
  const find = async (text: string) => {
    const { strips, of } = await shop.act('wenna', 'find-jobs', { text });
    return { tags: strips.map((strip) => strip.tag), of };
  };
  test('half a serial or equipment number and a contact lead to the pump', async () => {
    const record = present(await shop.load(tag));
    const { serial } = record.pump;
    expect((await find(serial.slice(2))).tags).toContain(tag);
    expect((await find(present(record.contact).name)).tags).toContain(tag);
    expect((await find(record.intake.equipmentNumber.slice(2))).tags).toContain(tag);
    expect((await find('%_%')).tags).toEqual([]);
  });
  test('late, on hold and this week are states, said as such', async () => {
    await plan();
    await query("update planned_pumps set planned_on = '2031-01-01' where tag = ?", tag);
    const late = await find('late');
    expect(late.of).toBe('ready after their promise');
    expect(late.tags).toContain(tag);
    const held = await shop.play({ at: 'teardown' });
    expect((await find('on hold')).tags).not.toContain(held);
    await shop.act('wenna', 'hold-job', { tag: held, reason: 'asked', until: '2031-01-01', holder: 'C' });
    expect(await find('on hold')).toEqual({ tags: [held], of: 'on hold' });
    expect((await find('waiting for approval')).of).toBe('waiting for the customer’s answer');
  });
  test('the floor’s version is another one after a change of any job, and the same after none', async () => {
    const read = async () => (await shop.act('ines', 'read-floor-version', {})).version;
    const before = await read();
    expect(await read()).toBe(before);
    await shop.act('wenna', 'save-intake', { tag, basedOn: 0, field: 'x' }).catch(() => undefined);
    expect(await read()).toBe(before);
    await shop.play({ at: 'teardown' });
    expect(await read()).not.toBe(before);
  });
  test('the floor’s version stays after a reading that moves nothing which it shows', async () => {
    const own = await shop.play({ at: 'inspect', part: 'half' });
    const stands = async () => ({
      floor: (await shop.act('ines', 'read-floor-version', {})).version,
      record: present(await shop.load(own)).version,
    });
    const before = await stands();
    await shop.act('marek', 'record-readings', {
      ...{ tag: own, phase: 'as-found' },
      entries: [{ pointId: 'sleeve-diameter', place: 'A:90', typed: '44.99', instrument: 'M-07', basedOn: 0 }],
    });
    expect(await stands()).toEqual({ floor: before.floor, record: before.record + 1 });
    await shop.act('wenna', 'hold-job', { tag: own, reason: 'asked', until: '2031-01-01', holder: 'C' });
    expect((await stands()).floor).not.toBe(before.floor);
  });
  test('the floor is read once for all of a role, and anew when a job has changed', async () => {
    const read = (who: string) => shop.act(who, 'read-floor', {});
    const stripIn = ({ strips }: Awaited<ReturnType<typeof read>>) => present(strips.find((one) => one.tag === tag));
    const first = await read('ines');
    expect(await read('odile')).toBe(first);
    const others = await read('marek');
    expect(others.strips.map((one) => one.tag)).toEqual(first.strips.map((one) => one.tag));
    expect(others.strips.map(({ needsMe }) => needsMe)).not.toEqual(first.strips.map(({ needsMe }) => needsMe));
    await shop.act('wenna', 'hold-job', { tag, reason: 'asked', until: '2031-01-01', holder: 'C' });
    expect([stripIn(first).onHold, stripIn(await read('odile')).onHold]).toEqual([false, true]);
    expect((await read('ines')).version).not.toBe(first.version);
  });
});
