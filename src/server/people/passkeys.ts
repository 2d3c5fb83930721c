import type { AuthenticatorTransport } from '@simplewebauthn/server';
import { sealData, unsealData } from 'iron-session';
import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { reason, refuse } from '@/core/change/decision';
import {
  addPasskey,
  dropPasskey,
  dropPasskeys,
  findPasskey,
  findPerson,
  listPasskeys,
  noteUse,
  openSession,
  readShop,
  spendChallenge,
} from '@/db';
import type { Context } from '../context';
import { installationSecret } from '../installation-secret';
import { forVerb, inTransaction } from '../use-case';
import { noteAudit } from './audit';
import { noteDeed } from './deed';
import { proveOwnPassword } from './own-password';
import { tryOnce } from './tries';

/** Fetched when somebody uses one: it stands in each process otherwise. */
const ways = () => import('@simplewebauthn/server');

/** For how long a challenge may be answered, in seconds. */
const answerSeconds = 300;

const sealing = () => ({ password: installationSecret(), ttl: answerSeconds });
const askedSchema = z.object({
  passkey: z.enum(['add', 'sign-in']),
  challenge: z.string(),
  personId: z.string().nullable(),
});
type Asked = z.infer<typeof askedSchema>;

/** What was asked, as it was sealed here within the last five minutes, and not answered before; null for all else. */
async function readAsked(context: Context, token: string, use: Asked['passkey']): Promise<Asked | null> {
  const read = askedSchema.safeParse(await unsealData(token, sealing()).catch(() => null));
  return read.success && read.data.passkey === use ? read.data : null;
}

const spend = ({ database, now }: Context, { challenge }: Asked) => {
  const at = now();
  return spendChallenge(database, challenge, { at, forgetBefore: new Date(at.getTime() - 2 * answerSeconds * 1000) });
};

/** A browser keeps passkeys by the name of the site, without its port. */
const siteOf = (context: Context) => ({ expectedOrigin: context.origin, expectedRPID: hostOf(context) });
const hostOf = ({ origin }: Context) => new URL(origin).hostname;

/**
 * How the keys of devices sign: EdDSA, ES256, RS256 (their numbers in IANA's registry of COSE algorithms). Left to itself
 * the package asks for what the Node that runs knows, and another Node could not read the key.
 */
const algorithms = [-8, -7, -257] as const;

/** Begins a passkey of one's own: what the browser needs. A device that has one already makes no second. */
export const beginPasskey = forVerb('begin-passkey', async (context, { current }) => {
  const person = await proveOwnPassword(context, current);
  const [shop, have] = await Promise.all([readShop(context.database), listPasskeys(context.database, person.id)]);
  const { generateRegistrationOptions } = await ways();
  const options = await generateRegistrationOptions({
    rpName: shop?.name ?? 'Puddlestone',
    rpID: hostOf(context),
    userID: new TextEncoder().encode(person.id),
    ...{ userName: person.email, userDisplayName: person.name },
    excludeCredentials: have.map(({ credential, transports }) => ({
      id: credential,
      transports: transports as AuthenticatorTransport[],
    })),
    // The device knows whom it is for and that it is they: it stands for address, password and second factor.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    supportedAlgorithmIDs: [...algorithms],
  });
  const asked: Asked = { passkey: 'add', challenge: options.challenge, personId: person.id };
  return { options: { ...options }, token: await sealData(asked, sealing()) };
});

/** Keeps the passkey that the browser made. */
export const addPasskeyVerb = forVerb('add-passkey', async (context, { token, name, answer }) => {
  const { actor } = context;
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  const asked = await readAsked(context, token, 'add');
  if (asked?.personId !== actor.personId) return refuse('bad-input', reason('passkey-late'));
  const { verifyRegistrationResponse } = await ways();
  const read = await verifyRegistrationResponse({
    response: answer,
    expectedChallenge: asked.challenge,
    ...siteOf(context),
  }).catch(() => null);
  if (!read?.verified) return refuse('bad-input', reason('passkey-wrong'));
  const { id: credential, publicKey, counter } = read.registrationInfo.credential;
  if (!(await spend(context, asked))) return refuse('bad-input', reason('passkey-late'));
  return inTransaction(context, async (connection) => {
    const passkeyId = context.newId();
    const isNew = await addPasskey(connection, {
      ...{ id: passkeyId, personId: actor.personId, credential, counter, name, at: context.now() },
      transports: answer.response.transports,
      publicKey: Buffer.from(publicKey).toString('base64url'),
    });
    if (!isNew) return refuse('bad-input', reason('passkey-known'));
    await noteDeed(context, connection, 'add-passkey', `signs in with the passkey “${name}” from now on`);
    return { passkeyId };
  });
});

