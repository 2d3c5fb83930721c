import f1 from '@families/f1-overhung.json';
import { DomainError } from '@/core/errors';
import { loadFamily, type Family } from '@/core/family';
import { loadFamilyBody, storeFamily, type Connection } from '@/db';

/** The families that ship with this version, read once. */
export const shippedFamilies: readonly Family[] = [loadFamily(f1)];

const known = new Map<string, Family>(shippedFamilies.map((family) => [`${family.id}@${family.version}`, family]));

/** The family in the version that a job was opened with: from the shipped files, else as it was stored then. */
export async function findFamily(connection: Connection, id: string, version: string): Promise<Family> {
  const key = `${id}@${version}`;
  const found = known.get(key);
  if (found) return found;
  const body = await loadFamilyBody(connection, id, version);
  if (!body) throw new DomainError('not-found', { what: `The pump family ${id} ${version} is not here.` });
  const family = loadFamily(body);
  known.set(key, family);
  return family;
}

/** Keeps the family's file beside the job that is opened with it. */
export async function keepFamily(connection: Connection, family: Family): Promise<void> {
  await storeFamily(connection, { id: family.id, version: family.version, body: family });
}
