import type { JobHead, JobRecord } from './job-record';

/** The head of a record: what a change to where a job stands puts as its row. */
export function headOf(record: JobRecord): JobHead {
  const { id, tag, station, holder, holderSince, hold, outcome, promisedOn, openedAt, closedAt } = record;
  const { familyId, familyVersion, pump, customer, contact, lot } = record;
  const standing = { station, holder, holderSince, hold, outcome, promisedOn, openedAt, closedAt };
  return { id, tag, ...standing, familyId, familyVersion, pump, customer, contact, lot };
}
