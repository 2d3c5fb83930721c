import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { writeBookletPdf, writeTravellerPdf } from '@/documents';
import { readShop } from '@/db';
import { buildFor, listFamilies } from '../families';
import { defineUseCase } from '../use-case';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;
const build = {
  familyId: z.string().max(20),
  variant: z.string().max(40).optional(),
  stages: z.coerce.number().int().min(1).max(60).optional(),
};

/** One family: as its file says, and as a pump of a variant and a number of stages is built. */
export const readFamily = defineUseCase({
  verb: 'read-family',
  audience: staff,
  input: z.strictObject(build),
  async run(context, { familyId, variant, stages }) {
    const family = (await listFamilies(context.database)).find((one) => one.id === familyId);
    if (!family) throw new DomainError('not-found', { what: `There is no family ${familyId}.` });
    return {
      family,
      built: buildFor(family, { ...(variant && { variant }), ...(stages !== undefined && { stages }) }),
      currency: (await readShop(context.database))?.currency ?? 'EUR',
    };
  },
});

/** A family as a file to take along, as a booklet, or as a traveller with empty boxes. */
export const readFamilyDocument = defineUseCase({
  verb: 'read-family-document',
  audience: staff,
  input: z.strictObject({ ...build, as: z.enum(['file', 'booklet', 'traveller']) }),
  async run(context, { as, ...asked }) {
    const { family, built } = await readFamily.run(context, asked);
    const name = `${family.id}-${family.version}`;
    if (as === 'file') return { bytes: Buffer.from(`${JSON.stringify(family, null, 2)}\n`), name: `${name}.json` };
    const bytes = as === 'booklet' ? await writeBookletPdf(built) : await writeTravellerPdf(built);
    return { bytes, name: `${name}-${as}.pdf` };
  },
});
