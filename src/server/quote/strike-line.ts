import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { saveQuoteLine } from '@/db';
import { changeJob } from '../change-job';
import { basedOn, defineUseCase, sentence, tagField } from '../use-case';
import { takeDraft } from './draft-of';

/** Strikes a line of the draft with a reason, or (reason null) puts it back. */
export const strikeLine = defineUseCase({
  verb: 'strike-line',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField, lineId: z.string().max(36), basedOn, reason: sentence(500).nullable() }),
  async run(context, { tag, lineId, basedOn: version, reason }) {
    return changeJob(context, { tag, kind: 'strike-line' }, async ({ connection, record }) => {
      const quote = await takeDraft(connection, record, version);
      if (!quote.lines.some((line) => line.id === lineId))
        throw new DomainError('not-found', { what: 'This line is not in the draft.' });
      await saveQuoteLine(connection, lineId, { struckReason: reason });
      return { result: {}, data: { lineId, reason } };
    });
  },
});
