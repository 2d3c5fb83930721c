import { createServer, type AddressInfo } from 'node:net';
import { dirname } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { present } from '@/core/present';
import { openTestShop, testReceiving, type TestShop } from '../../test-support/open-test-shop';
import {
  addAudit,
  addBackup,
  isAnswering,
  listInstruments,
  listOpenShown,
  listPeople,
  migrateDatabase,
  multiplyJobs,
  openDatabase,
  readNoticeFacts,
  readShop,
  readShopAtHand,
  searchJobs,
  translateError,
} from '.';
import { DomainError } from '@/core/errors';

let shop: TestShop;
const ownUrl = () => present(process.env.DATABASE_URL).replace(/\/[^/]*$/, '/puddlestone_repositories');
beforeAll(async () => void (shop = await openTestShop('repositories')));
afterAll(() => shop.close());

test('migrations may be run by several copies at once, and again', async () => {
  const url = ownUrl();
  await Promise.all([migrateDatabase(url), migrateDatabase(url), migrateDatabase(url)]);
  const [rows] = await shop.runtime.pool.promise().query('select count(*) as n from __drizzle_migrations');
  expect(present((rows as { n: number }[])[0]).n).toBeGreaterThan(0);
});

test('temporary tables lie in a place of this database alone, where no other that starts takes them away', async () => {
  const [rows] = await shop.runtime.pool.promise().query('select @@tmpdir as own, @@datadir as data');
  const { own, data } = present((rows as { own: string; data: string }[])[0]);
  expect(dirname(own)).toBe(dirname(data.replace(/\/$/, '')));
});

test('moments are UTC and measured values decimal, as the server itself says', async () => {
  const pool = shop.runtime.pool.promise();
  const [columns] = await pool.query(
    "select table_name t, column_name c, column_type k from information_schema.columns where table_schema = 'puddlestone_repositories'",
  );
  const kind = (table: string, column: string) =>
    (columns as { t: string; c: string; k: string }[]).find((one) => one.t === table && one.c === column)?.k;
  expect(kind('readings', 'value')).toBe('decimal(18,6)');
  expect(kind('quote_lines', 'unit_price_minor')).toBe('int(11)');
  expect(kind('events', 'at')).toBe('datetime(3)');
});

test('tags run on without gaps or doubles when many are received at once', async () => {
  const received = await Promise.all(
    Array.from({ length: 12 }, (_, i) => shop.act('wenna', 'receive-pump', testReceiving(`N-${i}`))),
  );
  const numbers = received.map((one) => Number((one.tag as string).slice(2))).sort((a, b) => a - b);
  expect(numbers).toEqual(Array.from({ length: 12 }, (_, i) => present(numbers[0]) + i));
});

test('the floor is paged by key: every open job once, by promise', async () => {
  const seen: string[] = [];
  for (let after: { promisedOn: string; id: string } | null = null, page = 0; page < 10; page++) {
    const rows: Awaited<ReturnType<typeof listOpenShown>> = await listOpenShown(shop.runtime.database, {
      after,
      limit: 5,
    });
    seen.push(...rows.map((row) => row.id));
    if (rows.length < 5) break;
    after = { promisedOn: present(rows.at(-1)).promisedOn, id: present(rows.at(-1)).id };
  }
  expect(new Set(seen).size).toBe(seen.length);
  expect(seen.length).toBeGreaterThanOrEqual(12);
});

describe('what lists show of a job', () => {
  const shownAfter = async (change: string) => {
    const connection = await createConnection(ownUrl());
    const shown = async () => {
      const [rows] = await connection.query('select id, shown_hash as shown from jobs order by tag limit 1');
      return present((rows as { id: string; shown: string }[])[0]);
    };
    await connection.beginTransaction();
    const before = await shown();
    await connection.query(`update jobs set ${change} where id = ?`, [before.id]);
    const after = await shown();
    await connection.rollback();
    await connection.end();
    return { before: before.shown, after: after.shown };
  };
  test.each([
    ...["station = 'return'", "holder = 'O'", 'holder_since = holder_since + interval 1 second'],
    ...['hold = \'{"reason":"asked"}\'', "outcome = 'scrapped'", 'promised_on = promised_on + interval 1 day'],
    ...["family_id = 'another'", "customer_id = 'another'", 'closed_at = utc_timestamp()'],
    ...["standing = json_set(standing, '$.holder', 'O')", "tag = concat(tag, '0')"],
    'pump_id = (select max(id) from pumps where id <> jobs.pump_id)',
  ])('is another text after %s', async (change) => {
    const { before, after } = await shownAfter(change);
    expect(after).toMatch(/^[0-9a-f]{64}$/);
    expect(after).not.toBe(before);
  });
  test('stays after what they do not show', async () => {
    const { before, after } = await shownAfter("version = version + 1, head_hash = sha2('x', 256), search_text = 'x'");
    expect(after).toBe(before);
  });
});

