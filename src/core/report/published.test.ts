import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { asBuiltJsonSchema } from '.';

test('the published schema of docs/formats is the one in force; `npm run formats` writes it anew', () => {
  const published = JSON.parse(
    readFileSync(join(__dirname, '../../../docs/formats/as-built-1.schema.json'), 'utf8'),
  ) as unknown;
  expect(published).toEqual(JSON.parse(JSON.stringify(asBuiltJsonSchema())));
});
