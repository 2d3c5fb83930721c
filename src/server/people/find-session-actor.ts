import type { Actor } from '@/core/access';
import { runTranslated } from '../use-case';
import { endSession, findSessionPerson, type Database } from '@/db';

/** Who a session stands for; nobody when it has ended. */
export async function findSessionActor(database: Database, sessionId: string | undefined): Promise<Actor> {
  if (!sessionId) return { kind: 'nobody' };
  const person = await runTranslated(() => findSessionPerson(database, sessionId));
  return person ? { kind: 'person', personId: person.id, name: person.name, role: person.role } : { kind: 'nobody' };
}

export async function closeSession(database: Database, sessionId: string, now: Date): Promise<void> {
  await runTranslated(() => endSession(database, sessionId, now));
}
