import { and, desc, isNotNull, isNull, min } from 'drizzle-orm';
import type { Connection } from './client';
import { backups, people } from './schema';

/** Writes down a backup that was made, or why it was not. */
export async function addBackup(connection: Connection, backup: typeof backups.$inferInsert): Promise<void> {
  await connection.insert(backups).values(backup);
}

/** The last backup that was made and read again without a fault; null when there is none. */
export async function findLastBackup(connection: Connection) {
  const [row] = await connection
    .select()
    .from(backups)
    .where(and(isNotNull(backups.finishedAt), isNull(backups.failure)))
    .orderBy(desc(backups.finishedAt))
    .limit(1);
  return row?.finishedAt ? { ...row, finishedAt: row.finishedAt } : null;
}

/** Backups that were tried, newest first. */
export async function listBackups(connection: Connection, limit: number) {
  return connection.select().from(backups).orderBy(desc(backups.startedAt)).limit(limit);
}

/** Since when there is a shop, by the first of its people; null where there is nobody yet. */
export async function findShopBegin(connection: Connection): Promise<Date | null> {
  const [row] = await connection.select({ since: min(people.createdAt) }).from(people);
  return row?.since ?? null;
}
