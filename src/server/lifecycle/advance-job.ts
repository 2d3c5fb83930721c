import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { mayAct, type Audience } from '@/core/access';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** Moves that a person makes by themselves; the others follow from sending, answering, deciding or issuing. */
export const moveAudience = {
  'begin-teardown': ['technician', 'coordinator'],
  'finish-teardown': ['technician'],
  'finish-cleaning': ['technician'],
  'finish-inspection': ['inspector', 'coordinator'],
  'revise-quote': ['coordinator'],
  'start-rebuild': ['technician', 'coordinator', 'parts'],
  'finish-rebuild': ['technician', 'inspector'],
} as const satisfies Record<string, readonly Audience[]>;

/** Moves a job through a gate to the next station; a shut gate answers with what is missing. */
export const advanceJob = defineUseCase({
  verb: 'advance-job',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({
    tag: tagField,
    event: z.enum(Object.keys(moveAudience) as [keyof typeof moveAudience, ...(keyof typeof moveAudience)[]]),
  }),
  async run(context, { tag, event }) {
    if (!mayAct(context.actor, moveAudience[event])) throw new DomainError('not-allowed');
    return changeJob(context, { tag, kind: event }, async () => ({ result: {}, data: {}, move: event }));
  },
});
