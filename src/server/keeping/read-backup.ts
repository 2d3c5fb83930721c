import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { text } from 'node:stream/consumers';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import * as z from 'zod';
import type { DumpedValue } from '@/db';
import {
  BackupFault,
  manifestPath,
  manifestSchema,
  tablePath,
  type Manifest,
  type ManifestTable,
} from '@/core/keeping';

/** A manifest is small; a larger one is none, in bytes. */
const largestManifest = 4_000_000;

const rowSchema = z.array(z.string().nullable());

/** What is read of any manifest. */
type Tables = Pick<Manifest, 'tables'>;

/** An opened backup or archive. */
export class BackupReader<Read extends Tables = Manifest> {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly manifest: Read,
  ) {}

  /** Opens a backup and reads its manifest. Throws BackupFault for a file that is none. */
  static async open(path: string): Promise<BackupReader> {
    return BackupReader.openAs(path, manifestSchema);
  }

  /** As `open` for a file whose manifest has another schema. */
  static async openAs<Read extends Tables>(path: string, schema: z.ZodType<Read>): Promise<BackupReader<Read>> {
    const zip = await openPromise(path, { autoClose: false }).catch((error: unknown) => {
      throw new BackupFault(`${path} cannot be read as a backup: ${sayCause(error)}.`);
    });
    try {
      const entries = new Map<string, Entry>();
      for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
      return new BackupReader(
        zip,
        entries,
        await readManifest(zip, { entry: entries.get(manifestPath), path, schema }),
      );
    } catch (error) {
      zip.close();
      if (error instanceof BackupFault) throw error;
      throw new BackupFault(`${path} cannot be read as a backup: ${sayCause(error)}.`);
    }
  }

  close(): void {
    this.zip.close();
  }

  /** The rows of a table; throws BackupFault at their end where they are not those that were written. */
  async *rows(table: ManifestTable): AsyncGenerator<readonly DumpedValue[]> {
    const entry = this.entries.get(tablePath(table.name));
    if (!entry) throw new BackupFault(`The backup lacks the table ${table.name}.`);
    const hash = createHash('sha256');
    let count = 0;
    for await (const line of linesOf(await this.zip.openReadStreamPromise(entry), (piece) => hash.update(piece))) {
      count++;
      yield rowOf(line, table, count);
    }
    if (count !== table.rows || hash.digest('hex') !== table.sha256)
      throw new BackupFault(`The table ${table.name} is not what was written: its hash or its count differs.`);
  }
}

/** The lines of a stream, one at a time: the stream waits for whoever reads them, and its errors are theirs. */
async function* linesOf(stream: Readable, see: (piece: Buffer) => void): AsyncGenerator<string> {
  const begun: Buffer[] = [];
  for await (const chunk of stream) {
    let piece = chunk as Buffer;
    see(piece);
    for (let end = piece.indexOf(10); end >= 0; end = piece.indexOf(10)) {
      begun.push(piece.subarray(0, end));
      yield Buffer.concat(begun).toString('utf8');
      begun.length = 0;
      piece = piece.subarray(end + 1);
    }
    if (piece.length) begun.push(piece);
  }
  if (begun.length) yield Buffer.concat(begun).toString('utf8');
}

const sayCause = (error: unknown) => (error instanceof Error ? error.message : String(error));

function rowOf(line: string, table: ManifestTable, number: number): readonly DumpedValue[] {
  const fault = new BackupFault(`Row ${number} of the table ${table.name} cannot be read.`);
  try {
    const row = rowSchema.safeParse(JSON.parse(line));
    if (!row.success || row.data.length !== table.columns.length) throw fault;
    return row.data;
  } catch {
    throw fault;
  }
}

interface Asked<Read> {
  readonly entry: Entry | undefined;
  readonly path: string;
  readonly schema: z.ZodType<Read>;
}

async function readManifest<Read>(zip: ZipFile, { entry, path, schema }: Asked<Read>): Promise<Read> {
  if (!entry || entry.uncompressedSize > largestManifest) throw new BackupFault(`${path} has no manifest.`);
  const body: unknown = JSON.parse(await text(await zip.openReadStreamPromise(entry)));
  const read = schema.safeParse(body);
  if (!read.success) throw new BackupFault(`The manifest of ${path} is not one of format 1.`);
  return read.data;
}

/** Reads a backup whole and holds it against its manifest. Throws BackupFault with what is wrong. */
export const checkBackup = (path: string): Promise<Manifest> => checkFile(path, manifestSchema);

/** As `checkBackup` for a file whose manifest has another schema. */
export async function checkFile<Read extends Tables>(path: string, schema: z.ZodType<Read>): Promise<Read> {
  const reader = await BackupReader.openAs(path, schema);
  try {
    for (const table of reader.manifest.tables) for await (const _row of reader.rows(table)) continue;
    return reader.manifest;
  } catch (error) {
    if (error instanceof BackupFault) throw error;
    throw new BackupFault(`${path} is damaged: ${sayCause(error)}.`);
  } finally {
    reader.close();
  }
}
