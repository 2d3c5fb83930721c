import { DomainError } from '@/core/errors';
import type { PersonId } from '@/core/record';
import { findPerson } from '@/db';
import type { Context } from '../context';
import { isSecretRight } from './passwords';

/**
 * The person whom a PIN proves. Throws DomainError after too many wrong tries in a row, and where person and PIN do not
 * belong together.
 */
export async function provePerson(
  context: Context,
  { personId, pin }: { readonly personId: PersonId; readonly pin: string },
) {
  if (!(await context.mayTry(`pin/${personId}`, 'pin'))) throw new DomainError('too-many-tries');
  const person = await findPerson(context.database, personId);
  if (!person?.pinHash || !person.active || !(await isSecretRight(person.pinHash, pin)))
    throw new DomainError('wrong-sign-in', { what: 'Person and PIN do not belong together.' });
  await context.forgetTries(`pin/${personId}`, 'pin');
  return person;
}
