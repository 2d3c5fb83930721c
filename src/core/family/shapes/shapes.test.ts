import endViewFile from '@families/shapes/end-view.json';
import sectionFile from '@families/shapes/section.json';
import fc from 'fast-check';
import { present } from '../../present';
import { drawShape, faultsOfShape, givenNames, shapeSchema, shippedShapes } from '.';
import { readExpression, ShapeError } from './expression';
import { readPath, writePath } from './path-template';

const none = { valueOf: () => NaN, steps: [] };
const shapeOf = (own: object) =>
  shapeSchema.parse({ view: 'section', what: 'a thing', outlines: [{ fill: 'open', path: 'M 0 0' }], ...own });
const saidBy = (own: object): readonly string[] => {
  const read = shapeSchema.safeParse({
    ...{ view: 'section', what: 'a thing', outlines: [{ fill: 'open', path: 'M 0 0' }] },
    ...own,
  });
  return read.success ? faultsOfShape(read.data) : read.error.issues.map(({ path, message }) => `${path}: ${message}`);
};

test.each([
  ['section', sectionFile],
  ['end view', endViewFile],
] as const)('the shapes of the %s that ship are what the schema reads of their file', (view, file) => {
  const read = Object.entries(file).map(([name, shape]) => [name, shapeSchema.parse(shape)] as const);
  expect(read.length).toBeGreaterThan(2);
  expect(shippedShapes[view]).toEqual(Object.fromEntries(read));
});

describe('an expression of a shape', () => {
  test.each([
    ['1 + 2 * 3', 7],
    ['(1 + 2) * 3', 9],
    ['-2 - -5', 3],
    ['7 % 4 / 2', 1.5],
    ['min(4, 2, 9) + max(1, 5)', 7],
    ['round(2.6) + floor(2.6) + abs(-1)', 6],
    ['sqrt(81)', 9],
    ['10 * sin(30)', 5],
    ['10 * cos(60)', 5],
  ])('%s is %d', (text, value) => expect(readExpression(text).in(none)).toBeCloseTo(value, 9));
  test('names are looked up, and known beforehand', () => {
    const expression = readExpression('inner + (outer - inner) * 0.25');
    const figures: Readonly<Record<string, number>> = { inner: 20, outer: 60 };
    expect([...expression.names].toSorted()).toEqual(['inner', 'outer']);
    expect(expression.in({ valueOf: (name) => figures[name] ?? NaN, steps: [] })).toBe(30);
  });
  test('a step is asked by its number; past the last it is the last', () => {
    const steps = [
      [10, 5],
      [40, 8],
    ] as const;
    const at = (text: string) => readExpression(text).in({ valueOf: () => NaN, steps });
    expect([at('step_at(1)'), at('step_radius(0)'), at('step_radius(7)')]).toEqual([40, 5, 8]);
  });
  test.each([
    ['2 +', 'cannot be read'],
    ['launch(2)', '“launch” is no function of a shape'],
    ['sin(1, 2)', 'sin takes 1 figure'],
    ['step_at()', 'step_at takes the number of one step'],
    ['this.x', 'nothing else'],
    ['a = 3', 'cannot be read'],
    ['"text"', 'nothing else'],
    ['a b', 'nothing else'],
    ['constructor(1)', 'is no function'],
  ])('%s is refused: %s', (text, words) => {
    expect(() => readExpression(text)).toThrow(ShapeError);
    expect(() => readExpression(text)).toThrow(words);
  });
});

describe('a path template', () => {
  const drawn = (...texts: readonly string[]) => {
    const path = writePath();
    for (const text of texts) path.add(readPath(text), none);
    return path.d();
  };
  test('further out is higher, which pictures count downwards', () =>
    expect(drawn('M 1 2 L 3 4 H 5 V {6 + 1} Z')).toBe('M1 -2L3 -4H5V-7Z'));
  test('of an arc only the end has a height', () => expect(drawn('M 0 0 A 5 6 0 1 1 7 8')).toBe('M0 0A5 6 0 1 1 7 -8'));
  test('a command is kept for the figures that follow it', () =>
    expect(drawn('M 0 1 L 1 1 2 2 3 3')).toBe('M0 -1L1 -1L2 -2L3 -3'));
  test('a line that has nowhere to begin begins where it would lead', () =>
    expect(drawn('L 1 1', 'L 2 2', 'Z', 'L 3 3')).toBe('M1 -1L2 -2ZM3 -3'));
  test.each([
    ['M 1', 'M takes 2 figures, not 1'],
    ['M 1 2 L', 'L takes 2 figures, not 0'],
    ['M 1 2 Z 3', 'Z takes 0 figures, not 1'],
    ['1 2 L 3 4', 'begins with a command'],
    ['M 1 2 S 3 4', 'there is no command S'],
    ['M 1 2 l 3 4', '“l 3 4” is no command'],
    ['M {1 2', 'is no command, figure or {expression}'],
  ])('%s is refused: %s', (text, words) => expect(() => readPath(text)).toThrow(words));
});

