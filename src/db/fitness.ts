import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Connection as DriverConnection, RowDataPacket } from 'mysql2/promise';
import * as z from 'zod';

/** Why a database cannot be used, in a sentence; nothing was written when it is thrown. */
export class UnfitDatabase extends Error {
  override readonly name = 'UnfitDatabase';
}

const oldestMariaDb = [10, 10] as const;

/** The version of a MariaDB by what it says of itself; null for another database. */
export function mariaDbVersion(text: string): readonly [number, number] | null {
  const [, major, minor] = /(\d+)\.(\d+)\.\d+-mariadb/i.exec(text) ?? [];
  return major === undefined || minor === undefined ? null : [Number(major), Number(minor)];
}

const isOlder = ([major, minor]: readonly [number, number], [than, thanMinor]: readonly [number, number]) =>
  major < than || (major === than && minor < thanMinor);

const journalSchema = z.object({ entries: z.array(z.object({ tag: z.string(), when: z.number() })).min(1) });

/** The migrations that this version knows, in order, with the moment by which each is known. */
export function knownMigrations(folder: string): readonly { readonly tag: string; readonly when: number }[] {
  return journalSchema.parse(JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8'))).entries;
}

export interface Fitness {
  /** Whether nothing of a shop is there yet. */
  readonly isEmpty: boolean;
  /** How many migrations it lacks. */
  readonly lacking: number;
}

async function one<Row>(connection: DriverConnection, sql: string): Promise<Row | undefined> {
  const [rows] = await connection.query<RowDataPacket[]>(sql);
  return rows[0] as Row | undefined;
}

async function checkServer(connection: DriverConnection): Promise<void> {
  const said = (await one<{ version: string }>(connection, 'select version() as version'))?.version ?? '';
  const version = mariaDbVersion(said);
  if (!version || isOlder(version, oldestMariaDb))
    throw new UnfitDatabase(
      `The database is ${said || 'unknown'}; Puddlestone needs MariaDB ${oldestMariaDb.join('.')} or newer. Nothing was written.`,
    );
  const schema = await one<{ name: string | null; charset: string }>(
    connection,
    `select database() as name, (select default_character_set_name from information_schema.schemata
       where schema_name = database()) as charset`,
  );
  if (!schema?.name)
    throw new UnfitDatabase('The address of the database names none: it ends with /name. Nothing was written.');
  if (schema.charset !== 'utf8mb4')
    throw new UnfitDatabase(
      `The database ${schema.name} keeps its texts in ${schema.charset}, which cannot hold every sign of the trade. Nothing was written. Make one that can: CREATE DATABASE ${schema.name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci.`,
    );
}

/** Tables that stand before anything of the shop does. */
const forerunners = new Set(['leases', '__drizzle_migrations']);

/**
 * Looks whether a database can be used by this version, without changing it. Throws UnfitDatabase for another kind of
 * database, one whose texts are not utf8mb4, one of something else, and one that a newer version wrote.
 */
export async function checkFitness(connection: DriverConnection, folder: string): Promise<Fitness> {
  await checkServer(connection);
  const [tables] = await connection.query<RowDataPacket[]>(
    'select table_name as name from information_schema.tables where table_schema = database()',
  );
  const names = tables.map((row) => String((row as { name: string }).name));
  const known = knownMigrations(folder);
  const isEmpty = names.every((name) => forerunners.has(name));
  if (!names.includes('__drizzle_migrations')) {
    if (!isEmpty)
      throw new UnfitDatabase(
        `The database holds tables that are not Puddlestone's (${names.slice(0, 3).join(', ')}). Nothing was written. Name an empty one in DATABASE_URL.`,
      );
    return { isEmpty, lacking: known.length };
  }
  const [rows] = await connection.query<RowDataPacket[]>('select created_at as moment from __drizzle_migrations');
  const done = new Set(rows.map((row) => Number((row as { moment: string | number }).moment)));
  const newest = Math.max(0, ...done);
  const last = known.at(-1);
  if (last && newest > last.when)
    throw new UnfitDatabase(
      `A newer version of Puddlestone has written this database (on ${new Date(newest).toISOString().slice(0, 10)}; this version knows it up to ${last.tag}). Nothing was written. Start the newer version, or restore a backup of before.`,
    );
  return { isEmpty, lacking: known.filter(({ when }) => !done.has(when)).length };
}
