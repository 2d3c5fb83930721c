import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { findPart } from '@/core/family';
import { partStates } from '@/core/record';
import { addPartAccounts, savePartAccount } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { basedOn, defineUseCase, optionalText, tagField } from '../use-case';

/** Says of parts whether they came off whole, broken, were missing or never fitted. */
export const accountParts = defineUseCase({
  verb: 'account-parts',
  audience: ['technician', 'inspector', 'coordinator'],
  input: z.strictObject({
    tag: tagField,
    parts: z
      .array(
        z.strictObject({ partRef: z.string().max(60), state: z.enum(partStates), note: optionalText(500), basedOn }),
      )
      .min(1, 'no part is given')
      .max(200),
  }),
  async run(context, { tag, parts }) {
    return changeJob(context, { tag, kind: 'account-parts' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'teardown', 'clean', 'inspect');
      const stored = new Map(record.parts.map((part) => [part.ref, part]));
      for (const part of parts) {
        if (!findPart(family, part.partRef))
          throw new DomainError('bad-input', { what: `${part.partRef} is not in the parts list of this family.` });
        const theirs = stored.get(part.partRef);
        if ((theirs?.version ?? 0) !== part.basedOn)
          throw new DomainError('changed-meanwhile', {
            what: theirs && `${theirs.personName} said “${theirs.state}” meanwhile.`,
            theirs,
            yours: part,
          });
      }
      const rows = parts.map(({ basedOn: version, ...part }) => ({
        version,
        row: { jobId: record.id, ...part, ...who },
      }));
      await addPartAccounts(
        connection,
        rows.filter(({ version }) => version === 0).map(({ row }) => row),
      );
      await Promise.all(
        rows.filter(({ version }) => version > 0).map(({ row, version }) => savePartAccount(connection, row, version)),
      );
      return { result: {}, data: { parts: parts.map(({ partRef, state, note }) => ({ partRef, state, note })) } };
    });
  },
});
