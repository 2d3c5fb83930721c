import * as z from 'zod';
import { personalMoves } from '../../lifecycle/transition';
import { holders } from '../../record';
import { dayField, sentence, tagField } from './fields';

/** Moves that a person makes by themselves; the others follow from sending, answering, deciding or issuing. */
export const advanceJobInput = z.strictObject({ tag: tagField, event: z.enum(personalMoves) });
export type AdvanceJob = z.output<typeof advanceJobInput>;

export const holdJobInput = z.strictObject({
  tag: tagField,
  reason: sentence(500),
  until: dayField,
  holder: z.enum(holders),
});
export type HoldJob = z.output<typeof holdJobInput>;
