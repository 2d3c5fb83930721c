import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findPart } from '@/core/family';
import { addSteps } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, sentence, tagField } from '../use-case';

/** Records how parts were cleaned, and that what must be masked was masked. */
export const cleanParts = defineUseCase({
  verb: 'clean-parts',
  audience: ['technician', 'inspector'],
  input: z.strictObject({
    tag: tagField,
    cautionRead: z.literal(true, 'Read the caution of cleaning first.'),
    parts: z
      .array(z.strictObject({ partRef: z.string().max(60), method: sentence(200), masked: z.boolean() }))
      .min(1, 'no part is given')
      .max(200),
  }),
  async run(context, { tag, parts }) {
    return changeJob(context, { tag, kind: 'clean-parts' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'clean');
      const rows = parts.map(({ partRef, method, masked }) => {
        const part = findPart(family, partRef);
        if (!part) throw new DomainError('bad-input', { what: `${partRef} is not in the parts list of this family.` });
        if (part.clean.mask && !masked)
          throw new DomainError('bad-input', { what: `${part.name}: confirm that ${part.clean.mask} are masked.` });
        return { jobId: record.id, phase: 'clean', round: 1, stepId: partRef, data: { method, masked }, ...who };
      });
      await addSteps(connection, rows);
      return { result: {}, data: { parts } };
    });
  },
});
