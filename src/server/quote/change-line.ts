import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { saveQuoteLine } from '@/db';
import { changeJob } from '../change-job';
import { basedOn, defineUseCase, sentence, tagField } from '../use-case';
import { takeDraft } from './draft-of';

/** Changes words, quantity or price of a line of the draft. */
export const changeLine = defineUseCase({
  verb: 'change-line',
  audience: ['coordinator'],
  input: z.strictObject({
    tag: tagField,
    lineId: z.string().max(36),
    basedOn,
    description: sentence(500),
    quantity: z.number('type a number').gt(0, 'must be more than 0').max(100000),
    unitPriceMinor: z.number('type a price').int().min(0).max(100_000_000),
  }),
  async run(context, { tag, lineId, basedOn: version, description, quantity, unitPriceMinor }) {
    return changeJob(context, { tag, kind: 'change-line' }, async ({ connection, record }) => {
      const quote = await takeDraft(connection, record, version);
      if (!quote.lines.some((line) => line.id === lineId))
        throw new DomainError('not-found', { what: 'This line is not in the draft.' });
      await saveQuoteLine(connection, lineId, { description, quantity: String(quantity), unitPriceMinor });
      return { result: {}, data: { lineId, description, quantity, unitPriceMinor } };
    });
  },
});
