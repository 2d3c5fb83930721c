import { parse, CsvError } from 'csv-parse/sync';
import * as z from 'zod';
import { reason, refuse, refuseChanged } from '@/core/change/decision';
import { catalogueKinds, type CatalogueKind } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import {
  catalogueColumns,
  readNumbers,
  readOffers,
  readSuppliers,
  writeNumbers,
  writeOffers,
  writeSuppliers,
  type FileFault,
  type FileRow,
} from '@/core/purchasing';
import {
  addSupplier,
  changeSupplier,
  keepOneUsual,
  listNumbers,
  listOffers,
  listSuppliers,
  putNumbers,
  putOffers,
  type Connection,
} from '@/db';
import { numberKey } from '@/core/supply';
import type { Context } from '../context';
import { withoutApostrophe, writeCsv } from '../exports/write-csv';
import { noteAudit } from '../people/audit';
import { defineUseCase, forVerb, inTransaction } from '../use-case';

/** Writes a supplier down, or changes one as it was read. */
export const saveSupplier = forVerb('save-supplier', (context, { id: given, basedOn, ...supplier }) =>
  inTransaction(context, async (connection) => {
    const id = given ?? context.newId<never>();
    const known = await listSuppliers(connection);
    const twin = known.find(({ name, id: own }) => own !== id && name.toLowerCase() === supplier.name.toLowerCase());
    if (twin) refuse('bad-input', reason('supplier-name-taken', { name: twin.name }), 'name');
    if (given === null) await addSupplier(connection, { id, ...supplier });
    else if (!(await changeSupplier(connection, { id, ...supplier }, basedOn)))
      refuseChanged(
        known.find((one) => one.id === id),
        supplier,
      );
    if (supplier.isUsual) await keepOneUsual(connection, id);
    return { id };
  }),
);

function refuseFile(faults: readonly FileFault[]): never {
  const words = ({ line, column, value, message }: FileFault) =>
    `line ${line}${column ? `, ${column}` : ''}${value ? ` “${value}”` : ''}: ${message}`;
  const shown = faults.slice(0, 20).map(words);
  const more = faults.length - shown.length;
  const what = `Nothing was taken in. ${shown.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`;
  const issues = faults.map((fault) => ({ path: `text.${fault.line}`, message: words(fault) }));
  throw new DomainError('bad-input', { what, issues });
}

/** The rows of a CSV file with their lines; heads that are missing or not known are named. */
function rowsOf(kind: CatalogueKind, text: string): readonly FileRow[] {
  const columns = catalogueColumns[kind];
  try {
    const records: { record: Record<string, string>; info: { lines: number } }[] = parse(text, {
      ...{ bom: true, columns: (heads: string[]) => heads.map((head) => head.trim().toLowerCase()), info: true },
      ...{ skip_empty_lines: true, trim: true, relax_column_count: false, cast: withoutApostrophe },
    });
    const heads = Object.keys(records[0]?.record ?? {});
    const odd = heads.filter((head) => !columns.includes(head));
    const absent = columns.filter((column) => !heads.includes(column));
    if (!records.length) refuseFile([{ line: 1, column: '', value: '', message: 'there is no line below the heads' }]);
    if (odd.length || absent.length)
      refuseFile([
        ...odd.map((column) => ({ line: 1, column, value: '', message: `is no column of ${kind}.csv` })),
        ...absent.map((column) => ({ line: 1, column, value: '', message: 'is missing among the heads' })),
      ]);
    return records.map(({ record, info }) => ({ line: info.lines, values: record }));
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    const line = typeof error.lines === 'number' ? error.lines : 1;
    return refuseFile([{ line, column: '', value: '', message: error.message }]);
  }
}

interface Taken {
  readonly added: number;
  readonly changed: number;
}
const taken = (isKnown: readonly boolean[]): Taken => ({
  added: isKnown.filter((is) => !is).length,
  changed: isKnown.filter(Boolean).length,
});

async function takeSuppliers(context: Context, connection: Connection, rows: readonly FileRow[]): Promise<Taken> {
  const read = readSuppliers(rows);
  if (read.faults.length) refuseFile(read.faults);
  const known = new Map((await listSuppliers(connection)).map((one) => [one.name.toLowerCase(), one]));
  for (const row of read.rows) {
    const own = known.get(row.name.toLowerCase());
    const id = own?.id ?? context.newId<never>();
    if (own) await changeSupplier(connection, { id, ...row }, own.version);
    else await addSupplier(connection, { id, ...row });
    if (row.isUsual) await keepOneUsual(connection, id);
  }
  return taken(read.rows.map(({ name }) => known.has(name.toLowerCase())));
}

async function takeOffers(context: Context, connection: Connection, rows: readonly FileRow[]): Promise<Taken> {
  const read = readOffers(rows, await listSuppliers(connection));
  if (read.faults.length) refuseFile(read.faults);
  const keyOf = ({ supplierId, code }: { supplierId: string; code: string }) => `${supplierId} ${code.toLowerCase()}`;
  const known = new Map((await listOffers(connection)).map((one) => [keyOf(one), one.id]));
  await putOffers(
    connection,
    read.rows.map((row) => ({ ...row, id: known.get(keyOf(row)) ?? context.newId<never>() })),
  );
  return taken(read.rows.map((row) => known.has(keyOf(row))));
}

async function takeNumbers(connection: Connection, rows: readonly FileRow[]): Promise<Taken> {
  const read = readNumbers(rows);
  if (read.faults.length) refuseFile(read.faults);
  const known = new Set((await listNumbers(connection)).map(({ number }) => numberKey(number)));
  await putNumbers(connection, read.rows);
  return taken(read.rows.map(({ number }) => known.has(numberKey(number))));
}

/** Takes a CSV file in, whole or not at all; every fault is named with its line, its column and what stands there. */
export const importCatalogue = forVerb('import-catalogue', (context, { kind, text }) =>
  inTransaction(context, async (connection) => {
    const rows = rowsOf(kind, text);
    if (kind === 'suppliers') return takeSuppliers(context, connection, rows);
    if (kind === 'offers') return takeOffers(context, connection, rows);
    return takeNumbers(connection, rows);
  }),
);

/** A CSV file of the catalogue, as `import-catalogue` takes it in again. */
export const readCatalogueFile = defineUseCase({
  verb: 'read-catalogue-file',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ kind: z.enum(catalogueKinds) }),
  async run(context, { kind }) {
    const { database } = context;
    const suppliers = await listSuppliers(database);
    const rows = {
      suppliers: () => writeSuppliers(suppliers),
      offers: async () => writeOffers(await listOffers(database), suppliers),
      numbers: async () => writeNumbers(await listNumbers(database)),
    };
    const text = writeCsv(await rows[kind](), catalogueColumns[kind]);
    await noteAudit(context, { kind: 'exported', words: `the catalogue’s ${kind} as CSV` });
    return { name: `${kind}.csv`, text };
  },
});
