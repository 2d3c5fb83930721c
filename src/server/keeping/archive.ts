import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { archiveSchema, BackupFault, type ArchiveManifest, type ManifestTable } from '@/core/keeping';
import {
  chooseLeaving,
  createEmptyDatabase,
  dropDatabase,
  forgetArchived,
  lastMigration,
  letStay,
  listHere,
  listLeavingFiles,
  Loader,
  migrateTo,
  putClosedOnLists,
  sharedTables,
  Snapshot,
  takeOut,
  withSetUp,
  type Database,
  type DumpedTable,
  type DumpedValue,
} from '@/db';
import { version } from '../../../package.json';
import { verifyOne } from '../verify';
import { writeTables } from './make-backup';
import { BackupReader, checkFile } from './read-backup';

/** The trends look back over two years; what closed within them stays, with a month to spare. */
const youngestMonths = 25;

export interface ArchiveAsked {
  readonly database: Database;
  readonly databaseUrl: string;
  /** Where the file is written. */
  readonly folder: string;
  readonly closedBefore: Date;
  readonly now: Date;
  /** Name of the shop. */
  readonly shop: string;
}

export interface Archived {
  readonly file: string;
  readonly jobs: number;
  readonly bytes: number;
}

/** What an archiving that was broken off has left: with its file it is ended, without it the jobs stay. */
async function endEarlier({ database, folder }: ArchiveAsked): Promise<void> {
  for (const name of await listLeavingFiles(database)) {
    const path = join(folder, name);
    const isWhole =
      existsSync(path) &&
      (await checkFile(path, archiveSchema).then(
        () => true,
        () => false,
      ));
    if (isWhole) await takeOut(database, name);
    else await letStay(database, name);
  }
}

async function write(asked: ArchiveAsked, path: string, tags: readonly string[]): Promise<void> {
  const { databaseUrl, now, shop } = asked;
  const part = `${path}.part`;
  const snapshot = await Snapshot.open(databaseUrl, { archive: basename(path), withoutPicturesBefore: null });
  const rowsIn = (tables: readonly ManifestTable[], name: string) =>
    tables.find((table) => table.name === name)?.rows ?? 0;
  try {
    await writeTables(snapshot, part, (tables): ArchiveManifest => ({
      ...{ format: 'puddlestone-archive', formatVersion: 1, madeAt: now.toISOString(), productVersion: version },
      ...{ migration: lastMigration(), shop, tags: [...tags], tables },
      ...{ jobs: rowsIn(tables, 'jobs'), pictures: rowsIn(tables, 'photos') },
    }));
    const manifest = await checkFile(part, archiveSchema);
    if (manifest.jobs !== tags.length) throw new BackupFault('A job was changed while the archive was written.');
    await rename(part, path);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  } finally {
    await snapshot.close().catch(() => undefined);
  }
}

/**
 * Takes closed jobs out of the record into one file: it is written and read again whole before any of them leaves.
 * Throws BackupFault with a sentence; then all jobs are still here.
 * @returns null where no job may leave
 */
export async function archiveJobs(asked: ArchiveAsked): Promise<Archived | null> {
  const { database, folder, closedBefore, now } = asked;
  const latest = new Date(now);
  latest.setUTCMonth(latest.getUTCMonth() - youngestMonths);
  if (closedBefore > latest)
    throw new BackupFault(
      `The trends look back over two years: jobs that closed after ${latest.toISOString().slice(0, 10)} stay. Nothing was archived.`,
    );
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await endEarlier(asked);
  const stamp = now.toISOString().slice(0, 19).replaceAll(/[-:]/g, '');
  const name = `puddlestone-archive-${closedBefore.toISOString().slice(0, 10)}-${stamp}Z.zip`;
  const path = join(folder, name);
  const tags = await chooseLeaving(database, { closedBefore, file: name, at: now });
  if (!tags.length) return null;
  try {
    await write(asked, path, tags);
  } catch (error) {
    await letStay(database, name);
    throw error;
  }
  const jobs = await takeOut(database, name);
  return { file: path, jobs, bytes: (await stat(path)).size };
}

interface Source {
  readonly tables: readonly DumpedTable[];
  readonly rows: (table: DumpedTable) => AsyncIterable<readonly DumpedValue[]>;
}

/** Puts rows into their tables, all or nothing; of customers and pumps that are here nothing changes. */
async function load(url: string, { tables, rows }: Source): Promise<void> {
  const loader = await Loader.open(url, { isEmpty: false });
  try {
    await loader.begin();
    for (const table of tables) await loader.load(table, rows(table), { keepsThere: sharedTables.has(table.name) });
    await loader.commit();
  } finally {
    await loader.close();
  }
}

/** The rows of an archive of an older version, brought to this one in a database of their own. */
async function loadOlder(url: string, reader: BackupReader<ArchiveManifest>): Promise<void> {
  const { migration, tables } = reader.manifest;
  const own = await createEmptyDatabase(url, `puddlestone_archive_${randomBytes(4).toString('hex')}`);
  try {
    const names = new Set(tables.map(({ name }) => name));
    await migrateTo(own, migration, () => load(own, { tables, rows: (table) => reader.rows(table as ManifestTable) }));
    await withSetUp(own, async () => undefined);
    const snapshot = await Snapshot.open(own, { withoutPicturesBefore: null });
    try {
      const now = (await snapshot.tables()).filter(({ name }) => names.has(name));
      await load(url, { tables: now, rows: (table) => snapshot.rows(table) });
    } finally {
      await snapshot.close();
    }
  } finally {
    await dropDatabase(own);
  }
}

export interface BringBack {
  readonly database: Database;
  readonly databaseUrl: string;
  readonly file: string;
}

/**
 * Brings the jobs of an archive back into the record, as they were, and replays each. The file is read whole before
 * anything is written. Throws BackupFault or UnfitDatabase with a sentence.
 * @returns how many came back
 */
export async function bringJobsBack({ database, databaseUrl, file }: BringBack): Promise<number> {
  const manifest = await checkFile(file, archiveSchema);
  const [there] = await listHere(database, manifest.tags);
  if (there) throw new BackupFault(`${there} is here already. Nothing was brought back.`);
  const reader = await BackupReader.openAs(file, archiveSchema);
  try {
    if (manifest.migration.tag === lastMigration().tag)
      await load(databaseUrl, {
        tables: manifest.tables,
        rows: (table) => reader.rows(table as ManifestTable),
      });
    else await loadOlder(databaseUrl, reader);
  } finally {
    reader.close();
  }
  if ((await listHere(database, manifest.tags)).length !== manifest.tags.length)
    throw new BackupFault('The database took the rows and does not have them. Nothing was brought back.');
  await forgetArchived(database, manifest.tags);
  await putClosedOnLists(database);
  const wrong: string[] = [];
  for (const tag of manifest.tags) {
    const difference = await verifyOne(database, tag);
    if (difference) wrong.push(`${tag}: ${difference.what}`);
  }
  if (wrong.length)
    throw new BackupFault(
      `The jobs are back, and ${wrong.length} are not what their events say: ${wrong.slice(0, 3).join('; ')}.`,
    );
  return manifest.tags.length;
}
