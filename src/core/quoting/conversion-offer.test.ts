import f6 from '@families/f6-internal-gear.json';
import f9 from '@families/f9-belt-packed.json';
import { terms } from '../../../test-support/core-job';
import { buildFamily, loadFamily, type Build, type FamilyFile } from '../family';
import { usualAction } from '../policies';
import { offerLine, sealOffer } from '.';

const offerFor = (file: FamilyFile, build: Build) =>
  sealOffer({
    ...{ family: buildFamily(file, build), axes: file.axes, build },
    builtWith: (other) => buildFamily(file, other),
  });
const gear = loadFamily(f6);

describe('a seal in the place of a packing', () => {
  test.each([
    ['an internal gear pump that is packed', gear, { axes: { variant: 'packed' } }, 'Component seal'],
    ['a circulating pump with its packing', loadFamily(f9), { axes: { box: 'packing' } }, 'Lip seal in its place'],
  ] as const)('is offered to %s', (_what, file, build, title) => {
    const offer = offerFor(file, build);
    expect(offer?.title).toBe(title);
    // What comes is what the other build has and this one has not, at the shop's cost.
    const [is, would] = [
      build,
      {
        axes: Object.fromEntries(
          Object.entries(build.axes).map(([id]) => [
            id,
            file.axes.find((axis) => axis.id === id)?.choices[1]?.id ?? '',
          ]),
        ),
      },
    ].map((one) => buildFamily(file, one).parts);
    const coming = (would ?? []).filter(({ ref }) => !is?.some((part) => part.ref === ref));
    expect(offer?.parts).toEqual(coming.map(({ name }) => name));
    expect(coming.length).toBeGreaterThan(0);
  });
  test.each([
    ['that has a seal already', { axes: { variant: 'cartridge' } }],
    ['that is being converted', { axes: { variant: 'packed' }, to: { variant: 'cartridge' } }],
  ] as const)('is not offered to one %s', (_what, build) => expect(offerFor(gear, build)).toBeNull());
  test('stands in the repair as new alone, with the shop’s mark-up, and says what happens without it', () => {
    const line = offerLine({ title: 'Cartridge seal', parts: ['Cartridge', 'Gland'], priceMinor: 20000 }, terms.rates);
    // 200.00 with 18 % on it
    expect(line).toMatchObject({
      unitPriceMinor: 23600,
      unitCostMinor: 20000,
      options: ['as new'],
      instead: 'the packing stays',
    });
    expect(line.description).toBe('Cartridge seal in place of the packing');
    expect(line.plain).toContain('With it come: cartridge, gland.');
  });
});

describe('what is usually done about a part that is worn', () => {
  const following = (school: string) => ({
    sheets: [
      {
        ...{ kind: 'policy' as const, key: 'not on the shelf', version: 1, personId: null, personName: 'Ines', at: '' },
        body: { matter: 'not on the shelf' as const, school, reason: '' },
      },
    ],
  });
  test.each([
    ['compare', 'rework', 'rework'],
    ['buy', 'rework', 'replace'],
    ['make', null, 'make in the shop'],
    ['rework', 'replace', 'rework'],
    ['donor', 'replace', 'take from a donor'],
  ] as const)('by the way “%s”, where the catalogue says %s: %s', (school, catalogue, action) =>
    expect(usualAction(following(school), catalogue)).toBe(action),
  );
});
