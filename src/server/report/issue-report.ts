import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { takeNumber } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, tagField } from '../use-case';
import { freezeReport } from './freeze-report';

/** Issues the as-built report: once, numbered, frozen. */
export const issueReport = defineUseCase({
  verb: 'issue-report',
  audience: ['coordinator', 'inspector'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'issue-report' }, async (job) => {
      requireStation(job.record, 'report');
      if (job.record.reports.length)
        throw new DomainError('wrong-state', {
          what: `Report ${job.record.reports[0]!.number} is issued already; a correction makes a new revision.`,
        });
      const number = `R-${context.now().getUTCFullYear()}-${String(await takeNumber(job.connection, 'nextReport')).padStart(4, '0')}`;
      const issued = await freezeReport(context, job, { number, revision: 'A', whatChanged: '' });
      return { result: issued, data: issued, move: 'finish-report' };
    });
  },
});
