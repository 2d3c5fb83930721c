import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findTagById } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, sentence } from '../use-case';
import { sentQuoteOf, storeAnswer } from './record-answer';

/** The customer's own answer through the link: approve all, decline lines, or decline everything; with name and signature. */
export const answerQuote = defineUseCase({
  verb: 'answer-quote',
  audience: ['customer'],
  input: z.strictObject({
    quoteId: z.string().max(36),
    name: sentence(150),
    declinedLines: z.array(z.string().max(36)).max(500),
    declineAll: z.boolean(),
    /** SVG path of the drawn signature: only moves and lines with numbers; or `typed`, where the typed name stands for it. */
    signature: z
      .string()
      .max(30000, 'is too long a line')
      .regex(/^typed$|^(M-?\d+(\.\d+)? -?\d+(\.\d+)?(L-?\d+(\.\d+)? -?\d+(\.\d+)?)*)+$/, 'sign in the box'),
  }),
  async run(context, { quoteId, ...given }) {
    const { actor } = context;
    if (actor.kind !== 'customer' || actor.quoteId !== quoteId) throw new DomainError('link-not-valid');
    const tag = await findTagById(context.database, actor.jobId);
    if (!tag) throw new DomainError('link-not-valid');
    return changeJob(context, { tag, kind: 'answer-quote', customerName: given.name }, async (job) => {
      const quote = sentQuoteOf(job.record);
      if (quote.id !== quoteId)
        throw new DomainError('wrong-state', { what: 'A newer revision of this quote has been sent.' });
      return storeAnswer(job, quote, { ...given, way: 'link', reference: '' }, context.newId());
    });
  },
});
