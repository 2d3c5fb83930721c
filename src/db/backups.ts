import { desc, getTableColumns } from 'drizzle-orm';
import type { Connection } from './client';
import { backups, people } from './schema';
import { query, readRows } from './written-once';

/** Writes down a backup that was made, or why it was not. */
export async function addBackup(connection: Connection, backup: typeof backups.$inferInsert): Promise<void> {
  await connection.insert(backups).values(backup);
}

const lastGood = query(
  getTableColumns(backups),
  'from backups where finished_at is not null and failure is null order by finished_at desc limit 1',
);

/** The last backup that was made and read again without a fault; null when there is none. */
export async function findLastBackup(connection: Connection) {
  const [row] = await readRows(connection, lastGood);
  return row?.finishedAt ? { ...row, finishedAt: row.finishedAt } : null;
}

/** Backups that were tried, newest first. */
export async function listBackups(connection: Connection, limit: number) {
  return connection.select().from(backups).orderBy(desc(backups.startedAt)).limit(limit);
}

const firstOfAll = query({ since: people.createdAt }, 'from people order by created_at limit 1');

/** Since when there is a shop, by the first of its people; null where there is nobody yet. */
export async function findShopBegin(connection: Connection): Promise<Date | null> {
  const [row] = await readRows(connection, firstOfAll);
  return row?.since ?? null;
}
