import { LRUCache } from 'lru-cache';
import { drawKnown, familyCard, type FamilyCard, type FamilyFile } from '@/core/family';
import { canonical } from '@/core/lifecycle';
import type { Connection } from '@/db';
import { sha256 } from '@/db';
import { listFamilies } from '../families';

/** Words of what families are drawn from, by their files; the shop's own are read anew each time, by their version. */
const known = new LRUCache<string, string>({ max: 500 });

/** What the sections of a family are drawn from, and how its usual one is drawn, as a word of twelve digits. */
function drawnOf(file: FamilyFile): string {
  const key = `${file.id}@${file.version}`;
  const before = known.get(key);
  if (before) return before;
  const { section, shapes, parts } = file.written;
  const word = sha256(canonical([section, shapes, parts, file.axes, file.sizes, file.sets, drawKnown(file, {})]));
  known.set(key, word.slice(0, 12));
  return word.slice(0, 12);
}

/** The families that a pump may be opened with, as a list shows them. */
export async function listCards(connection: Connection): Promise<readonly FamilyCard[]> {
  return (await listFamilies(connection)).map((file) => familyCard(file, drawnOf(file)));
}
