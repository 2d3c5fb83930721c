import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findPart } from '@/core/family';
import { addFinding } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, optionalText, sentence, tagField } from '../use-case';

/** A visual finding on a part, with its picture and plain words for the customer. */
export const recordFinding = defineUseCase({
  verb: 'record-finding',
  audience: ['technician', 'inspector'],
  input: z.strictObject({
    tag: tagField,
    partRef: z.string().max(60),
    words: sentence(1000),
    plain: optionalText(1000),
    photoId: z.string().max(36).nullable(),
  }),
  async run(context, { tag, partRef, words, plain, photoId }) {
    return changeJob(context, { tag, kind: 'record-finding' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'teardown', 'clean', 'inspect');
      if (!findPart(family, partRef))
        throw new DomainError('bad-input', { what: `${partRef} is not in the parts list of this family.` });
      if (photoId && !record.photos.some((photo) => photo.id === photoId))
        throw new DomainError('wrong-job', { what: 'The picture belongs to another job.' });
      const known = family.damage.find((damage) => damage.part === partRef && damage.seen === words);
      const findingId = context.newId();
      await addFinding(connection, {
        id: findingId,
        jobId: record.id,
        kind: 'visual',
        partRef,
        words,
        plain: plain || known?.plain || words,
        photoId,
        ...who,
      });
      return { result: { findingId }, data: { findingId, partRef, words, photoId } };
    });
  },
});
