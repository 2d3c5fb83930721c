import * as z from 'zod';
import { benchPhases, partStates } from '../../record';
import { basedOn, elementId, optionalText, personId, photoId, sentence, tagField } from './fields';

export const accountPartsInput = z.strictObject({
  tag: tagField,
  parts: z
    .array(z.strictObject({ partRef: elementId, state: z.enum(partStates), note: optionalText(500), basedOn }))
    .min(1, 'no part is given')
    .max(200),
});
export type AccountParts = z.output<typeof accountPartsInput>;

const inPhase = { tag: tagField, phase: z.enum(benchPhases) };

/** What a person answers to one action of a step. */
export const answerActionInput = z.strictObject({
  ...inPhase,
  actionId: elementId,
  typed: optionalText(300),
  photoId: photoId.nullable().default(null),
  /** What was put on or in, by its name in the family. */
  consumable: optionalText(100),
  /** Code of the tool or gauge. */
  tool: optionalText(20),
  /** Torque by pass, in N·m. */
  passes: z.array(z.number('type the torque').gt(0).max(10_000)).max(10).optional(),
  /** Rows of a record as they were typed, each cell by its column. */
  rows: z
    .array(z.record(z.string().max(60), z.string().trim().max(60)))
    .max(200)
    .optional(),
  ambientC: z.number('type the room temperature').min(-30).max(60).optional(),
  /** It cannot be done or seen; the reason says why. */
  notPossible: z.boolean().default(false),
  reason: optionalText(500),
  cautionsRead: z.array(elementId).max(20).default([]),
  /** The version of the answer that was seen here; 0 when there was none. */
  basedOn,
});
export type AnswerAction = z.output<typeof answerActionInput>;

export const undoAnswerInput = z.strictObject({
  ...inPhase,
  actionId: elementId,
  basedOn,
});
export type UndoAnswer = z.output<typeof undoAnswerInput>;

export const openAgainInput = z.strictObject({
  ...inPhase,
  stepId: elementId,
  /** From which action on; the whole step where none is named. */
  actionId: elementId.optional(),
  reason: sentence(500),
  /** The version of the step; 0 where it was not done yet. */
  basedOn,
});
export type OpenAgain = z.output<typeof openAgainInput>;

export const allowDeviationInput = z.strictObject({
  ...inPhase,
  stepId: elementId,
  reason: sentence(500),
});
export type AllowDeviation = z.output<typeof allowDeviationInput>;

export const signHoldPointInput = z.strictObject({
  tag: tagField,
  stepId: elementId,
  basedOn,
  /** Who signs, and the PIN that says so; the screen may be another person's. */
  signer: z.strictObject({ personId, pin: z.string().max(12) }),
});
export type SignHoldPoint = z.output<typeof signHoldPointInput>;
