import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { basename, dirname } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { lastMigration, Snapshot, type DumpedTable } from '@/db';
import { version } from '../../../package.json';
import { manifestPath, tablePath, type Manifest, type ManifestTable } from '@/core/keeping';
import { checkBackup } from './read-backup';

export interface BackupAsked {
  readonly databaseUrl: string;
  readonly file: string;
  readonly now: Date;
  /** Name of the shop. */
  readonly shop: string;
  /** Pictures that were taken before are left out. */
  readonly withoutPicturesBefore?: Date | null;
}

/** A row a line; the hash and the count are of what was written. */
function tableText(snapshot: Snapshot, table: DumpedTable, done: (table: ManifestTable) => void): Readable {
  async function* lines() {
    const hash = createHash('sha256');
    let rows = 0;
    for await (const row of snapshot.rows(table)) {
      const line = Buffer.from(`${JSON.stringify(row)}\n`);
      hash.update(line);
      rows++;
      yield line;
    }
    done({ ...table, columns: [...table.columns], rows, sha256: hash.digest('hex') });
  }
  return Readable.from(lines(), { objectMode: false });
}

interface Opening {
  readonly path: string;
  readonly from: () => Readable;
}

/** Adds a file to a zip whose text is made when its turn comes. */
function addLazily(zip: ZipFile, { path, from }: Opening): void {
  zip.addReadStreamLazy(path, { compressionLevel: 3 }, (ready) => ready(null, from()));
}

/** Writes tables as they stand into a zip, and a manifest that is made of what was written. */
export async function writeTables(
  snapshot: Snapshot,
  path: string,
  manifest: (tables: ManifestTable[]) => object,
): Promise<void> {
  const tables = await snapshot.tables();
  const written: ManifestTable[] = [];
  const zip = new ZipFile();
  for (const table of tables)
    addLazily(zip, {
      path: tablePath(table.name),
      from: () => tableText(snapshot, table, (done) => void written.push(done)),
    });
  const text = () => Readable.from([Buffer.from(JSON.stringify(manifest(written), null, 1))]);
  addLazily(zip, { path: manifestPath, from: text });
  zip.end();
  // The zip says by itself what went wrong while a table was read.
  const failed = new Promise<never>((_, reject) => zip.on('error', reject));
  await Promise.race([pipeline(zip.outputStream, createWriteStream(path, { mode: 0o600 })), failed]);
  await settle(path);
}

async function writeZip(asked: BackupAsked, snapshot: Snapshot, path: string): Promise<void> {
  const [jobs, pictures] = [await snapshot.count('jobs'), await snapshot.count('photos')];
  const manifest = (tables: ManifestTable[]): Manifest => ({
    ...{ format: 'puddlestone-backup', formatVersion: 1, madeAt: asked.now.toISOString(), productVersion: version },
    ...{ migration: lastMigration(), shop: asked.shop, jobs, pictures, tables },
    withoutPicturesBefore: asked.withoutPicturesBefore?.toISOString() ?? null,
  });
  await writeTables(snapshot, path, manifest);
}

/** Makes sure that a file is on the disk before it is called made. */
async function settle(path: string): Promise<void> {
  const handle = await open(path, 'r+');
  await handle.sync().finally(() => handle.close());
}

/**
 * Writes the whole record as it stands at one moment into one file, while people work, and reads it again: only a file
 * whose hashes agree gets its name. Throws what the disk or the database says; then no file stands there.
 */
export async function makeBackup(asked: BackupAsked): Promise<{ readonly bytes: number; readonly manifest: Manifest }> {
  const part = `${asked.file}.part`;
  await mkdir(dirname(asked.file), { recursive: true, mode: 0o700 });
  const snapshot = await Snapshot.open(asked.databaseUrl, {
    withoutPicturesBefore: asked.withoutPicturesBefore ?? null,
  });
  try {
    await writeZip(asked, snapshot, part);
    const manifest = await checkBackup(part);
    await rename(part, asked.file);
    return { bytes: (await stat(asked.file)).size, manifest };
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  } finally {
    await snapshot.close().catch(() => undefined);
  }
}

/** The name of a backup that is made now; one without old pictures says so in it. */
export const backupName = (now: Date, isWhole = true) =>
  `puddlestone-${now.toISOString().slice(0, 19).replaceAll('-', '').replaceAll(':', '')}Z${isWhole ? '' : '-newer-pictures'}.zip`;

/** When a whole backup was made, by its name; null for any other file. */
export function momentOfBackup(path: string): Date | null {
  const parts = /^puddlestone-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z\.zip$/.exec(basename(path));
  if (!parts) return null;
  const [, year, month, day, hour, minute, second] = parts;
  return new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`);
}