test('search finds by tag, part of a serial number, and words; wildcards are only characters', async () => {
  const find = async (text: string, tag: string | null = null) =>
    (await searchJobs(shop.runtime.database, { tag, text, limit: 50 })).map((row) => row.serial);
  expect(await find('N-3')).toContain('N-3');
  expect(await find('botanical')).toContain('N-3');
  expect(await find('pond wat')).toContain('N-5');
  expect(await find('%')).toEqual([]);
  expect(await find('N_3')).toEqual([]);
  expect(await find('+-*"()<>~@')).toEqual([]);
  // In whatever order they are asked for, and whichever of them is seldom.
  const both = await find('botanical pond');
  expect(both).toContain('N-5');
  expect(await find('pond botanical')).toEqual(both);
  expect(await find('botanical nobodyofthisname')).toEqual([]);
  // Two letters begin a word; the other words count beside them.
  expect(await find('po botan')).toContain('N-5');
  expect(await find('ta')).toEqual([]);
  expect(await find('xy botanical')).toEqual([]);
});

test('a job is found by a part of a word, whatever its case and accents, when it is closed too: after open ones', async () => {
  const find = async () =>
    (await searchJobs(shop.runtime.database, { tag: null, text: 'CHSHAUSER', limit: 50 })).map((row) => row.id);
  const query = (text: string, ...values: readonly string[]) => shop.runtime.pool.promise().query(text, [...values]);
  const [rows] = await query('select id from jobs where closed_at is null order by opened_at desc limit 3');
  const [newest = '', second = '', third = ''] = (rows as { id: string }[]).map(({ id }) => id);
  expect(await find()).toEqual([]);
  // Whatever changes a job makes another version of it.
  const words = "search_text = 'Gewächshäuserpumpe', version = version + 1";
  await query(`update jobs set ${words} where id in (?, ?)`, second, third);
  await query(`update jobs set ${words}, closed_at = '2031-01-02 03:04:05' where id = ?`, newest);
  expect(await find()).toEqual([second, third, newest]);
  await query("update jobs set closed_at = '2031-01-02 03:04:06' where id = ?", second);
  expect(await find()).toEqual([third, newest, second]);
  await query('update jobs set closed_at = null where id in (?, ?)', newest, second);
});

test('what the notices to the owner follow from is read in one statement', async () => {
  const { database } = shop.runtime;
  const begun = (await readNoticeFacts(database, new Date())).since;
  expect(begun).toBeInstanceOf(Date);
  const backup = { file: 'puddlestone-20260101T020000Z.zip', bytes: 10, jobs: 1, pictures: 0, askedBy: 'Sunniva' };
  const moment = (text: string) => new Date(`2026-01-${text}:00Z`);
  const made = [
    { startedAt: moment('01T02:00'), finishedAt: moment('01T02:05'), failure: null },
    { startedAt: moment('02T02:00'), finishedAt: moment('02T02:05'), failure: null },
    { startedAt: moment('03T02:00'), finishedAt: moment('03T02:01'), failure: 'no room' },
    { startedAt: moment('04T02:00'), finishedAt: null, failure: null },
  ];
  for (const [i, one] of made.entries()) await addBackup(database, { id: `backup-${i}`, ...backup, ...one });
  const lock = { kind: 'locked', personId: null, personName: '', client: '', agent: '' } as const;
  for (const [i, at] of ['03T09:00', '05T09:00', '04T09:00', '02T09:00'].entries())
    await addAudit(database, { id: `lock-${i}`, ...lock, at: moment(at), words: `locked at ${at}` });
  expect(await readNoticeFacts(database, moment('02T12:00'))).toEqual({
    since: begun,
    lastGood: moment('02T02:00'),
    locks: ['locked at 05T09:00', 'locked at 04T09:00', 'locked at 03T09:00'],
  });
});

