import f3 from '@families/f3-stacked-sanitary.json';
import { present } from '../present';
import { buildFamily } from './build-family';
import { buildsToCheck } from './builds-to-check';
import { formReader } from './form-reader';
import { builtFamilySchema, type Family } from './format';
import { loadFamily } from './load-family';

const file = loadFamily(f3);
const builds = buildsToCheck(file).map((whole) => buildFamily(file, whole));

/** What the format itself says of a build, read whole. */
function wholeOf(built: Family) {
  const { error } = builtFamilySchema.safeParse(built);
  return (error?.issues ?? []).map(({ path, message }) => ({ path, message }));
}

test('every build of a family that ships is as the format wants it, in pieces as in whole', () => {
  const read = formReader();
  expect(builds.length).toBeGreaterThan(3);
  for (const built of builds) expect([read(built), wholeOf(built)]).toEqual([[], []]);
});

const [first, ...others] = builds;
const last = present(others.at(-1));
/** Builds that are wrong, and where. */
const wrong: readonly (readonly [string, (built: Family) => object, readonly PropertyKey[]])[] = [
  [
    'a figure that is a word',
    ({ points }) => ({ points: [points[0], { ...points[1], number: 'two' }] }),
    ['points', 1, 'number'],
  ],
  ['what is missing', () => ({ title: undefined }), ['title']],
  ['an entry of its own', () => ({ flavour: 'plum' }), []],
  [
    'a body without a place',
    ({ section }) => ({ section: { ...section, bodies: [{ ...section.bodies[0], x: null }] } }),
    ['section', 'bodies', 0, 'x'],
  ],
  ['a list that is none', () => ({ kits: 'many' }), ['kits']],
  [
    'a step with what belongs to none',
    ({ rebuild }) => ({ rebuild: [{ ...rebuild[0], colour: 'red' }] }),
    ['rebuild', 0],
  ],
];

test.each(wrong)('%s is said, after good builds too, as the whole says it', (_what, change, path) => {
  const read = formReader();
  expect(read(present(first))).toEqual([]);
  const built = { ...last, ...change(last) } as Family;
  expect(read(built)).toEqual(wholeOf(built));
  expect(read(built)[0]?.path).toEqual(path);
});
