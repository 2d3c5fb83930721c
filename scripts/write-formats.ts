// Writes the published JSON Schemas of docs/formats from the Zod schemas; a test compares them.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { familyJsonSchema } from '@/core/family';
import { blockJsonSchema } from '@/core/family/blocks';
import { overlayJsonSchema } from '@/core/family/overlay';
import { jobFolderJsonSchema } from '@/core/change';
import { catalogueKinds } from '@/core/change/inputs';
import { catalogueJsonSchema } from '@/core/purchasing';
import { archiveJsonSchema, backupJsonSchema } from '@/core/keeping';
import { asBuiltJsonSchema } from '@/core/report';

const folder = join(import.meta.dirname, '..', 'docs', 'formats');
mkdirSync(folder, { recursive: true });
writeFileSync(join(folder, 'as-built-1.schema.json'), `${JSON.stringify(asBuiltJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'family-overlay-1.schema.json'), `${JSON.stringify(overlayJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'family-2.schema.json'), `${JSON.stringify(familyJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'block-1.schema.json'), `${JSON.stringify(blockJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'archive-1.schema.json'), `${JSON.stringify(archiveJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'backup-1.schema.json'), `${JSON.stringify(backupJsonSchema(), null, 2)}\n`);
writeFileSync(join(folder, 'job-1.schema.json'), `${JSON.stringify(jobFolderJsonSchema(), null, 2)}\n`);
for (const kind of catalogueKinds)
  writeFileSync(
    join(folder, `catalogue-${kind}-1.schema.json`),
    `${JSON.stringify(catalogueJsonSchema(kind), null, 2)}\n`,
  );
