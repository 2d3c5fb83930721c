import * as z from 'zod';
import { numberRow, offerRow, supplierRow, type CatalogueKind } from '../change/inputs/purchasing';
import { numberKey } from '../supply';
import type { CatalogueNumber, CatalogueOffer, CatalogueSupplier } from './catalogue';

/** A row of a CSV file by its columns, with its line in the file; the line of the heads is 1. */
export interface FileRow {
  readonly line: number;
  readonly values: Readonly<Record<string, string>>;
}

/** What is wrong in a file: where, what stands there, and why it cannot be. */
export interface FileFault {
  readonly line: number;
  readonly column: string;
  readonly value: string;
  readonly message: string;
}

export interface FileRead<Row> {
  readonly rows: readonly Row[];
  readonly faults: readonly FileFault[];
}

interface Parsed<Row> {
  readonly line: number;
  readonly row: Row;
}

/** More faults than this would not be read. */
const mostFaults = 50;

function parseRows<Row>(schema: z.ZodType<Row>, rows: readonly FileRow[]) {
  const parsed: Parsed<Row>[] = [];
  const faults: FileFault[] = [];
  for (const { line, values } of rows) {
    const read = schema.safeParse(values);
    if (read.success) parsed.push({ line, row: read.data });
    else
      for (const { path, message } of read.error.issues) {
        const column = String(path[0] ?? '');
        faults.push({ line, column, value: values[column] ?? '', message });
      }
  }
  return { parsed, faults: faults.slice(0, mostFaults) };
}

const minor = (text: string) => Math.round(Number(text) * 100);

/** Two rows of one name: the second is at fault. */
function twins<Row>(
  parsed: readonly Parsed<Row>[],
  column: keyof Row & string,
  keyOf: (row: Row) => string,
): FileFault[] {
  const first = new Map<string, number>();
  return parsed.flatMap(({ line, row }) => {
    const key = keyOf(row);
    const before = first.get(key);
    if (before === undefined) {
      first.set(key, line);
      return [];
    }
    return [{ line, column, value: String(row[column]), message: `stands in line ${before} already` }];
  });
}

type SupplierRead = Omit<CatalogueSupplier, 'id'>;

/** Suppliers of `suppliers.csv`. */
export function readSuppliers(rows: readonly FileRow[]): FileRead<SupplierRead> {
  const { parsed, faults } = parseRows(supplierRow, rows);
  const read = parsed.map(({ row }) => {
    const { name, contact, email, telephone, currency, cut_off: cutOff, usual, active } = row;
    return {
      ...{ name, contact, email, telephone, currency, cutOff, isUsual: usual, isActive: active },
      ...{ rate: Number(row.rate), freightMinor: minor(row.freight), minimumMinor: minor(row.minimum) },
    };
  });
  const named = parsed.filter(({ row }) => row.usual);
  const usual = named.slice(1).map(({ line }) => ({
    ...{ line, column: 'usual', value: 'yes', message: `line ${named[0]?.line} is the usual one already` },
  }));
  return { rows: read, faults: [...faults, ...twins(parsed, 'name', ({ name }) => name.toLowerCase()), ...usual] };
}

type OfferParsed = Parsed<z.output<typeof offerRow>>;

/** One offer of its rows: the first says price and days, each says a piece. */
function offerOf(
  own: readonly OfferParsed[],
  supplierId: string,
): { offer: Omit<CatalogueOffer, 'id'> | null; faults: FileFault[] } {
  const [first] = own;
  if (!first) return { offer: null, faults: [] };
  const { code, kind, title, price, lead_days: lead, least, valid_until: until } = first.row;
  const missing = (column: string) => ({
    line: first.line,
    column,
    value: '',
    message: 'is missing in the first row of the offer',
  });
  const isSingle = kind === 'single' && own.length > 1;
  const second = own[1];
  const faults = [
    ...(price === '' ? [missing('price')] : []),
    ...(lead === '' ? [missing('lead_days')] : []),
    ...(isSingle && second
      ? [{ line: second.line, column: 'kind', value: 'single', message: `${code} has more than one part: it is a kit` }]
      : []),
    ...own.flatMap(({ line, row }) =>
      row.kind === kind ? [] : [{ line, column: 'kind', value: row.kind, message: `line ${first.line} says ${kind}` }],
    ),
  ];
  const pieces = own.map(({ row }) => ({
    number: row.number,
    elastomer: row.elastomer,
    quantity: Number(row.quantity),
  }));
  const none = own.find(({ row }) => Number(row.quantity) === 0);
  if (none) faults.push({ line: none.line, column: 'quantity', value: '0', message: 'is at least 1' });
  const offer = {
    ...{ supplierId, code, kind, title: title || code, priceMinor: minor(price || '0'), leadDays: Number(lead || '0') },
    ...{ least: Math.max(1, Number(least || '1')), validUntil: until || null, pieces },
  };
  return { offer: faults.length ? null : offer, faults };
}

