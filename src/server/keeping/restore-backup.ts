import { createHash } from 'node:crypto';
import { Loader, migrateTo, openDatabase, requireEmpty, Snapshot, withSetUp } from '@/db';
import { verifyAll } from '../verify';
import { BackupFault, type Manifest } from '@/core/keeping';
import { BackupReader, checkBackup } from './read-backup';

export interface Restored {
  readonly manifest: Manifest;
  readonly rows: number;
  /** How many jobs were replayed. */
  readonly replayed: number;
}

/** Puts every table of a backup in, and holds what stands there against what was written. */
async function loadTables(reader: BackupReader, url: string): Promise<number> {
  const loader = await Loader.open(url);
  let rows = 0;
  try {
    for (const table of reader.manifest.tables) {
      await loader.clear(table);
      rows += await loader.load(table, reader.rows(table));
    }
  } finally {
    await loader.close();
  }
  return rows;
}

/** What was brought back, read again as a backup would: each table has the hash of its manifest. */
async function compareTables({ tables }: Manifest, url: string): Promise<void> {
  const snapshot = await Snapshot.open(url, { withoutPicturesBefore: null });
  try {
    for (const table of tables) {
      const hash = createHash('sha256');
      for await (const row of snapshot.rows(table)) hash.update(`${JSON.stringify(row)}\n`);
      if (hash.digest('hex') !== table.sha256)
        throw new BackupFault(`The table ${table.name} was not brought back as it was written.`);
    }
  } finally {
    await snapshot.close();
  }
}

/** Replays every job that was brought back; the first differences stand in the fault. */
async function replayAll(url: string): Promise<number> {
  const { database, pool } = openDatabase(url);
  const found: string[] = [];
  try {
    const count = await verifyAll(database, (tag, { what }) => found.push(`${tag}: ${what}`));
    if (found.length)
      throw new BackupFault(
        `${found.length} of ${count} jobs are not what their events say: ${found.slice(0, 3).join('; ')}.`,
      );
    return count;
  } finally {
    pool.end();
  }
}

/**
 * Brings a backup back into an empty database: tables as of its migration, each held against its hash, then migrated to
 * this version, then every job replayed. The file is read whole before anything is written. Throws BackupFault or
 * UnfitDatabase with a sentence.
 */
export async function restoreBackup(file: string, url: string, tell: (line: string) => void): Promise<Restored> {
  const manifest = await checkBackup(file);
  tell(`The backup of ${manifest.shop} of ${manifest.madeAt} is whole: ${manifest.jobs} jobs.`);
  await requireEmpty(url);
  try {
    return await fill({ file, url, manifest, tell });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new BackupFault(
      `${why}\nThe place is half filled: do not start from it. Bring the backup back into another one.`,
    );
  }
}

interface Filling {
  readonly file: string;
  readonly url: string;
  readonly manifest: Manifest;
  readonly tell: (line: string) => void;
}

async function fill({ file, url, manifest, tell }: Filling): Promise<Restored> {
  const rows = await migrateTo(url, manifest.migration, async () => {
    const reader = await BackupReader.open(file);
    try {
      const loaded = await loadTables(reader, url);
      await compareTables(manifest, url);
      return loaded;
    } finally {
      reader.close();
    }
  });
  tell(`${rows} rows are in their tables, each table with the hash that it was written with.`);
  await withSetUp(url, async () => undefined, { tell });
  const replayed = await replayAll(url);
  return { manifest, rows, replayed };
}
