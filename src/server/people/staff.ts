import * as z from 'zod';
import { personId as personIdField } from '@/contract/people';
import { sayDeed } from '@/core/change';
import { DomainError } from '@/core/errors';
import { reason, refuse } from '@/core/change/decision';
import type { PersonId } from '@/core/record';
import {
  changePerson,
  endOtherSessions,
  endSessionsOf,
  findPerson,
  handWishesOver,
  isDuplicate,
  listAudits,
  listDeeds,
  listEventsOf,
  listSessions,
  listStaff,
  listTablets,
  lockOwners,
  readShop,
  countPasskeys,
  withSecondFactor,
  type Connection,
} from '@/db';
import type { Context } from '../context';
import { defineUseCase, forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';
import { proveOwnPassword } from './own-password';
import { showSession } from './own-sessions';
import { refuseCommon } from './common-words';
import { hashSecret } from './passwords';

async function personOf(connection: Connection, id: PersonId) {
  return (await findPerson(connection, id)) ?? refuse('not-found', reason('no-person'));
}

/**
 * Nobody takes their own role or shuts themself out, so that a shop is never without an owner; of two who do it to each
 * other at once, the second is none any more.
 */
async function checkOwners(context: Context, connection: Connection, id: PersonId): Promise<void> {
  const { actor } = context;
  if (actor.kind !== 'person') return;
  if (actor.personId === id) refuse('bad-input', reason('own-role'), 'personId');
  if (!(await lockOwners(connection)).includes(actor.personId)) throw new DomainError('not-allowed');
}

/** What the plan had put into the hands of somebody who leaves goes to whoever is named, else where the plan puts it. */
async function handOver(
  connection: Connection,
  from: { readonly id: PersonId; readonly name: string },
  handTo: PersonId | undefined,
): Promise<readonly string[]> {
  const to = handTo === undefined ? null : await personOf(connection, handTo);
  if (to && (!to.active || to.id === from.id)) refuse('bad-input', reason('not-to-hand-to'), 'handTo');
  const moved = await handWishesOver(connection, from.id, to?.id ?? null);
  if (!moved) return [];
  const what = `${moved === 1 ? 'one piece' : `${moved} pieces`} of planned work of ${from.name}`;
  return [to ? `handed ${what} to ${to.name}` : `gave ${what} back to the plan`];
}

/** Another name, address or role of a person; or they leave, or come back. Who leaves is signed out everywhere. */
export const changePersonVerb = forVerb('change-person', async (context, { personId, isActive, handTo, ...change }) => {
  try {
    return await inTransaction(context, async (connection) => {
      const was = await personOf(connection, personId);
      const leaves = was.active && isActive === false;
      const isDemoted = was.role === 'owner' && change.role !== undefined && change.role !== 'owner';
      if (leaves || isDemoted) await checkOwners(context, connection, personId);
      const words = [
        ...(change.name !== undefined && change.name !== was.name ? [`named ${was.name} ${change.name}`] : []),
        ...(change.email !== undefined && change.email !== was.email
          ? [`gave ${was.name} the address ${change.email}`]
          : []),
        ...(change.role !== undefined && change.role !== was.role
          ? [`made ${was.name} ${change.role} instead of ${was.role}`]
          : []),
        ...(leaves ? [`wrote down that ${was.name} left`] : []),
        ...(!was.active && isActive ? [`let ${was.name} in again`] : []),
      ];
      if (!words.length) return { changed: 0 };
      await changePerson(connection, personId, { ...change, active: isActive });
      // A role goes with each question, a name stands with what they do from now on; who has left is out at once.
      if (leaves) {
        await endSessionsOf(connection, personId, context.now());
        words.push(...(await handOver(connection, was, handTo)));
      }
      for (const one of words) await noteDeed(context, connection, 'change-person', one);
      return { changed: words.length };
    });
  } catch (error) {
    if (isDuplicate(error)) refuse('bad-input', reason('address-taken', { email: change.email ?? '' }), 'email');
    throw error;
  }
});

/** What is kept of another password or PIN; what is not sent stays, an empty PIN is none. */
async function hashesOf({
  password,
  pin,
}: {
  readonly password?: string | undefined;
  readonly pin?: string | undefined;
}) {
  const [passwordHash, pinHash] = await Promise.all([
    password === undefined ? undefined : hashSecret(password),
    pin === undefined ? undefined : pin === '' ? null : hashSecret(pin),
  ]);
  return { passwordHash, pinHash };
}

/** Another password or PIN, set by the owner for somebody who lost theirs: their devices are signed out. */
export const resetSecret = forVerb('reset-secret', async (context, { personId, password, pin }) => {
  const person = await personOf(context.database, personId);
  await refuseCommon({ password, pin, ...person });
  const hashes = await hashesOf({ password, pin });
  return inTransaction(context, async (connection) => {
    const { name } = await personOf(connection, personId);
    await changePerson(connection, personId, hashes);
    const ended = password === undefined ? 0 : await endSessionsOf(connection, personId, context.now());
    const given = [password === undefined ? [] : ['password'], pin ? ['PIN'] : []].flat();
    const words = [
      ...(given.length ? [`gave ${name} another ${given.join(' and ')}`] : []),
      ...(pin === '' ? [`took the PIN of ${name} away`] : []),
    ];
    await noteDeed(context, connection, 'reset-secret', words.join(' and '));
    return { ended };
  });
});

/** One's own password or PIN, by whoever knows the password that is. */
export const changeOwnSecret = forVerb('change-own-secret', async (context, { current, password, pin }) => {
  const { id, name, email } = await proveOwnPassword(context, current);
  await refuseCommon({ password, pin, name, email });
  const hashes = await hashesOf({ password, pin });
  return inTransaction(context, async (connection) => {
    await changePerson(connection, id, hashes);
    await noteDeed(context, connection, 'change-own-secret', 'chose another password or PIN');
    // Whoever had learned the old password is out everywhere else.
    const { sessionId } = context.device;
    const ended = password === undefined ? 0 : await endOtherSessions(connection, id, sessionId, context.now());
    return { changed: Number(password !== undefined) + Number(pin !== undefined), ended };
  });
});

/** Signs a person out on every device, such as after a tablet was lost. */
export const endSessions = forVerb('end-sessions', (context, { personId }) =>
  inTransaction(context, async (connection) => {
    const { name } = await personOf(connection, personId);
    const ended = await endSessionsOf(connection, personId, context.now());
    await noteDeed(
      context,
      connection,
      'end-sessions',
      `signed ${name} out on ${ended === 1 ? 'one device' : `${ended} devices`}`,
    );
    return { ended };
  }),
);

/** How much of who came in and what was taken out is shown. */
const shownAudits = 200;

interface Doing {
  readonly at: Date;
  readonly tag: string | null;
  readonly words: string;
}

/** The same done again and again on one job is one line: from when to when, and how often. Newest first. */
function runTogether(done: readonly Doing[]): readonly (Doing & { readonly from: Date; readonly times: number })[] {
  const lines: (Doing & { from: Date; times: number })[] = [];
  for (const one of done) {
    const last = lines.at(-1);
    if (last?.tag === one.tag && last.words === one.words) Object.assign(last, { from: one.at, times: last.times + 1 });
    else lines.push({ ...one, from: one.at, times: 1 });
  }
  return lines;
}

/** Everybody who works here or did, and what was done last: beside the jobs by all, or by one person on jobs as well. */
export const readStaff = defineUseCase({
  verb: 'read-staff',
  audience: ['owner'],
  input: z.strictObject({ of: personIdField.nullable().default(null) }),
  async run({ database, actor }, { of }) {
    const [shop, sessions, tablets, audits, staff, deeds, events] = await Promise.all([
      readShop(database),
      listSessions(database, null),
      listTablets(database),
      listAudits(database, shownAudits),
      listStaff(database),
      listDeeds(database, of),
      of === null ? [] : listEventsOf(database, of),
    ]);
    const ids = staff.map(({ id }) => id);
    const [factors, passkeys] = await Promise.all([withSecondFactor(database, ids), countPasskeys(database, ids)]);
    const done = [
      ...deeds.map(({ at, personName, words }) => ({ at, tag: null, words: `${personName} ${words}.` })),
      ...events.map(({ at, tag, ...event }) => ({ at, tag, words: sayDeed(event) })),
    ].sort((a, b) => b.at.getTime() - a.at.getTime());
    return {
      ...{ of, zone: shop?.zone ?? 'UTC' },
      self: actor.kind === 'person' ? actor.personId : null,
      sessions: sessions.map(showSession),
      tablets: tablets.map(({ id, name, personName, at }) => ({ id, name, personName, at: at.toISOString() })),
      audits: audits.map(({ id: _id, at, ...audit }) => ({ ...audit, at: at.toISOString() })),
      staff: staff.map(({ createdAt, signedInAt, ...row }) => ({
        ...{ ...row, hasSecondFactor: factors.has(row.id), passkeys: passkeys.get(row.id) ?? 0 },
        ...{ since: createdAt.toISOString(), signedInAt: signedInAt?.toISOString() ?? null },
      })),
      done: runTogether(done)
        .slice(0, 100)
        .map(({ at, from, ...row }) => ({ ...row, at: at.toISOString(), from: from.toISOString() })),
    };
  },
});
export type StaffShown = Awaited<ReturnType<typeof readStaff.run>>;
