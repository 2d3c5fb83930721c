import * as z from 'zod';
import { changeJob } from '../change-job';
import { defineUseCase, optionalText, sentence, tagField } from '../use-case';
import { sentQuoteOf, storeAnswer } from './record-answer';

/** The coordinator records an answer by telephone or purchase order, with who said so. */
export const recordApproval = defineUseCase({
  verb: 'record-approval',
  audience: ['coordinator'],
  input: z.strictObject({
    tag: tagField,
    way: z.enum(['telephone', 'purchase order']),
    name: sentence(150),
    reference: optionalText(150),
    declinedLines: z.array(z.string().max(36)).max(500),
    declineAll: z.boolean(),
  }),
  async run(context, { tag, ...given }) {
    return changeJob(context, { tag, kind: 'record-approval' }, async (job) =>
      storeAnswer(job, sentQuoteOf(job.record), { ...given, signature: '' }, context.newId()),
    );
  },
});
