import { sql } from 'drizzle-orm';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { isDuplicate } from './translate-error';
import { rowsOf, type Connection } from './client';
import { writeAlone, writeTogether } from './written-together';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('together_written')));
afterAll(() => shop.close());

const compare = (from: number) => sql`update noted set version = ${from + 1} where id = 1 and version = ${from}`;
const add = (id: number, words: string | null) => sql`insert into noted values (${id}, 1, ${words})`;
type Statements = readonly ReturnType<typeof add>[];
const through = (statements: Statements) => async (into: Connection) => {
  for (const one of statements) await into.execute(one);
  return statements.length;
};
const all = async () => {
  const rows = await rowsOf<{ id: number; version: number; words: string | null }>(
    shop.runtime.database,
    sql`select id, version, words from noted order by id`,
  );
  return rows.map(({ id, version, words }) => [id, version, words]);
};

describe.each([
  {
    how: 'in a transaction',
    write: (...statements: Statements) =>
      shop.runtime.database.transaction((within) => writeTogether(within, through(statements))),
  },
  {
    how: 'in a transaction of its own',
    write: (...statements: Statements) => writeAlone(shop.runtime.database, through(statements)),
  },
])('$how', ({ write }) => {
  beforeAll(async () => {
    const { database } = shop.runtime;
    await database.execute(sql`create or replace table noted (id int primary key, version int not null, words text)`);
    await database.execute(sql`insert into noted values (1, 1, 'first')`);
  });

  test('all of it is written in one statement, whatever stands in the values', async () => {
    const words = `it’s "5'; rollback; end\\'; select 1 ✓ ? -- /* ; delete from noted`;
    expect(await write(compare(1), add(2, words), add(3, null))).toBe(3);
    expect(await all()).toEqual([
      [1, 2, 'first'],
      [2, 1, words],
      [3, 1, null],
    ]);
  });

  test('where the first one meets no row, nothing of the others is done', async () => {
    const before = await all();
    expect(await write(compare(1), add(4, 'stale'))).toBeNull();
    expect(await all()).toEqual(before);
  });

  test('where one of the others fails it is said as its own failure, and all is undone', async () => {
    const before = await all();
    const failure = await write(compare(2), add(5, 'new'), add(2, 'taken')).catch((error: unknown) => error);
    expect(isDuplicate(failure)).toBe(true);
    expect(await all()).toEqual(before);
    // What the connection of the pool carries out afterwards stands.
    expect(await write(compare(2), add(5, 'new'))).toBe(2);
    expect(await all()).toEqual([[1, 3, 'first'], ...before.slice(1), [5, 1, 'new']]);
  });

  test('the first one by itself, and nothing at all', async () => {
    expect(await write(compare(3))).toBe(1);
    expect(await write(compare(3))).toBeNull();
    expect(await write()).toBe(0);
  });

  test('of those who write on the same version at once, one is first and the others write nothing', async () => {
    const done = await Promise.all([11, 12, 13, 14, 15].map((id) => write(compare(4), add(id, 'one of them'))));
    expect(done.filter((one) => one === 2)).toHaveLength(1);
    expect(done.filter((one) => one === null)).toHaveLength(4);
    expect((await all()).filter(([, , words]) => words === 'one of them')).toHaveLength(1);
  });
});

describe('what is written along in a transaction of its own', () => {
  const told: boolean[] = [];
  const along = (statement: ReturnType<typeof add>) => ({ statement, done: (isMet: boolean) => void told.push(isMet) });
  const write = (statement: ReturnType<typeof add>, ...statements: Statements) =>
    writeAlone(shop.runtime.database, through(statements), along(statement));
  const note = (words: string, id: number) => sql`update noted set words = ${words} where id = ${id}`;
  beforeEach(async () => {
    const { database } = shop.runtime;
    told.length = 0;
    await database.execute(sql`create or replace table noted (id int primary key, version int not null, words text)`);
    await database.execute(sql`insert into noted values (1, 1, 'first')`);
  });

  test('it is told whether it met a row; the rest stands either way', async () => {
    expect(await write(note('along', 2), compare(1), add(2, 'new'))).toBe(2);
    expect(await write(note('nobody', 9), compare(2))).toBe(1);
    expect(told).toEqual([true, false]);
    expect(await all()).toEqual([
      [1, 3, 'first'],
      [2, 1, 'along'],
    ]);
  });

  test('it is neither done nor told of where the first one meets no row', async () => {
    expect(await write(note('along', 1), compare(7))).toBeNull();
    expect([told, await all()]).toEqual([[], [[1, 1, 'first']]]);
  });

  test('where it fails, all is undone', async () => {
    const failure = await write(add(1, 'taken'), compare(1)).catch((error: unknown) => error);
    expect(isDuplicate(failure)).toBe(true);
    expect([told, await all()]).toEqual([[], [[1, 1, 'first']]]);
  });
});