describe('a shape', () => {
  const figures = { from: 10, to: 40, inner: 5, outer: 15, width: 30, height: 10 };
  test('draws its outlines from the figures of a body, from its own and from what follows of them', () => {
    const shape = shapeOf({
      values: { lip: 2 },
      names: { edge: 'to - lip', half: '(from + edge) / 2' },
      outlines: [{ fill: 'hatched', path: 'M {from} {inner} H {half} V {outer} H {edge} Z' }],
    });
    expect(drawShape(shape, { figures })).toEqual([{ fill: 'hatched', d: 'M10 -5H24V-15H38Z' }]);
    expect(drawShape(shape, { figures: { ...figures, lip: 10 } })).toEqual([
      { fill: 'hatched', d: 'M10 -5H20V-15H30Z' },
    ]);
  });
  test('draws a piece as often as it says, with the number of the piece', () => {
    const shape = shapeOf({
      values: { grooves: 3 },
      outlines: [{ fill: 'line', path: ['M {from} 0', { times: 'grooves', path: 'L {from + i} {inner + i}' }] }],
    });
    expect(present(drawShape(shape, { figures })[0]).d).toBe('M10 0L10 -5L11 -6L12 -7');
    expect(present(drawShape(shape, { figures: { ...figures, grooves: 1e9 } })[0]).d.length).toBeLessThan(9000);
  });
  test('a turned part steps from radius to radius, open at its axis', () => {
    const steps = [
      [0, 4],
      [10, 6],
      [30, 6],
    ] as const;
    expect(drawShape(present(shippedShapes.section.shaft), { figures: { ...figures, steps: 3 }, steps })).toEqual([
      { fill: 'open', d: 'M0 0L0 -4L10 -4L10 -6L30 -6L30 0' },
    ]);
  });
  test.each<readonly [string, object, string]>([
    ['reads what nothing gives', { names: { edge: 'depth / 2' } }, 'nothing gives “depth”'],
    ['is reckoned from itself', { names: { a: 'b + 1', b: 'a' } }, '“a” is reckoned from itself'],
    ['counts outside a piece', { outlines: [{ fill: 'open', path: 'M {i} 0' }] }, 'nothing gives “i”'],
    ['reads no figure of the other view', { names: { edge: 'turn' } }, 'nothing gives “turn”'],
    [
      'has a path that cannot be read',
      { outlines: [{ fill: 'open', path: 'M {to +} 0' }] },
      'outlines,0,path: “to +” cannot be read',
    ],
    ['has a name with a capital', { names: { Edge: '1' } }, 'Edge: Invalid key'],
  ])('one that %s is named', (_what, own, words) => expect(saidBy(own).join('; ')).toContain(words));
});

describe('the shapes that ship', () => {
  const names = Object.values(shippedShapes).flatMap((shapes) => Object.entries(shapes));
  test.each(names)('%s reads what it is given alone', (_name, shape) => expect(faultsOfShape(shape)).toEqual([]));
  test.each(names.filter(([, shape]) => shape.view === 'section'))(
    '%s is drawn at its place whatever the body: figures alone, and where the body is moved it moves along',
    (_name, shape) => {
      const body = fc.record({
        from: fc.integer({ min: 0, max: 300 }),
        width: fc.integer({ min: 4, max: 200 }),
        inner: fc.integer({ min: 0, max: 80 }),
        height: fc.integer({ min: 4, max: 90 }),
      });
      const boxOf = ({
        from,
        width,
        inner,
        height,
      }: {
        from: number;
        width: number;
        inner: number;
        height: number;
      }) => {
        const [to, outer] = [from + width, inner + height];
        const steps = [
          [from, outer],
          [to, outer],
        ] as const;
        const drawn = drawShape(shape, { figures: { from, to, inner, outer, width, height, steps: 2 }, steps });
        return drawn.map(({ d }) => startOf(d));
      };
      fc.assert(
        fc.property(body, fc.integer({ min: 1, max: 50 }), (one, by) => {
          const here = boxOf(one);
          const moved = boxOf({ ...one, from: one.from + by });
          expect(here.flat().every(Number.isFinite)).toBe(true);
          for (const [k, [x, y]] of here.entries()) {
            expect(present(moved[k])[0] - x).toBeCloseTo(by, 1);
            expect(present(moved[k])[1]).toBeCloseTo(y, 1);
          }
        }),
        { numRuns: 30 },
      );
    },
  );
  test('every name that a view gives is read by some shape', () => {
    const read = JSON.stringify(shippedShapes);
    for (const name of Object.values(givenNames).flat()) expect(read).toContain(name);
  });
});

/** Where an outline begins. */
function startOf(d: string): readonly [x: number, y: number] {
  const [x, y] = (/^M(\S+?)[ ,](-?[\d.]+)/.exec(d) ?? []).slice(1).map(Number);
  return [x ?? NaN, y ?? NaN];
}
