import { DomainError } from '@/core/errors';
import { findPersonByEmail, openSession } from '@/db';
import type { Context } from '../context';
import { forVerb } from '../use-case';
import { noteAudit } from './audit';
import { hashSecret, isSecretRight } from './passwords';
import { proveFactor } from './second-factor';
import { tryOnce, type TryKey } from './tries';

let decoy: Promise<string> | undefined;

type Found = Awaited<ReturnType<typeof findPersonByEmail>>;

/**
 * What a try is counted by. On a device on which this person has signed in before, only what is tried there counts: no
 * stranger locks a colleague out. Everywhere else all strangers count together, and each address of the network.
 */
function keysOf({ device }: Context, email: string, person: Found): readonly TryKey[] {
  if (person && device.id && device.knows.includes(person.id))
    return [{ kind: 'password', of: `${email}/${device.id}` }];
  const strangers: TryKey = { kind: 'password', of: `${email}/strangers` };
  return device.client ? [{ kind: 'client', of: device.client }, strangers] : [strangers];
}

/** Opens a session for the right address and password; takes the same time for an unknown address. */
export const signIn = forVerb('sign-in', async (context, { email, password, code }) => {
  const person = await findPersonByEmail(context.database, email);
  const tried = await tryOnce(context, keysOf(context, email, person));
  const right = await isSecretRight(person?.passwordHash ?? (await (decoy ??= hashSecret('nobody'))), password);
  const refuseTry = async (words: string): Promise<never> => {
    await noteAudit(context, { kind: 'refused', words, person });
    if (tried.locks.length) await noteAudit(context, { kind: 'locked', words: `${words}, too often`, person });
    throw new DomainError('wrong-sign-in');
  };
  // What was typed may be anything, a password too: only an address that is somebody's is written down.
  if (!person || !right || !person.active)
    return refuseTry(person ? `the password for ${person.email} was wrong` : 'nobody has the address that was typed');
  const factor = await proveFactor(context, person.id, code);
  if (factor === 'wrong') return refuseTry(`the code for ${person.email} was wrong`);
  if (factor === 'wanted') {
    // The password was right; that is not a wrong try, and not yet a right one that clears others.
    await tried.takeBack();
    throw new DomainError('second-factor-wanted');
  }
  await tried.right();
  const sessionId = context.newId();
  const { tabletId, client, agent } = context.device;
  const at = context.now();
  await openSession(context.database, {
    ...{ id: sessionId, personId: person.id, startedAt: at, seenAt: at, how: 'password', tabletId, client, agent },
  });
  await noteAudit(context, {
    kind: 'signed in',
    words: factor === 'right' ? 'by password and second factor' : 'by password',
    person,
  });
  return { sessionId, personId: person.id, name: person.name, role: person.role };
});
