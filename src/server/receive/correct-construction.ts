import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { isConstructionOpen } from '@/core/record';
import { saveIntake } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { chosenFamily, constructionInput } from '../families';
import { defineUseCase, tagField } from '../use-case';
import { giveFamily } from './give-family';

/**
 * The pump turns out to be built otherwise than it was received. Possible while nothing is recorded by the parts, steps
 * and points of the first choice; an elastomer that the new construction does not come with is asked for again.
 */
export const correctConstruction = defineUseCase({
  verb: 'correct-construction',
  audience: ['coordinator', 'technician'],
  input: z.strictObject({ tag: tagField, ...constructionInput }),
  async run(context, { tag, ...chosen }) {
    const built = await chosenFamily(context.database, chosen);
    return changeJob(context, { tag, kind: 'correct-construction' }, async ({ connection, record }) => {
      requireStation(record, 'receive', 'teardown');
      if (!isConstructionOpen(record))
        throw new DomainError('wrong-state', {
          what: `${tag} has steps, captures or parts recorded by ${record.familyId}; they would stand for nothing in ${built.id}.`,
        });
      if (built.id === record.familyId && built.version === record.familyVersion)
        throw new DomainError('bad-input', {
          what: `${tag} is ${built.id}, built so, already.`,
          issues: [{ path: 'familyId', message: 'as it is already' }],
        });
      await giveFamily({ connection, record }, built);
      const { version, ...intake } = record.intake;
      const asksElastomer = intake.elastomer !== '' && !built.elastomers.includes(intake.elastomer);
      if (asksElastomer) await saveIntake(connection, record.id, version, { ...intake, elastomer: '' });
      return {
        result: { familyVersion: built.version, asksElastomer },
        data: {
          from: `${record.familyId} ${record.familyVersion}`,
          to: `${built.id} ${built.version}`,
          ...(asksElastomer && { elastomerDropped: intake.elastomer }),
        },
        family: built,
      };
    });
  },
});
