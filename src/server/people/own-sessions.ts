import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { reason, refuse } from '@/core/change/decision';
import { endSession, findSession, listPasskeys, listSessions, readShop } from '@/db';
import { defineUseCase, forVerb } from '../use-case';

type Listed = Awaited<ReturnType<typeof listSessions>>[number];

/** A sign-in as it is shown to its person and to the owner. */
export const showSession = ({ startedAt, seenAt, parkedAt, ...session }: Listed) => ({
  ...session,
  isParked: parkedAt !== null,
  startedAt: startedAt.toISOString(),
  seenAt: (seenAt ?? startedAt).toISOString(),
});
export type SessionShown = ReturnType<typeof showSession>;

/** Where one is signed in, and which of them this is; and one's passkeys. */
export const readOwnSessions = defineUseCase({
  verb: 'read-own-sessions',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ database, actor, device }) {
    if (actor.kind !== 'person') throw new DomainError('not-signed-in');
    const [sessions, passkeys, shop] = await Promise.all([
      listSessions(database, actor.personId),
      listPasskeys(database, actor.personId),
      readShop(database),
    ]);
    return {
      zone: shop?.zone ?? 'UTC',
      sessions: sessions.map((session) => ({ ...showSession(session), isThis: session.id === device.sessionId })),
      passkeys: passkeys.map(({ id, name, at, usedAt }) => ({
        ...{ id, name, at: at.toISOString(), usedAt: usedAt?.toISOString() ?? null },
      })),
    };
  },
});
export type OwnSessions = Awaited<ReturnType<typeof readOwnSessions.run>>;

/** Ends one sign-in: one's own, or anybody's for the owner. */
export const endSessionVerb = forVerb('end-session', async ({ database, actor, now }, { sessionId }) => {
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  const session = await findSession(database, sessionId);
  const isOwn = session?.personId === actor.personId;
  if (!session || (!isOwn && actor.role !== 'owner')) return refuse('not-found', reason('no-session'));
  if (session.endedAt) return { ended: 0 };
  await endSession(database, sessionId, now());
  return { ended: 1 };
});
