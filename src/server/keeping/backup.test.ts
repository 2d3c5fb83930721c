import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { present } from '@/core/present';
import { findLastBackup, listBackups, openDatabase, takeLease } from '@/db';
import { makeEmptyDatabase, tablesOf, urlOfDatabase } from '../../../test-support/empty-database';
import { openTestShop, type TestShop } from '../../../test-support/open-test-shop';
import { backUp, backUpWhenDue, type KeepingAt } from './keep-backups';
import { backupName, makeBackup, momentOfBackup } from './make-backup';
import { checkBackup } from './read-backup';
import { restoreBackup } from './restore-backup';

const silent = () => undefined;

let shop: TestShop;
let folder: string;
let at: KeepingAt;
let tag: string;
let photoId: string;
beforeAll(async () => {
  shop = await openTestShop('backed_up');
  folder = mkdtempSync(join(tmpdir(), 'backups-'));
  const { database } = shop.runtime;
  at = { database, databaseUrl: urlOfDatabase('backed_up'), folder, now: () => new Date() };
  tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#a33b2a' } })
    .jpeg()
    .toBuffer();
  ({ photoId } = await shop.addPhoto('ines', { tag, about: 'part:casing' }, picture));
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

test('a backup is one file with the whole record, read again, and is written down', async () => {
  const made = present(await backUp(at, { askedBy: 'Sunniva' }));
  expect(made).toMatchObject({ failure: null, jobs: 1, pictures: 2 });
  expect(readdirSync(folder)).toEqual([made.file.split('/').at(-1)]);
  const manifest = await checkBackup(made.file);
  const names = manifest.tables.map(({ name }) => name);
  expect(names).toEqual(expect.arrayContaining(['jobs', 'events', 'photos', 'people', 'deeds']));
  // Sessions, counters of tries and leases are of the moment.
  expect(names).not.toEqual(expect.arrayContaining(['sessions']));
  expect(names).not.toEqual(expect.arrayContaining(['tries']));
  expect(await findLastBackup(at.database)).toMatchObject({ file: made.file, askedBy: 'Sunniva', jobs: 1 });
});

test('brought back into an empty place, all is there to the byte, and every job is what its events say', async () => {
  const file = join(folder, backupName(new Date('2026-11-20T02:00:00Z')));
  await makeBackup({ databaseUrl: at.databaseUrl, file, now: new Date(), shop: 'Kettlewick Pump Works' });
  const url = await makeEmptyDatabase('brought_back');
  const restored = await restoreBackup(file, url, silent);
  expect(restored.replayed).toBe(1);
  const there = openDatabase(url);
  const [now] = await there.pool.promise().query('select bytes, about from photos where id = ?', [photoId]);
  const [before] = await shop.runtime.pool.promise().query('select bytes, about from photos where id = ?', [photoId]);
  expect(now).toEqual(before);
  expect(await listBackups(there.database, 5)).toHaveLength(1);
  // A second one from there is the same, table by table.
  const again = join(folder, backupName(new Date('2026-11-20T02:00:01Z')));
  const { manifest } = await makeBackup({ databaseUrl: url, file: again, now: new Date(), shop: '' });
  expect(manifest.tables).toEqual(restored.manifest.tables);
  await expect(restoreBackup(file, url, silent)).rejects.toThrow(/not empty.*Nothing was written/);
  there.pool.end();
});

test('what is written meanwhile is in it whole or not at all', async () => {
  let isOver = false;
  const receive = async () => {
    let count = 0;
    while (!isOver && count < 40) {
      await shop.play({ at: 'receive', part: 'undeclared' });
      count++;
    }
    return count;
  };
  const writing = receive();
  const files = [0, 1].map((n) => join(folder, backupName(new Date(Date.UTC(2026, 10, 21, 2, 0, n)))));
  for (const file of files) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    await makeBackup({ databaseUrl: at.databaseUrl, file, now: new Date(), shop: '' });
  }
  isOver = true;
  expect(await writing).toBeGreaterThan(0);
  for (const [i, file] of files.entries()) {
    const { manifest, replayed } = await restoreBackup(file, await makeEmptyDatabase(`meanwhile_${i}`), silent);
    expect(replayed).toBe(manifest.jobs);
  }
});

test('pictures before a day can be left out; all else is there', async () => {
  const file = join(folder, backupName(new Date('2026-11-22T02:00:00Z')));
  const withoutPicturesBefore = new Date(Date.now() + 60_000);
  await makeBackup({ databaseUrl: at.databaseUrl, file, now: new Date(), shop: '', withoutPicturesBefore });
  const url = await makeEmptyDatabase('without_pictures');
  const { manifest } = await restoreBackup(file, url, silent);
  expect(manifest.withoutPicturesBefore).toBe(withoutPicturesBefore.toISOString());
  const there = openDatabase(url);
  const [rows] = await there.pool.promise().query('select sum(length(bytes)) as n, count(*) as count from photos');
  expect(rows).toEqual([{ n: '0', count: manifest.pictures }]);
  there.pool.end();
});

describe('a file is refused in words, and nothing is written', () => {
  let whole: Buffer;
  let url: string;
  beforeAll(async () => {
    const file = join(folder, backupName(new Date('2026-11-23T02:00:00Z')));
    await makeBackup({ databaseUrl: at.databaseUrl, file, now: new Date(), shop: '' });
    whole = readFileSync(file);
    url = await makeEmptyDatabase('refused');
  });
  const bring = (bytes: Buffer) => {
    const file = join(folder, 'given.zip');
    writeFileSync(file, bytes);
    return restoreBackup(file, url, silent).finally(() => rmSync(file));
  };
  const isEmpty = async () => (await tablesOf(url)).length === 0;
  test('one that is cut off', async () => {
    await expect(bring(whole.subarray(0, whole.length - 400))).rejects.toThrow(/cannot be read as a backup/);
    expect(await isEmpty()).toBe(true);
  });
  test.each([0.2, 0.5, 0.8])('one with a byte that changed (at %d of it)', async (share) => {
    const bytes = Buffer.from(whole);
    const place = Math.floor(bytes.length * share);
    bytes[place] = (bytes[place] ?? 0) ^ 0x55;
    await expect(bring(bytes)).rejects.toMatchObject({ name: 'BackupFault' });
    expect(await isEmpty()).toBe(true);
  });
  test('one that is something else', async () => {
    await expect(bring(Buffer.from('not a zip at all'))).rejects.toThrow(/cannot be read as a backup/);
    await expect(restoreBackup(join(folder, 'nowhere.zip'), url, silent)).rejects.toThrow(/nowhere\.zip/);
  });
});

describe('the nightly backup', () => {
  const night: KeepingAt['now'] = () => new Date(Date.now() + 2 * 86_400_000);
  test('is made once, by whichever copy comes first, and not again before the next night', async () => {
    const before = (await listBackups(at.database, 100)).length;
    await Promise.all([backUpWhenDue({ ...at, now: night }), backUpWhenDue({ ...at, now: night })]);
    await backUpWhenDue({ ...at, now: night });
    const all = await listBackups(at.database, 100);
    expect(all.length).toBe(before + 1);
    expect(all[0]).toMatchObject({ askedBy: 'Puddlestone', failure: null });
  });
  test('that another copy is at is not made', async () => {
    await takeLease(at.database, { name: 'backup', holder: 'process 1 on another machine' });
    expect(await backUp(at, { askedBy: 'Sunniva' })).toBeNull();
    await shop.runtime.pool.promise().query("delete from leases where name = 'backup'");
  });
  test('that cannot be written is written down with why, and the last good one stays the last good one', async () => {
    const good = await findLastBackup(at.database);
    const file = join(folder, 'a-file');
    writeFileSync(file, '');
    const failed = present(await backUp({ ...at, folder: join(file, 'below') }, { askedBy: 'Sunniva' }));
    expect(failed.failure).toMatch(/ENOTDIR/);
    expect((await findLastBackup(at.database))?.id).toBe(good?.id);
    rmSync(file);
  });
  test('takes out what is outlived and what was cut off, and nothing else', async () => {
    for (const name of ['puddlestone-20260101T020000Z.zip', 'puddlestone-20260102T020000Z.zip', 'holiday.zip'])
      writeFileSync(join(folder, name), '');
    writeFileSync(join(folder, 'puddlestone-20260103T020000Z.zip.part'), '');
    await backUp(at, { askedBy: 'Sunniva' });
    const names = readdirSync(folder);
    expect(names).toContain('holiday.zip');
    expect(names).toContain('puddlestone-20260102T020000Z.zip');
    expect(names).not.toContain('puddlestone-20260101T020000Z.zip');
    expect(names.some((name) => name.endsWith('.part'))).toBe(false);
  });
});

test('one without old pictures never stands for a whole one, and a folder named for one alone is not tidied', async () => {
  const whole = (await findLastBackup(at.database))?.id;
  const before = readdirSync(folder);
  const old = 'puddlestone-20260101T020000Z.zip';
  writeFileSync(join(folder, old), '');
  const made = present(await backUp(at, { askedBy: 'npm run backup', withoutPicturesBefore: new Date() }));
  expect(made.failure).toBeNull();
  expect(made.file).toMatch(/Z-newer-pictures\.zip$/);
  expect((await findLastBackup(at.database))?.id).toBe(whole);
  expect(readdirSync(folder)).toEqual(expect.arrayContaining([...before, old]));
  await backUp({ ...at, now: () => new Date(Date.now() + 5000) }, { askedBy: 'npm run backup', tidies: false });
  expect(readdirSync(folder)).toContain(old);
});

test('a backup says by its name when it was made', () => {
  const now = new Date('2026-11-28T02:00:07.123Z');
  expect(backupName(now)).toBe('puddlestone-20261128T020007Z.zip');
  expect(momentOfBackup(`/somewhere/${backupName(now)}`)).toEqual(new Date('2026-11-28T02:00:07Z'));
  expect(momentOfBackup('puddlestone.zip')).toBeNull();
  expect(momentOfBackup(backupName(now, false))).toBeNull();
});
