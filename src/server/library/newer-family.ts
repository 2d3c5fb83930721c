import { compareVersions, type FamilyFile } from '@/core/family';
import type { JobRecord } from '@/core/record';
import type { Connection } from '@/db';
import { listFamilies } from '../families';

/** The newer version of a job's family; null where there is none. */
export async function newerFamily(
  connection: Connection,
  record: Pick<JobRecord, 'familyId' | 'familyVersion'>,
): Promise<FamilyFile | null> {
  const family = (await listFamilies(connection)).find((one) => one.id === record.familyId);
  return family && compareVersions(family.version, record.familyVersion) > 0 ? family : null;
}
