import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { compareVersions, readBuild, type Family } from '@/core/family';
import { isConstructionOpen, type JobRecord } from '@/core/record';
import type { Connection } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { buildFor, listFamilies } from '../families';
import { giveFamily } from '../receive/give-family';
import { defineUseCase, tagField } from '../use-case';

const base = (version: string) => version.split('+')[0]!;

/** The newer version of a job's family, as the job's pump would be built by it; null where there is none. */
export async function newerFamily(
  connection: Connection,
  record: Pick<JobRecord, 'familyId' | 'familyVersion'>,
): Promise<Family | null> {
  const family = (await listFamilies(connection)).find((one) => one.id === record.familyId);
  return family && compareVersions(family.version, record.familyVersion) > 0 ? family : null;
}

/** A newer version is offered, never forced: a person takes it, and only while nothing was recorded by the old one. */
export const takeNewerFamily = defineUseCase({
  verb: 'take-newer-family',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'take-newer-family' }, async ({ connection, record }) => {
      requireStation(record, 'receive', 'teardown');
      if (!isConstructionOpen(record))
        throw new DomainError('wrong-state', {
          what: `${tag} has steps, captures or parts recorded by version ${base(record.familyVersion)}; it keeps that version.`,
        });
      const newer = await newerFamily(connection, record);
      if (!newer)
        throw new DomainError('wrong-state', {
          what: `There is no newer version of ${record.familyId} than ${base(record.familyVersion)}.`,
        });
      const built = buildFor(newer, readBuild(record.familyVersion));
      await giveFamily({ connection, record }, built);
      return {
        result: { familyVersion: built.version },
        data: { from: record.familyVersion, to: built.version },
        family: built,
      };
    });
  },
});
