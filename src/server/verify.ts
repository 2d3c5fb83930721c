import { verifyJob, type Difference } from '@/core/change';
import { findAlteredFile, listEvents, listTags, readAtOnce, sha256, type Database } from '@/db';
import { findStoredRecord } from './find-job';

/**
 * Whether one job is what its events say: the chain whole, the replay the same as the tables, and the pictures and
 * frozen reports the same as their fingerprints.
 */
export async function verifyOne(database: Database, tag: string): Promise<Difference | null> {
  // At one moment: what is written between two reads would look like a chain that is broken.
  const seen = await readAtOnce(database, async (connection) => {
    const record = await findStoredRecord(connection, tag);
    return { record, events: await listEvents(connection, record.id) };
  });
  const difference = verifyJob({ ...seen, sha256 });
  if (difference) return difference;
  const altered = await findAlteredFile(database, seen.record.id);
  return altered === null ? null : { seq: null, what: altered, replayed: 'its fingerprint', stored: 'other bytes' };
}

const pageSize = 200;

/** Replays every job in the order of tags; says each one's first difference to `report`. Gives how many were read. */
export async function verifyAll(
  database: Database,
  report: (tag: string, difference: Difference) => void,
): Promise<number> {
  let count = 0;
  for (let after = ''; ;) {
    const tags = await listTags(database, after, pageSize);
    for (const tag of tags) {
      const difference = await verifyOne(database, tag);
      if (difference) report(tag, difference);
    }
    count += tags.length;
    const last = tags.at(-1);
    if (last === undefined) return count;
    after = last;
  }
}
