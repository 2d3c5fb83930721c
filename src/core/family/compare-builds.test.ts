import { present } from '../present';
import f1 from '@families/f1-overhung.json';
import f4 from '@families/f4-bore-hole.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, compareBuilds, loadFamily, type Build, type Difference } from '.';

const [boreHole, gear] = [loadFamily(f4), loadFamily(f6)];
const stages = (count: number) => buildFamily(boreHole, { counts: { stage: count } });
const built = (build: Build) => buildFamily(gear, build);
const whatIn = (rows: readonly Difference[], side: 'one' | 'other') =>
  rows.filter((row) => row[side] && !row[side === 'one' ? 'other' : 'one']).map((row) => row.what);

test('a build differs from itself in nothing', () => {
  for (const rows of Object.values(compareBuilds(built({}), built({})))) expect(rows).toEqual([]);
});
test('parts that only one has are said on its side; what both have alike is not said', () => {
  const { parts, rebuild } = compareBuilds(
    built({ axes: { variant: 'packed' } }),
    built({ axes: { variant: 'cartridge' } }),
  );
  expect(whatIn(parts, 'one')).toEqual(expect.arrayContaining(['Packing ring', 'Lantern ring']));
  expect(whatIn(parts, 'other')).toEqual(expect.arrayContaining(['Seal cartridge']));
  expect(parts.map((row) => row.what)).not.toContain('Idler');
  expect(whatIn(rebuild, 'one')).toContain('Packing');
});
test('three stages against nine: counts, points, steps and minutes of six more', () => {
  const { parts, points, teardown, labour } = compareBuilds(stages(3), stages(9));
  expect(parts.find((row) => row.what === 'Impeller')).toMatchObject({
    one: expect.stringMatching(/^3 × /) as string,
    other: expect.stringMatching(/^9 × /) as string,
  });
  expect(whatIn(teardown, 'other')).toEqual([9, 8, 7, 6, 5, 4].map((number) => `Stage off, stage ${number}`));
  expect(whatIn(points, 'one')).toEqual([]);
  // The file gives 13 minutes to inspect a stage.
  expect(labour.find((row) => row.what.startsWith('Stages inspected'))).toMatchObject({
    one: '39 min',
    other: '117 min',
  });
});
test.each([
  ['F1', loadFamily(f1)],
  ['F4', boreHole],
  ['F6', gear],
] as const)('%s: of two sizes limits and part numbers differ, not the way they are built', (_id, family) => {
  const [usual, another] = family.sizes.map(({ id }) => buildFamily(family, { size: id }));
  const { points, parts, teardown } = compareBuilds(present(usual), present(another));
  expect([points.length > 0, teardown]).toEqual([true, []]);
  expect(points.every((row) => row.one && row.other)).toBe(true);
  // A wheel or rotor of another size is another part.
  const wheel = present(parts.find((row) => /^(Impeller|Rotor)/.test(row.what)));
  expect(wheel.one).not.toBe(wheel.other);
});
