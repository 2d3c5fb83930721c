import f1 from '../../../test-support/plain-overhung.json';
import f4Built from '../../../test-support/format-1/f4-built.json';
import f4File from '../../../test-support/format-1/f4-file.json';
import { present } from '../present';
import {
  type Family,
  BuildError,
  buildFamily,
  buildOf,
  findPart,
  knownBuild,
  loadBuilt,
  loadFamily,
  proposeSize,
  readBuild,
  sayBuild,
  versionOf,
  wholeBuild,
  writeBuild,
  type Build,
} from '.';
import { buildsToCheck, mostCombinations } from './builds-to-check';
import { checkClosure } from './closure';
import { migrateAdded } from './migrate-format-1';
import { applyOverlay, overlayFormat, type Overlay } from './overlay';

type Json = Record<string, unknown>;
const axis = (id: string, choices: readonly string[], rest: Json = {}) => ({
  ...{ id, title: `Its ${id}` },
  choices: choices.map((choice) => ({ id: choice, title: choice.toUpperCase(), what: `${choice} ${id}` })),
  ...rest,
});

/** F1 with two axes, of which one exists only beside one choice of the other; two sizes; feet, and rings as a set. */
function sampleJson(change: Json = {}): Json {
  const parts = f1.parts.map((part) => {
    if (part.ref === 'impeller') return { ...part, price_minor: { size: 'impeller-price' } };
    if (part.ref === 'casing-gasket') return { ...part, when: { joint: 'flat' } };
    return part;
  });
  const points = f1.points.map((point) =>
    point.id === 'ring-bore'
      ? { ...point, new_mm: { min: { size: 'ring-least' }, max: { size: 'ring-most' } } }
      : point,
  );
  return {
    ...f1,
    parts,
    points,
    axes: [axis('joint', ['flat', 'ring']), axis('groove', ['dry', 'greased'], { when: { joint: 'ring' } })],
    sizes: [
      {
        ...{ id: 's40', title: '40-160', nameplate: ['40-160'] },
        values: { 'impeller-price': 11_100, 'ring-least': 100, 'ring-most': 100.05 },
      },
      {
        ...{ id: 's50', title: '50-200', nameplate: ['50-200', '50/200'], number_ending: '-50', price_times: 1.5 },
        values: { 'impeller-price': 22_200, 'ring-least': 100, 'ring-most': 100.06 },
      },
    ],
    sets: [
      { id: 'foot', title: 'foot', plural: 'feet', count: 4, names: ['front left', 'front right'] },
      { id: 'stage', title: 'stage', plural: 'stages', count: { usual: 1, least: 1, most: 3 } },
    ],
    ...change,
  };
}
const sample = (change: Json = {}) => loadFamily(sampleJson(change));
const refused = (build: Build) => {
  try {
    buildFamily(sample(), build);
    return null;
  } catch (error) {
    return error instanceof BuildError ? [error.field, error.message] : error;
  }
};

