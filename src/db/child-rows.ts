import { getTableColumns, getTableName, sql, type GetColumnData, type SQL } from 'drizzle-orm';
import type { AnyMySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { fromJson, rowsOf, type Connection } from './client';

/** One kind of rows that belong to a job: its table and the columns wanted. */
export interface Children {
  readonly table: MySqlTable;
  readonly columns: Columns;
  readonly jobId: AnyMySqlColumn;
}

/** Declares the children of a job by table; `without` leaves out heavy columns. What the database reckons is not read. */
export function childrenOf(table: MySqlTable, jobId: AnyMySqlColumn, without: readonly string[] = []): Children {
  const columns = Object.entries(getTableColumns(table)).filter(
    ([key, { generated }]) => !generated && !without.includes(key),
  );
  return { table, columns: Object.fromEntries(columns), jobId };
}

export type Columns = Readonly<Record<string, AnyMySqlColumn>>;
/** A row of these columns, as the schema says them. */
export type RowOfColumns<Own extends Columns> = { readonly [Key in keyof Own]: GetColumnData<Own[Key]> };

const quoted = (column: AnyMySqlColumn) => `\`${getTableName(column.table)}\`.\`${column.name}\``;

/** Columns as one JSON array, in the words of SQL; `decodeRow` reads it. */
export const asJsonArray = (columns: Columns) => `json_array(${Object.values(columns).map(quoted).join(', ')})`;

/** A row that was read as a JSON array of its columns; null where there was none. */
export function decodeRow<Own extends Columns>(columns: Own, body: unknown): RowOfColumns<Own> | null {
  const values = fromJson(body);
  if (!Array.isArray(values)) return null;
  const entries = Object.entries(columns).map(([key, column], i) => {
    const value: unknown = values[i] ?? null;
    return [key, value === null ? null : column.mapFromDriverValue(value)];
  });
  return Object.fromEntries(entries) as RowOfColumns<Own>;
}

/**
 * All children of one job in one round trip, by kind: a union of plain selects, each row a JSON array. Nineteen
 * statements one after the other took 35 ms here, mostly waiting between them, and `json_arrayagg` 110 ms; see
 * docs/decisions/0004. Rows come in no order.
 */
export async function loadChildren(
  connection: Connection,
  jobId: string,
  kinds: Readonly<Record<string, Children>>,
): Promise<Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>> {
  const rows = await rowsOf<{ kind: string; body: unknown }>(connection, withJob(textOf(kinds), jobId));
  const found: Record<string, Readonly<Record<string, unknown>>[]> = {};
  for (const { kind, body } of rows) {
    const columns = kinds[kind]?.columns;
    const row = columns && decodeRow(columns, body);
    if (row) (found[kind] ??= []).push(row);
  }
  return found;
}

const texts = new WeakMap<object, readonly string[]>();

/**
 * The statement's text in the pieces between its job ids, written once: composing it anew cost more than running it.
 */
function textOf(kinds: Readonly<Record<string, Children>>): readonly string[] {
  const known = texts.get(kinds);
  if (known) return known;
  const selects = Object.entries(kinds).map(
    ([name, { table, columns, jobId }]) =>
      `select '${name}' as kind, ${asJsonArray(columns)} as body from \`${getTableName(table)}\` where ${quoted(jobId)} = `,
  );
  const pieces = [...selects.map((select, i) => (i ? ` union all ${select}` : select)), ''];
  texts.set(kinds, pieces);
  return pieces;
}

function withJob(pieces: readonly string[], jobId: string): SQL {
  return sql.join(pieces.flatMap((piece, i) => (i ? [sql`${jobId}`, sql.raw(piece)] : [sql.raw(piece)])));
}
