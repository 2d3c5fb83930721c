import * as z from 'zod';
import { personalMoves } from '../../lifecycle/transition';
import { holders } from '../../record';
import { dayField, optionalText, sentence, tagField } from './fields';

/** Moves that a person makes by themselves; the others follow from sending, answering, deciding or issuing. */
export const advanceJobInput = z.strictObject({
  tag: tagField,
  event: z.enum(personalMoves),
  /** Wanted for a way back. */
  reason: optionalText(500),
});
export type AdvanceJob = z.output<typeof advanceJobInput>;

/** Another day for a pump, why, and whether the customer is written to. */
export const movePromiseInput = z.strictObject({
  tag: tagField,
  /** The day that stood there when the move was made. */
  from: dayField,
  to: dayField,
  reason: sentence(500),
  tell: z.boolean(),
});
export type MovePromise = z.output<typeof movePromiseInput>;

export const holdJobInput = z.strictObject({
  tag: tagField,
  reason: sentence(500),
  until: dayField,
  holder: z.enum(holders),
});
export type HoldJob = z.output<typeof holdJobInput>;
