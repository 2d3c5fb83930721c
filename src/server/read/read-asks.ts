import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { asksOf, jobDetails } from '@/core/lifecycle';
import { loadJobRecord } from '@/db';
import { familyOfJob } from '../families';
import { tagField } from '@/core/change/inputs';
import { defineUseCase } from '../use-case';

/** The numbers that a job waits for now, so that a sum's result can be put there. */
export const readAsks = defineUseCase({
  verb: 'read-asks',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const record = await loadJobRecord(context.database, tag);
    if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
    return {
      tag: record.tag,
      pump: jobDetails(record.pump),
      station: record.station,
      asks: asksOf(record, await familyOfJob(context.database, record)),
    };
  },
});
