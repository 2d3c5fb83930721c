import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type * as z from 'zod';
import { type constructionInput } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import { applyOverlay, isOverlay, overlaySchema } from '@/core/family/overlay';
import {
  BuildError,
  buildFamily,
  loadBuilt,
  loadFamily,
  readBuild,
  type Build,
  type Family,
  type FamilyFile,
} from '@/core/family';
import { ofProcess } from '@/core/of-process';
import { underPolicies } from '@/core/policies';
import type { JobRecord } from '@/core/record';
import { listShopFamilies, loadFamilyBody, storeFamily, type Connection } from '@/db';

const shippedFiles = [
  ...['f1-overhung', 'f2-monoblock', 'f3-stacked-sanitary', 'f4-bore-hole', 'f5-plastic-booster'],
  ...['f6-internal-gear', 'f7-rotary-lobe', 'f8-two-screw', 'f9-belt-packed', 'f10-submersible'],
];
/** As a file: each of the bundles of a build that imported it would hold its text. */
const readShipped = (name: string): unknown =>
  JSON.parse(readFileSync(join(process.cwd(), 'families', `${name}.json`), 'utf8'));

/** The families that ship with this version, read once. */
export const shippedFamilies: readonly FamilyFile[] = ofProcess('shipped families', () =>
  shippedFiles.map((name) => loadFamily(readShipped(name))),
);

const known = ofProcess('families', () => new Map<string, Family>());

/** A family in a version: as it ships, or as it was stored. Null where it is neither. */
export async function findVersion(connection: Connection, id: string, version: string): Promise<FamilyFile | null> {
  const shipped = shippedFamilies.find((family) => family.id === id && family.version === version);
  if (shipped) return shipped;
  const body = await loadFamilyBody(connection, id, version);
  return body ? loadStored(connection, body) : null;
}

/** A family from its stored body: a whole one, or an overlay on another. */
async function loadStored(connection: Connection, body: unknown): Promise<FamilyFile> {
  if (!isOverlay(body)) return loadFamily(body);
  const overlay = overlaySchema.parse(body);
  const base = await findVersion(connection, overlay.extends.family, overlay.extends.version);
  if (!base)
    throw new Error(`${overlay.id} extends ${overlay.extends.family} ${overlay.extends.version}, which is gone`);
  return loadFamily(applyOverlay(overlay, base));
}

/** What a pump may be opened with: the shipped families, then the shop's own in their newest version. */
export async function listFamilies(connection: Connection): Promise<readonly FamilyFile[]> {
  const bodies = await listShopFamilies(connection);
  return [...shippedFamilies, ...(await Promise.all(bodies.map((body) => loadStored(connection, body))))];
}

/** A family as one pump is built. Throws DomainError for a way in which it is not built. */
export function buildFor(family: FamilyFile, build: Build): Family {
  try {
    return buildFamily(family, build);
  } catch (error) {
    if (error instanceof BuildError)
      throw new DomainError('bad-input', {
        what: `${error.message}.`,
        issues: [{ path: error.field, message: error.message }],
      });
    throw error;
  }
}

/** The family that was chosen, as the pump is built. Throws DomainError naming what is not there. */
export async function chosenFamily(
  connection: Connection,
  {
    familyId,
    axes,
    size,
    counts,
    to,
  }: z.infer<z.ZodObject<typeof constructionInput>> & { readonly to?: Build['to'] | undefined },
): Promise<Family> {
  const chosen = (await listFamilies(connection)).find((one) => one.id === familyId);
  if (!chosen)
    throw new DomainError('bad-input', {
      what: `There is no pump family ${familyId}.`,
      issues: [{ path: 'familyId', message: 'choose a family' }],
    });
  return buildFor(chosen, {
    ...(axes && { axes }),
    ...(size !== undefined && { size }),
    ...(counts && { counts }),
    ...(to && { to }),
  });
}

/** The family in the version that a job was opened with: from the shipped files, else as it was stored then. */
export async function findFamily(connection: Connection, id: string, version: string): Promise<Family> {
  const key = `${id}@${version}`;
  const found = known.get(key);
  if (found) return found;
  const shipped = shippedFamilies.find((family) => family.id === id && family.version === version.split('+')[0]);
  const body = shipped ? null : await loadFamilyBody(connection, id, version);
  if (!shipped && !body) throw new DomainError('not-found', { what: `The pump family ${id} ${version} is not here.` });
  const family = shipped ? buildFamily(shipped, readBuild(version)) : await loadKept(connection, body, version);
  known.set(key, family);
  return family;
}

/** The family of a job as it works by it: in the version that it was opened with, under its policies. */
export async function familyOfJob(
  connection: Connection,
  record: Pick<JobRecord, 'familyId' | 'familyVersion' | 'sheets'>,
): Promise<Family> {
  return underPolicies(await findFamily(connection, record.familyId, record.familyVersion), record);
}

/** A family that was kept beside a job: as its pump is built, or a file of which there is one build only. */
async function loadKept(connection: Connection, body: unknown, version: string): Promise<Family> {
  return version.includes('+') ? loadBuilt(body) : buildFamily(await loadStored(connection, body));
}

/** Keeps the family's file beside the job that is opened with it. */
export async function keepFamily(connection: Connection, family: Family): Promise<void> {
  await storeFamily(connection, { id: family.id, version: family.version, body: family });
}

/** Keeps a file beside an overlay that extends it, so that it can be read when a newer version of it ships. */
export async function keepFile(connection: Connection, { id, version, written }: FamilyFile): Promise<void> {
  await storeFamily(connection, { id, version, body: written });
}
