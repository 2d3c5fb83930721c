import * as z from 'zod';
import { addQuoteLine } from '@/db';
import { changeJob } from '../change-job';
import { basedOn, defineUseCase, optionalText, sentence, tagField } from '../use-case';
import { takeDraft } from './draft-of';

/** Adds a line of the coordinator's own to the draft. */
export const addLine = defineUseCase({
  verb: 'add-line',
  audience: ['coordinator'],
  input: z.strictObject({
    tag: tagField,
    basedOn,
    kind: z.enum(['part', 'labour', 'machining', 'outside', 'test', 'freight']),
    description: sentence(500),
    plain: optionalText(500),
    quantity: z.number().gt(0).max(100000),
    unit: z.string().trim().min(1).max(12),
    unitPriceMinor: z.number().int().min(0).max(100_000_000),
  }),
  async run(context, { tag, basedOn: version, ...line }) {
    return changeJob(context, { tag, kind: 'add-line' }, async ({ connection, record }) => {
      const quote = await takeDraft(connection, record, version);
      const id = context.newId();
      await addQuoteLine(
        connection,
        { id: quote.id, jobId: record.id },
        {
          ...line,
          id,
          plain: line.plain || line.description,
          findingIds: [],
          parts: [],
          declinable: true,
          struckReason: null,
        },
        quote.lines.length,
      );
      return { result: { lineId: id }, data: { lineId: id, ...line } };
    });
  },
});
