import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { roles } from '@/core/record';
import { addPerson as addPersonRow, isDuplicate } from '@/db';
import { defineUseCase } from '../use-case';
import { hashSecret } from './passwords';

export const personInput = z.strictObject({
  name: z.string().trim().min(1, 'type the name').max(100),
  email: z.string().trim().toLowerCase().email('is not a mail address').max(191),
  password: z.string().min(10, 'needs ten characters or more').max(200),
  pin: z.union([z.literal(''), z.string().regex(/^\d{4,8}$/, 'a PIN has four to eight digits')]).default(''),
});

export const addPerson = defineUseCase({
  verb: 'add-person',
  audience: ['owner'],
  input: personInput.extend({ role: z.enum(roles) }),
  async run(context, { name, email, password, pin, role }) {
    const id = context.newId();
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
  },
});
