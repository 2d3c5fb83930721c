import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Connection } from './client';
import * as t from './schema';

export type FeedRow = typeof t.calendarFeeds.$inferSelect;

export async function addFeed(connection: Connection, row: FeedRow): Promise<void> {
  await connection.insert(t.calendarFeeds).values(row);
}

/** The feed of a link that was not ended; null for any other text. */
export async function findFeed(connection: Connection, tokenHash: string): Promise<FeedRow | null> {
  const { calendarFeeds: f } = t;
  const [row] = await connection
    .select()
    .from(f)
    .where(and(eq(f.tokenHash, tokenHash), isNull(f.endedAt)));
  return row ?? null;
}

export async function listFeeds(connection: Connection): Promise<readonly FeedRow[]> {
  const { calendarFeeds: f } = t;
  return connection.select().from(f).where(isNull(f.endedAt)).orderBy(asc(f.at)).limit(500);
}

/** Ends a feed; false where there is none that goes on. */
export async function endFeed(connection: Connection, id: string, at: Date): Promise<boolean> {
  const { calendarFeeds: f } = t;
  const [done] = await connection
    .update(f)
    .set({ endedAt: at })
    .where(and(eq(f.id, id), isNull(f.endedAt)));
  return done.affectedRows === 1;
}