describe('the build of a pump', () => {
  test('what is not chosen is usual; an axis that the choice has not got is left out', () => {
    expect(wholeBuild(sample(), {})).toEqual({ axes: { joint: 'flat' }, size: 's40', counts: { foot: 4, stage: 1 } });
    expect(wholeBuild(sample(), { axes: { joint: 'ring' } }).axes).toEqual({ joint: 'ring', groove: 'dry' });
  });
  test('stands behind the version, without what is always the same, and is read back from it', () => {
    const whole = wholeBuild(sample(), { axes: { joint: 'ring' }, size: 's50', counts: { stage: 3 } });
    const version = versionOf(sample(), whole);
    expect(version).toBe('2.0.0+joint--ring.groove--dry.n-stage--3.size--s50');
    expect(readBuild(version)).toEqual({
      ...{ axes: { joint: 'ring', groove: 'dry' }, size: 's50', counts: { stage: 3 } },
    });
    expect(buildFamily(sample(), readBuild(version)).version).toBe(version);
  });
  test.each([
    ['2.0.0', {}],
    ['2.0.0+size--s40', { size: 's40' }],
    ['1.0.0+cartridge', { axes: { variant: 'cartridge' } }],
    ['1.0.0+plain.7', { axes: { variant: 'plain' }, counts: { stage: 7 } }],
    ['1.0.0+7', { counts: { stage: 7 } }],
  ])('%s is read, also as formats before wrote it', (version, build) => expect(readBuild(version)).toEqual(build));
  test('a build of nothing leaves a version as it is, and an earlier build is written over', () => {
    expect([writeBuild('2.0.0', {}), writeBuild('2.0.0+a--b', { size: 'x' })]).toEqual(['2.0.0', '2.0.0+size--x']);
  });
  test('comes from the words of an address', () =>
    expect(
      buildOf([
        ['joint', 'ring'],
        ['n-stage', '2'],
        ['size', 's50'],
      ]),
    ).toEqual({
      ...{ axes: { joint: 'ring' }, counts: { stage: 2 }, size: 's50' },
    }));
  test('is said in words, only what differs from pump to pump', () =>
    expect([
      sayBuild(sample(), '2.0.0+joint--ring.groove--greased.n-stage--3.size--s50'),
      sayBuild(sample(), '2.0.0+joint--flat.n-stage--1'),
      sayBuild(loadFamily(f1), '2.0.0'),
    ]).toEqual(['RING, GREASED, 50-200, 3 stages', 'FLAT, 40-160, 1 stage', '']));
  test('what a newer file does not know is dropped, what it knows is kept', () =>
    expect(
      knownBuild(sample(), {
        ...{ axes: { joint: 'ring', variant: 'packed', groove: 'wet' }, size: 's99', counts: { stage: 9, foot: 4 } },
      }),
    ).toEqual({ axes: { joint: 'ring' }, counts: {} }));
  test('a count that is no whole number is not known, as it is not taken', () =>
    expect(knownBuild(sample(), { counts: { stage: 1.5 } }).counts).toEqual({}));
  test.each([
    [{ axes: { joint: 'glued' } }, 'axes', 'F1 is not built as “glued”; its joint is one of flat, ring'],
    [{ axes: { colour: 'red' } }, 'axes', 'F1 has no choice of “colour”; it has joint, groove'],
    [{ size: 's99' }, 'size', 'F1 has no size “s99”; its sizes are s40, s50'],
    [{ counts: { stage: 4 } }, 'counts', 'F1 has 1 to 3 stages, not 4'],
    [{ counts: { stage: 1.5 } }, 'counts', 'F1 has 1 to 3 stages, not 1.5'],
    [{ counts: { foot: 3 } }, 'counts', 'F1 has 4 feet, not 3'],
    [{ counts: { wing: 2 } }, 'counts', 'F1 has no wings to count'],
  ] as const)('%j is refused by name', (build, field, message) => expect(refused(build)).toEqual([field, message]));
});

