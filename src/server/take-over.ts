import { applyPuts, openingPuts } from '@/core/change';
import { canonical, chainEvent, standingOf } from '@/core/lifecycle';
import { listUnopened, persistTakenOver, sha256, type Connection } from '@/db';
import type { Context } from './context';
import { findJob } from './find-job';

/** What the event is called from which on an older job's events hold its changes. */
export const takenOver = 'record-taken-over';

async function takeOver(context: Context, connection: Connection, tag: string): Promise<void> {
  const { record, family } = await findJob(connection, tag);
  const puts = openingPuts(record);
  const { changes } = applyPuts(record, puts);
  const opening = changes.map((change) => ({ ...change, was: null }));
  const unchained = {
    seq: record.version + 1,
    kind: takenOver,
    personName: 'Puddlestone',
    at: context.now().toISOString(),
    data: canonical({ changes: opening }),
    previousHash: record.headHash,
  };
  const event = { ...chainEvent(unchained, sha256), personId: null };
  await persistTakenOver(connection, { before: record, after: record, event, standing: standingOf(record, family) });
}

const pageSize = 100;

/**
 * Gives every job from before events held their changes an opening event with its state, so that its events can be
 * replayed from there on. May run in several copies at once, and again. Gives how many jobs were looked at.
 */
export async function takeOverOldJobs(context: Context): Promise<number> {
  let seen = 0;
  for (;;) {
    const tags = await listUnopened(context.database, pageSize);
    if (!tags.length) return seen;
    for (const tag of tags) await context.database.transaction((connection) => takeOver(context, connection, tag));
    seen += tags.length;
  }
}
