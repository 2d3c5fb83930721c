import { present } from '../present';
import { readdirSync, readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import {
  buildFamily,
  drawSection,
  familyJsonSchema,
  findPart,
  loadFamily,
  proposeFamily,
  readBuild,
  sayBuild,
  versionOf,
  wholeBuild,
  writeBuild,
  type AnswerKind,
  type Build,
  type Family,
  type FormOf,
} from '.';
import plainJson from '../../../test-support/plain-overhung.json';
import { buildsToCheck } from './builds-to-check';
import { checkClosure, closureRules, type ClosureRule } from './closure';
import { builtFamilySchema } from './format';
import { asFile } from './load-family';
import { makeOwnVariant, readOverlay } from './own-variant';
import { readFamilyFile } from './read-file';

const texts = Object.fromEntries(
  readdirSync('families')
    .filter((file) => file.endsWith('.json'))
    .map((file) => [file, readFileSync(`families/${file}`, 'utf8')]),
);
const files = Object.entries(texts).map(([file, text]) => [file, loadFamily(JSON.parse(text))] as const);
const fileOf = (id: string) => structuredClone(present(files.find(([, family]) => family.id === id))[1]);
const published = JSON.parse(readFileSync('docs/formats/family-2.schema.json', 'utf8')) as object;
const fitsSchema = new Ajv({ strict: false }).compile(published);
const plain = loadFamily(plainJson);
const familyOf = (id: string, build: Build = {}) => buildFamily(fileOf(id), build);

test('ten families ship, F1 to F10', () =>
  expect(files.map(([, family]) => family.id).toSorted((a, b) => Number(a.slice(1)) - Number(b.slice(1)))).toEqual(
    Array.from({ length: 10 }, (_, i) => `F${i + 1}`),
  ));

describe.each(files)('%s', (file, family) => {
  const { written } = family;
  test('is closed in every variant, at its least, usual and greatest number of stages', () =>
    expect(checkClosure(family)).toEqual([]));
  test('has 15 to 60 parts, cautions, a hold point, damage and kits', () => {
    const { length } = buildFamily(family).parts;
    expect(length).toBeGreaterThanOrEqual(15);
    expect(length).toBeLessThanOrEqual(60);
    expect(
      [...written.teardown, ...written.test.steps].some((step) => step.cautions.includes('energy-isolation')),
    ).toBe(true);
    expect(written.rebuild.some((step) => step.hold_point)).toBe(true);
    expect(Math.min(written.damage.length, written.kits.length)).toBeGreaterThan(0);
  });
  test('fits the published JSON Schema', () =>
    expect([fitsSchema(JSON.parse(present(texts[file]))), fitsSchema.errors]).toEqual([true, null]));
  test.each(buildsToCheck(family).map((build) => [sayBuild(family, versionOf(family, build)), build] as const))(
    'as %s, its section draws every body inside its frame with numbers that do not overlap',
    (_said, build) => {
      const built = buildFamily(family, build);
      const drawing = drawSection(built);
      const [x, y, width, height] = drawing.viewBox;
      const isInside = (across: number, down: number) =>
        across >= x && across <= x + width && down >= y && down <= y + height;
      expect(new Set(drawing.shapes.map((shape) => shape.part))).toEqual(
        new Set(built.section.bodies.map((body) => body.part)),
      );
      const { pins } = drawing;
      expect(pins.filter((pin) => !isInside(pin.labelX, pin.labelY) || !isInside(pin.x, pin.y))).toEqual([]);
      const overlapping = pins.flatMap((one) =>
        pins
          .filter((other) => one.id < other.id)
          .filter((other) => Math.hypot(one.labelX - other.labelX, one.labelY - other.labelY) <= 14)
          .map((other) => [one.id, other.id]),
      );
      expect(overlapping).toEqual([]);
      expect(drawing.shapes.filter((shape) => !/^[MLHVQTCAZ0-9.\- ]+$/.test(shape.d))).toEqual([]);
    },
  );
  test('its own nameplate words propose it', () =>
    expect(
      proposeFamily(
        files.map(([, one]) => one),
        family.nameplate_words.join(' '),
      )?.id,
    ).toBe(family.id));
});

test('the published schema of docs/formats is the one in force; `npm run formats` writes it anew', () =>
  expect(published).toEqual(JSON.parse(JSON.stringify(familyJsonSchema()))));

describe('each rule of closure, broken once, is named', () => {
  const step = (family: Family, id: string) => present(family.rebuild.find((one) => one.id === id));
  const asking = <Kind extends AnswerKind>(family: Family, id: string, kind: Kind): FormOf<Kind> =>
    present(
      step(family, id).actions.flatMap(({ answer }) => (answer?.kind === kind ? [answer as FormOf<Kind>] : []))[0],
    );
  const breaks: Readonly<Record<ClosureRule, (family: Family) => string>> = {
    'single-id': (family) => ((present(family.parts[1]).ref = present(family.parts[0]).ref), 'parts.1'),
    'known-part': (family) => (present(family.damage[0]).part = 'flywheel') && 'damage.0.part',
    removed: (family) => (
      (present(family.teardown[0]).parts = []),
      `parts.${family.parts.findIndex((part) => part.ref === 'coupling-half')}`
    ),
    fitted: (family) => (
      (step(family, 'valve-on').parts = []),
      `parts.${family.parts.findIndex((part) => part.ref === 'relief-valve')}`
    ),
    order: (family) => {
      const on = family.rebuild.findIndex((one) => one.id === 'rotor-in');
      family.rebuild.push(...family.rebuild.splice(on, 1));
      return `rebuild.${family.rebuild.length - 1}.parts`;
    },
    drawn: (family) => (present(family.section.bodies[0]).symbol = 'flywheel') && 'section.bodies.0.symbol',
    'soft-consumed': (family) => (
      (step(family, 'head-on').needs = []),
      `parts.${family.parts.findIndex((part) => part.ref === 'head-gasket')}`
    ),
    'captured-again': (family) => {
      const on = step(family, 'valve-on');
      on.actions = on.actions.filter(({ answer }) => !answer || !('agrees_with' in answer));
      return `teardown.${family.teardown.findIndex((one) => one.id === 'valve-off')}.actions.`;
    },
    sequence: (family) => ((step(family, 'valve-on').after = ['clearance']), 'rebuild.'),
    oriented: (family) => {
      const at = family.teardown.findIndex((one) => one.parts.includes('lip-cap'));
      const off = present(family.teardown[at]);
      off.actions = off.actions.filter(({ answer }) => answer?.kind !== 'choice' || answer.about !== 'orientation');
      return `teardown.${at}.actions`;
    },
    counted: (family) => {
      for (const action of family.teardown.flatMap((one) => one.actions))
        if (action.answer?.kind === 'count' && action.answer.of === 'half-rings') action.answer.expect = 3;
      return 'teardown.3.actions.';
    },
    'point-limits': (family) => ((present(family.points[0]).reuse_mm = { min: 26 }), 'points.0.reuse_mm'),
    'critical-point': (family) => (family.points.forEach((point) => (point.critical = false)), 'points'),
    'setting-inputs': (family) => ((asking(family, 'clearance', 'setting').input.pitch_mm = -2), 'rebuild.'),
    'torque-thread': (family) => ((asking(family, 'head-on', 'torque').thread = 'M14'), 'rebuild.'),
    'known-choice': (family) => ((present(family.parts[2]).when = { variant: 'glued' }), 'parts.2.when'),
    'size-figures': (family) => (
      Object.assign(present(family.parts[0]), { price_minor: { size: 'price' } }),
      'parts.0.price_minor'
    ),
    caution: (family) => (family.test.cautions.push('mind-the-cat'), 'test.cautions'),
  };
  const someBuilds = ['packed', 'component-seal', 'cartridge', 'motor-speed'].map((variant) =>
    wholeBuild(fileOf('F6'), { axes: { variant } }),
  );
  test.each(Object.keys(closureRules) as ClosureRule[])('%s', (rule) => {
    const { written } = fileOf('F6');
    const path = breaks[rule](written);
    // What is broken shows in one of these; in all builds it would show slowly.
    const faults = checkClosure(asFile(written), someBuilds).filter((fault) => fault.rule === rule);
    expect(faults.length).toBeGreaterThan(0);
    expect(faults.map((fault) => fault.path).some((one) => one.startsWith(path))).toBe(true);
  });
});

test('what is found out at teardown is asked there, by the choices of its axis', () => {
  const broken = (change: (written: Family) => void) => {
    const { written } = fileOf('F1');
    change(written);
    return checkClosure(asFile(written), []).map(({ rule, what }) => `${rule}: ${what}`);
  };
  const forms = (written: Family) =>
    written.teardown.flatMap((step) =>
      step.actions.flatMap(({ answer }) => (answer?.kind === 'choice' && answer.axis === 'locking' ? [answer] : [])),
    );
  expect(broken((written) => forms(written).forEach((form) => (form.axis = 'glue')))).toEqual([
    'known-choice: there is no axis “glue”',
    'known-choice: “locking” is found at teardown and asked nowhere there',
  ]);
  expect(broken((written) => forms(written).forEach((form) => form.choices.reverse()))).toEqual([
    'known-choice: the choices of locking are Tab washer, Threadlocker, Nothing',
  ]);
});

describe('ways of building', () => {
  test('a packed internal gear pump has packing and no cartridge, its cartridge sister the other way round', () => {
    const has = (variant: string, ref: string) =>
      familyOf('F6', { axes: { variant } }).parts.some((part) => part.ref === ref);
    expect([
      has('packed', 'packing'),
      has('packed', 'cartridge'),
      has('cartridge', 'packing'),
      has('cartridge', 'cartridge'),
      has('motor-speed', 'bracket'),
    ]).toEqual([true, false, false, true, false]);
  });
  test('stages multiply parts, points, counts and kits', () => {
    const built = familyOf('F4', { counts: { stage: 7 } });
    expect(present(findPart(built, 'impeller')).quantity).toBe(7);
    expect(present(findPart(built, 'shaft')).quantity).toBe(1);
    expect(built.points.filter((point) => point.id.startsWith('neck-clearance-'))).toHaveLength(7);
    expect(present(built.points.find((point) => point.id === 'neck-clearance-5')).derived).toMatchObject({
      bore: 'ring-bore-5',
      journal: 'neck-5',
    });
    expect(built.points.map((point) => point.number)).toEqual(built.points.map((_, i) => i + 1));
    const cones = built.rebuild.flatMap((step) => step.actions).find((action) => action.id === 'cone-package');
    expect(present(cones).answer).toMatchObject({ kind: 'count', of: 'split-cone', expect: 7 });
    expect(present(built.kits.find((kit) => kit.id === 'stage-kit')).gives).toContainEqual({
      part: 'seal-ring',
      qty: 7,
    });
    expect(built.version).toBe('2.5.0+inducer--plain.length--standard.coupling--splined.n-stage--7.size--six-inch');
    expect(readBuild(built.version)).toEqual({
      axes: { inducer: 'plain', length: 'standard', coupling: 'splined' },
      counts: { stage: 7 },
      size: 'six-inch',
    });
  });
  test('minutes and the price of a kit sold by the stage repeat over the stages', () => {
    const built = familyOf('F4', { counts: { stage: 7 } });
    // 20 minutes a stage to take apart, 33 to build; 24.00 a kit.
    expect(built.labour.find((task) => task.id === 'strip-stage')).toMatchObject({
      title: 'Stages taken apart and cleaned, 7 stages',
      minutes: 140,
    });
    expect(built.labour.find((task) => task.id === 'assemble-stage')).toMatchObject({ minutes: 231 });
    expect(built.labour.find((task) => task.id === 'assemble')).toMatchObject({ title: 'Rebuild', minutes: 123 });
    expect(built.kits.find((kit) => kit.id === 'stage-kit')).toMatchObject({
      title: 'Wear kit of a stage, 7 stages',
      price_minor: 16_800,
    });
  });
  test('a built family, built again from its version, is the same', () => {
    const built = familyOf('F3', { axes: { seal: 'flushed' }, counts: { stage: 4 } });
    expect(familyOf('F3', readBuild(built.version))).toEqual(built);
    expect(builtFamilySchema.parse(JSON.parse(JSON.stringify(built)))).toEqual(JSON.parse(JSON.stringify(built)));
  });
  test('a variant or a number of stages that the family does not have is refused by name', () => {
    expect(() => familyOf('F6', { axes: { variant: 'glued' } })).toThrow('F6 is not built as “glued”');
    expect(() => familyOf('F6', { axes: { colour: 'red' } })).toThrow('F6 has no choice of “colour”; it has variant');
    expect(() => familyOf('F4', { counts: { stage: 41 } })).toThrow('F4 has 3 to 40 stages, not 41');
    expect(() => familyOf('F1', { counts: { stage: 2 } })).toThrow('F1 has no stages to count');
    expect(() => familyOf('F1', { size: 'huge' })).toThrow('F1 has no size “huge”; its sizes are b45, b35, b55');
    expect(() => buildFamily(plain, { size: 'huge' })).toThrow('F1 has no size “huge”; it has no size table');
  });
  test('a version without a way of building stays as it is', () =>
    expect([writeBuild('1.2.0', {}), readBuild('1.2.0')]).toEqual(['1.2.0', {}]));
  test('a long stack is drawn with a break that says how many stages; a short one whole', () => {
    const drawnStages = (stages: number) => drawSection(familyOf('F4', { counts: { stage: stages } }));
    expect(drawnStages(4).breaks).toEqual([]);
    expect(drawnStages(12).breaks.map((one) => one.words)).toEqual(['12 stages']);
    expect(drawnStages(40).viewBox).toEqual(drawnStages(12).viewBox);
    expect(drawnStages(4).shapes.filter((shape) => shape.part === 'split-cone')).toHaveLength(4);
    expect(drawnStages(40).shapes.filter((shape) => shape.part === 'split-cone')).toHaveLength(3);
  });
  test('two shaft lines, an offset idler and upright pumps are drawn so', () => {
    expect(drawSection(familyOf('F7')).axes.map((axis) => axis.y)).toEqual([-52, 52]);
    const gear = drawSection(familyOf('F6'));
    expect(present(gear.shapes.find((shape) => shape.part === 'idler')).line).toBeLessThan(
      present(gear.shapes.find((shape) => shape.part === 'rotor')).line,
    );
    expect([drawSection(familyOf('F10')).isVertical, drawSection(familyOf('F1')).isVertical]).toEqual([true, false]);
  });
});

describe('reading a file', () => {
  const text = present(texts['f5-plastic-booster.json']);
  const lineWith = (words: string) => text.split('\n').findIndex((line) => line.includes(words)) + 1;
  test('a good file is read whole', () => expect(readFamilyFile(text)).toEqual({ family: fileOf('F5'), faults: [] }));
  test('what is not JSON is said with its line', () => {
    const { faults } = readFamilyFile(text.replace('"principle": "rotodynamic",', '"principle": "rotodynamic"'));
    expect(faults[0]).toMatchObject({
      line: lineWith('"principle"') + 1,
      message: expect.stringContaining('this is not JSON') as string,
    });
  });
  test('a fault against the schema is said with its path and line', () => {
    const { faults } = readFamilyFile(text.replace('"principle": "rotodynamic"', '"principle": "magic"'));
    expect(faults).toEqual([
      { path: 'principle', line: lineWith('"principle"'), message: expect.any(String) as string },
    ]);
  });
  test('what is not closed is said with its rule', () => {
    const { faults } = readFamilyFile(
      text.replaceAll('"M62x1.5"', '"M63x1.5"').replace(/"M63x1.5"(,\s*"grade")/, '"M62x1.5"$1'),
    );
    expect(faults.map((fault) => fault.message).join()).toContain('(torque-thread)');
  });
  test.each(['', '   ', '[]', '7', 'null', '{}'])('%j gives faults, never a throw', (odd) =>
    expect(readFamilyFile(odd).faults.length).toBeGreaterThan(0),
  );
});

describe('a shop’s own variant', () => {
  const make = (changes: { path: string; value: string | number }[]) =>
    readOverlay(makeOwnVariant(plain, { id: 'S1', title: 'Ours', changes }), plain);
  const built = () => buildFamily(plain);
  const point = present(built().points[0]);
  test('is the family with its changes; the family it was made from stays as it was', () => {
    const first = present(built().teardown[0]);
    const { family } = make([
      { path: `points/${point.id}/reuse_mm/max`, value: 100.6 },
      { path: `teardown/${first.id}/actions/${present(first.actions[0]).id}/do`, value: 'As we do it.\nTwice.' },
    ]);
    expect([present(family).id, present(family).title, present(family).version, present(family).made_from]).toEqual([
      'S1',
      'Ours',
      '1.0.0',
      'F1 2.0.0',
    ]);
    expect([
      present(present(present(family).written.points[0]).reuse_mm).max,
      present(present(present(family).written.teardown[0]).actions[0]).do,
    ]).toEqual([100.6, ['As we do it.', 'Twice.']]);
    expect(present(present(built().points[0]).reuse_mm).max).toBe(100.64);
  });
  test('limits that cross are refused', () =>
    expect(make([{ path: `points/${point.id}/new_mm/min`, value: 134.5 }]).faults.map((fault) => fault.path)).toEqual([
      'points.0.new_mm',
    ]));
  test('what is not for changing here is refused by its path', () => {
    expect(() => make([{ path: 'parts/shaft/ref', value: 'x' }])).toThrow('parts/shaft/ref cannot be changed here');
    expect(make([{ path: 'labour/no-such/minutes', value: 3 }]).faults).toMatchObject([
      { path: 'labour/no-such/minutes', message: 'is not in the family that this extends' },
    ]);
  });
});
