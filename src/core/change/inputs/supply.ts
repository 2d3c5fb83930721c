import * as z from 'zod';
import { laidReady, madeFields, outsideFields, sourceFields } from '../../record/supply-bodies';
import { basedOn, dayField, elementId, optionalText, sentence, tagField } from './fields';

const aboutPart = { tag: tagField, partRef: elementId, basedOn };

/** Where a part comes from; a donor part by its id among those that are free. */
export const chooseSourceInput = z.strictObject({
  ...aboutPart,
  source: sourceFields,
  donorId: z.string().max(60).nullable().default(null),
});
export type ChooseSource = z.output<typeof chooseSourceInput>;

/** What came by another way than an order is counted and looked at; a crossing number is accepted by name. */
export const layReadyInput = z.strictObject({ ...aboutPart, here: laidReady, accept: z.boolean().default(false) });
export type LayReady = z.output<typeof layReadyInput>;

export const writeMadeInput = z.strictObject({ ...aboutPart, made: madeFields });
export type WriteMade = z.output<typeof writeMadeInput>;

export const releaseMadeInput = z.strictObject({ ...aboutPart, words: optionalText(300) });
export type ReleaseMade = z.output<typeof releaseMadeInput>;

export const workOnMadeInput = z.strictObject({
  ...aboutPart,
  machine: sentence(80),
  minutes: z.number('type a whole number').int().min(1, 'one minute at least').max(10000),
});
export type WorkOnMade = z.output<typeof workOnMadeInput>;

export const measureMadeInput = z.strictObject({
  ...aboutPart,
  gauge: optionalText(60),
  readings: z
    .array(z.strictObject({ id: elementId, value: z.number('type a number').min(0).max(10000) }))
    .min(1, 'nothing is measured')
    .max(20),
});
export type MeasureMade = z.output<typeof measureMadeInput>;

export const handOverMadeInput = z.strictObject({ ...aboutPart, fitted: sentence(500) });
export type HandOverMade = z.output<typeof handOverMadeInput>;

/** Work outside by its number; a new one where none is named. */
export const writeOutsideInput = z.strictObject({
  tag: tagField,
  number: z.string().max(20).nullable().default(null),
  basedOn,
  outside: outsideFields,
});
export type WriteOutside = z.output<typeof writeOutsideInput>;

const aboutOutside = { tag: tagField, number: z.string().max(20), basedOn };
export const sendOutsideInput = z.strictObject({ ...aboutOutside, on: dayField, dueOn: dayField });
export type SendOutside = z.output<typeof sendOutsideInput>;

/** What came back, by what was asked of it in its order; taken, or sent back with the reason. */
export const takeBackInput = z.strictObject({
  ...aboutOutside,
  on: dayField,
  values: z.array(z.number('type a number').min(0).max(1e6).nullable()).max(20),
  words: optionalText(500),
  isTaken: z.boolean(),
});
export type TakeBack = z.output<typeof takeBackInput>;

export const findNumberInput = z.strictObject({ ...aboutPart, found: sentence(60) });
export type FindNumber = z.output<typeof findNumberInput>;
export const settleNumberInput = z.strictObject({ ...aboutPart, words: sentence(500) });
export type SettleNumber = z.output<typeof settleNumberInput>;

export const layInTrayInput = z.strictObject({
  tag: tagField,
  parts: z.array(elementId).min(1, 'no part is given').max(200),
  tray: z.string().trim().min(1, 'name the tray').max(20),
});
export type LayInTray = z.output<typeof layInTrayInput>;
export const readLabelInput = z.strictObject({ tag: tagField, code: z.string().trim().min(1).max(120) });
export type ReadLabel = z.output<typeof readLabelInput>;

/** A part of this unit goes to another job, or comes back where none is named. */
export const givePartInput = z.strictObject({ tag: tagField, partRef: elementId, to: tagField.nullable() });
export type GivePart = z.output<typeof givePartInput>;
