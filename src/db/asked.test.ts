import { eq, sql } from 'drizzle-orm';
import { asId, type Tag } from '@/core/record';
import { printOf, vouchedFor } from './asked';
import { gathered } from './gathered';
import { openDatabase, readAtOnce, type Connection, type OpenedDatabase } from './client';
import * as t from './schema';
import { writeAlone } from './written-together';

test('a print is that of the rows, however alike others are', () => {
  const alike = [
    [['ab', 'c']],
    [['a', 'bc']],
    [['ab'], ['c']],
    [['ab', null]],
    [['ab', 'null']],
    [[1, 2]],
    [['1', '2']],
    [[Buffer.from('ab')]],
    [[Buffer.from('a'), Buffer.from('b')]],
    [{ a: 'b', c: '' }],
    [{ a: '', c: 'b' }],
    [{ a: { b: [1] } }],
    [{ a: { b: [1, null] } }],
    [new Date(0)],
    [new Date(1)],
    [0],
    [],
  ];
  const prints = alike.map((rows) => printOf(rows).print);
  expect(new Set(prints).size).toBe(alike.length);
  expect(printOf([['ab', Buffer.from('c')]])).toEqual(printOf([['ab', Buffer.from('c')]]));
});

describe('what a look asked', () => {
  const own = new URL(process.env.DATABASE_URL ?? '');
  let opened: OpenedDatabase;
  beforeAll(async () => {
    const first = openDatabase(own.href);
    await first.database.execute(sql`drop database if exists puddlestone_asked`);
    await first.database.execute(sql`create database puddlestone_asked character set utf8mb4`);
    await first.database.execute(sql`create table puddlestone_asked.stones (id int primary key, name text)`);
    first.pool.end(() => undefined);
    opened = openDatabase(Object.assign(new URL(own), { pathname: '/puddlestone_asked' }).href);
  });
  afterAll(() => opened.pool.end(() => undefined));
  beforeEach(async () => {
    await opened.database.execute(sql`delete from stones`);
    await opened.database.execute(sql`insert into stones values (1, 'slate'), (2, 'flint')`);
  });
  const nameOf = (id: number, connection: Connection = opened.database) =>
    connection.execute(sql`select name from stones where id = ${id}`);
  const look = async (act: () => Promise<unknown>) => {
    const asked = opened.looks.begin();
    await opened.looks.within(asked, act);
    return asked;
  };
  const rename = (id: number, name: string) =>
    opened.database.execute(sql`update stones set name = ${name} where id = ${id}`);

  test('is not asked again for what another answer vouches for', async () => {
    const asked = await look(async () => {
      await nameOf(1);
      await vouchedFor(() => nameOf(2));
    });
    await rename(2, 'chert');
    expect([asked.isRepeatable, await opened.looks.isAsBefore(asked)]).toEqual([true, true]);
    await rename(1, 'shale');
    expect(await opened.looks.isAsBefore(asked)).toBe(false);
  });
  test('is the same asked one by one and together, whatever it is of', async () => {
    const { database } = opened;
    await database.execute(sql`create or replace table kinds (id int primary key, at datetime(3), amount decimal(12, 3),
      big bigint, words text, body json, bytes blob, nothing text)`);
    const words = `it’s "5'; rollback; end\\'; select 1 ✓ ? -- /* ; délivré`;
    await database.execute(sql`insert into kinds values (1, '2026-11-30 21:04:05.678', 12.5, 9007199254740993, ${words},
      '{"a": [1, null, "x;y"]}', x'00ff27', null)`);
    const wanted = { id: t.jobs.id, tag: t.jobs.tag };
    await database.execute(sql`create or replace table jobs (id varchar(36), tag varchar(99))`);
    await database.execute(sql`insert into jobs values ('j1', ${words})`);
    const all = [
      () => database.execute(sql`select * from kinds where words = ${words} and id in (${1}, ${2})`),
      () =>
        database
          .select(wanted)
          .from(t.jobs)
          .where(eq(t.jobs.tag, asId<Tag>(words))),
      () => database.execute(sql`select 1 as same, 2 as same`),
      () => database.execute(sql`with one as (select count(*) as n from stones) select * from one`),
      () => database.execute(sql`select name from stones where 0`),
      () => database.execute(sql`select body, at from kinds where at < ${new Date('2027-01-01T00:00:00Z')}`),
      () => nameOf(1),
      () => nameOf(2),
    ];
    // One more than go together, and each by itself.
    const together = await look(async () => {
      for (const one of all) await one();
    });
    expect(await opened.looks.isAsBefore(together)).toBe(true);
    for (const one of all) expect(await opened.looks.isAsBefore(await look(one))).toBe(true);
    await database.execute(sql`update kinds set at = '2026-11-30 21:04:05.679'`);
    expect(await opened.looks.isAsBefore(together)).toBe(false);
    await database.execute(sql`update kinds set at = '2026-11-30 21:04:05.678'`);
    expect(await opened.looks.isAsBefore(together)).toBe(true);
    await rename(2, 'marl');
    expect(await opened.looks.isAsBefore(together)).toBe(false);
  });
  test('what is read in one turn of the loop goes together, and each gets its own', async () => {
    const names = (rows: unknown) => rows as readonly { name: string }[];
    const [[one], [other], all] = await Promise.all([
      nameOf(1, opened.reads),
      nameOf(2, opened.reads),
      opened.reads.execute(sql`select count(*) as n from stones`),
    ]);
    expect([names(one), names(other)]).toEqual([[{ name: 'slate' }], [{ name: 'flint' }]]);
    const asks: unknown[] = [];
    const pool = { query: (...statement: unknown[]) => (asks.push(statement), Promise.reject(new Error('away'))) };
    const { query } = gathered(pool as never);
    const both = await Promise.allSettled([query('select 1'), query('select 2')]);
    expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
    expect(asks).toHaveLength(1);
    expect(all[0]).toMatchObject([{ n: 2 }]);
  });
  test('asks together in one statement, and says what the database refuses', async () => {
    const asked = await look(async () => {
      await nameOf(1);
      await nameOf(2);
    });
    const asks: unknown[] = [];
    const asker = { query: (...statement: unknown[]) => (asks.push(statement), Promise.reject(new Error('away'))) };
    await expect(asked.isAnsweredSo(asker as never)).rejects.toThrow('away');
    expect(asks).toHaveLength(1);
    await opened.database.execute(sql`rename table stones to pebbles`);
    await expect(opened.looks.isAsBefore(asked)).rejects.toThrow(/stones/);
    await opened.database.execute(sql`rename table pebbles to stones`);
    expect(await opened.looks.isAsBefore(asked)).toBe(true);
  });
  test('is not given again where what is vouched for could not be read', async () => {
    const asked = await look(async () => {
      await nameOf(1);
      await vouchedFor(() => opened.database.execute(sql`select nothing from nowhere`)).catch(() => undefined);
    });
    expect(asked.isRepeatable).toBe(false);
  });
  test('is answered as before until a row of it is another one, and again when it is as it was', async () => {
    const asked = await look(async () => {
      await nameOf(1);
      await readAtOnce(opened.database, (connection) => nameOf(2, connection));
    });
    expect(await opened.looks.isAsBefore(asked)).toBe(true);
    await opened.database.execute(sql`insert into stones values (3, 'chalk')`);
    expect(await opened.looks.isAsBefore(asked)).toBe(true);
    await rename(2, 'marl');
    expect(await opened.looks.isAsBefore(asked)).toBe(false);
    await rename(2, 'flint');
    expect(await opened.looks.isAsBefore(asked)).toBe(true);
  });

  test('is its own, whoever else looks at the same time', async () => {
    const [one, other] = await Promise.all([look(() => nameOf(1)), look(() => nameOf(2))]);
    await nameOf(1);
    await rename(1, 'marl');
    expect(await Promise.all([one, other].map(opened.looks.isAsBefore))).toEqual([false, true]);
  });

  test.each<[string, () => Promise<unknown>]>([
    ['writes', () => rename(1, 'marl')],
    [
      'writes several things together',
      () => writeAlone(opened.database, (into) => into.execute(sql`update stones set name = 'marl' where id = 1`)),
    ],
    ['takes a lock', () => opened.database.execute(sql`select name from stones where id = 1 for update`)],
    ['is refused', () => opened.database.execute(sql`select wrong from stones`).catch(() => null)],
    ['asks for much', () => opened.database.execute(sql`select repeat('stone ', 50000)`)],
  ])('is not asked again where it %s', async (_, act) => {
    const asked = await look(async () => {
      await nameOf(2);
      await act();
    });
    expect(asked.isRepeatable).toBe(false);
    expect(await opened.looks.isAsBefore(asked)).toBe(false);
  });
});
