import { LRUCache } from 'lru-cache';
import { ofProcess } from '@/core/of-process';
import { readKeptPlan, readKeptPlanHead, type Connection } from '@/db';
import type { PlainPlan } from '../sums/heavy-work';

interface KeptPlan {
  readonly version: number;
  readonly madeOf: string;
  readonly plan: PlainPlan;
}

/** Plans that were read, by version and by what they were made of: of hundreds of pumps one is a megabyte of text. */
const known = ofProcess('plans', () => new LRUCache<string, KeptPlan>({ max: 3 }));
const keyOf = ({ version, madeOf }: Pick<KeptPlan, 'version' | 'madeOf'>) => `${version} ${madeOf}`;

/** The plan that stands, as it was drawn up last; null where there is none. */
export async function keptPlan(connection: Connection): Promise<KeptPlan | null> {
  const head = await readKeptPlanHead(connection);
  if (!head) return null;
  const found = known.get(keyOf(head));
  if (found) return found;
  const row = await readKeptPlan(connection);
  if (!row) return null;
  const { version, madeOf } = row;
  // Only this program writes it.
  const kept = { version, madeOf, plan: JSON.parse(row.plan) as PlainPlan };
  known.set(keyOf(kept), kept);
  return kept;
}
