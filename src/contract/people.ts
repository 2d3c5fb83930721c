import { languages } from '@/words';
import * as z from 'zod';
import { dayField } from '@/core/change/inputs/fields';
import { comparisonInput } from '@/core/change/inputs';
import { letterKinds } from '@/core/letters';
import { instrumentKinds, lengthDisplays, matters, measuringUnits, paperSizes, roles } from '@/core/record';

/** Inputs about people, instruments and the shop; forms check what is typed by them, too. */
export const personId = z.string().max(36).brand<'PersonId'>();

const nameField = z.string().trim().min(1, 'type the name').max(100);
const emailField = z.string().trim().toLowerCase().email('is not a mail address').max(191);
const passwordField = z.string().min(10, 'needs ten characters or more').max(200);
const pinField = z.union([z.literal(''), z.string().regex(/^\d{4,8}$/, 'a PIN has four to eight digits')]);

/** What a person is known by. */
const personInput = z.strictObject({
  name: nameField,
  email: emailField,
  password: passwordField,
  pin: pinField.default(''),
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
  /** Of the second factor, where the person has one. */
  code: z.string().trim().max(40).optional(),
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

/** What is not sent stays. */
export const changePersonInput = z.strictObject({
  personId,
  name: nameField.optional(),
  email: emailField.optional(),
  role: z.enum(roles).optional(),
  /** False when they leave, true when they come back. */
  isActive: z.boolean().optional(),
  /** Who gets what the plan had put into the hands of somebody who leaves; the plan chooses where it is left out. */
  handTo: personId.optional(),
});

/** What is not sent stays; an empty PIN takes it away. */
const secrets = { password: passwordField.optional(), pin: pinField.optional() };
const isSaid = (one: { readonly password?: string | undefined; readonly pin?: string | undefined }) =>
  one.password !== undefined || one.pin !== undefined;
const sayOne = { message: 'type another password or another PIN', path: ['password'] };
export const resetSecretInput = z.strictObject({ personId, ...secrets }).refine(isSaid, sayOne);
export const changeOwnSecretInput = z
  .strictObject({ current: z.string().min(1, 'type the password that you have now').max(200), ...secrets })
  .refine(isSaid, sayOne);
export const endSessionsInput = z.strictObject({ personId });
export const endSessionInput = z.strictObject({ sessionId: z.string().max(36) });
export const enrolTabletInput = z.strictObject({
  name: z.string().trim().min(1, 'say where the tablet is, such as Bench 2').max(60),
});
/** One's own password, for what only its person may do. */
export const withPasswordInput = z.strictObject({
  current: z.string().min(1, 'type the password that you have now').max(200),
});
export const confirmFactorInput = z.strictObject({
  code: z
    .string()
    .transform((text) => text.replace(/\s/g, ''))
    .pipe(z.string().regex(/^\d{6}$/, 'type the six digits that the app shows')),
});
const base64url = (most: number) =>
  z
    .string()
    .regex(/^[\w-]+$/, 'is not base64url')
    .max(most);
/** What a browser tells of a passkey, as JSON: W3C Web Authentication level 3, section 5.1; what is not used is left out. */
const passkeyAnswer = {
  id: base64url(1400),
  rawId: base64url(1400),
  type: z.literal('public-key'),
  clientExtensionResults: z.object({}).default({}),
};
const transports = z.array(z.enum(['ble', 'cable', 'hybrid', 'internal', 'nfc', 'smart-card', 'usb'])).max(7);
export const addPasskeyInput = z.strictObject({
  token: z.string().max(2000),
  name: z.string().trim().min(1, 'say which device it is, such as Telephone').max(100),
  answer: z.object({
    ...passkeyAnswer,
    response: z.object({
      clientDataJSON: base64url(4000),
      attestationObject: base64url(20_000),
      transports: transports.catch([]),
    }),
  }),
});
export const signInByPasskeyInput = z.strictObject({
  token: z.string().max(2000),
  answer: z.object({
    ...passkeyAnswer,
    response: z.object({
      clientDataJSON: base64url(4000),
      authenticatorData: base64url(4000),
      signature: base64url(2000),
      /** The person's id: a device gives it with every passkey that it offers by itself. */
      userHandle: base64url(100),
    }),
  }),
});
export const endPasskeyInput = z.strictObject({ passkeyId: z.string().max(36) });
export const endTabletInput = z.strictObject({ tabletId: z.string().max(36) });

/** An end of a tool's range, in its unit; null where it has none. */
const toolFigure = z.number('type a number').min(-1000).max(100_000).nullable().default(null);

/** What a laboratory found of an instrument. */
export const recordCalibrationInput = z
  .strictObject({
    code: z.string().trim().min(1, 'name the instrument').max(20),
    onDay: dayField,
    isWithin: z.boolean(),
    error: z.number('type the error that was found').min(0).max(1e6).nullable(),
    nextDueOn: dayField.nullable(),
    certificate: z.string().trim().max(191).default(''),
    note: z.string().trim().max(1000).default(''),
  })
  .refine(({ isWithin, nextDueOn }) => !isWithin || nextDueOn !== null, {
    message: 'say until when it may be used',
    path: ['nextDueOn'],
  })
  .refine(({ onDay, nextDueOn }) => nextDueOn === null || nextDueOn > onDay, {
    message: 'the next calibration comes after this one',
    path: ['nextDueOn'],
  });

export const addInstrumentInput = z
  .strictObject({
    code: z
      .string()
      .trim()
      .regex(/^[A-Za-z0-9-]{1,20}$/, 'letters, figures and hyphens, such as M-07'),
    kind: z.enum(instrumentKinds),
    unit: z.enum(measuringUnits).default('mm'),
    /** In its unit; null for what measures nothing, such as a hoist. */
    uncertainty: z.number('type the uncertainty').gt(0, 'must be more than 0').max(10_000).nullable(),
    rangeLow: toolFigure,
    rangeHigh: toolFigure,
    dueOn: dayField,
  })
  .refine(({ rangeLow, rangeHigh }) => rangeLow === null || rangeHigh === null || rangeLow < rangeHigh, {
    message: 'must be more than where the range begins',
    path: ['rangeHigh'],
  });

/** Two customers that are one: the pumps and people of the first become those of the second. */
export const makeCustomerPageInput = z.strictObject({
  customerId: z.string().max(36),
  madeFor: z.string().trim().min(1, 'say whom it is for').max(150),
});
export const endCustomerPageInput = z.strictObject({ id: z.string().max(36) });
export const mergeCustomersInput = z.strictObject({
  from: z.string().trim().min(1, 'name one').max(150),
  into: z.string().trim().min(1, 'name the other').max(150),
  reason: z.string().trim().min(1, 'say how you know').max(500),
});

const price = z.number('type a price').int('whole minor units').min(0, 'at least nothing').max(1e8);
const share = z.number('type a percentage').min(0).max(1000);
const days = z.number('type days').int().min(1).max(730);
/** What the owner settles for the shop; what is not sent stays. */
export const changeSettingsInput = z.strictObject({
  labourMinorPerHour: price.optional(),
  machiningMinorPerHour: price.optional(),
  testMinor: price.optional(),
  freightMinor: price.optional(),
  partsMarkupPct: share.optional(),
  taxPct: share.max(100).optional(),
  /** Other rates that a quote can be given, by name. */
  taxes: z
    .array(z.strictObject({ name: z.string().trim().min(1, 'name the tax').max(60), pct: share.max(100) }))
    .max(10, 'ten at most')
    .optional(),
  warrantyMonths: z.number('type months').int().min(0).max(240).optional(),
  quoteValidDays: days.optional(),
  reminderAfterDays: days.optional(),
  wageMinorPerHour: price.nullable().optional(),
  telephone: z.string().trim().max(60).optional(),
  address: z
    .string()
    .trim()
    .max(300)
    .refine((text) => text.split('\n').length <= 5, 'at most five lines')
    .optional(),
  paperSize: z.enum(paperSizes, 'choose A4 or Letter').optional(),
  language: z.enum(languages, 'choose a language that papers have').optional(),
  /** The shop's own words of some letters; null for the usual ones again. Those that are left out stay as they are. */
  letters: z
    .partialRecord(
      z.enum(letterKinds),
      z.strictObject({ subject: z.string().trim().max(200), body: z.string().trim().max(4000) }).nullable(),
    )
    .optional(),
  basis: comparisonInput.nullable().optional(),
  /** The school that the shop follows, by matter; all matters, those that are left out follow the usual one. */
  policies: z.partialRecord(z.enum(matters), z.string().max(60)).optional(),
});
export type ChangeSettings = z.output<typeof changeSettingsInput>;

const currencies: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));
/** What the shop is called on its papers, where it is, and what it reckons in. */
export const changeShopInput = z.strictObject({
  name: z.string().trim().min(1, 'say what the shop is called').max(150),
  place: z.string().trim().min(1, 'say where it is').max(150),
  currency: z
    .string()
    .trim()
    .toUpperCase()
    .refine((code) => currencies.has(code), 'a currency has three letters, such as EUR'),
});

export const numberedSeries = ['tag', 'report', 'order', 'lot'] as const;
/** At which number a series goes on; `basedOn` is the one that was shown. */
export const setNumberInput = z.strictObject({
  series: z.enum(numberedSeries),
  next: z.number('type a whole number').int('they are counted whole').min(1).max(9_000_000),
  basedOn: z.number().int(),
});

export const chooseUnitsInput = z.strictObject({ lengthDisplay: z.enum(lengthDisplays) });
