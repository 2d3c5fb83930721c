import { createHash, randomBytes } from 'node:crypto';
import { sealData, unsealData } from 'iron-session';
import { Secret, TOTP } from 'otpauth';
import { DomainError } from '@/core/errors';
import { reason, refuse } from '@/core/change/decision';
import type { PersonId } from '@/core/record';
import {
  beginFactor,
  confirmFactor,
  dropFactor,
  findPerson,
  findSecondFactor,
  readShop,
  spendRecovery,
  spendStep,
} from '@/db';
import type { Context } from '../context';
import { installationSecret } from '../installation-secret';
import { forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';
import { proveOwnPassword } from './own-password';
import { tryOnce } from './tries';

/** A code holds for half a minute, and one before and after it is taken: clocks differ. RFC 6238. */
const periodSeconds = 30;
const window = 1;
const recoveryWords = 10;

/** A secret of years: its seal does not end by time. */
const sealing = () => ({ password: installationSecret(), ttl: 0 });

const totpOf = (secret: string, label: string, issuer: string) =>
  new TOTP({ issuer, label, algorithm: 'SHA1', digits: 6, period: periodSeconds, secret: Secret.fromBase32(secret) });

/** The step of time whose code this is; null for a wrong one. */
function stepOf(secret: string, code: string, now: Date): number | null {
  const delta = totpOf(secret, '', '').validate({ token: code, timestamp: now.getTime(), window });
  return delta === null ? null : Math.floor(now.getTime() / 1000 / periodSeconds) + delta;
}

const hashOf = (word: string) =>
  createHash('sha256')
    .update(word.toLowerCase().replace(/[^a-z0-9]/g, ''))
    .digest('hex');

/** Ten words of 50 bits each, for a device that is lost: of letters and figures that are not taken for each other. */
function makeRecovery(): readonly string[] {
  const signs = 'abcdefghjkmnpqrstuvwxyz23456789';
  const word = () => [...randomBytes(10)].map((byte) => signs[byte % signs.length]).join('');
  return Array.from({ length: recoveryWords }, () => word().replace(/^(.{5})/, '$1-'));
}

/** Begins a second factor of one's own: what the app on the telephone is told. It holds once a code of it was right. */
export const beginSecondFactor = forVerb('begin-second-factor', async (context, { current }) => {
  const person = await proveOwnPassword(context, current);
  // One that holds is not lost by setting up another and leaving it there.
  if ((await findSecondFactor(context.database, person.id))?.confirmedAt)
    return refuse('wrong-state', reason('factor-holds'));
  const secret = new Secret({ size: 20 }).base32;
  const shop = await readShop(context.database);
  const sealed = await sealData({ secret }, sealing());
  await inTransaction(context, async (connection) => {
    await beginFactor(connection, { personId: person.id, secret: sealed, startedAt: context.now() });
    return null;
  });
  const address = totpOf(secret, person.email, shop?.name ?? 'Puddlestone').toString();
  // A megabyte and a half of program for what somebody does once in years.
  const { toSVG } = await import('bwip-js/node');
  return { secret, address, picture: toSVG({ bcid: 'qrcode', text: address, scale: 3, padding: 2 }) };
});

async function secretOf(sealed: string): Promise<string | null> {
  const read = await unsealData<{ readonly secret?: string }>(sealed, sealing()).catch(() => null);
  return read?.secret ?? null;
}

/** Makes the second factor hold, by a first code of it. Gives the words for a lost telephone, once. */
export const confirmSecondFactor = forVerb('confirm-second-factor', async (context, { code }) => {
  const { actor, database } = context;
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  const factor = await findSecondFactor(database, actor.personId);
  if (!factor || factor.confirmedAt) return refuse('wrong-state', reason('no-factor-begun'));
  const tried = await tryOnce(context, [{ kind: 'pin', of: `factor/${actor.personId}` }]);
  const secret = await secretOf(factor.secret);
  const step = secret === null ? null : stepOf(secret, code, context.now());
  if (step === null) return refuse('bad-input', reason('wrong-code'), 'code');
  await tried.right();
  const recovery = makeRecovery();
  return inTransaction(context, async (connection) => {
    const kept = { confirmedAt: context.now(), lastStep: step, recovery: recovery.map(hashOf) };
    await confirmFactor(connection, actor.personId, kept);
    await noteDeed(context, connection, 'confirm-second-factor', 'signs in with a second factor from now on');
    return { recovery: [...recovery] };
  });
});

/** Ends one's own second factor. */
export const endSecondFactor = forVerb('end-second-factor', async (context, { current }) => {
  const person = await proveOwnPassword(context, current);
  return inTransaction(context, async (connection) => {
    if (!(await dropFactor(connection, person.id))) return { ended: 0 };
    await noteDeed(context, connection, 'end-second-factor', 'signs in without a second factor from now on');
    return { ended: 1 };
  });
});

/** Ends the second factor of somebody who lost both telephone and words. */
export const dropSecondFactor = forVerb('drop-second-factor', async (context, { personId }) =>
  inTransaction(context, async (connection) => {
    const person = (await findPerson(connection, personId)) ?? refuse('not-found', reason('no-person'));
    if (!(await dropFactor(connection, personId))) return { ended: 0 };
    await noteDeed(context, connection, 'drop-second-factor', `ended the second factor of ${person.name}`);
    return { ended: 1 };
  }),
);

/**
 * Whether a person's second factor is shown: by a code that was not used before, or by a word for a lost telephone, which
 * is used up. “none” where they have none.
 */
export async function proveFactor(
  { database, now }: Context,
  personId: PersonId,
  code: string | undefined,
): Promise<'none' | 'wanted' | 'right' | 'wrong'> {
  const factor = await findSecondFactor(database, personId);
  if (!factor?.confirmedAt) return 'none';
  if (!code) return 'wanted';
  const hash = hashOf(code);
  if (factor.recovery.includes(hash)) {
    const after = factor.recovery.filter((one) => one !== hash);
    return (await spendRecovery(database, personId, { before: factor.recovery, after })) ? 'right' : 'wrong';
  }
  const secret = await secretOf(factor.secret);
  const step = secret === null ? null : stepOf(secret, code.replace(/\s/g, ''), now());
  return step !== null && (await spendStep(database, personId, step)) ? 'right' : 'wrong';
}
