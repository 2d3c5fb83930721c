import { DomainError } from '@/core/errors';
import { findPersonByEmail, openSession } from '@/db';
import { forVerb } from '../use-case';
import { hashSecret, isSecretRight } from './passwords';

let decoy: Promise<string> | undefined;

/** Opens a session for the right address and password; takes the same time for an unknown address. */
export const signIn = forVerb('sign-in', async (context, { email, password }) => {
  if (!(await context.mayTry(`sign-in/${email}`, 'sign-in'))) throw new DomainError('too-many-tries');
  const person = await findPersonByEmail(context.database, email);
  const right = await isSecretRight(person?.passwordHash ?? (await (decoy ??= hashSecret('nobody'))), password);
  if (!person || !right || !person.active) throw new DomainError('wrong-sign-in');
  await context.forgetTries(`sign-in/${email}`, 'sign-in');
  const sessionId = context.newId();
  await openSession(context.database, { id: sessionId, personId: person.id, startedAt: context.now() });
  return { sessionId, name: person.name, role: person.role };
});