/** Ends a passkey of one's own. */
export const endPasskey = forVerb('end-passkey', async (context, { passkeyId }) => {
  const { actor } = context;
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  return inTransaction(context, async (connection) => {
    if (!(await dropPasskey(connection, actor.personId, passkeyId))) return { ended: 0 };
    await noteDeed(context, connection, 'end-passkey', 'ended a passkey of their own');
    return { ended: 1 };
  });
});

/** Ends all passkeys of somebody who lost a device. */
export const dropPasskeysVerb = forVerb('drop-passkeys', async (context, { personId }) =>
  inTransaction(context, async (connection) => {
    const person = (await findPerson(connection, personId)) ?? refuse('not-found', reason('no-person'));
    const ended = await dropPasskeys(connection, personId);
    if (ended) await noteDeed(context, connection, 'drop-passkeys', `ended the passkeys of ${person.name}`);
    return { ended };
  }),
);

/** Begins a sign-in by passkey. The device offers whom it knows here: nobody's address is asked, and none is told. */
export const askPasskey = forVerb('ask-passkey', async (context) => {
  const { generateAuthenticationOptions } = await ways();
  const options = await generateAuthenticationOptions({ rpID: hostOf(context), userVerification: 'required' });
  const asked: Asked = { passkey: 'sign-in', challenge: options.challenge, personId: null };
  return { options: { ...options }, token: await sealData(asked, sealing()) };
});

/** Opens a session for whom a passkey proves; it stands for the second factor, too: its device asked for its person. */
export const signInByPasskey = forVerb('sign-in-by-passkey', async (context, { token, answer }) => {
  const { database } = context;
  const { tabletId, client, agent } = context.device;
  const asked = await readAsked(context, token, 'sign-in');
  if (!asked) throw new DomainError('wrong-passkey', { what: 'That was asked more than five minutes ago.' });
  const passkey = await findPasskey(database, answer.id);
  const person = passkey && (await findPerson(database, passkey.personId));
  if (!person) throw new DomainError('wrong-passkey');
  // A signature is not guessed; who tries on and on from one place is slowed as with passwords.
  const tried = await tryOnce(context, client ? [{ kind: 'client', of: client }] : []);
  const refuseUse = async (words: string): Promise<never> => {
    await noteAudit(context, { kind: 'refused', words, person });
    throw new DomainError('wrong-passkey');
  };
  const { credential: id, publicKey, counter } = passkey;
  const isTheirs = Buffer.from(answer.response.userHandle, 'base64url').toString() === person.id;
  const { verifyAuthenticationResponse } = await ways();
  const read = await verifyAuthenticationResponse({
    response: answer,
    expectedChallenge: asked.challenge,
    ...siteOf(context),
    credential: {
      ...{ id, counter },
      publicKey: new Uint8Array(Buffer.from(publicKey, 'base64url')),
    },
  }).catch(() => null);
  if (!read?.verified || !isTheirs) return refuseUse(`the passkey “${passkey.name}” did not prove ${person.name}`);
  if (!person.active) return refuseUse(`${person.name} left; their passkey “${passkey.name}” was used`);
  if (!(await spend(context, asked))) return refuseUse(`an answer of the passkey “${passkey.name}” was sent again`);
  const sessionId = context.newId();
  const at = context.now();
  await tried.right();
  await noteUse(database, passkey.id, { counter: read.authenticationInfo.newCounter, usedAt: at });
  await openSession(database, {
    ...{ id: sessionId, personId: person.id, startedAt: at, seenAt: at, how: 'passkey', tabletId, client, agent },
  });
  await noteAudit(context, { kind: 'signed in', words: `by the passkey “${passkey.name}”`, person });
  return { sessionId, personId: person.id, name: person.name, role: person.role };
});
