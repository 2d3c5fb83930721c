import { openSession } from '@/db';
import { forVerb } from '../use-case';
import { provePerson } from './prove-person';

/** On a bench tablet that is signed in, another person takes over by PIN. */
export const switchPerson = forVerb('switch-person', async (context, command) => {
  const person = await provePerson(context, command);
  const sessionId = context.newId();
  await openSession(context.database, { id: sessionId, personId: person.id, startedAt: context.now() });
  return { sessionId, name: person.name, role: person.role };
});
