import { present } from './present';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

const root = __dirname;
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
);
const examples = files.flatMap((name) =>
  [...readFileSync(join(root, name), 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map(
    ([, call, expected]) => ({
      name: relative(root, join(root, name)),
      call: present(call),
      expected: present(expected),
    }),
  ),
);

function expectAbout(actual: unknown, expected: unknown): void {
  if (typeof expected === 'number') expect(actual as number).toBeCloseTo(expected, 4);
  else if (expected && typeof expected === 'object')
    for (const [key, value] of Object.entries(expected)) expectAbout((actual as Record<string, unknown>)[key], value);
  else expect(actual).toBe(expected);
}

test('core has examples to run', () => expect(examples.length).toBeGreaterThan(14));

test.each(examples)('$name: $call', ({ name, call, expected }) => {
  const exported = jest.requireActual<Record<string, unknown>>(join(root, name));
  const run = new Function(...Object.keys(exported), `return [${call}, (${expected})];`) as (
    ...given: unknown[]
  ) => [unknown, unknown];
  const [actual, wanted] = run(...Object.values(exported));
  expectAbout(actual, wanted);
});
