import * as z from 'zod';
import { holders } from '@/core/record';
import { changeJob } from '../change-job';
import { dayField, defineUseCase, sentence, tagField } from '../use-case';

/** Puts a job on hold: why, until when, and who holds it meanwhile. */
export const holdJob = defineUseCase({
  verb: 'hold-job',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField, reason: sentence(500), until: dayField, holder: z.enum(holders) }),
  async run(context, { tag, reason, until, holder }) {
    return changeJob(context, { tag, kind: 'hold' }, async () => ({
      result: {},
      data: { reason, until, holder },
      move: 'hold',
      hold: { reason, until, holder },
    }));
  },
});
