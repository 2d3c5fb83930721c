import { DomainError } from '@/core/errors';
import { findPerson, openSession } from '@/db';
import { forVerb } from '../use-case';
import { isSecretRight } from './passwords';

/** On a bench tablet that is signed in, another person takes over by PIN. */
export const switchPerson = forVerb('switch-person', async (context, { personId, pin }) => {
  if (!(await context.mayTry(`pin/${personId}`, 'pin'))) throw new DomainError('too-many-tries');
  const person = await findPerson(context.database, personId);
  if (!person?.pinHash || !person.active || !(await isSecretRight(person.pinHash, pin)))
    throw new DomainError('wrong-sign-in', { what: 'Person and PIN do not belong together.' });
  const sessionId = context.newId();
  await openSession(context.database, { id: sessionId, personId: person.id, startedAt: context.now() });
  return { sessionId, name: person.name, role: person.role };
});
