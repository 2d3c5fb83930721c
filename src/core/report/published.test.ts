import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { familyJsonSchema } from '../family';
import { blockJsonSchema } from '../family/blocks';
import { backupJsonSchema } from '../keeping';
import { overlayJsonSchema } from '../family/overlay';
import { catalogueJsonSchema } from '../purchasing';
import { asBuiltJsonSchema } from '.';

test.each([
  ['as-built-1', asBuiltJsonSchema],
  ['family-2', familyJsonSchema],
  ['family-overlay-1', overlayJsonSchema],
  ['block-1', blockJsonSchema],
  ['backup-1', backupJsonSchema],
  ['catalogue-suppliers-1', () => catalogueJsonSchema('suppliers')],
  ['catalogue-offers-1', () => catalogueJsonSchema('offers')],
  ['catalogue-numbers-1', () => catalogueJsonSchema('numbers')],
])('the published schema %s is the one in force; `npm run formats` writes it anew', (name, schemaOf) => {
  const file = join(__dirname, '../../../docs/formats', `${name}.schema.json`);
  const published = JSON.parse(readFileSync(file, 'utf8')) as unknown;
  expect(published).toEqual(JSON.parse(JSON.stringify(schemaOf())));
});
