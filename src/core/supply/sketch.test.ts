import type { MadePart } from '../record';
import { drawSketch, judgeSketch, limitsOfDimension, readTolerance, sketchFaults, sketchTable } from '.';

type Dimensions = MadePart['dimensions'];
const dimensions = (sizes: Readonly<Record<string, number | readonly [number, string]>>): Dimensions =>
  Object.entries(sizes).map(([id, size]) =>
    typeof size === 'number' ? { id, nominal: size, tolerance: '' } : { id, nominal: size[0], tolerance: size[1] },
  );
/** A bearing cap as a fitter would sketch it: it closes a housing of 80 H7 with six holes of 9 on 100. */
const cap = {
  shape: 'cap' as const,
  dimensions: dimensions({
    ...{ outside: 120, flange: 12, spigot: [80, 'h6'], depth: [18, '±0.1'], bore: 32, circle: 100, holes: 6, hole: 9 },
  }),
};

describe('a tolerance as it is typed', () => {
  // ISO 286-1: 80 h6 is 0 / −19 µm, 80 H7 is +30 / 0; ISO 2768-1, class m: ±0.1 to 6, ±0.2 to 30, ±0.3 to 120 mm.
  test.each([
    ['h6', 80, 'shaft', -0.019, 0],
    ['H7', 80, 'hole', 0, 0.03],
    ['±0.1', 40, undefined, -0.1, 0.1],
    ['+/-0,05', 40, undefined, -0.05, 0.05],
    ['+0.02/-0.01', 40, undefined, -0.01, 0.02],
    ['-0.01/-0.03', 40, undefined, -0.03, -0.01],
    ['+0.05/0', 40, undefined, 0, 0.05],
    ['', 6, undefined, -0.1, 0.1],
    ['', 6.5, undefined, -0.2, 0.2],
    ['', 120, undefined, -0.3, 0.3],
    ['', 5000, undefined, -1.2, 1.2],
  ] as const)('“%s” at %d mm', (text, nominalMm, of, lower, upper) => {
    const read = readTolerance(text, { nominalMm, of });
    expect(read?.lower).toBeCloseTo(lower, 6);
    expect(read?.upper).toBeCloseTo(upper, 6);
  });
  test.each([
    ['h6', 'hole'],
    ['H7', 'shaft'],
    ['H7', undefined],
    ['about 0.1', undefined],
    ['0.1', undefined],
    ['Q7', 'hole'],
  ] as const)('“%s” on a %s cannot be read', (text, of) =>
    expect(readTolerance(text, { nominalMm: 80, of })).toBeNull(),
  );
});

describe('a sketch', () => {
  test('names the sizes that every shape needs, each once', () => {
    for (const { dimensions: wanted } of Object.values(sketchTable)) {
      const ids = wanted.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(wanted.some(({ isOptional }) => !isOptional)).toBe(true);
    }
  });
  test('that says all and goes together has no fault', () => expect(sketchFaults(cap)).toEqual([]));
  test.each([
    ['without its spigot', { spigot: undefined }, [{ dimension: 'spigot', code: 'missing' }]],
    ['with a spigot of nothing', { spigot: 0 }, [{ dimension: 'spigot', code: 'nothing' }]],
    ['with a class for a hole on its spigot', { spigot: [80, 'H7'] }, [{ dimension: 'spigot', code: 'tolerance' }]],
    ['with a bore through its spigot', { bore: 90 }, [{ dimension: 'bore', code: 'not-inside', beyond: 'spigot' }]],
    ['with holes beyond its edge', { circle: 130 }, [{ dimension: 'circle', code: 'not-inside', beyond: 'outside' }]],
    ['with a dimension of another shape', { length: 4 }, [{ dimension: 'length', code: 'unknown' }]],
  ] as const)('%s is no sketch to make by', (_what, change, faults) => {
    const sizes = Object.fromEntries(cap.dimensions.map(({ id, nominal, tolerance }) => [id, [nominal, tolerance]]));
    const changed = Object.entries({ ...sizes, ...change }).filter(([, size]) => size !== undefined);
    const sketch = { shape: 'cap' as const, dimensions: dimensions(Object.fromEntries(changed)) };
    expect(sketchFaults(sketch)).toEqual(faults);
  });
  test('counts are exact', () =>
    expect(limitsOfDimension(cap, { id: 'holes', nominal: 6, tolerance: '' })).toEqual({ min: 6, max: 6 }));
});

describe('a part beside its sketch', () => {
  const reading = (id: string, value: number) => ({
    id,
    value,
    gauge: '',
    personId: null,
    personName: 'Odile',
    at: '',
  });
  const verdicts = (readings: MadePart['readings']) =>
    Object.fromEntries(judgeSketch({ ...cap, readings }).map(({ dimension, verdict }) => [dimension.id, verdict]));
  test('is within, under or over; what is not measured has no verdict', () =>
    expect(verdicts([reading('spigot', 79.99), reading('depth', 17.8), reading('holes', 7)])).toMatchObject({
      ...{ spigot: 'within', depth: 'under', holes: 'over', outside: null },
    }));
  test.each([
    [80, 'within'],
    [79.981, 'within'],
    [79.98, 'under'],
    [80.001, 'over'],
  ])('a spigot 80 h6 of %d mm is %s', (value, verdict) =>
    expect(verdicts([reading('spigot', value)])['spigot']).toBe(verdict),
  );
  test('the last reading counts', () =>
    expect(verdicts([reading('depth', 17), reading('depth', 18)])['depth']).toBe('within'));
});

describe('a drawing', () => {
  test('of a bush is two cut rectangles, and two circles from the end', () => {
    const bush = { shape: 'bush' as const, dimensions: dimensions({ bore: 20, outside: 30, length: 40 }) };
    const { section, end, length, diameter } = drawSketch(bush);
    expect(section).toEqual([
      [
        [0, 10],
        [0, 15],
        [40, 15],
        [40, 10],
      ],
      [
        [0, -10],
        [0, -15],
        [40, -15],
        [40, -10],
      ],
    ]);
    expect(end.map(({ r }) => r)).toEqual([15, 10]);
    expect([length, diameter]).toEqual([40, 30]);
  });
  test('of a cap shows its holes evenly on their circle, and through its flange', () => {
    const { section, end, length } = drawSketch(cap);
    const holes = end.filter(({ r }) => r === 4.5);
    expect(holes).toHaveLength(6);
    for (const { x, y } of holes) expect(Math.hypot(x, y)).toBeCloseTo(50, 9);
    expect(end.filter(({ isCentreLine }) => isCentreLine)).toEqual([{ x: 0, y: 0, r: 50, isCentreLine: true }]);
    // The flange in two pieces beside its hole and the spigot, above and below.
    expect(section).toHaveLength(6);
    expect(length).toBe(30);
  });
  test('of a sketch with nothing in it is nothing, and no error', () =>
    expect(drawSketch({ shape: 'gasket', dimensions: [] })).toMatchObject({ length: 0, diameter: 0, end: [] }));
});
