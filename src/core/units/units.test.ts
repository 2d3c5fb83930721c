import fc from 'fast-check';
import { formatLength, parseQuantity, units, type Dimension, withLengthUnit } from '.';

const read = (text: string, dimension: Dimension = 'length', assume = 'mm') => {
  const parsed = parseQuantity({ text, dimension, assume });
  return parsed.ok ? Number(parsed.quantity.value.toFixed(9)) : parsed.sentence;
};

describe('lengths as people type them, in mm', () => {
  test.each([
    ['12.70', 12.7],
    ['1/2 in', 12.7],
    ['1 5/16"', 33.3375],
    ['1-5/16 in', 33.3375],
    ['0.003 in', 0.0762],
    ['3 thou', 0.0762],
    ['1,5 mm', 1.5],
    ['0,125', 0.125],
    ['45.0015', 45.0015],
    ['2 ft', 609.6],
    ['25 µm', 0.025],
    ['-0.02', -0.02],
    ['−0.02', -0.02],
    ['.5 in', 12.7],
    ['1.2e1', 12],
    [' 7 ', 7],
    ['12,345.6 mm', 12345.6],
  ])('%s is %d', (text, mm) => expect(read(text)).toBeCloseTo(mm, 9));
});

describe('other quantities, in base units', () => {
  test.each([
    ['50 ft-lb', 'torque', 'N·m', 67.79089742],
    ['100', 'torque', 'N·m', 100],
    ['10 in-lb', 'torque', 'N·m', 1.12984829],
    ['180 °F', 'temperature', '°C', 82.222222222],
    ['-40 °F', 'temperature', '°C', -40],
    ['60 psi', 'pressure', 'kPa', 413.68543759],
    ['2 bar', 'pressure', 'kPa', 200],
    ['22 gpm', 'flow', 'm³/h', 4.996743555],
    ['5 hp', 'power', 'kW', 3.728499358],
    ['1450 1/min', 'speed', 'rpm', 1450],
  ] as const)('%s of %s', (text, dimension, assume, value) =>
    expect(read(text, dimension, assume)).toBeCloseTo(value, 6),
  );
});

describe('what cannot be read', () => {
  test('an ambiguous number is asked about with both readings', () => {
    expect(parseQuantity({ text: '1,234', dimension: 'length', assume: 'mm' })).toEqual({
      ok: false,
      sentence: 'Is "1,234" 1.234 or 1234?',
      choices: ['1.234 mm', '1234 mm'],
    });
  });
  test.each([
    ['', 'Nothing is typed yet.'],
    ['abc', '"abc" is not a number that can be read.'],
    ['1/0 in', '"1/0 in" is not a number that can be read.'],
    ['12 kg', '"kg" is a unit of mass; here a length is wanted (mm, µm, cm, m, in, ft, thou).'],
    ['12 furlongs', '"furlongs" is not a unit known here; for a length there are mm, µm, cm, m, in, ft, thou.'],
    ['1..2', '"1..2" is not a number that can be read.'],
  ])('%j: %s', (text, sentence) => {
    expect(read(text)).toBe(sentence);
  });
  test('it never throws, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom<Dimension>('length', 'torque', 'temperature'),
        (text, dimension) => typeof parseQuantity({ text, dimension, assume: 'mm' }).ok === 'boolean',
      ),
      { numRuns: 500 },
    );
  });
});

test('every unit reads its own names and is exact there and back', () => {
  for (const unit of units.filter((one) => one.symbol)) {
    for (const name of unit.names) {
      const parsed = parseQuantity({ text: `3.25 ${name}`, dimension: unit.dimension, assume: 'none' });
      expect([name, parsed.ok && parsed.quantity.unit]).toEqual([name, unit.symbol]);
      if (parsed.ok)
        expect(
          parsed.quantity.value
            .div(unit.factor)
            .minus(unit.offset ?? 0)
            .minus('3.25')
            .abs()
            .lt('1e-18'),
        ).toBe(true);
    }
  }
});

test('thousandths of an inch are exact: 25.4 µm each', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 100000 }),
      (thou) => read(`${thou} thou`) === Number((thou * 0.0254).toFixed(9)),
    ),
  );
});

test('digits typed are kept', () => {
  const digits = (text: string) => {
    const parsed = parseQuantity({ text, dimension: 'length', assume: 'mm' });
    return parsed.ok ? parsed.quantity.digits : null;
  };
  expect([digits('45.000'), digits('45'), digits('1/2 in'), digits('1/64 in')]).toEqual([3, 0, 1, 6]);
});

test('a length shows in the shop’s units', () => {
  expect(formatLength({ mm: 45.002, digits: 3, display: 'metric' })).toBe('45.002 mm');
  expect(formatLength({ mm: 25.4, digits: 3, display: 'inch' })).toBe('1.0000 in');
});

describe('a shop in inches', () => {
  test.each([
    ['1.7717', '1.7717 in'],
    ['45 mm', '45 mm'],
    ['1/2', '1/2 in'],
    ['', ''],
  ])('%s is sent as %s', (typed, sent) => expect(withLengthUnit(typed, 'inch')).toBe(sent));
  test('in millimetres nothing is added', () => expect(withLengthUnit(' 45.002 ', 'metric')).toBe('45.002'));
  test('inches convert exactly: 1.7717 in are 45.00118 mm and back', () => {
    const parsed = parseQuantity({ text: '1.7717 in', dimension: 'length', assume: 'mm' });
    if (!parsed.ok) throw new Error(parsed.sentence);
    expect(parsed.quantity.value.toString()).toBe('45.00118');
    expect(formatLength({ mm: 45.00118, digits: 3, display: 'inch' })).toBe('1.7717 in');
  });
});
