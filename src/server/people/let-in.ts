import { randomInt } from 'node:crypto';
import { DomainError } from '@/core/errors';
import { changePerson, dropFactor, dropPasskeys, endSessionsOf, findPersonByEmail } from '@/db';
import type { Context } from '../context';
import { inTransaction } from '../use-case';
import { noteDeed } from './deed';
import { hashSecret } from './passwords';

/** Five words of a list of 7776 for dice: 64 bits. */
async function makePassword(): Promise<string> {
  const { dictionary } = await import('@zxcvbn-ts/language-common');
  const words = dictionary['diceware-common'].map(String);
  return Array.from({ length: 5 }, () => words[randomInt(words.length)] ?? '').join('-');
}

/**
 * Lets somebody in who has nobody above to ask, such as the only owner without password or telephone: another password,
 * no second factor and no passkey, signed out everywhere. For whoever has the machine itself. Throws DomainError for an unknown address.
 */
export async function letIn(
  context: Context,
  email: string,
): Promise<{ readonly name: string; readonly password: string }> {
  const person = await findPersonByEmail(context.database, email.trim().toLowerCase());
  if (!person) throw new DomainError('not-found', { what: `Nobody has the address ${email}. Nothing was changed.` });
  const password = await makePassword();
  const passwordHash = await hashSecret(password);
  await inTransaction(context, async (connection) => {
    await changePerson(connection, person.id, { passwordHash, active: true });
    await dropFactor(connection, person.id);
    await dropPasskeys(connection, person.id);
    await endSessionsOf(connection, person.id, context.now());
    await noteDeed(context, connection, 'reset-secret', `gave ${person.name} another password, at the machine itself`);
    return null;
  });
  return { name: person.name, password };
}