test('the shop at hand has its people by name, whoever works here, without what they sign in with', async () => {
  const at = present(await readShopAtHand(shop.runtime.database));
  const people = await listPeople(shop.runtime.database);
  expect(people.length).toBeGreaterThan(2);
  expect(at.people).toEqual(
    people.map(({ id, name, role, pinHash }) => ({ id, name, role, hasPin: pinHash !== null })),
  );
  expect(at.shop).toEqual(await readShop(shop.runtime.database));
  expect(at.tools).toEqual(await listInstruments(shop.runtime.database));
  // Of one look it is read once, however many ask.
  const context = shop.runtime.contextFor({ kind: 'nobody' }, { isOneLook: true });
  expect(context.shopAtHand()).toBe(context.shopAtHand());
});

test('a database that is away is said so, not thrown as a stranger', async () => {
  const { database, pool } = openDatabase('mysql://nobody:x@127.0.0.1:9/puddlestone');
  expect(await isAnswering(database)).toBe(false);
  const error = await database.execute('select 1').then(
    () => null,
    (reason: unknown) => translateError(reason),
  );
  expect(error).toBeInstanceOf(DomainError);
  expect((error as DomainError).code).toBe('database-away');
  pool.end(() => undefined);
});

test('a database that takes a connection and says nothing more is away within the time that was given', async () => {
  const silent = createServer();
  await new Promise<void>((resolve) => silent.listen(0, '127.0.0.1', resolve));
  const { port } = silent.address() as AddressInfo;
  const { database, pool } = openDatabase(`mysql://nobody:x@127.0.0.1:${port}/puddlestone`);
  const began = performance.now();
  expect(await isAnswering(database, 300)).toBe(false);
  expect(performance.now() - began).toBeLessThan(2000);
  pool.end(() => undefined);
  silent.close();
});

describe('a database that goes away in mid-change', () => {
  test('is said as away, so that the entry waits; nothing of the change is kept', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const before = present(await shop.load(tag)).version;
    const { database } = shop.runtime;
    const dying = database.transaction(async (connection) => {
      await connection.execute("update jobs set version = version + 1 where tag = '" + tag + "'");
      await connection.execute('kill connection_id()').catch(() => undefined);
      await connection.execute('select 1');
    });
    const error = await dying.then(
      () => null,
      (reason: unknown) => translateError(reason),
    );
    expect(error).toBeInstanceOf(DomainError);
    expect((error as DomainError).code).toBe('database-away');
    expect(present(await shop.load(tag)).version).toBe(before);
  });
  test.each([
    ['a closed connection, which has no code', { fatal: true }],
    ['a refused one', { code: 'ECONNREFUSED' }],
    ['a server that shuts down', { errno: 1053 }],
    ['any of them, however deep', { cause: { cause: { cause: { code: 'PROTOCOL_CONNECTION_LOST' } } } }],
  ])('%s', (_what, shape) => {
    const error = translateError(Object.assign(new Error('in the words of the driver'), shape));
    expect(error).toMatchObject({ code: 'database-away' });
  });
  test.each([1021, 1026, 1114])('a disk that is full is said as that (%d)', (errno) => {
    const error = translateError(Object.assign(new Error('in the words of the driver'), { errno }));
    expect(error).toMatchObject({ code: 'disk-full' });
  });
  test('a refusal that was foreseen stays what it is, and a stranger stays a stranger', () => {
    const foreseen = new DomainError('gate-shut');
    expect(translateError(foreseen)).toBe(foreseen);
    const stranger = new Error('something else');
    expect(translateError(stranger)).toBe(stranger);
    const circle: Error & { cause?: unknown } = new Error('its own cause');
    circle.cause = circle;
    expect(translateError(circle)).toBe(circle);
  });
});

test('copies of a closed job, as benchmarks take them, were closed one after the other, from today back', async () => {
  const query = async (text: string) => (await shop.runtime.pool.promise().query(text))[0];
  const [first] = (await query('select id from jobs where closed_at is null limit 1')) as { id: string }[];
  const own = present(first).id;
  await query(`update jobs set opened_at = utc_timestamp() - interval 21 day, version = version + 1,
    closed_at = utc_timestamp() - interval 10 day - interval 1 hour where id = '${own}'`);
  await multiplyJobs(shop.runtime.database, { times: 3, from: 7, closed: true });
  // Ten days after the own end by three days each, and the nine days of three copies are gone through again.
  expect(
    await query(`select timestampdiff(day, closed_at, utc_timestamp()) as days, timestampdiff(hour, opened_at, closed_at) as hours
      from jobs where closed_at is not null and id <> '${own}' order by tag`),
  ).toEqual([4, 7, 1].map((days) => ({ days, hours: 263 })));
});
