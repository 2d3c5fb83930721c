import * as z from 'zod';
import { capturePhases, partStates } from '../../record';
import { basedOn, elementId, optionalText, photoId, sentence, tagField } from './fields';

export const accountPartsInput = z.strictObject({
  tag: tagField,
  parts: z
    .array(z.strictObject({ partRef: elementId, state: z.enum(partStates), note: optionalText(500), basedOn }))
    .min(1, 'no part is given')
    .max(200),
});
export type AccountParts = z.output<typeof accountPartsInput>;

export const cleanPartsInput = z.strictObject({
  tag: tagField,
  cautionRead: z.literal(true, 'Read the caution of cleaning first.'),
  parts: z
    .array(z.strictObject({ partRef: elementId, method: sentence(200), masked: z.boolean() }))
    .min(1, 'no part is given')
    .max(200),
});
export type CleanParts = z.output<typeof cleanPartsInput>;

export const recordCaptureInput = z.strictObject({
  tag: tagField,
  phase: z.enum(capturePhases),
  captureId: elementId,
  typed: optionalText(300),
  photoId: photoId.nullable().default(null),
  reason: optionalText(500),
  basedOn,
});
export type RecordCapture = z.output<typeof recordCaptureInput>;

export const finishStepInput = z.strictObject({
  tag: tagField,
  phase: z.enum(['teardown', 'rebuild', 'test']),
  stepId: elementId,
  /** The version of the step as done before in this round; 0 when it is done for the first time. */
  basedOn: basedOn.default(0),
  cautionsRead: z.array(elementId).max(20).default([]),
  torqueNm: z.number('type the torque').gt(0).max(10000).optional(),
  temperatureC: z.number('type the temperature').min(-60).max(300).optional(),
  ambientC: z.number('type the room temperature').min(-30).max(60).optional(),
  consumable: z.string().max(100).optional(),
  note: optionalText(500),
});
export type FinishStep = z.output<typeof finishStepInput>;

export const signHoldPointInput = z.strictObject({ tag: tagField, stepId: elementId, basedOn });
export type SignHoldPoint = z.output<typeof signHoldPointInput>;
