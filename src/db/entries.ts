import { getTableColumns, lt } from 'drizzle-orm';
import type { PersonId } from '@/core/record';
import type { Connection } from './client';
import * as t from './schema';
import { insertRows, query, readRows } from './written-once';

interface EntryRow {
  readonly key: string;
  readonly verb: string;
  readonly personId: PersonId | null;
  readonly fingerprint: string;
  readonly answer: unknown;
  readonly at: Date;
}

const entryOfKey = query(getTableColumns(t.entries), 'from entries where entries.`key` = ?');

/** An entry that was answered before; null for a new key. */
export async function findEntry(connection: Connection, key: string) {
  const [row] = await readRows(connection, entryOfKey, [key]);
  return row ? { ...row, answer: JSON.parse(row.answer) as unknown } : null;
}

/** Keeps the answer to an entry; a second one with the same key meets the primary key. */
export async function addEntry(
  connection: Connection,
  { key, verb, personId, fingerprint, answer, at }: EntryRow,
): Promise<void> {
  const row = { key, verb, personId, fingerprint, at, answer: JSON.stringify(answer ?? null) };
  await insertRows(connection, t.entries, [row]);
}

/** Forgets entries from before a moment: no device keeps one that long. */
export async function forgetEntries(connection: Connection, before: Date): Promise<void> {
  await connection.delete(t.entries).where(lt(t.entries.at, before));
}
