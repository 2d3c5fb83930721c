import { DomainError } from '@/core/errors';
import { reason, refuse } from '@/core/change/decision';
import { findPerson } from '@/db';
import type { Context } from '../context';
import { isSecretRight } from './passwords';
import { tryOnce } from './tries';

/**
 * The person who acts, once they have shown that they know their password: for what only its person may do. Throws
 * DomainError for a wrong one, which counts as a try.
 */
export async function proveOwnPassword(context: Context, current: string) {
  const { actor, database } = context;
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  const tried = await tryOnce(context, [{ kind: 'password', of: `own/${actor.personId}` }]);
  const person = (await findPerson(database, actor.personId)) ?? refuse('not-found', reason('no-person'));
  if (!(await isSecretRight(person.passwordHash, current))) refuse('bad-input', reason('wrong-current'), 'current');
  await tried.right();
  return person;
}
