import type { PersonId } from '@/core/record';
import { DomainError } from '@/core/errors';
import { addPerson as addPersonRow, isDuplicate } from '@/db';
import { forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';
import { refuseCommon } from './common-words';
import { hashSecret } from './passwords';

export const addPerson = forVerb('add-person', async (context, { name, email, password, pin, role }) => {
  const id = context.newId<PersonId>();
  await refuseCommon({ password, pin, name, email });
  const [passwordHash, pinHash] = await Promise.all([hashSecret(password), pin ? hashSecret(pin) : null]);
  const row = { id, name, email, role, passwordHash, pinHash, createdAt: context.now() };
  try {
    return await inTransaction(context, async (connection) => {
      await addPersonRow(connection, row);
      await noteDeed(context, connection, 'add-person', `let in ${name} as ${role}`);
      return { personId: id };
    });
  } catch (error) {
    if (isDuplicate(error))
      throw new DomainError('bad-input', {
        what: `${email} already belongs to somebody.`,
        issues: [{ path: 'email', message: 'already belongs to somebody' }],
      });
    throw error;
  }
});