describe('a pump is built', () => {
  const has = (build: Build, ref: string) => findPart(buildFamily(sample(), build), ref) !== undefined;
  test('with the parts of its build alone; what names a part that it has not got, leaves it out', () => {
    expect([has({}, 'casing-gasket'), has({ axes: { joint: 'ring' } }, 'casing-gasket')]).toEqual([true, false]);
    const ring = buildFamily(sample(), { axes: { joint: 'ring' } });
    const named = [
      ...ring.rebuild.flatMap((step) => [...step.parts, ...step.needs]),
      ...ring.teardown.flatMap((step) => step.parts),
      ...ring.section.bodies.map((body) => body.part),
      ...ring.kits.flatMap((kit) => kit.gives.map((one) => one.part)),
      ...ring.parts.flatMap((part) => part.behind),
    ];
    expect(named).not.toContain('casing-gasket');
  });
  test('with the figures of its size, the first where none is named', () => {
    const priceOf = (build: Build) => present(findPart(buildFamily(sample(), build), 'impeller')).price_minor;
    expect([priceOf({}), priceOf({ size: 's50' })]).toEqual([11_100, 22_200]);
  });
  test('numbers end by the size and prices grow by it, of parts and kits, but for what is the same in every size', () => {
    const parts = (sampleJson() as { parts: { ref: string }[] }).parts.map((part) =>
      part.ref === 'shaft' ? { ...part, any_size: true } : part,
    );
    const [usual, large] = ['s40', 's50'].map((size) => buildFamily(sample({ parts }), { size }));
    const sold = (family: Family | undefined, ref: string) => {
      const { number, price_minor } = present(findPart(present(family), ref));
      return { number, price_minor };
    };
    const casing = sold(usual, 'casing');
    expect(sold(large, 'casing')).toEqual({
      number: `${casing.number}-50`,
      price_minor: Math.round(casing.price_minor * 1.5),
    });
    expect(sold(large, 'shaft')).toEqual(sold(usual, 'shaft'));
    // A price that a column gives is as it says.
    expect(sold(large, 'impeller').price_minor).toBe(22_200);
    const [kit, larger] = [usual, large].map((family) => present(present(family).kits[0]));
    expect(present(larger).price_minor).toBe(Math.round(present(kit).price_minor * 1.5));
    const ring = present(buildFamily(sample(), { size: 's50' }).points.find((point) => point.id === 'ring-bore'));
    expect(ring.new_mm).toEqual({ min: 100, max: 100.06 });
  });
  test('with a point for every member of a set, named as the set names them', () => {
    const points = f1.points.map((point) => (point.id === 'ring-bore' ? { ...point, per: 'foot' } : point));
    const built = buildFamily(loadFamily({ ...sampleJson(), points }), {});
    const own = built.points.filter((point) => point.id.startsWith('ring-bore-'));
    const title = present(f1.points.find((point) => point.id === 'ring-bore')).title;
    expect(own.map((point) => point.title)).toEqual(
      ['front left', 'front right', 'foot 3', 'foot 4'].map((name) => `${title}, ${name}`),
    );
    expect(built.points.map((point) => point.number)).toEqual(built.points.map((_, i) => i + 1));
  });
  test('the size is proposed by its nameplate', () =>
    expect([proposeSize(sample(), 'QB 50/200 No 7'), proposeSize(sample(), 'QB 65')]).toEqual(['s50', undefined]));
});

describe('builds that stand for all', () => {
  const said = (builds: readonly Build[]) => builds.map((build) => Object.values(build.axes ?? {}).join(' '));
  test('are every combination where there are few, with every size and every end of a range', () => {
    const builds = buildsToCheck(sample());
    expect(new Set(said(builds))).toEqual(new Set(['flat', 'ring dry', 'ring greased']));
    expect(new Set(builds.map((build) => build.size))).toEqual(new Set(['s40', 's50']));
    expect(new Set(builds.map((build) => build.counts.stage))).toEqual(new Set([1, 3]));
  });
  test('have every pair of choices at least once where there are many', () => {
    const many = ['a', 'b', 'c', 'd'].map((id) => axis(id, ['x', 'y', 'z']));
    const builds = buildsToCheck(sample({ axes: [...many, axis('e', ['x', 'y'])], parts: f1.parts }));
    expect(3 ** 4 * 2).toBeGreaterThan(mostCombinations);
    const pairs = new Set(
      builds.flatMap(({ axes }) =>
        Object.entries(axes).flatMap(([one, choice], i) =>
          Object.entries(axes)
            .slice(i + 1)
            .map(([other, second]) => `${one}${choice} ${other}${second}`),
        ),
      ),
    );
    // Six pairs of the four axes with nine pairs of choices, four pairs with the fifth with six.
    expect(pairs.size).toBe(6 * 9 + 4 * 6);
    expect(new Set(said(builds)).size).toBeLessThan(3 ** 4 * 2);
  });
  test('leave out a pair that cannot stand together', () => {
    const axes = [
      ...['a', 'b', 'c', 'd'].map((id) => axis(id, ['x', 'y', 'z'])),
      axis('e', ['x', 'y'], { when: { a: 'x' } }),
    ];
    const builds = buildsToCheck(sample({ axes, parts: f1.parts }));
    expect(builds.filter((build) => build.axes.a !== 'x' && 'e' in build.axes)).toEqual([]);
    expect(builds.some((build) => build.axes.a === 'x' && build.axes.e === 'y')).toBe(true);
  });
});

