import { and, count, desc, eq, isNull, max } from 'drizzle-orm';
import type { PersonId, Role } from '@/core/record';
import type { Connection } from './client';
import { deeds, people, sessions } from './schema';
import { insertRows, updateRows } from './written-once';

/** Everybody who works here or did, with their devices that are signed in and when somebody signed in as them last. */
export async function listStaff(connection: Connection, limit = 500) {
  const rows = await connection
    .select({
      ...{ id: people.id, name: people.name, email: people.email, role: people.role, isActive: people.active },
      ...{ pinHash: people.pinHash, createdAt: people.createdAt },
    })
    .from(people)
    .orderBy(desc(people.active), people.name)
    .limit(limit);
  const open = await connection
    .select({ personId: sessions.personId, open: count(), last: max(sessions.startedAt) })
    .from(sessions)
    .where(isNull(sessions.endedAt))
    .groupBy(sessions.personId);
  const of = new Map(open.map((row) => [row.personId, row]));
  return rows.map(({ pinHash, ...row }) => ({
    ...{ ...row, hasPin: pinHash !== null },
    ...{ devices: of.get(row.id)?.open ?? 0, signedInAt: of.get(row.id)?.last ?? null },
  }));
}

/** The owners who work here; none of them changes until the transaction ends. */
export async function lockOwners(connection: Connection): Promise<readonly PersonId[]> {
  const rows = await connection
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.role, 'owner'), eq(people.active, true)))
    .for('update');
  return rows.map(({ id }) => id);
}

export interface PersonChange {
  readonly name?: string | undefined;
  readonly email?: string | undefined;
  readonly role?: Role | undefined;
  readonly active?: boolean | undefined;
  readonly passwordHash?: string | undefined;
  readonly pinHash?: string | null | undefined;
}

/** Changes a person; an address that somebody has already meets its key. */
export async function changePerson(connection: Connection, id: PersonId, change: PersonChange): Promise<void> {
  await updateRows(connection, people, { ...change }, { id });
}

/** Signs a person out on every device. Gives how many that were. */
export async function endSessionsOf(connection: Connection, personId: PersonId, at: Date): Promise<number> {
  const [done] = await connection
    .update(sessions)
    .set({ endedAt: at })
    .where(and(eq(sessions.personId, personId), isNull(sessions.endedAt)));
  return done.affectedRows;
}

type Deed = typeof deeds.$inferInsert;

/** Writes down what was done that belongs to no job, in the transaction that does it. */
export async function addDeed(connection: Connection, deed: Deed): Promise<void> {
  await insertRows(connection, deeds, [deed]);
}

/** What was done last beside the jobs, by one person or by all; newest first. */
export async function listDeeds(connection: Connection, personId: PersonId | null, limit = 100) {
  return connection
    .select({ at: deeds.at, personName: deeds.personName, words: deeds.words })
    .from(deeds)
    .where(personId === null ? undefined : eq(deeds.personId, personId))
    .orderBy(desc(deeds.at))
    .limit(limit);
}
