import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findCaution } from '@/core/family';
import { addAcknowledgement } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** The technician who opens the pump acknowledges a caution, once a job. */
export const acknowledgeCaution = defineUseCase({
  verb: 'acknowledge-caution',
  audience: ['technician', 'inspector'],
  input: z.strictObject({ tag: tagField, caution: z.string().max(60) }),
  async run(context, { tag, caution }) {
    if (!findCaution(caution)) throw new DomainError('bad-input', { what: `There is no caution "${caution}".` });
    return changeJob(context, { tag, kind: 'acknowledge-caution' }, async ({ connection, record, who }) => {
      await addAcknowledgement(connection, { jobId: record.id, caution, ...who });
      return { result: {}, data: { caution } };
    });
  },
});
