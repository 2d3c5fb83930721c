import { LRUCache } from 'lru-cache';
import { standingSchema, type Standing } from '@/core/lifecycle';
import { ofProcess } from '@/core/of-process';
import type { JobId } from '@/core/record';
import { listStandings, type Connection } from '@/db';

/**
 * Standings that were read and checked, by the head of the job's chain: with each change of a job there is another. They
 * are by far the longest of what a list of jobs reads.
 */
const known = ofProcess('standings', () => new LRUCache<string, Standing>({ max: 3000 }));

/** A standing that was read with its row. */
export function readStanding(headHash: string, standing: unknown): Standing {
  const found = known.get(headHash);
  if (found) return found;
  const read = standingSchema.parse(standing);
  // A job that nothing was written of by this version of the program has no head yet.
  if (headHash) known.set(headHash, read);
  return read;
}

interface Head {
  readonly id: JobId;
  readonly headHash: string;
}

/** Each row with its job's standing; only those are read that are not known by their head. */
export async function withStandings<Row extends Head>(
  connection: Connection,
  rows: readonly Row[],
): Promise<readonly { readonly row: Row; readonly standing: Standing }[]> {
  const missing = new Set(rows.filter(({ headHash }) => !known.has(headHash)).map(({ id }) => id));
  const read = await listStandings(connection, [...missing]);
  const byId = new Map(read.map(({ id, headHash, standing }) => [id, readStanding(headHash, standing)]));
  // A job that ended meanwhile and was taken out has none.
  return rows.flatMap((row) => {
    const standing = byId.get(row.id) ?? known.get(row.headHash);
    return standing ? [{ row, standing }] : [];
  });
}
