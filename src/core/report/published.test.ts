import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { familyJsonSchema } from '../family';
import { blockJsonSchema } from '../family/blocks';
import { overlayJsonSchema } from '../family/overlay';
import { asBuiltJsonSchema } from '.';

test.each([
  ['as-built-1', asBuiltJsonSchema],
  ['family-2', familyJsonSchema],
  ['family-overlay-1', overlayJsonSchema],
  ['block-1', blockJsonSchema],
])('the published schema %s is the one in force; `npm run formats` writes it anew', (name, schemaOf) => {
  const file = join(__dirname, '../../../docs/formats', `${name}.schema.json`);
  const published = JSON.parse(readFileSync(file, 'utf8')) as unknown;
  expect(published).toEqual(JSON.parse(JSON.stringify(schemaOf())));
});
