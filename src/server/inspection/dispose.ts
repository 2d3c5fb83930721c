import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { actions } from '@/core/record';
import { putDisposition } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, sentence, tagField } from '../use-case';
import { ensurePointFinding } from './point-finding';

/** Says what is done about a finding, and why. A point without a finding yet gets one from its verdict. */
export const dispose = defineUseCase({
  verb: 'dispose',
  audience: ['inspector', 'coordinator'],
  input: z.strictObject({
    tag: tagField,
    target: z.union([
      z.strictObject({ pointId: z.string().max(60) }),
      z.strictObject({ findingId: z.string().max(36) }),
    ]),
    action: z.enum(actions),
    reason: sentence(1000),
  }),
  async run(context, { tag, target, action, reason }) {
    return changeJob(context, { tag, kind: 'dispose' }, async (job) => {
      requireStation(job.record, 'inspect', 'quote');
      const finding =
        'pointId' in target
          ? await ensurePointFinding(job, target.pointId, context.newId)
          : job.record.findings.find((one) => one.id === target.findingId);
      if (!finding) throw new DomainError('not-found', { what: 'This finding is not of this job.' });
      await putDisposition(job.connection, { findingId: finding.id, jobId: job.record.id, action, reason, ...job.who });
      return {
        result: { findingId: finding.id },
        data: { findingId: finding.id, pointId: finding.pointId, action, reason },
      };
    });
  },
});
