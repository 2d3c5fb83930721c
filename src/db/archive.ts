import { and, eq, inArray, sql } from 'drizzle-orm';
import { createConnection } from 'mysql2/promise';
import type { Tag } from '@/core/record';
import { rowsOf, type Connection, type Database } from './client';
import { sharedTables } from './dump';
import { readyAddress } from './nodes';
import { archivedJobs, jobs } from './schema';

interface Asked {
  readonly closedBefore: Date;
  readonly file: string;
  readonly at: Date;
}

/**
 * Writes down which closed jobs leave into a file: those that were closed before a day and that nothing leans on, such as
 * a warranty that runs, an open job of the same lot, or a comeback that is here.
 * @returns their tags
 */
export async function chooseLeaving(database: Database, { closedBefore, file, at }: Asked): Promise<readonly Tag[]> {
  await database.execute(sql`
    insert into archived_jobs (tag, former_id, pump_id, customer_id, version, opened_at, closed_at, outcome, file, state, at)
    select j.tag, j.id, j.pump_id, j.customer_id, j.version, j.opened_at, j.closed_at, j.outcome, ${file}, 'leaving', ${at}
    from jobs j left join returns r on r.job_id = j.id
    where j.closed_at < ${closedBefore}
      and (r.warranty_from is null or timestampadd(month, r.warranty_months, r.warranty_from) < ${at})
      and not exists (select 1 from jobs m where m.lot_id = j.lot_id and m.closed_at is null)
      and not exists (select 1 from jobs c where c.earlier_job_id = j.id and (c.closed_at is null or c.closed_at >= ${closedBefore}))
      and not exists (select 1 from archived_jobs a where a.tag = j.tag)
    order by j.tag`);
  return listLeaving(database, file);
}

/** Files whose jobs were leaving when the work on them was broken off. */
export async function listLeavingFiles(connection: Connection): Promise<readonly string[]> {
  const rows = await connection
    .selectDistinct({ file: archivedJobs.file })
    .from(archivedJobs)
    .where(eq(archivedJobs.state, 'leaving'));
  return rows.map(({ file }) => file);
}

/** Tags of the jobs that leave into a file, in their order. */
export async function listLeaving(connection: Connection, file: string): Promise<readonly Tag[]> {
  const rows = await connection
    .select({ tag: archivedJobs.tag })
    .from(archivedJobs)
    .where(and(eq(archivedJobs.file, file), eq(archivedJobs.state, 'leaving')))
    .orderBy(archivedJobs.tag);
  return rows.map(({ tag }) => tag);
}

/** Takes back that jobs leave: the file could not be written. */
export async function letStay(connection: Connection, file: string): Promise<void> {
  await connection.delete(archivedJobs).where(and(eq(archivedJobs.file, file), eq(archivedJobs.state, 'leaving')));
}

/** Tables with rows of a job. */
async function tablesOfJobs(connection: Connection): Promise<readonly string[]> {
  const rows = await rowsOf<{ name: string }>(
    connection,
    sql`select table_name as name from information_schema.columns
        where table_schema = database() and column_name = 'job_id' and is_generated = 'NEVER' order by table_name`,
  );
  return rows.map(({ name }) => name).filter((name) => !sharedTables.has(name));
}

/** How many jobs leave in one transaction. */
const atOnce = 100;

/**
 * Takes the jobs of a file out of the record, some at a time. One that changed after it was written down stays, and is
 * none of the archive's.
 * @returns how many left
 */
export async function takeOut(database: Database, file: string): Promise<number> {
  const tables = await tablesOfJobs(database);
  let count = 0;
  for (;;) {
    const left = await database.transaction(async (within) => {
      const rows = await within
        .select({ tag: archivedJobs.tag, id: archivedJobs.formerId, version: archivedJobs.version, now: jobs.version })
        .from(archivedJobs)
        .leftJoin(jobs, eq(jobs.id, archivedJobs.formerId))
        .where(and(eq(archivedJobs.file, file), eq(archivedJobs.state, 'leaving')))
        .limit(atOnce)
        .for('update');
      const changed = rows.filter(({ version, now }) => now !== null && now !== version);
      const going = rows.filter((row) => !changed.includes(row));
      if (changed.length)
        await within.delete(archivedJobs).where(
          inArray(
            archivedJobs.tag,
            changed.map(({ tag }) => tag),
          ),
        );
      if (going.length) await removeJobs(within, tables, going);
      return { read: rows.length, gone: going.length };
    });
    count += left.gone;
    if (!left.read) return count;
  }
}

async function removeJobs(
  within: Connection,
  tables: readonly string[],
  going: readonly { readonly id: string; readonly tag: Tag }[],
): Promise<void> {
  const ids = sql.join(
    going.map(({ id }) => sql`${id}`),
    sql`, `,
  );
  const tags = going.map(({ tag }) => tag);
  for (const table of tables) await within.execute(sql`delete from ${sql.identifier(table)} where job_id in (${ids})`);
  await within.execute(
    sql`delete from worked_spans where tag in (${sql.join(
      tags.map((tag) => sql`${tag}`),
      sql`, `,
    )})`,
  );
  await within.execute(sql`delete from jobs where id in (${ids})`);
  await within.update(archivedJobs).set({ state: 'archived' }).where(inArray(archivedJobs.tag, tags));
}

/** Where a job lies that was taken out; null for one that was not. */
export async function findArchived(connection: Connection, tag: string) {
  const [row] = await connection
    .select()
    .from(archivedJobs)
    .where(and(eq(archivedJobs.tag, tag as Tag), eq(archivedJobs.state, 'archived')));
  return row ?? null;
}

/** Jobs of a pump that were taken out, the newest first. */
export async function listArchivedOfPump(connection: Connection, pumpId: string) {
  return connection
    .select()
    .from(archivedJobs)
    .where(and(eq(archivedJobs.pumpId, pumpId), eq(archivedJobs.state, 'archived')))
    .orderBy(sql`closed_at desc`)
    .limit(200);
}

/** Which of some jobs are in the record. */
export async function listHere(connection: Connection, tags: readonly string[]): Promise<readonly Tag[]> {
  if (!tags.length) return [];
  const rows = await connection
    .select({ tag: jobs.tag })
    .from(jobs)
    .where(inArray(jobs.tag, tags as Tag[]));
  return rows.map(({ tag }) => tag);
}

/** Forgets that jobs lie in a file: they are back. */
export async function forgetArchived(connection: Connection, tags: readonly string[]): Promise<void> {
  if (tags.length) await connection.delete(archivedJobs).where(inArray(archivedJobs.tag, tags as Tag[]));
}

/** Makes an empty database of a name beside another one. Gives its address. */
export async function createEmptyDatabase(url: string, name: string): Promise<string> {
  const own = new URL(await readyAddress(url));
  own.pathname = `/${name}`;
  await askServer(url, `create database ${name} character set utf8mb4 collate utf8mb4_unicode_ci`);
  return own.href;
}

/** Takes a database away that `createEmptyDatabase` made. */
export async function dropDatabase(url: string): Promise<void> {
  await askServer(url, `drop database if exists ${new URL(url).pathname.slice(1)}`);
}

async function askServer(url: string, statement: string): Promise<void> {
  const connection = await createConnection({ uri: await readyAddress(url) });
  await connection.query(statement).finally(() => connection.end());
}