/**
 * Offers of `offers.csv`, whose rows of one supplier and code are one offer.
 * @param suppliers those that are known; an offer of another is a fault
 */
export function readOffers(
  rows: readonly FileRow[],
  suppliers: readonly Pick<CatalogueSupplier, 'id' | 'name'>[],
): FileRead<Omit<CatalogueOffer, 'id'>> {
  const { parsed, faults } = parseRows(offerRow, rows);
  const idOf = new Map(suppliers.map(({ id, name }) => [name.toLowerCase(), id]));
  const strangers = parsed.flatMap(({ line, row }) =>
    idOf.has(row.supplier.toLowerCase())
      ? []
      : [{ line, column: 'supplier', value: row.supplier, message: 'is not in the catalogue of suppliers' }],
  );
  const groups = new Map<string, OfferParsed[]>();
  for (const one of parsed) {
    const key = `${one.row.supplier.toLowerCase()} ${one.row.code.toLowerCase()}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  const read = [...groups.values()].map((own) =>
    offerOf(own, idOf.get(own[0]?.row.supplier.toLowerCase() ?? '') ?? ''),
  );
  return {
    rows: read.flatMap(({ offer }) => offer ?? []),
    faults: [...faults, ...strangers, ...read.flatMap((one) => one.faults)].slice(0, mostFaults),
  };
}

/** Numbers of `numbers.csv`; one that took its own place is a fault. */
export function readNumbers(rows: readonly FileRow[]): FileRead<CatalogueNumber> {
  const { parsed, faults } = parseRows(numberRow, rows);
  const read = parsed.map(({ row }) => {
    const { number, title, elastomer, variant, interchange_group: interchangeGroup, superseded_by: supersededBy } = row;
    return { number, title, elastomer, variant, interchangeGroup, supersededBy };
  });
  const own = parsed.flatMap(({ line, row }) =>
    row.superseded_by && numberKey(row.superseded_by) === numberKey(row.number)
      ? [{ line, column: 'superseded_by', value: row.superseded_by, message: 'cannot take its own place' }]
      : [],
  );
  return { rows: read, faults: [...faults, ...own, ...twins(parsed, 'number', ({ number }) => numberKey(number))] };
}

const decimal = (amount: number) => (amount / 100).toFixed(2);
const yes = (is: boolean) => (is ? 'yes' : 'no');

/** The columns of each file, in their order. */
export const catalogueColumns = {
  suppliers: Object.keys(supplierRow.shape),
  offers: Object.keys(offerRow.shape),
  numbers: Object.keys(numberRow.shape),
} as const;

/** Rows of `suppliers.csv`, as `readSuppliers` takes them in. */
export const writeSuppliers = (suppliers: readonly CatalogueSupplier[]) =>
  suppliers.map((one) => [
    ...[one.name, one.contact, one.email, one.telephone, one.currency, String(one.rate)],
    ...[decimal(one.freightMinor), decimal(one.minimumMinor), one.cutOff, yes(one.isUsual), yes(one.isActive)],
  ]);

/** Rows of `offers.csv`: one a piece. */
export const writeOffers = (offers: readonly CatalogueOffer[], suppliers: readonly CatalogueSupplier[]) => {
  const nameOf = new Map(suppliers.map(({ id, name }) => [id, name]));
  return offers.flatMap(({ supplierId, code, kind, title, priceMinor, leadDays, least, validUntil, pieces }) =>
    pieces.map(({ number, elastomer, quantity }, i) => [
      ...[nameOf.get(supplierId) ?? '', code, kind, title],
      ...(i ? ['', '', '', ''] : [decimal(priceMinor), String(leadDays), String(least), validUntil ?? '']),
      ...[number, elastomer, String(quantity)],
    ]),
  );
};

/** Rows of `numbers.csv`. */
export const writeNumbers = (numbers: readonly CatalogueNumber[]) =>
  numbers.map((one) => [one.number, one.title, one.elastomer, one.variant, one.interchangeGroup, one.supersededBy]);

const rowOf = { suppliers: supplierRow, offers: offerRow, numbers: numberRow } as const;

/** The published JSON Schema of a row of a catalogue file (draft 2020-12): columns in their order, every value a text. */
export function catalogueJsonSchema(kind: CatalogueKind) {
  return {
    $id: `puddlestone-catalogue-${kind}-1.schema.json`,
    title: `Puddlestone catalogue, a row of ${kind}.csv, format 1`,
    ...z.toJSONSchema(rowOf[kind], { io: 'input' }),
  };
}
