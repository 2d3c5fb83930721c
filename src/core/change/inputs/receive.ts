import * as z from 'zod';
import { arrivals, cleanings, liquidStates } from '../../record';
import { basedOn, dayField, elementId, optionalText, sentence, tagField } from './fields';

const amount = (max: number) => z.number('type a number').gt(0, 'must be more than 0').max(max, `at most ${max}`);

export const dutyInput = z.strictObject({
  flowM3h: amount(100000),
  headM: amount(5000),
  powerKw: amount(20000).optional(),
  efficiencyPct: amount(100).optional(),
  speedRpm: amount(60000),
});

/** What is written down when a pump comes in. */
export const intakeInput = z.strictObject({
  equipmentNumber: optionalText(100),
  duty: dutyInput.nullable(),
  liquid: optionalText(200),
  /** As it is pumped, in °C and mm²/s; null where nobody said it. */
  liquidTemperatureC: z.number('type a temperature').min(-200).max(700).nullable().default(null),
  viscosityMm2S: amount(1_000_000).nullable().default(null),
  cleaning: z.enum(cleanings),
  cleaningReference: optionalText(200),
  whyOut: optionalText(1000),
  runningHours: z.number('type a number of hours').min(0).max(1e6).nullable(),
  cameWith: z.array(sentence(200)).max(40),
  shims: z.array(z.strictObject({ foot: sentence(60), thicknesses: sentence(200) })).max(12),
  hazards: optionalText(1000),
  shippingDamage: optionalText(1000),
  elastomer: optionalText(20),
  liquidState: z.enum(liquidStates).optional(),
  arrival: z.enum(arrivals).optional(),
});

/** A construction as a person chooses it. */
export const constructionInput = {
  familyId: z.string().max(20),
  /** The choice by axis, where it is not the usual one. */
  axes: z.record(elementId, elementId).optional(),
  size: elementId.optional(),
  /** How many there are of a set, such as stages. */
  counts: z.record(elementId, z.number('type a whole number').int('they are counted whole').min(1).max(60)).optional(),
};

const contactInput = z.strictObject({
  name: sentence(150),
  email: z.string().trim().email('is not a mail address').max(191),
  phone: optionalText(40),
});

/** What the units of a lot share. */
const lotTermsInput = z.strictObject({
  deliveryNote: optionalText(150),
  sharesPromise: z.boolean(),
  sharesQuote: z.boolean(),
  sharesDelivery: z.boolean(),
});

export const receivePumpInput = z.strictObject({
  customer: sentence(150),
  contact: contactInput.nullable(),
  pump: z.strictObject({
    maker: sentence(100),
    model: sentence(100),
    serial: sentence(100),
    size: optionalText(60),
    nameplate: z.record(z.string().max(60), z.string().max(200)).default({}),
  }),
  ...constructionInput,
  promisedOn: dayField,
  intake: intakeInput,
  /** The lot that it comes in: a new one with its terms, or one that is there; null for a pump that comes alone. */
  lot: z
    .union([lotTermsInput, z.strictObject({ join: z.string().regex(/^L-\d{4,7}$/, 'a lot looks like L-0012') })])
    .nullable()
    .default(null),
});
export type ReceivePump = z.output<typeof receivePumpInput>;

const why = sentence(500);
export const correctOwnerInput = z.strictObject({ tag: tagField, customer: sentence(150), reason: why });
export type CorrectOwner = z.output<typeof correctOwnerInput>;

export const correctContactInput = z.strictObject({ tag: tagField, contact: contactInput, reason: why });
export type CorrectContact = z.output<typeof correctContactInput>;

export const correctNameplateInput = z.strictObject({
  tag: tagField,
  pump: z.strictObject({
    ...{ maker: sentence(100), model: sentence(100), serial: sentence(100), size: optionalText(60) },
  }),
  reason: why,
});
export type CorrectNameplate = z.output<typeof correctNameplateInput>;

export const correctEquipmentNumberInput = z.strictObject({
  tag: tagField,
  equipmentNumber: optionalText(100),
  reason: why,
});
export type CorrectEquipmentNumber = z.output<typeof correctEquipmentNumberInput>;

export const correctLotInput = z.strictObject({ tag: tagField, terms: lotTermsInput, reason: why });
export type CorrectLot = z.output<typeof correctLotInput>;

/** After the pump was opened a change wants its reason. */
export const saveIntakeInput = z.strictObject({
  tag: tagField,
  basedOn,
  intake: intakeInput,
  reason: optionalText(500),
});
export type SaveIntake = z.output<typeof saveIntakeInput>;

export const confirmIsolationInput = z.strictObject({ tag: tagField, basedOn });
export type ConfirmIsolation = z.output<typeof confirmIsolationInput>;

export const acknowledgeCautionInput = z.strictObject({ tag: tagField, caution: elementId });
export type AcknowledgeCaution = z.output<typeof acknowledgeCautionInput>;

export const correctConstructionInput = z.strictObject({
  tag: tagField,
  ...constructionInput,
  /** What it is converted to, by axis: it goes back otherwise than it came. */
  to: z.record(elementId, elementId).optional(),
  /** Asked where something is recorded by the construction of before. */
  reason: optionalText(300),
});
export type CorrectConstruction = z.output<typeof correctConstructionInput>;

export const takeNewerFamilyInput = z.strictObject({ tag: tagField });

const about = z
  .string()
  .regex(/^[a-z]+:[\w-]+$/, 'says what the picture is about, such as part:impeller')
  .max(80);
export const addPhotoInput = z.strictObject({ tag: tagField, about, caption: optionalText(300) });
export type AddPhoto = z.output<typeof addPhotoInput>;

export const takePictureInput = z.strictObject({
  tag: tagField,
  about,
  partRef: elementId,
  caption: optionalText(300),
});
export type TakePicture = z.output<typeof takePictureInput>;
