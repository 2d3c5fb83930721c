import { rmSync } from 'node:fs';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { present } from '@/core/present';
import { makeEmptyDatabase } from '../../test-support/empty-database';
import { knownMigrations } from './fitness';
import { lastMigration, migrateDatabase, migrationsUpTo, withSetUp } from '.';

const shipped = knownMigrations('src/db/migrations');

interface Column {
  readonly name: string;
  readonly type: string;
  readonly key: string;
  readonly length: number | null;
  readonly extra: string;
}

let connection: Connection;
let url: string;
let made = 0;

async function columnsByTable(): Promise<ReadonlyMap<string, readonly Column[]>> {
  const [rows] = await connection.query<RowDataPacket[]>(
    `select c.table_name as tableName, c.column_name as name, c.column_key as \`key\`,
       if(k.constraint_name is null, c.data_type, 'json') as type,
       c.character_maximum_length as length, c.extra as extra
     from information_schema.columns c
     left join information_schema.check_constraints k on k.constraint_schema = c.table_schema
       and k.table_name = c.table_name and k.constraint_name = c.column_name and k.check_clause like 'json_valid%'
     where c.table_schema = database() and c.is_generated = 'NEVER' and c.table_name not in ('__drizzle_migrations', 'leases')
     order by c.table_name, c.ordinal_position`,
  );
  const found = new Map<string, Column[]>();
  for (const { tableName, ...column } of rows as (Column & { tableName: string })[])
    found.set(tableName, [...(found.get(tableName) ?? []), column]);
  return found;
}

/** A value that fits a column and is met nowhere else where it must not be; texts have signs of other scripts. */
function valueFor({ type, key, length }: Column): unknown {
  made++;
  if (/char|text/.test(type)) return `v${made}${key ? '' : ' “ü” ⌀'}`.slice(0, length ?? 40);
  if (type === 'json') return '{}';
  if (/blob/.test(type)) return Buffer.from([made & 255, 0, 255]);
  if (type === 'datetime') return '2026-03-04 05:06:07.891';
  if (type === 'date') return '2026-03-04';
  if (type === 'tinyint') return 1;
  if (type === 'decimal') return key ? made % 90 : 7;
  // The row of the shop and its mark are the first of theirs.
  return key === 'PRI' && made < 2 ? 1 : made % 9000;
}

type Kept = Readonly<Record<string, unknown>>;
/** What was put into each table, by the migration after which it was put there. */
const put: { readonly table: string; readonly after: string; readonly row: Kept }[] = [];

async function putOneIntoEach(after: string): Promise<void> {
  for (const [table, columns] of await columnsByTable()) {
    const row = Object.fromEntries(
      columns.filter(({ extra }) => !extra.includes('auto_increment')).map((column) => [column.name, valueFor(column)]),
    );
    await connection.query('insert into ?? set ?', [table, row]);
    put.push({ table, after, row });
  }
}

/** Makes the pump that was put in last that of the job that was: the others name one that nobody put. */
async function givePump(): Promise<void> {
  const lastOf = (table: string) => put.findLastIndex((one) => one.table === table);
  const [job, pump] = [present(put[lastOf('jobs')]), present(put[lastOf('pumps')])];
  const id = job.row['pump_id'];
  await connection.query('update pumps set id = ? where id = ?', [id, pump.row['id']]);
  put[lastOf('pumps')] = { ...pump, row: { ...pump.row, id } };
}

const asText = (value: unknown) => (Buffer.isBuffer(value) ? value.toString('hex') : JSON.stringify(value));

beforeAll(async () => {
  url = await makeEmptyDatabase('upgrade_path');
  connection = await createConnection({ uri: url, timezone: 'Z', dateStrings: true, jsonStrings: true });
  await connection.query('set foreign_key_checks = 0');
});
afterAll(() => connection.end());

test('a database of every earlier migration, with rows in every table, is brought to this version', async () => {
  for (const { tag, when } of shipped) {
    const folder = migrationsUpTo(when);
    await migrateDatabase(url, folder);
    rmSync(folder, { recursive: true });
    if (tag !== lastMigration().tag) await putOneIntoEach(tag);
    if (tag === '0037_catalogue-version') await givePump();
  }
  expect(new Set(put.map(({ after }) => after)).size).toBe(shipped.length - 1);
  expect(put.length).toBeGreaterThan(600);
});

test('of each job stands there what its pump is, by which others like it are found', async () => {
  const [rows] = await connection.query<RowDataPacket[]>(
    `select distinct jobs.model_text as text, maker, model, size from jobs inner join pumps on pumps.id = jobs.pump_id`,
  );
  expect(rows).toHaveLength(1);
  const [{ text, maker, model, size }] = rows as [Readonly<Record<string, string>>];
  expect(text).toBe(`${maker} | ${model} | ${size}`);
});

test('the closed ones among them stand on the lists of their words before anybody asks', async () => {
  const unlisted = async () => {
    const [rows] = await connection.query<RowDataPacket[]>(
      `select count(*) as jobs, count(number) as listed from jobs left join listed_jobs on job_id = jobs.id
       where closed_at is not null`,
    );
    return rows[0];
  };
  expect(await unlisted()).toMatchObject({ listed: 0 });
  await withSetUp(url, async () => undefined);
  const { jobs, listed } = present(await unlisted());
  expect(jobs).toBeGreaterThan(20);
  expect(listed).toBe(jobs);
});

/**
 * Tables that were taken apart into others; `migrations.test.ts` holds what became of their rows. The points of test runs
 * went into the runs (0003); counters of tries are of the moment.
 */
const takenApart = new Set(['captures', 'test_points', 'rate_limits']);

test('every row that was put in is there after, with what its columns held that are still there', async () => {
  const now = await columnsByTable();
  const gone = [...new Set(put.map(({ table }) => table))].filter((table) => !now.has(table));
  expect(gone.filter((table) => !takenApart.has(table))).toEqual([]);
  const lost: string[] = [];
  for (const { table, after, row } of put) {
    const columns = now.get(table)?.filter(({ name }) => name in row) ?? [];
    const keys = columns.filter(({ key }) => key === 'PRI');
    if (!columns.length || !keys.length) continue;
    const [rows] = await connection.query<RowDataPacket[]>(
      `select * from ?? where ${keys.map(() => '?? = ?').join(' and ')}`,
      [table, ...keys.flatMap(({ name }) => [name, row[name]])],
    );
    const [found] = rows as Kept[];
    if (!found) lost.push(`${table} after ${after}`);
    const texts = columns.filter(({ type }) => /char|text|blob/.test(type));
    for (const { name } of texts)
      if (found && asText(found[name]) !== asText(row[name]))
        lost.push(`${table}.${name} after ${after}: ${asText(row[name])} became ${asText(found[name])}`);
  }
  expect(lost).toEqual([]);
});
