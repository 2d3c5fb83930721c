import { standingOf } from '@/core/lifecycle';
import { supplyLinesOf } from '@/core/purchasing';
import { hasSupplyLines, listTagsWithQuotes, replaceSupplyLines, type Database } from '@/db';
import { findJob } from '../find-job';

/**
 * Reckons what open jobs wait for where the desk of all jobs knows of none: after the table was made, or was emptied.
 * Gives how many jobs were read.
 */
export async function fillSupplyLines(database: Database): Promise<number> {
  if (await hasSupplyLines(database)) return 0;
  const tags = await listTagsWithQuotes(database);
  for (const tag of tags) {
    const { record, family } = await findJob(database, tag);
    const lines = supplyLinesOf({ record, family, standing: standingOf(record, family) });
    if (lines.length) await replaceSupplyLines(database, tag, lines);
  }
  return tags.length;
}
