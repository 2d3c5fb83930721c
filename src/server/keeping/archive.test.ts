import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import JSZip from 'jszip';
import { archiveSchema, tablePath, type ManifestTable } from '@/core/keeping';
import { present } from '@/core/present';
import { chooseLeaving, listLeaving, sha256 } from '@/db';
import { knownMigrations } from '@/db/fitness';
import { urlOfDatabase } from '../../../test-support/empty-database';
import { openTestShop, type TestShop } from '../../../test-support/open-test-shop';
import { verifyOne } from '../verify';
import { archiveJobs, bringJobsBack } from './archive';

let shop: TestShop;
let folder: string;
let [repaired, other, open] = ['', '', ''];
/** Four years on, when nothing of today’s jobs is under warranty. */
const later = new Date(Date.now() + 4 * 365.25 * 86_400_000);
const closedBefore = new Date(Date.now() + 365.25 * 86_400_000);

beforeAll(async () => {
  shop = await openTestShop('archive');
  folder = mkdtempSync(join(tmpdir(), 'archives-'));
  repaired = await shop.play({ at: 'closed' });
  other = await shop.play({ at: 'closed' });
  open = await shop.play({ at: 'inspect' });
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

const asked = () => ({
  ...{ database: shop.runtime.database, databaseUrl: urlOfDatabase('archive'), folder, shop: 'Kettlewick Pump Works' },
  ...{ closedBefore, now: later },
});
const back = (file: string) => bringJobsBack({ ...asked(), file });
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => (error instanceof Error ? error.message : error),
  );
const query = async (sql: string) => {
  const [rows] = await shop.runtime.pool.promise().query(sql);
  return rows as Record<string, unknown>[];
};

/** How many rows of a job there are, over all tables that have any. */
async function rowsOf(id: string): Promise<Record<string, number>> {
  const tables = await query(
    "select table_name as name from information_schema.columns where table_schema = database() and column_name = 'job_id'",
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables) {
    const [row] = await query(`select count(*) as n from \`${String(name)}\` where job_id = '${id}'`);
    if (Number(row?.n)) counts[String(name)] = Number(row?.n);
  }
  return counts;
}

test('what the trends look back over stays', async () => {
  expect(await refusal(archiveJobs({ ...asked(), now: new Date() }))).toContain(
    'The trends look back over two years: jobs that closed after',
  );
  expect(await listLeaving(shop.runtime.database, '%')).toEqual([]);
});

test('a job under warranty stays', async () => {
  // Two years on one of them is still under warranty, the other is not.
  const soon = new Date(Date.now() + 26 * 30.5 * 86_400_000);
  await query(`update returns set warranty_months = 36 where job_id = (select id from jobs where tag = '${repaired}')`);
  const file = 'tried.zip';
  expect(await chooseLeaving(shop.runtime.database, { closedBefore, file, at: soon })).toEqual([other]);
  await query("delete from archived_jobs where file = 'tried.zip'");
  await query(`update returns set warranty_months = 12 where job_id = (select id from jobs where tag = '${repaired}')`);
});

test('closed jobs leave into a file with all their rows, and come back as they were', async () => {
  const before = present(await shop.load(repaired));
  const rows = await rowsOf(before.id);
  expect(Object.keys(rows)).toEqual(expect.arrayContaining(['events', 'photos', 'readings', 'quotes', 'reports']));
  const [{ n: spans } = { n: 0 }] = await query(`select count(*) as n from worked_spans where tag = '${repaired}'`);
  const archived = present(await archiveJobs(asked()));
  expect(archived.jobs).toBe(2);
  expect(await rowsOf(before.id)).toEqual({});
  expect(await shop.load(open)).not.toBeNull();
  // Whoever asks for it learns where it lies.
  const name = archived.file.split('/').at(-1);
  await expect(shop.act('wenna', 'read-job', { tag: repaired })).rejects.toMatchObject({ code: 'archived' });
  const found = await shop.act('wenna', 'find-jobs', { text: repaired });
  expect(found).toMatchObject({
    strips: [],
    archived: expect.stringMatching(
      new RegExp(`closed on .* ${new Date().getUTCFullYear()}, was taken .* ${name}\\.$`),
    ) as string,
  });
  // Nothing more may leave.
  expect(await archiveJobs(asked())).toBeNull();

  expect(await back(archived.file)).toBe(2);
  expect(await shop.load(repaired)).toStrictEqual(before);
  // Beside them it stands on the lists of its words at once, whatever they were where it left.
  expect(await rowsOf(before.id)).toEqual({ ...rows, listed_jobs: 1 });
  expect(await query(`select count(*) as n from worked_spans where tag = '${repaired}'`)).toEqual([{ n: spans }]);
  expect(await verifyOne(shop.runtime.database, other)).toBeNull();
  expect(await refusal(back(archived.file))).toMatch(/is here already. Nothing was brought back.$/);
});

/** Takes a column out of a table of an archive, as if its version had not known it. */
async function leaveOut(
  zip: JSZip,
  manifest: { readonly tables: readonly ManifestTable[] },
  of: string,
  column: string,
) {
  const table = present(manifest.tables.find(({ name }) => name === of));
  const at = table.columns.findIndex(({ name }) => name === column);
  const written = present(await zip.file(tablePath(of))?.async('string'));
  const rows = written
    .trimEnd()
    .split('\n')
    .map((line) => JSON.stringify((JSON.parse(line) as unknown[]).toSpliced(at, 1)));
  const text = `${rows.join('\n')}\n`;
  zip.file(tablePath(of), text);
  const without = { ...table, columns: table.columns.toSpliced(at, 1), sha256: sha256(text) };
  return { ...manifest, tables: manifest.tables.map((one) => (one === table ? without : one)) };
}

test('an archive of an older version comes back through every migration since', async () => {
  const before = present(await shop.load(other));
  const { file } = present(await archiveJobs({ ...asked(), now: new Date(later.getTime() + 1000) }));
  const zip = await JSZip.loadAsync(readFileSync(file));
  const text = present(await zip.file('manifest.json')?.async('string'));
  const [migration] = knownMigrations('src/db/migrations').filter(({ tag }) => tag.startsWith('0037'));
  const asBefore = await leaveOut(zip, archiveSchema.parse(JSON.parse(text)), 'jobs', 'model_text');
  zip.file('manifest.json', JSON.stringify({ ...asBefore, migration }));
  const older = join(folder, 'older.zip');
  writeFileSync(older, await zip.generateAsync({ type: 'nodebuffer' }));
  expect(await back(older)).toBe(2);
  expect(await shop.load(other)).toStrictEqual(before);
  const { maker, model, size } = before.pump;
  expect(await query(`select model_text as text from jobs where tag = '${other}'`)).toEqual([
    { text: `${maker} | ${model} | ${size}` },
  ]);
  expect(await query("show databases like 'puddlestone_archive_%'")).toEqual([]);
});

test('a file that was changed is refused before anything is written, and the jobs stay archived', async () => {
  const { file } = present(await archiveJobs({ ...asked(), now: new Date(later.getTime() + 2000) }));
  const bytes = readFileSync(file);
  const damaged = join(folder, 'damaged.zip');
  bytes[Math.floor(bytes.length / 2)] = (bytes[Math.floor(bytes.length / 2)] ?? 0) ^ 0xff;
  writeFileSync(damaged, bytes);
  expect(await refusal(back(damaged))).not.toBe('done');
  await expect(shop.act('wenna', 'read-job', { tag: repaired })).rejects.toMatchObject({ code: 'archived' });
  expect(await back(file)).toBe(2);
});

test('what was broken off before its file was whole lets the jobs stay; after it, it is ended', async () => {
  const { database } = shop.runtime;
  await chooseLeaving(database, { closedBefore, file: 'never-written.zip', at: later });
  const made = present(await archiveJobs({ ...asked(), now: new Date(later.getTime() + 3000) }));
  expect(made.jobs).toBe(2);
  expect(await listLeaving(database, 'never-written.zip')).toEqual([]);
  // As if it had ended between the file and the last rows.
  await back(made.file);
  await chooseLeaving(database, { closedBefore, file: present(made.file.split('/').at(-1)), at: later });
  expect(await archiveJobs({ ...asked(), now: new Date(later.getTime() + 4000) })).toBeNull();
  expect(await shop.load(repaired)).toBeNull();
  await back(made.file);
});
