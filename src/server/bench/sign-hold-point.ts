import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { rebuildRound } from '@/core/record';
import { signStep } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** A second person signs a hold point: never the one who did the step. */
export const signHoldPoint = defineUseCase({
  verb: 'sign-hold-point',
  audience: ['technician', 'inspector', 'coordinator'],
  input: z.strictObject({ tag: tagField, stepId: z.string().max(60) }),
  async run(context, { tag, stepId }) {
    return changeJob(context, { tag, kind: 'sign-hold-point' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'rebuild');
      const step = family.rebuild.find((one) => one.id === stepId);
      const round = rebuildRound(record);
      const done = record.steps.find((one) => one.phase === 'rebuild' && one.round === round && one.stepId === stepId);
      if (!step?.hold_point) throw new DomainError('bad-input', { what: `${stepId} is not a hold point.` });
      if (!done) throw new DomainError('wrong-state', { what: `“${step.title}” is not done yet.` });
      if (done.personId === who.personId)
        throw new DomainError('second-person-needed', {
          what: `${who.personName} did this step; somebody else signs the hold point.`,
        });
      await signStep(
        connection,
        { jobId: record.id, phase: 'rebuild', round, stepId },
        { id: who.personId!, name: who.personName, at: who.at },
      );
      return { result: {}, data: { stepId, round } };
    });
  },
});
