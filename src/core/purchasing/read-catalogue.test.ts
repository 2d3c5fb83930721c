import {
  catalogueColumns,
  readNumbers,
  readOffers,
  readSuppliers,
  writeNumbers,
  writeOffers,
  writeSuppliers,
  type FileRow,
} from '.';
import type { CatalogueKind } from '../change/inputs';

const rowsOf = (kind: CatalogueKind, ...lines: readonly string[]): readonly FileRow[] =>
  lines.map((text, i) => {
    const cells = text.split(';');
    const values = Object.fromEntries(catalogueColumns[kind].map((column, k) => [column, cells[k] ?? '']));
    return { line: i + 2, values };
  });
const suppliers = [{ id: 's-1', name: 'Sillwater' }];

describe('suppliers.csv', () => {
  const good = 'Sillwater;Aldous;orders@sillwater.example;0100;EUR;1;9.50;0;15:00;yes;yes';
  test('is read with money in minor units, and written as it was read', () => {
    const { rows, faults } = readSuppliers(rowsOf('suppliers', good));
    expect(faults).toEqual([]);
    expect(rows).toMatchObject([{ freightMinor: 950, minimumMinor: 0, isUsual: true, isActive: true, rate: 1 }]);
    expect(writeSuppliers(rows.map((row) => ({ ...row, id: '' })))[0]?.join(';')).toBe(good.replace(';0;', ';0.00;'));
  });
  test('every fault has its line, its column and what stands there', () => {
    const { faults } = readSuppliers(
      rowsOf('suppliers', good, 'sillwater;;;;Euro;1;nine;0;25:00;maybe;yes', 'Other;;;;EUR;1;0;0;;yes;yes'),
    );
    expect(faults.map(({ line, column, value }) => [line, column, value])).toEqual(
      expect.arrayContaining([
        [3, 'currency', 'Euro'],
        [3, 'freight', 'nine'],
        [3, 'cut_off', '25:00'],
        [3, 'usual', 'maybe'],
        [4, 'usual', 'yes'],
      ]),
    );
  });
  test('money of theirs is worth something', () => {
    const { faults } = readSuppliers(rowsOf('suppliers', good.replace(';EUR;1;', ';EUR;0;')));
    expect(faults).toEqual([{ line: 2, column: 'rate', value: '0', message: 'must be more than 0' }]);
  });
  test('one name stands once', () => {
    const { faults } = readSuppliers(
      rowsOf('suppliers', good, good.replace('Sillwater', 'SILLWATER').replace('yes', 'no')),
    );
    expect(faults).toEqual([{ line: 3, column: 'name', value: 'SILLWATER', message: 'stands in line 2 already' }]);
  });
});

describe('offers.csv', () => {
  const kit = ['Sillwater;K-1;kit;Seal kit;40.50;5;1;2027-01-31;R-1;EPDM;2', 'Sillwater;K-1;kit;;;;;;R-2;;1'];
  test('rows of one code are one kit; what is written is read again as the same', () => {
    const read = readOffers(rowsOf('offers', ...kit), suppliers);
    expect(read.faults).toEqual([]);
    expect(read.rows).toEqual([
      {
        ...{ supplierId: 's-1', code: 'K-1', kind: 'kit', title: 'Seal kit', priceMinor: 4050, leadDays: 5, least: 1 },
        validUntil: '2027-01-31',
        pieces: [
          { number: 'R-1', elastomer: 'EPDM', quantity: 2 },
          { number: 'R-2', elastomer: '', quantity: 1 },
        ],
      },
    ]);
    const offers = read.rows.map((row) => ({ ...row, id: 'o' }));
    const house = { id: 's-1', name: 'Sillwater' } as Parameters<typeof writeOffers>[1][number];
    const again = rowsOf('offers', ...writeOffers(offers, [house]).map((cells) => cells.join(';')));
    expect(readOffers(again, suppliers).rows).toEqual(read.rows);
  });
  test.each([
    ['Nobody;K-1;kit;;1.00;5;;;R-1;;1', 'supplier', 'is not in the catalogue of suppliers'],
    ['Sillwater;K-1;kit;;;5;;;R-1;;1', 'price', 'is missing in the first row of the offer'],
    ['Sillwater;K-1;kit;;1,50;5;;;R-1;;1', 'price', 'price is a number with a point, such as 12.50'],
    ['Sillwater;K-1;kit;;12345678.00;5;;;R-1;;1', 'price', 'price is a number with a point, such as 12.50'],
    ['Sillwater;K-1;kit;;1.50;5;;;--;;1', 'number', 'has neither a letter nor a figure'],
    ['Sillwater;K-1;kit;;1.50;5;;;R-1;;0', 'quantity', 'is at least 1'],
    ['Sillwater;K-1;box;;1.50;5;;;R-1;;1', 'kind', 'Invalid option: expected one of "single"|"kit"'],
    ['Sillwater;K-1;kit;;1.50;5;;31.1.2027;R-1;;1', 'valid_until', 'a day looks like 2026-12-09'],
  ])('%s: %s %s', (text, column, message) => {
    const { faults, rows } = readOffers(rowsOf('offers', text), suppliers);
    expect(faults.some((fault) => fault.line === 2 && fault.column === column && fault.message === message)).toBe(true);
    expect(rows.length && column !== 'supplier').toBeFalsy();
  });
  test('a single has one part', () => {
    const { faults } = readOffers(rowsOf('offers', ...kit.map((row) => row.replace(';kit;', ';single;'))), suppliers);
    expect(faults).toEqual([
      { line: 3, column: 'kind', value: 'single', message: 'K-1 has more than one part: it is a kit' },
    ]);
  });
});

test('numbers.csv: a number does not take its own place, and stands once however it is written', () => {
  const { faults, rows } = readNumbers(rowsOf('numbers', 'R-1;Ring;;;g;R 1', 'r 2;Ring;;;;', 'R-2;Ring;;;;R-3'));
  expect(faults.map(({ line, column }) => [line, column])).toEqual([
    [2, 'superseded_by'],
    [4, 'number'],
  ]);
  expect(writeNumbers(rows)[2]).toEqual(['R-2', 'Ring', '', '', '', 'R-3']);
});
