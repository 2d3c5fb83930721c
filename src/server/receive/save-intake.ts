import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { saveIntake as saveIntakeRow, saveSearchText } from '@/db';
import { changeJob } from '../change-job';
import { basedOn, defineUseCase, tagField } from '../use-case';
import { intakeInput } from './receive-pump';
import { searchTextOf } from './search-text';

/** Changes what was written down at receiving; somebody else's change meanwhile is shown, nothing typed is lost. */
export const saveIntake = defineUseCase({
  verb: 'save-intake',
  audience: ['coordinator', 'technician'],
  input: z.strictObject({ tag: tagField, basedOn, intake: intakeInput }),
  async run(context, { tag, basedOn: version, intake }) {
    return changeJob(context, { tag, kind: 'save-intake' }, async ({ connection, record, family }) => {
      const { version: stored, isolation, ...theirs } = record.intake;
      if (stored !== version || !(await saveIntakeRow(connection, record.id, version, { ...intake, isolation })))
        throw new DomainError('changed-meanwhile', { theirs: { ...theirs, version: stored }, yours: intake });
      await saveSearchText(
        connection,
        record.id,
        searchTextOf({ tag, customer: record.customer.name, pump: record.pump, intake, familyTitle: family.title }),
      );
      return { result: { intakeVersion: version + 1 }, data: { intake } };
    });
  },
});
