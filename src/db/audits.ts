import { and, asc, desc, eq, inArray, isNull, lt, or } from 'drizzle-orm';
import type { PersonId } from '@/core/record';
import type { Connection } from './client';
import { audits, people, sessions, tablets } from './schema';
import { insertRows } from './written-once';

export async function addAudit(connection: Connection, audit: typeof audits.$inferInsert): Promise<void> {
  await insertRows(connection, audits, [audit]);
}

/** What was noted last, newest first. */
export async function listAudits(connection: Connection, limit: number) {
  return connection.select().from(audits).orderBy(desc(audits.at), desc(audits.id)).limit(limit);
}

export async function forgetAudits(connection: Connection, before: Date): Promise<void> {
  await connection.delete(audits).where(lt(audits.at, before));
}

/** Devices at the bench that are still such, by name. */
export async function listTablets(connection: Connection) {
  return connection.select().from(tablets).where(isNull(tablets.endedAt)).orderBy(asc(tablets.name)).limit(200);
}

/** A device at the bench; null for one that was ended or never was. */
export async function findTablet(connection: Connection, id: string) {
  const [row] = await connection
    .select()
    .from(tablets)
    .where(and(eq(tablets.id, id), isNull(tablets.endedAt)));
  return row ?? null;
}

export async function addTablet(connection: Connection, tablet: typeof tablets.$inferInsert): Promise<void> {
  await connection.insert(tablets).values(tablet);
}

/** Ends a device at the bench and every session on it. Gives how many those were. */
export async function endTablet(connection: Connection, id: string, at: Date): Promise<number> {
  await connection.update(tablets).set({ endedAt: at }).where(eq(tablets.id, id));
  const [done] = await connection
    .update(sessions)
    .set({ endedAt: at })
    .where(and(eq(sessions.tabletId, id), isNull(sessions.endedAt)));
  return done.affectedRows;
}

/** Sessions that are open, of one person or of all, those last used first. */
export async function listSessions(connection: Connection, personId: PersonId | null) {
  return connection
    .select({
      ...{ id: sessions.id, personId: sessions.personId, startedAt: sessions.startedAt, seenAt: sessions.seenAt },
      ...{ parkedAt: sessions.parkedAt, how: sessions.how, client: sessions.client, agent: sessions.agent },
      tabletName: tablets.name,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .leftJoin(tablets, eq(tablets.id, sessions.tabletId))
    .where(
      and(isNull(sessions.endedAt), eq(people.active, true), personId ? eq(sessions.personId, personId) : undefined),
    )
    .orderBy(desc(sessions.seenAt), desc(sessions.startedAt))
    .limit(300);
}

export async function findSession(connection: Connection, id: string) {
  const [row] = await connection.select().from(sessions).where(eq(sessions.id, id));
  return row ?? null;
}

/** Notes that a session is used, once in a few minutes. */
export async function seeSession(connection: Connection, id: string, at: Date): Promise<void> {
  await connection.update(sessions).set({ seenAt: at }).where(eq(sessions.id, id));
}

/** Parks a session when somebody takes its device over, and ends those that the same person had parked there before. */
export async function parkSession(
  connection: Connection,
  {
    id,
    tabletId,
    by,
    at,
  }: { readonly id: string | null; readonly tabletId: string; readonly by: PersonId; readonly at: Date },
): Promise<void> {
  if (id)
    await connection
      .update(sessions)
      .set({ parkedAt: at })
      .where(and(eq(sessions.id, id), isNull(sessions.endedAt)));
  const before = and(eq(sessions.tabletId, tabletId), eq(sessions.personId, by), isNull(sessions.endedAt));
  await connection.update(sessions).set({ endedAt: at }).where(before);
}

/** Ends sessions that nobody used for long, and those that were parked for long. */
export async function endOldSessions(
  connection: Connection,
  { unusedSince, parkedSince, at }: { readonly unusedSince: Date; readonly parkedSince: Date; readonly at: Date },
): Promise<void> {
  const unused = or(
    lt(sessions.seenAt, unusedSince),
    and(isNull(sessions.seenAt), lt(sessions.startedAt, unusedSince)),
  );
  await connection
    .update(sessions)
    .set({ endedAt: at })
    .where(and(isNull(sessions.endedAt), or(unused, lt(sessions.parkedAt, parkedSince))));
}

/** Ends all sessions of a person but one. Gives how many. */
export async function endOtherSessions(connection: Connection, personId: PersonId, keep: string | null, at: Date) {
  const rows = await connection
    .select({ id: sessions.id })
    .from(sessions)
    .where(and(eq(sessions.personId, personId), isNull(sessions.endedAt)));
  const others = rows.map(({ id }) => id).filter((id) => id !== keep);
  if (others.length) await connection.update(sessions).set({ endedAt: at }).where(inArray(sessions.id, others));
  return others.length;
}
