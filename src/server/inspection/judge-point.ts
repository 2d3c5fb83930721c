import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { saveFinding } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, sentence, tagField } from '../use-case';
import { ensurePointFinding } from './point-finding';

/** A named person overrules the proposed verdict of a point, or waives its measuring; either asks for a reason. */
export const judgePointVerdict = defineUseCase({
  verb: 'judge-point',
  audience: ['inspector', 'coordinator'],
  input: z.strictObject({
    tag: tagField,
    pointId: z.string().max(60),
    decision: z.enum(['new', 'reuse', 'near', 'out', 'waive']),
    reason: sentence(1000),
  }),
  async run(context, { tag, pointId, decision, reason }) {
    return changeJob(context, { tag, kind: decision === 'waive' ? 'waive-point' : 'overrule-verdict' }, async (job) => {
      requireStation(job.record, 'inspect', 'quote', 'rebuild');
      const finding = await ensurePointFinding(
        job,
        pointId,
        context.newId,
        job.record.station === 'rebuild' ? 'as-left' : 'as-found',
      );
      const { personId, personName, at } = job.who;
      const change = decision === 'waive' ? { waivedReason: reason } : { verdict: decision, overruledReason: reason };
      if (!(await saveFinding(job.connection, finding.id, finding.version, { ...change, personId, personName, at })))
        throw new DomainError('changed-meanwhile');
      return { result: {}, data: { pointId, decision, proposed: finding.proposed, reason } };
    });
  },
});
