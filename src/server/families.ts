import type * as z from 'zod';
import f1 from '@families/f1-overhung.json';
import f2 from '@families/f2-monoblock.json';
import f3 from '@families/f3-stacked-sanitary.json';
import f4 from '@families/f4-bore-hole.json';
import f5 from '@families/f5-plastic-booster.json';
import f6 from '@families/f6-internal-gear.json';
import f7 from '@families/f7-rotary-lobe.json';
import f8 from '@families/f8-two-screw.json';
import f9 from '@families/f9-belt-packed.json';
import f10 from '@families/f10-submersible.json';
import { type constructionInput } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import { applyOverlay, isOverlay, overlaySchema } from '@/core/family/overlay';
import { buildFamily, loadFamily, readBuild, type Build, type Family } from '@/core/family';
import { listShopFamilies, loadFamilyBody, storeFamily, type Connection } from '@/db';

/** The families that ship with this version, read once. */
export const shippedFamilies: readonly Family[] = [f1, f2, f3, f4, f5, f6, f7, f8, f9, f10].map(loadFamily);

const known = new Map<string, Family>();

/** A family in a version: as it ships, or as it was stored. Null where it is neither. */
export async function findVersion(connection: Connection, id: string, version: string): Promise<Family | null> {
  const shipped = shippedFamilies.find((family) => family.id === id && family.version === version);
  if (shipped) return shipped;
  const body = await loadFamilyBody(connection, id, version);
  return body ? loadStored(connection, body) : null;
}

/** A family from its stored body: a whole one, or an overlay on another. */
async function loadStored(connection: Connection, body: unknown): Promise<Family> {
  if (!isOverlay(body)) return loadFamily(body);
  const overlay = overlaySchema.parse(body);
  const base = await findVersion(connection, overlay.extends.family, overlay.extends.version);
  if (!base)
    throw new Error(`${overlay.id} extends ${overlay.extends.family} ${overlay.extends.version}, which is gone`);
  return loadFamily(applyOverlay(overlay, base));
}

/** What a pump may be opened with: the shipped families, then the shop's own in their newest version. */
export async function listFamilies(connection: Connection): Promise<readonly Family[]> {
  const bodies = await listShopFamilies(connection);
  return [...shippedFamilies, ...(await Promise.all(bodies.map((body) => loadStored(connection, body))))];
}

/** A family as one pump is built. Throws DomainError for a way in which it is not built. */
export function buildFor(family: Family, build: Build): Family {
  try {
    return buildFamily(family, build);
  } catch (error) {
    if (error instanceof RangeError)
      throw new DomainError('bad-input', {
        what: `${error.message}.`,
        issues: [{ path: build.stages === undefined ? 'variant' : 'stages', message: error.message }],
      });
    throw error;
  }
}

/** The family that was chosen, as the pump is built. Throws DomainError naming what is not there. */
export async function chosenFamily(
  connection: Connection,
  { familyId, variant, stages }: z.infer<z.ZodObject<typeof constructionInput>>,
): Promise<Family> {
  const chosen = (await listFamilies(connection)).find((one) => one.id === familyId);
  if (!chosen)
    throw new DomainError('bad-input', {
      what: `There is no pump family ${familyId}.`,
      issues: [{ path: 'familyId', message: 'choose a family' }],
    });
  return buildFor(chosen, { ...(variant && { variant }), ...(stages !== undefined && { stages }) });
}

/** The family in the version that a job was opened with: from the shipped files, else as it was stored then. */
export async function findFamily(connection: Connection, id: string, version: string): Promise<Family> {
  const key = `${id}@${version}`;
  const found = known.get(key);
  if (found) return found;
  const shipped = shippedFamilies.find((family) => family.id === id && family.version === version.split('+')[0]);
  const body = shipped ? null : await loadFamilyBody(connection, id, version);
  if (!shipped && !body) throw new DomainError('not-found', { what: `The pump family ${id} ${version} is not here.` });
  const family = shipped ? buildFamily(shipped, readBuild(version)) : await loadStored(connection, body);
  known.set(key, family);
  return family;
}

/** Keeps the family's file beside the job that is opened with it. */
export async function keepFamily(connection: Connection, family: Family): Promise<void> {
  await storeFamily(connection, { id: family.id, version: family.version, body: family });
}
