import { makeEmptyDatabase, sendTo, tablesOf } from '../../test-support/empty-database';
import { mariaDbVersion } from './fitness';
import { lastMigration, migrateDatabase, openDatabase, takeLease, withSetUp } from '.';

test.each([
  ['10.11.14-MariaDB-0+deb12u2', [10, 11]],
  ['5.5.5-10.6.1-MariaDB', [10, 6]],
  ['11.4.2-mariadb', [11, 4]],
  ['8.0.36', null],
])('%s is the version %j', (said, version) => {
  expect(mariaDbVersion(said)).toEqual(version);
});

describe('a database is refused in a sentence, and stays as it is,', () => {
  test('when a newer version has written it', async () => {
    const url = await makeEmptyDatabase('newer');
    await migrateDatabase(url);
    const later = lastMigration().when + 86_400_000;
    await sendTo(url, `insert into __drizzle_migrations (hash, created_at) values ('of-tomorrow', ${later})`);
    await expect(migrateDatabase(url)).rejects.toThrow(
      /^A newer version of Puddlestone has written this database .*Nothing was written.*restore a backup/,
    );
  });
  test.each(['latin1', 'utf8mb3'])('when its texts are %s', async (charset) => {
    const url = await makeEmptyDatabase('other_texts', charset);
    await expect(migrateDatabase(url)).rejects.toThrow(`keeps its texts in ${charset}`);
    expect(await tablesOf(url)).toEqual([]);
  });
  test('when it is of something else', async () => {
    const url = await makeEmptyDatabase('foreign');
    await sendTo(url, 'create table invoices (id int primary key)');
    await expect(migrateDatabase(url)).rejects.toThrow(/not Puddlestone's \(invoices\)/);
    expect(await tablesOf(url)).toEqual(['invoices']);
  });
});

describe('two first starts at once', () => {
  test('the second is refused with who is at it, the first is served', async () => {
    const url = await makeEmptyDatabase('two_first');
    let release: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (release = resolve));
    let begin: () => void = () => undefined;
    const begun = new Promise<void>((resolve) => (begin = resolve));
    const first = withSetUp(url, async () => {
      begin();
      await held;
      return 'made';
    });
    await begun;
    const second = withSetUp(url, async () => 'made twice');
    await expect(second).rejects.toThrow(
      new RegExp(`^Another first start is at this database: process ${process.pid} on .* for the first time`),
    );
    release();
    expect(await first).toBe('made');
  });
  test('a later start waits, and says for whom', async () => {
    const url = await makeEmptyDatabase('later_start');
    await migrateDatabase(url);
    const { database, pool } = openDatabase(url);
    await takeLease(database, { name: 'set-up', holder: 'process 7 on bench-pc' });
    const told: string[] = [];
    const waiting = withSetUp(url, async () => 'served', { tell: (line) => void told.push(line) });
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(told).toEqual([
      expect.stringMatching(/^Waiting for the database: process 7 on bench-pc has been preparing it/),
    ]);
    await sendTo(url, 'delete from leases');
    expect(await waiting).toBe('served');
    pool.end();
  });
});

test('a lease is one holder’s until it is given back or not renewed', async () => {
  const url = await makeEmptyDatabase('leases');
  await migrateDatabase(url);
  const { database, pool } = openDatabase(url);
  const take = (holder: string) => takeLease(database, { name: 'backup', holder });
  const all = await Promise.all(['a', 'b', 'c', 'd'].map(take));
  expect(all.filter(Boolean)).toHaveLength(1);
  expect(await take('e')).toBe(false);
  await sendTo(url, "update leases set until = timestampadd(second, -1, utc_timestamp(3)) where name = 'backup'");
  expect(await take('e')).toBe(true);
  expect(await take('f')).toBe(false);
  pool.end();
});
