import * as z from 'zod';

/** What stands in `manifest.json` of a backup: format 1. */
export const manifestSchema = z
  .object({
    format: z.literal('puddlestone-backup'),
    formatVersion: z.literal(1),
    madeAt: z.iso.datetime().describe('The moment at which the record stood as it is here, in UTC'),
    productVersion: z.string(),
    migration: z
      .object({ tag: z.string(), when: z.number().int() })
      .describe('The last migration of the database; a backup is brought back as of this one, then migrated on'),
    shop: z.string().describe('Name of the shop'),
    jobs: z.number().int().min(0),
    pictures: z.number().int().min(0),
    withoutPicturesBefore: z.iso.datetime().nullable().describe('Pictures that were taken before are not in it'),
    tables: z.array(
      z.object({
        name: z.string().regex(/^[a-z0-9_]+$/),
        columns: z.array(z.object({ name: z.string(), isBinary: z.boolean() })),
        rows: z.number().int().min(0),
        sha256: z
          .string()
          .regex(/^[0-9a-f]{64}$/)
          .describe('Of the file tables/<name>.ndjson: one JSON array a row'),
      }),
    ),
  })
  .describe('A backup of the whole record: a zip with tables/<name>.ndjson for each table, and this manifest');
export type Manifest = z.infer<typeof manifestSchema>;

/** What stands in `manifest.json` of an archive of closed jobs: format 1. */
export const archiveSchema = manifestSchema
  .omit({ withoutPicturesBefore: true })
  .extend({
    format: z.literal('puddlestone-archive'),
    tags: z.array(z.string().max(20)).describe('The jobs in it, by their tags'),
  })
  .describe('Closed jobs that were taken out of the record: a zip with tables/<name>.ndjson of their rows, and this');
export type ArchiveManifest = z.infer<typeof archiveSchema>;
export type ManifestTable = Manifest['tables'][number];

export const tablePath = (name: string) => `tables/${name}.ndjson`;
export const manifestPath = 'manifest.json';

/** What is wrong with a backup, or why it cannot be made or brought back, in a sentence. */
export class BackupFault extends Error {
  override readonly name = 'BackupFault';
}

/** The schema of an archive's manifest as it is published. */
export const archiveJsonSchema = (): object => z.toJSONSchema(archiveSchema, { target: 'draft-2020-12' });

/** The schema of a manifest as it is published. */
export const backupJsonSchema = (): object => z.toJSONSchema(manifestSchema, { target: 'draft-2020-12' });