describe('closure sees axes, sizes and sets', () => {
  const faults = (json: Json) => checkClosure(loadFamily(json)).map(({ path, rule }) => `${rule} ${path}`);
  test('a choice, an axis and a set that do not exist are named', () => {
    const [first, second, third, ...rest] = f1.parts;
    const parts = [
      { ...first, when: { joint: 'glued' } },
      { ...second, when: { colour: 'red' } },
      { ...third, per: 'wing' },
      ...rest,
    ];
    expect(faults(sampleJson({ parts }))).toEqual([
      'known-choice parts.0.when',
      'known-choice parts.1.when',
      'known-choice parts.2.per',
    ]);
  });
  test('a column that does not exist, one that a row lacks, and one of the wrong kind are named', () => {
    const { sizes } = sampleJson() as { sizes: { values: Json }[] };
    const [small, large] = [present(sizes[0]), present(sizes[1])];
    const { 'ring-most': _gone, ...lacking } = large.values;
    expect(faults(sampleJson({ sizes: [small, { ...large, values: lacking }] }))).toContain(
      'size-figures sizes.1.values',
    );
    expect(
      faults(sampleJson({ sizes: [small, { ...large, values: { ...large.values, 'impeller-price': 'dear' } }] })),
    ).toContain(`size-figures parts.${f1.parts.findIndex((part) => part.ref === 'impeller')}.price_minor`);
    expect(faults(sampleJson({ sizes: [] }))).toContain('size-figures sizes');
  });
});

describe('what was written in format 1', () => {
  const file = loadFamily(f4File);
  test('a file becomes one axis of its variants and one set of its stages, and stays closed', () => {
    expect(file.axes.map((one) => [one.id, one.choices.map((choice) => choice.id)])).toEqual([
      ['variant', ['plain', 'priming']],
    ]);
    expect(file.sets).toMatchObject([{ id: 'stage', plural: 'stages', count: { usual: 9, least: 3, most: 40 } }]);
    expect(checkClosure(file)).toEqual([]);
  });
  test('is built as before: the priming part in one variant alone, seven of everything that a stage has', () => {
    const built = buildFamily(file, readBuild('1.0.0+priming.7'));
    expect(present(findPart(built, 'priming-part')).quantity).toBe(1);
    expect(findPart(buildFamily(file, readBuild('1.0.0+plain.7')), 'priming-part')).toBeUndefined();
    expect(present(findPart(built, 'split-cone')).quantity).toBe(7);
    expect(built.points.filter((point) => point.id.startsWith('neck-clearance-'))).toHaveLength(7);
  });
  test('a pump that was kept as it was built is read as it was, under the version that its job names', () => {
    const kept = loadBuilt(f4Built);
    expect(kept.version).toBe('1.0.0+priming.3');
    expect(kept.parts.map((part) => [part.ref, part.quantity])).toEqual(
      f4Built.parts.map((part) => [part.ref, part.quantity]),
    );
    expect(kept.points.map((point) => [point.id, point.measured])).toEqual(
      f4Built.points.map((point) => [point.id, point.when]),
    );
    expect(kept.labour.map((task) => task.on ?? null)).toEqual(
      f4Built.labour.map((task) => ('when' in task ? task.when : null)),
    );
  });
  test('an overlay from then goes on: what it adds is brought up with its list', () => {
    const point = { ...present(f4File.points[0]), id: 'extra', per: 'pump', variants: ['plain'] };
    const overlay: Overlay = {
      ...{ format: overlayFormat, id: 'S1', version: '1.0.0', title: 'Ours' },
      ...{ extends: { family: 'F4', version: '1.0.0' }, set: {}, leave_out: [] },
      add: [{ to: 'points', element: point }],
    };
    const own = loadFamily(applyOverlay(overlay, file));
    const added = present(own.written.points.find((one) => one.id === 'extra'));
    expect([added.measured, added.when, added.per]).toEqual([point.when, { variant: ['plain'] }, undefined]);
    expect(migrateAdded('labour', { when: { part: 'shaft', action: 'rework' } })).toEqual({
      on: { part: 'shaft', action: 'rework' },
    });
    expect([migrateAdded('parts', 7), migrateAdded('parts', { ref: 'x' })]).toEqual([7, { ref: 'x' }]);
  });
});
