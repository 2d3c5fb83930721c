import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findPerson, openSession } from '@/db';
import { defineUseCase } from '../use-case';
import { isSecretRight } from './passwords';

/** On a bench tablet that is signed in, another person takes over by PIN. */
export const switchPerson = defineUseCase({
  verb: 'switch-person',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({
    personId: z.string().min(1, 'choose a person').max(36),
    pin: z.string().regex(/^\d{4,8}$/, 'a PIN has four to eight digits'),
  }),
  async run(context, { personId, pin }) {
    if (!(await context.mayTry(`pin/${personId}`, 'pin'))) throw new DomainError('too-many-tries');
    const person = await findPerson(context.database, personId);
    if (!person?.pinHash || !person.active || !(await isSecretRight(person.pinHash, pin)))
      throw new DomainError('wrong-sign-in', { what: 'Person and PIN do not belong together.' });
    const sessionId = context.newId();
    await openSession(context.database, { id: sessionId, personId: person.id, startedAt: context.now() });
    return { sessionId, name: person.name, role: person.role };
  },
});
