import * as z from 'zod';
import { dayField } from '@/core/change/inputs/fields';
import { instrumentKinds, lengthDisplays, roles } from '@/core/record';

/** Inputs about people, instruments and the shop; forms check what is typed by them, too. */
export const personId = z.string().max(36).brand<'PersonId'>();

/** What a person is known by. */
const personInput = z.strictObject({
  name: z.string().trim().min(1, 'type the name').max(100),
  email: z.string().trim().toLowerCase().email('is not a mail address').max(191),
  password: z.string().min(10, 'needs ten characters or more').max(200),
  pin: z.union([z.literal(''), z.string().regex(/^\d{4,8}$/, 'a PIN has four to eight digits')]).default(''),
});

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

export const signInInput = z.strictObject({
  email: z.string().trim().toLowerCase().min(3, 'type the address').max(191),
  password: z.string().min(1, 'type the password').max(200),
});

export const switchPersonInput = z.strictObject({
  personId: personId.min(1, 'choose a person'),
  pin: z.string().regex(/^\d{4,8}$/, 'a PIN has four to eight digits'),
});

export const createOwnerInput = personInput.extend({
  shopName: z.string().trim().min(1, 'name the shop').max(100),
  place: z.string().trim().max(100).default(''),
  zone: z.string().max(60).default('UTC').refine(isZone, 'is not a time zone'),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'three letters, such as EUR')
    .default('EUR'),
});

export const addPersonInput = personInput.extend({ role: z.enum(roles) });

export const addInstrumentInput = z.strictObject({
  code: z
    .string()
    .trim()
    .regex(/^[A-Za-z0-9-]{1,20}$/, 'letters, figures and hyphens, such as M-07'),
  kind: z.enum(instrumentKinds),
  uncertaintyUm: z.number('type the uncertainty in µm').gt(0, 'must be more than 0').max(1000, 'at most 1000 µm'),
  dueOn: dayField,
});

export const chooseUnitsInput = z.strictObject({ lengthDisplay: z.enum(lengthDisplays) });
