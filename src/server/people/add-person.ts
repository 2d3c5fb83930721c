import type { PersonId } from '@/core/record';
import { DomainError } from '@/core/errors';
import { addPerson as addPersonRow, isDuplicate } from '@/db';
import { forVerb } from '../use-case';
import { hashSecret } from './passwords';

export const addPerson = forVerb('add-person', async (context, { name, email, password, pin, role }) => {
  const id = context.newId<PersonId>();
  try {
    await addPersonRow(context.database, {
      id,
      name,
      email,
      role,
      passwordHash: await hashSecret(password),
      pinHash: pin ? await hashSecret(pin) : null,
      createdAt: context.now(),
    });
  } catch (error) {
    if (isDuplicate(error))
      throw new DomainError('bad-input', {
        what: `${email} already belongs to somebody.`,
        issues: [{ path: 'email', message: 'already belongs to somebody' }],
      });
    throw error;
  }
  return { personId: id };
});
