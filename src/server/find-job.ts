import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { loadJobRecord, loadStoredRecord, type Connection } from '@/db';
import { familyOfJob } from './families';

function found(record: JobRecord | null, tag: string): JobRecord {
  if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
  return record;
}

/** The record of a tag. Throws DomainError where there is none. */
export async function findRecord(connection: Connection, tag: string): Promise<JobRecord> {
  return found(await loadJobRecord(connection, tag), tag);
}

/** The record of a tag as its tables hold it now. Throws DomainError where there is none. */
export async function findStoredRecord(connection: Connection, tag: string): Promise<JobRecord> {
  return found(await loadStoredRecord(connection, tag), tag);
}

/** The record of a tag with its family in the version that it keeps. */
export async function findJob(
  connection: Connection,
  tag: string,
): Promise<{ readonly record: JobRecord; readonly family: Family }> {
  const record = await findRecord(connection, tag);
  return { record, family: await familyOfJob(connection, record) };
}
