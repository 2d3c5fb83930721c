import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { loadJobRecord, type Connection } from '@/db';
import { findFamily } from './families';

/** The record of a tag. Throws DomainError where there is none. */
export async function findRecord(connection: Connection, tag: string): Promise<JobRecord> {
  const record = await loadJobRecord(connection, tag);
  if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
  return record;
}

/** The record of a tag with its family in the version that it keeps. */
export async function findJob(
  connection: Connection,
  tag: string,
): Promise<{ readonly record: JobRecord; readonly family: Family }> {
  const record = await findRecord(connection, tag);
  return { record, family: await findFamily(connection, record.familyId, record.familyVersion) };
}
