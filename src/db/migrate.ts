import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createConnection, type Connection as DriverConnection } from 'mysql2/promise';
import { readyAddress } from './nodes';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { checkFitness, knownMigrations, UnfitDatabase } from './fitness';
import { findLease, giveLeaseBack, leaseSeconds, renewLease, takeLease } from './leases';
import * as schema from './schema';
import { putClosedOnLists } from './word-lists';

/** Where the committed migrations are. */
export const shippedMigrations = () => join(process.cwd(), 'src', 'db', 'migrations');

/** The lease under which a database is made, migrated and filled. */
const setUp = 'set-up';
/** Machine and process, as a person is told who is at it. */
export const ownHolder = () => `process ${process.pid} on ${hostname()}`;
/** What follows the holder that makes a shop where none was. */
const firstTime = ', for the first time';

// It stands before the migrations, since they are what it guards; the migration that has it finds it there.
const makeLeases = `create table if not exists leases (name varchar(40) not null, holder varchar(120) not null,
  since datetime(3) not null, until datetime(3) not null, constraint leases_name primary key (name))`;

/** How long another copy is waited for that is at the database, in ms. */
const longestWaitMs = 600_000;
const lookEveryMs = 500;
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Waiting {
  readonly holder: string;
  readonly tell: (line: string) => void;
}

/** Takes the lease, waiting for another copy; of two first starts the second is refused. */
async function takeSetUp(connection: DriverConnection, { holder, tell }: Waiting): Promise<void> {
  const database = drizzle(connection);
  const began = performance.now();
  let isTold = false;
  while (!(await takeLease(database, { name: setUp, holder }))) {
    const held = await findLease(database, setUp);
    const who = held ? `${held.holder} has been preparing it since ${held.since}` : 'another just had it';
    if (`${holder}${held?.holder}`.includes(firstTime))
      throw new UnfitDatabase(
        `Another first start is at this database: ${who}. Nothing was written. Start again when that one serves.`,
      );
    if (!isTold) tell(`Waiting for the database: ${who}.`);
    isTold = true;
    if (performance.now() - began > longestWaitMs)
      throw new UnfitDatabase(`The database was not to be had in ten minutes: ${who}. Nothing was written.`);
    await sleep(lookEveryMs);
  }
}

export interface SetUp {
  readonly folder?: string;
  readonly tell?: (line: string) => void;
}

/**
 * Looks whether a database can be used, migrates it, and does what follows, one copy at a time over all machines.
 * Throws UnfitDatabase with a sentence, before anything is written, for a database that cannot be used.
 */
export async function withSetUp<Result>(
  url: string,
  then: () => Promise<Result>,
  { folder = shippedMigrations(), tell = () => undefined }: SetUp = {},
): Promise<Result> {
  const connection = await createConnection({ uri: await readyAddress(url), timezone: 'Z' });
  const database = drizzle(connection, { schema, mode: 'default' });
  let lease = { name: setUp, holder: ownHolder() };
  let renewing: NodeJS.Timeout | undefined;
  let isTaken = false;
  try {
    const { isEmpty } = await checkFitness(connection, folder);
    lease = { ...lease, holder: `${lease.holder}${isEmpty ? firstTime : ''}` };
    await connection.query(makeLeases);
    await takeSetUp(connection, { holder: lease.holder, tell });
    isTaken = true;
    renewing = setInterval(() => void renewLease(database, lease).catch(() => undefined), (leaseSeconds * 1000) / 4);
    // Another copy may have migrated it meanwhile, to more than this one knows.
    await checkFitness(connection, folder);
    await migrate(database, { migrationsFolder: folder });
    if (folder === shippedMigrations()) await putClosedOnLists(database);
    return await then();
  } finally {
    clearInterval(renewing);
    if (isTaken) await giveLeaseBack(database, lease).catch(() => undefined);
    await connection.end();
  }
}

/** Runs the committed migrations where some are lacking; several copies may start at once. Throws UnfitDatabase. */
export async function migrateDatabase(url: string, folder = shippedMigrations()): Promise<void> {
  const connection = await createConnection({ uri: await readyAddress(url), timezone: 'Z' });
  const { lacking } = await checkFitness(connection, folder).finally(() => connection.end());
  if (lacking) await withSetUp(url, async () => undefined, { folder });
}

export interface Migration {
  readonly tag: string;
  /** The moment by which it is known. */
  readonly when: number;
}

/** The last migration that this version knows. */
export function lastMigration(folder = shippedMigrations()): Migration {
  const last = knownMigrations(folder).at(-1);
  if (!last) throw new Error('There are no migrations');
  return { tag: last.tag, when: last.when };
}

/** The migrations as they were up to one of them, in a folder of their own. */
export function migrationsUpTo(when: number): string {
  const copy = mkdtempSync(join(tmpdir(), 'migrations-'));
  cpSync(shippedMigrations(), copy, { recursive: true });
  const path = join(copy, 'meta', '_journal.json');
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { readonly entries: readonly Migration[] };
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.filter((one) => one.when <= when) }));
  return copy;
}

/** Refuses a database in which anything is. Throws UnfitDatabase. */
export async function requireEmpty(url: string): Promise<void> {
  const connection = await createConnection({ uri: await readyAddress(url), timezone: 'Z' });
  const { isEmpty } = await checkFitness(connection, shippedMigrations()).finally(() => connection.end());
  if (!isEmpty)
    throw new UnfitDatabase(
      'The database is not empty: a backup is brought back into an empty one only. Nothing was written. Name an empty database in DATABASE_URL, or a new folder in PUDDLESTONE_DATA.',
    );
}

/**
 * Makes an empty database as it was after a migration, and does what follows. Throws UnfitDatabase for a migration of a
 * newer version.
 */
export async function migrateTo<Result>(url: string, to: Migration, then: () => Promise<Result>): Promise<Result> {
  if (!knownMigrations(shippedMigrations()).some(({ tag, when }) => tag === to.tag && when === to.when))
    throw new UnfitDatabase(
      `The backup is of a newer version: this one does not know the migration ${to.tag}. Nothing was written.`,
    );
  const folder = migrationsUpTo(to.when);
  try {
    return await withSetUp(url, then, { folder });
  } finally {
    rmSync(folder, { recursive: true });
  }
}
