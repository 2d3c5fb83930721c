import type { Actor } from '@/core/access';
import { runTranslated } from '../use-case';
import { endSession, findSessionPerson, seeSession, type Database } from '@/db';

/** How seldom it is written down that a session is used, in ms. */
const seenEveryMs = 5 * 60_000;

export interface SessionAsked {
  readonly id: string | undefined;
  readonly now: Date;
  /** Entries are sent under a session that is parked, too: they were made before somebody took the device over. */
  readonly isForEntries?: boolean;
}

/** Who a session stands for; nobody when it has ended. */
export async function findSessionActor(
  database: Database,
  { id, now, isForEntries = false }: SessionAsked,
): Promise<Actor> {
  if (!id) return { kind: 'nobody' };
  const person = await runTranslated(() => findSessionPerson(database, id));
  if (!person || (person.parkedAt && !isForEntries)) return { kind: 'nobody' };
  if (now.getTime() - (person.seenAt?.getTime() ?? 0) > seenEveryMs) await seeSession(database, id, now);
  return { kind: 'person', personId: person.id, name: person.name, role: person.role };
}

export async function closeSession(database: Database, sessionId: string, now: Date): Promise<void> {
  await runTranslated(() => endSession(database, sessionId, now));
}
