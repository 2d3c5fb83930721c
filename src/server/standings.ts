import { LRUCache } from 'lru-cache';
import { standingSchema, type Standing } from '@/core/lifecycle';
import { ofProcess } from '@/core/of-process';
import type { JobId } from '@/core/record';
import { listStandings, vouchedFor, type Connection } from '@/db';

/**
 * Standings that were read and checked, by the text that vouches for what lists show of a job. They are by far the longest
 * of what a list of jobs reads.
 */
const known = ofProcess('standings', () => new LRUCache<string, Standing>({ max: 3000 }));

/** A standing that was read with its row. */
export function readStanding(shownHash: string, standing: unknown): Standing {
  const found = known.get(shownHash);
  if (found) return found;
  const read = standingSchema.parse(standing);
  known.set(shownHash, read);
  return read;
}

interface Shown {
  readonly id: JobId;
  readonly shownHash: string;
}

/** Each row with its job's standing; only those are read that are not known by it. */
export async function withStandings<Row extends Shown>(
  connection: Connection,
  rows: readonly Row[],
): Promise<readonly { readonly row: Row; readonly standing: Standing }[]> {
  const missing = new Set(rows.filter(({ shownHash }) => !known.has(shownHash)).map(({ id }) => id));
  const read = await vouchedFor(() => listStandings(connection, [...missing]));
  const byId = new Map(read.map(({ id, shownHash, standing }) => [id, readStanding(shownHash, standing)]));
  // A job that ended meanwhile and was taken out has none.
  return rows.flatMap((row) => {
    const standing = byId.get(row.id) ?? known.get(row.shownHash);
    return standing ? [{ row, standing }] : [];
  });
}
