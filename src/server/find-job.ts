import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { findArchived, loadJobRecord, loadStoredRecord, type Connection } from '@/db';
import { sayDay } from '@/core/lifecycle';
import { familyOfJob } from './families';

/** Where a job lies that was taken out of the record, in words; null for any other tag. */
export async function sayArchived(connection: Connection, tag: string): Promise<string | null> {
  const row = await findArchived(connection, tag);
  if (!row) return null;
  const closedOn = row.closedAt.toISOString().slice(0, 10);
  // Of years ago: the year counts.
  return `${row.tag}, closed on ${sayDay(closedOn)} ${closedOn.slice(0, 4)}, was taken out of the record into the file ${row.file}.`;
}

async function found(connection: Connection, record: JobRecord | null, tag: string): Promise<JobRecord> {
  if (record) return record;
  const what = await sayArchived(connection, tag);
  throw what === null
    ? new DomainError('not-found', { what: `There is no job ${tag}.` })
    : new DomainError('archived', { what });
}

/** The record of a tag. Throws DomainError where there is none. */
export async function findRecord(connection: Connection, tag: string): Promise<JobRecord> {
  return found(connection, await loadJobRecord(connection, tag), tag);
}

/** The record of a tag as its tables hold it now. Throws DomainError where there is none. */
export async function findStoredRecord(connection: Connection, tag: string): Promise<JobRecord> {
  return found(connection, await loadStoredRecord(connection, tag), tag);
}

/** The record of a tag with its family in the version that it keeps. */
export async function findJob(
  connection: Connection,
  tag: string,
): Promise<{ readonly record: JobRecord; readonly family: Family }> {
  const record = await findRecord(connection, tag);
  return { record, family: await familyOfJob(connection, record) };
}
