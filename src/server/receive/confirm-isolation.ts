import * as z from 'zod';
import { saveIntake as saveIntakeRow } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** Records who confirmed that all energy is isolated. The product never declares anything safe. */
export const confirmIsolation = defineUseCase({
  verb: 'confirm-isolation',
  audience: ['coordinator', 'technician'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'confirm-isolation' }, async ({ connection, record, who }) => {
      const { version, ...body } = record.intake;
      await saveIntakeRow(connection, record.id, version, {
        ...body,
        isolation: { personName: who.personName, at: who.at.toISOString() },
      });
      return { result: {}, data: {} };
    });
  },
});
