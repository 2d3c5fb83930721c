import * as z from 'zod';
import { basedOn, dayField, elementId, optionalText, orderLineId, photoId, sentence, tagField } from './fields';

/** In minor units. */
const value = z.number('type a price').int().min(0).max(100_000_000);

export const orderPartsInput = z.strictObject({
  tag: tagField,
  /** Named where it is ordered before the customer has answered. */
  atRisk: z
    .strictObject({ limitMinor: value, reason: sentence(500) })
    .nullable()
    .default(null),
});
export type OrderParts = z.output<typeof orderPartsInput>;

export const orderInput = z.strictObject({ tag: tagField, orderNumber: z.string().max(20) });
export type OrderAsked = z.output<typeof orderInput>;

/** Days of single lines, by the number that was ordered. */
const lineDays = z
  .array(z.strictObject({ number: z.string().max(60), dueOn: dayField }))
  .max(200)
  .default([]);

/** A supplier's answer to an order; a service sends it, not a person. */
export const acknowledgeOrderInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  reference: sentence(100),
  dueOn: dayField,
  lines: lineDays,
});
export type AcknowledgeOrder = z.output<typeof acknowledgeOrderInput>;

/** Another day for an order, or for some of its lines, and why. */
export const moveOrderInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  dueOn: dayField,
  lines: lineDays,
  words: sentence(500),
});
export type MoveOrder = z.output<typeof moveOrderInput>;

/** Pieces of an order that are struck off, and why. */
export const cutOrderInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  lines: z
    .array(z.strictObject({ partRef: elementId, quantity: z.number().int().min(1).max(10000) }))
    .min(1)
    .max(200),
  words: sentence(500),
});
export type CutOrder = z.output<typeof cutOrderInput>;

export const receivePartsInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  counts: z
    .array(
      z.strictObject({
        lineId: orderLineId,
        /** Pieces that are right; what is wrong or damaged is counted by itself. */
        counted: z.number('type a count').int('count whole pieces').min(0).max(10000),
        wrong: z.number('type a count').int('count whole pieces').min(0).max(10000).default(0),
        /** What is wrong with them. */
        what: optionalText(300),
        /** What stands on a piece; empty where nothing does. */
        number: optionalText(60),
        elastomer: optionalText(40),
        variant: optionalText(60),
        lot: optionalText(60),
        photoId: photoId.nullable().default(null),
        /** Another number that stands for it is accepted, by name. */
        accept: z.boolean().default(false),
      }),
    )
    .min(1)
    .max(200),
  note: optionalText(500),
});
export type ReceiveParts = z.output<typeof receivePartsInput>;

/** Writes to the supplier about what came wrong or short, in the words that the person sends. */
export const sendClaimInput = z.strictObject({
  tag: tagField,
  number: z.string().max(20),
  basedOn,
  words: sentence(4000),
  /** Whether the wrong pieces go back with it. */
  goesBack: z.boolean(),
});
export type SendClaim = z.output<typeof sendClaimInput>;
