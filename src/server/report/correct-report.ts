import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { nextRevision } from '@/core/report';
import { changeJob } from '../change-job';
import { defineUseCase, sentence, tagField } from '../use-case';
import { freezeReport } from './freeze-report';

/** A correction makes the next revision, which says what changed; the one before stays as it was. */
export const correctReport = defineUseCase({
  verb: 'correct-report',
  audience: ['coordinator', 'inspector'],
  input: z.strictObject({ tag: tagField, whatChanged: sentence(1000) }),
  async run(context, { tag, whatChanged }) {
    return changeJob(context, { tag, kind: 'correct-report' }, async (job) => {
      const first = job.record.reports[0];
      if (!first) throw new DomainError('wrong-state', { what: 'No report is issued yet.' });
      const issued = await freezeReport(context, job, {
        number: first.number,
        revision: nextRevision(job.record.reports),
        whatChanged,
      });
      return { result: issued, data: { ...issued, whatChanged } };
    });
  },
});
