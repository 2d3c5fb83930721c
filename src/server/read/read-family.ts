import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { buildOf, drawKnown, findSeen, readBuild } from '@/core/family';
import { writeDocument } from '../documents/write-document';
import { buildFor, findVersion, listFamilies } from '../families';
import { defineUseCase } from '../use-case';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;
const word = z.string().max(60);
/** The build as words of an address: an axis and its choice, `n-` and a set and how many, `size`. */
const asked = { familyId: z.string().max(20), words: z.array(z.tuple([word, word])).max(40) };

/** One family: as its file says, and as a pump of the build asked for is built. */
export const readFamily = defineUseCase({
  verb: 'read-family',
  audience: staff,
  input: z.strictObject(asked),
  async run(context, { familyId, words }) {
    const family = (await listFamilies(context.database)).find((one) => one.id === familyId);
    if (!family) throw new DomainError('not-found', { what: `There is no family ${familyId}.` });
    return {
      family,
      built: buildFor(family, buildOf(words)),
      currency: (await context.shopAtHand())?.shop.currency ?? 'EUR',
    };
  },
});

/** The constructions that have what is seen on a pump or stands on its plate, best first; null without a question. */
export const findConstruction = defineUseCase({
  verb: 'find-construction',
  audience: staff,
  input: z.strictObject({ text: z.string().trim().max(200) }),
  async run(context, { text }) {
    return text ? findSeen(await listFamilies(context.database), text) : null;
  },
});

/** The section of a family in a version, as a pump of the build that the version says is drawn, to choose or compare by. */
export const readSection = defineUseCase({
  verb: 'read-section',
  audience: staff,
  input: z.strictObject({ familyId: z.string().max(20), version: z.string().max(600) }),
  async run(context, { familyId, version }) {
    const file = await findVersion(context.database, familyId, version.split('+')[0] ?? '');
    if (!file) throw new DomainError('not-found', { what: `There is no family ${familyId} in version ${version}.` });
    return drawKnown(file, readBuild(version));
  },
});

/** A family as a file to take along, as a booklet, or as a traveller with empty boxes. */
export const readFamilyDocument = defineUseCase({
  verb: 'read-family-document',
  audience: staff,
  input: z.strictObject({ ...asked, as: z.enum(['file', 'booklet', 'traveller']) }),
  async run(context, { as, ...which }) {
    const { family, built } = await readFamily.run(context, which);
    const name = `${family.id}-${family.version}`;
    if (as === 'file')
      return { bytes: Buffer.from(`${JSON.stringify(family.written, null, 2)}\n`), name: `${name}.json` };
    const printing = (await context.shopAtHand())?.shop.settings;
    return { bytes: await writeDocument(as, built, printing), name: `${name}-${as}.pdf` };
  },
});
