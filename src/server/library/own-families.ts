import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { compareVersions, type Family } from '@/core/family';
import { makeOwnVariant } from '@/core/family/own-variant';
import { readFamilyFile, type FileRead } from '@/core/family/read-file';
import { listShopFamilies, storeFamily } from '@/db';
import type { Context } from '../context';
import { listFamilies } from '../families';
import { defineUseCase, sentence } from '../use-case';

function orRefuse(read: FileRead, what: string): Family {
  if (read.family) return read.family;
  throw new DomainError('bad-input', {
    what: `${what} ${read.faults.length === 1 ? 'One thing is' : `${read.faults.length} things are`} wrong with it.`,
    issues: read.faults.map((fault) => ({
      path: fault.path,
      message: `line ${fault.line}${fault.path && `, ${fault.path}`}: ${fault.message}`,
    })),
  });
}

async function nextId(context: Context): Promise<string> {
  const taken = (await listShopFamilies(context.database)).map((body) =>
    Number(z.object({ id: z.string() }).parse(body).id.slice(1)),
  );
  return `S${Math.max(0, ...taken) + 1}`;
}

/** Takes a family file in. A shipped family's id becomes one of the shop's own; a shop's own id needs a newer version. */
export const importFamily = defineUseCase({
  verb: 'import-family',
  audience: ['owner'],
  input: z.strictObject({
    text: z.string().min(1, 'the file is empty').max(1_000_000, 'the file is larger than 1 MB'),
  }),
  async run(context, { text }) {
    const family = orRefuse(readFamilyFile(text), 'The family was not taken in.');
    if (family.version.includes('+'))
      throw new DomainError('bad-input', {
        what: `${family.version} is the version of one pump; give the file a version such as 1.0.0.`,
        issues: [{ path: 'version', message: 'is the version of one pump' }],
      });
    const isShipped = family.id.startsWith('F');
    const own: Family = isShipped
      ? { ...family, id: await nextId(context), made_from: family.made_from ?? `${family.id} ${family.version}` }
      : family;
    const known = (await listFamilies(context.database)).find((one) => one.id === own.id);
    if (known && compareVersions(own.version, known.version) <= 0)
      throw new DomainError('bad-input', {
        what: `${own.id} is here in version ${known.version}; a file that changes it needs a higher one than ${own.version}.`,
        issues: [{ path: 'version', message: `must be higher than ${known.version}` }],
      });
    await storeFamily(context.database, { id: own.id, version: own.version, body: own });
    return { familyId: own.id, version: own.version };
  },
});

/** A shop's own variant of a family: limits, times, prices and words changed in a copy. */
export const makeOwnFamily = defineUseCase({
  verb: 'make-own-family',
  audience: ['owner'],
  input: z.strictObject({
    familyId: z.string().max(20),
    title: sentence(150),
    changes: z
      .array(
        z.strictObject({ path: z.string().max(80), value: z.union([z.string().trim().min(1).max(1000), z.number()]) }),
      )
      .min(1, 'nothing is changed')
      .max(400),
  }),
  async run(context, { familyId, title, changes }) {
    const family = (await listFamilies(context.database)).find((one) => one.id === familyId);
    if (!family) throw new DomainError('not-found', { what: `There is no family ${familyId}.` });
    try {
      const own = orRefuse(
        makeOwnVariant(family, { id: await nextId(context), title, changes }),
        'The variant was not made.',
      );
      await storeFamily(context.database, { id: own.id, version: own.version, body: own });
      return { familyId: own.id };
    } catch (error) {
      if (error instanceof RangeError) throw new DomainError('bad-input', { what: `${error.message}.` });
      throw error;
    }
  },
});
