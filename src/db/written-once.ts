import { present } from '@/core/present';
import { getTableColumns, getTableName, sql, type SQL } from 'drizzle-orm';
import type { AnyMySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { asJsonArray, decodeRow, type Columns, type RowOfColumns } from './child-rows';
import { rowsOf, type Connection } from './client';

// What every entry at the bench asks and writes has a text that is written once: composing the same text anew took a
// third of the time of an entry, more than the database did.

type Row = Readonly<Record<string, unknown>>;

/** A statement of fixed pieces with values between them: one piece more than values. */
export function statement(pieces: readonly string[], values: readonly unknown[]): SQL {
  return sql(Object.assign([...pieces], { raw: pieces }), ...values);
}

/** A query of fixed text that reads columns; its question marks stand for values. */
export interface WrittenQuery<Own extends Columns> {
  readonly columns: Own;
  readonly pieces: readonly string[];
}

/**
 * The driver reads what is declared as JSON by itself; put through `concat` a row comes as its text, by which it is known.
 * @param rest what follows the columns, from `from` on; each `?` in it is a value
 */
export function query<Own extends Columns>(columns: Own, rest: string): WrittenQuery<Own> {
  return { columns, pieces: `select concat(${asJsonArray(columns)}) as body ${rest}`.split('?') };
}

/** The rows of a written query. */
export async function readRows<Own extends Columns>(
  connection: Connection,
  { columns, pieces }: WrittenQuery<Own>,
  values: readonly unknown[] = [],
): Promise<readonly RowOfColumns<Own>[]> {
  const rows = await rowsOf<{ body: string }>(connection, statement(pieces, values));
  return rows.map(({ body }) => present(decodeRow(columns, body)));
}

/** What a query answered last, by the text of each row. */
const answered = new WeakMap<object, ReadonlyMap<string, unknown>>();

/**
 * The rows of a written query of which most are as they were when it was asked last: those are the same objects, so that
 * what was reckoned of them holds. Nothing of them may be changed in place.
 */
export async function readSteadyRows<Own extends Columns>(
  connection: Connection,
  asked: WrittenQuery<Own>,
  values: readonly unknown[] = [],
): Promise<readonly RowOfColumns<Own>[]> {
  const found = await rowsOf<{ body: string }>(connection, statement(asked.pieces, values));
  // Kept of this very query, whose columns say what a row is.
  const before = answered.get(asked) as ReadonlyMap<string, RowOfColumns<Own>> | undefined;
  const rows = new Map(
    found.map(({ body }) => [body, before?.get(body) ?? present(decodeRow(asked.columns, body))] as const),
  );
  answered.set(asked, rows);
  return found.map(({ body }) => present(rows.get(body)));
}

const columnsOf = (table: MySqlTable): Readonly<Record<string, AnyMySqlColumn>> => getTableColumns(table);

/** A value as the driver takes it. */
function toDriver(column: AnyMySqlColumn, value: unknown): unknown {
  return value === null ? null : column.mapToDriverValue(value);
}

type Named = readonly [key: string, column: AnyMySqlColumn];
const keysOf = (columns: readonly Named[]) => columns.map(([key]) => key).join();

/** The columns that a row says something about. */
function saidBy(table: MySqlTable, row: Row): readonly Named[] {
  return Object.entries(columnsOf(table)).filter(([key]) => row[key] !== undefined);
}

const texts = new WeakMap<MySqlTable, Map<string, readonly string[]>>();

/** The pieces of a text about a table, written when they are asked for first. */
function piecesOf(table: MySqlTable, key: string, write: () => string): readonly string[] {
  const own = texts.get(table) ?? new Map<string, readonly string[]>();
  texts.set(table, own);
  const known = own.get(key) ?? write().split('?');
  own.set(key, known);
  return known;
}

const quoted = (name: string) => `\`${name}\``;

interface Inserted {
  readonly columns: readonly Named[];
  readonly taken: readonly string[];
  readonly count: number;
}

function insertText(table: MySqlTable, { columns, taken, count }: Inserted): string {
  const row = `(${columns.map(() => '?').join(', ')})`;
  const names = columns.map(([, { name }]) => quoted(name)).join(', ');
  const insert = `insert into ${quoted(getTableName(table))} (${names}) values ${Array(count).fill(row).join(', ')}`;
  const set = taken.flatMap((key) => {
    const name = columnsOf(table)[key]?.name;
    return name === undefined ? [] : `${quoted(name)} = values(${quoted(name)})`;
  });
  return set.length ? `${insert} on duplicate key update ${set.join(', ')}` : insert;
}

function updateText(table: MySqlTable, set: readonly Named[], where: readonly Named[]): string {
  const equal = (columns: readonly Named[], between: string) =>
    columns.map(([, { name }]) => `${quoted(name)} = ?`).join(between);
  return `update ${quoted(getTableName(table))} set ${equal(set, ', ')} where ${equal(where, ' and ')}`;
}

/**
 * Inserts rows; columns that a row does not name keep their default. Where the key of a row is taken, `taken` says which
 * columns get their new value; without it the second writer meets the key.
 */
export async function insertRows(
  connection: Connection,
  table: MySqlTable,
  rows: readonly Row[],
  taken: readonly string[] = [],
): Promise<void> {
  const alike = new Map<string, Row[]>();
  for (const row of rows) {
    const key = keysOf(saidBy(table, row));
    alike.set(key, [...(alike.get(key) ?? []), row]);
  }
  for (const [key, own] of alike) {
    const columns = saidBy(table, own[0] ?? {});
    const write = () => insertText(table, { columns, taken, count: own.length });
    // A long list is seldom as long again.
    const pieces = own.length > 3 ? write().split('?') : piecesOf(table, `${own.length} ${key} ${taken.join()}`, write);
    const values = own.flatMap((row) => columns.map(([name, column]) => toDriver(column, row[name])));
    await connection.execute(statement(pieces, values));
  }
}

/**
 * Sets columns of the rows in which other columns have these values.
 * @returns how many rows that was
 */
export async function updateRows(connection: Connection, table: MySqlTable, set: Row, where: Row): Promise<number> {
  const [setColumns, whereColumns] = [saidBy(table, set), saidBy(table, where)];
  const key = `${keysOf(setColumns)} where ${keysOf(whereColumns)}`;
  const pieces = piecesOf(table, key, () => updateText(table, setColumns, whereColumns));
  const values = [
    ...setColumns.map(([name, column]) => toDriver(column, set[name])),
    ...whereColumns.map(([name, column]) => toDriver(column, where[name])),
  ];
  const [done] = await connection.execute(statement(pieces, values));
  return done.affectedRows;
}
