import { DomainError } from '@/core/errors';
import { asFile, compareVersions, type FamilyFile } from '@/core/family';
import { isOverlay, overlaySchema, type Overlay } from '@/core/family/overlay';
import { makeOwnVariant, readOverlay } from '@/core/family/own-variant';
import { readFamilyFile, type FileRead } from '@/core/family/read-file';
import { addFamily, isFamilyKnown, takeNumber, type Connection } from '@/db';
import { findVersion, keepFile, listFamilies } from '../families';
import type { Context } from '../context';
import { forVerb, inTransaction } from '../use-case';

function orRefuse(read: FileRead, what: string): FamilyFile {
  if (read.family) return read.family;
  throw new DomainError('bad-input', {
    what: `${what} ${read.faults.length === 1 ? 'One thing is' : `${read.faults.length} things are`} wrong with it.`,
    issues: read.faults.map((fault) => ({
      path: fault.path,
      message: `line ${fault.line}${fault.path && `, ${fault.path}`}: ${fault.message}`,
    })),
  });
}

/** The next free number of a family of the shop's own, given in the transaction that stores it. */
async function nextId(connection: Connection): Promise<string> {
  for (;;) {
    const id = `S${await takeNumber(connection, 'nextFamily')}`;
    // A file that came from another shop may have brought its number along.
    if (!(await isFamilyKnown(connection, id))) return id;
  }
}

const versionOfOnePump = 'is the version of one pump';

function assertFileVersion({ version }: FamilyFile): void {
  if (!version.includes('+')) return;
  throw new DomainError('bad-input', {
    what: `${version} is the version of one pump; give the file a version such as 1.0.0.`,
    issues: [{ path: 'version', message: versionOfOnePump }],
  });
}

function assertNewer(own: FamilyFile, known: FamilyFile | undefined): void {
  if (!known || compareVersions(own.version, known.version) > 0) return;
  throw new DomainError('bad-input', {
    what: `${own.id} is here in version ${known.version}; a file that changes it needs a higher one than ${own.version}.`,
    issues: [{ path: 'version', message: `must be higher than ${known.version}` }],
  });
}

/** A shipped family's file becomes one of the shop's own, under a number of its own. */
async function asOwn(connection: Connection, family: FamilyFile): Promise<FamilyFile> {
  if (!family.id.startsWith('F')) return family;
  return asFile({
    ...family.written,
    id: await nextId(connection),
    made_from: family.made_from ?? `${family.id} ${family.version}`,
  });
}

/** The overlay that a file holds; null where it is none, and is read as a whole family. */
function overlayIn(text: string): Overlay | null {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return null;
  }
  if (!isOverlay(json)) return null;
  const read = overlaySchema.safeParse(json);
  if (read.success) return read.data;
  const issues = read.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  throw new DomainError('bad-input', { what: 'The overlay was not taken in.', issues });
}

/** Takes an overlay in: checked on the family that it extends, which must be here in that version. */
async function importOverlay(context: Context, overlay: Overlay) {
  return inTransaction(context, async (connection) => {
    const { id, version, extends: from } = overlay;
    const base = await findVersion(connection, from.family, from.version);
    if (!base)
      throw new DomainError('bad-input', {
        what: `This overlay extends ${from.family} ${from.version}, which is not here.`,
        issues: [{ path: 'extends', message: 'is not here in this version' }],
      });
    const own = orRefuse(readOverlay(overlay, base), 'The overlay was not taken in.');
    assertNewer(
      own,
      (await listFamilies(connection)).find((one) => one.id === id),
    );
    await keepFile(connection, base);
    await addFamily(connection, { id, version, body: overlay });
    return { familyId: id, version };
  });
}

/**
 * Takes a family file in. A shipped family's id becomes one of the shop's own; a shop's own id needs a newer version.
 */
export const importFamily = forVerb('import-family', async (context, { text }) => {
  const overlay = overlayIn(text);
  if (overlay) return importOverlay(context, overlay);
  const family = orRefuse(readFamilyFile(text), 'The family was not taken in.');
  assertFileVersion(family);
  return inTransaction(context, async (connection) => {
    const own = await asOwn(connection, family);
    const known = (await listFamilies(connection)).find((one) => one.id === own.id);
    assertNewer(own, known);
    await addFamily(connection, { id: own.id, version: own.version, body: own.written });
    return { familyId: own.id, version: own.version };
  });
});

/** A shop's own variant of a family: limits, times, prices and words changed. */
export const makeOwnFamily = forVerb('make-own-family', async (context, { familyId, title, changes }) => {
  const family = (await listFamilies(context.database)).find((one) => one.id === familyId);
  if (!family) throw new DomainError('not-found', { what: `There is no family ${familyId}.` });
  try {
    return await inTransaction(context, async (connection) => {
      const id = await nextId(connection);
      const overlay = makeOwnVariant(family, { id, title, changes });
      orRefuse(readOverlay(overlay, family), 'The variant was not made.');
      // What it extends is kept beside it, so that it can be read when a newer version of that ships.
      await keepFile(connection, family);
      await addFamily(connection, { id, version: overlay.version, body: overlay });
      return { familyId: id };
    });
  } catch (error) {
    if (error instanceof RangeError) throw new DomainError('bad-input', { what: `${error.message}.` });
    throw error;
  }
});
