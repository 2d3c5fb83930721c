import type { Readable } from 'node:stream';
import { createConnection, type Connection as RawConnection } from 'mysql2';
import { readyAddress } from './nodes';
import type { Connection, RowDataPacket } from 'mysql2/promise';

/** A table as it is written into a backup. */
export interface DumpedTable {
  readonly name: string;
  readonly columns: readonly DumpedColumn[];
}

export interface DumpedColumn {
  readonly name: string;
  /** Bytes, written in base64; all else is written as the text that the database gives. */
  readonly isBinary: boolean;
}

/** A value of a row: the database's own text of it, bytes in base64, or null. */
export type DumpedValue = string | null;

/** Tables of a moment, or that follow from others: what they hold is made anew where a backup is brought back. */
const madeAnew = new Set(['__drizzle_migrations', 'leases', 'listed_jobs', 'sessions', 'tries', 'word_lists']);
const binary = /^(tiny|medium|long)?blob$|^(var)?binary$/;

const quoted = (name: string) => `\`${name.replaceAll('`', '``')}\``;

/** Jobs that leave into an archive, by the name of its file. */
const leaving = (column: string) => `(select ${column} from archived_jobs where file = ?)`;
/** Rows of other tables than those of a job that go with it, so that the file can be read by itself. */
const beside: Readonly<Record<string, string>> = {
  jobs: `id in ${leaving('former_id')}`,
  worked_spans: `tag in ${leaving('tag')}`,
  pumps: `id in ${leaving('pump_id')}`,
  customers: `id in ${leaving('customer_id')}`,
  contacts: `id in (select contact_id from jobs where id in ${leaving('former_id')})`,
  lots: `id in (select lot_id from jobs where id in ${leaving('former_id')})`,
};
/** Tables of which rows that are here already stay as they are when an archive comes back. */
export const sharedTables: ReadonlySet<string> = new Set(['pumps', 'customers', 'contacts', 'lots']);

/** Which rows of a table go into an archive, as a condition with the file's name once; null where none do. */
function archivedRows({ name, columns }: DumpedTable): string | null {
  if (columns.some((column) => column.name === 'job_id')) return `job_id in ${leaving('former_id')}`;
  return beside[name] ?? null;
}

export interface DumpFrom {
  /** Name of the archive whose jobs are wanted; all of the record where none is named. */
  readonly archive?: string;
  /** Pictures that were taken before are left out; null for none. */
  readonly withoutPicturesBefore: Date | null;
}

/** Tables with pictures, with their moment and the columns of their bytes. */
const pictures: Readonly<Record<string, readonly string[]>> = {
  photos: ['bytes', 'thumb'],
  order_photos: ['bytes', 'thumb'],
};

/** The record as it stands at one moment, whatever is written meanwhile. */
export class Snapshot {
  private constructor(
    private readonly connection: Connection,
    private readonly raw: RawConnection,
    private readonly from: DumpFrom,
  ) {}

  static async open(url: string, from: DumpFrom): Promise<Snapshot> {
    // Rows are streamed by the driver's older interface, on the same connection: in the same transaction.
    const raw = createConnection({ uri: await readyAddress(url), timezone: 'Z' });
    const connection = raw.promise();
    await connection.query('set session transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot, read only');
    return new Snapshot(connection, raw, from);
  }

  async close(): Promise<void> {
    await this.connection.end();
  }

  /** Tables of the record in the order of their names. */
  async tables(): Promise<readonly DumpedTable[]> {
    const [rows] = await this.connection.query<RowDataPacket[]>(
      `select c.table_name as name, c.column_name as columnName, c.data_type as type
       from information_schema.columns c
       inner join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name
       where c.table_schema = database() and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER'
       order by c.table_name, c.ordinal_position`,
    );
    const found = new Map<string, DumpedColumn[]>();
    for (const { name, columnName, type } of rows as { name: string; columnName: string; type: string }[]) {
      if (madeAnew.has(name)) continue;
      const column = { name: columnName, isBinary: binary.test(type) };
      found.set(name, [...(found.get(name) ?? []), column]);
    }
    const tables = [...found].map(([name, columns]) => ({ name, columns }));
    return this.from.archive === undefined ? tables : tables.filter((table) => archivedRows(table) !== null);
  }

  /** The rows of a table in the order of its key, so that the same rows always make the same text. */
  async *rows({ name, columns }: DumpedTable): AsyncGenerator<readonly DumpedValue[]> {
    const [keys] = await this.connection.query<RowDataPacket[]>(
      `select column_name as name from information_schema.key_column_usage
       where table_schema = database() and table_name = ? and constraint_name = 'PRIMARY' order by ordinal_position`,
      [name],
    );
    const order = keys.map((row) => quoted(String((row as { name: string }).name)));
    const { archive } = this.from;
    const where = archive === undefined ? '' : ` where ${archivedRows({ name, columns }) ?? 'false'}`;
    const sql = `select ${columns.map((column) => this.expression(name, column)).join(', ')} from ${quoted(name)}${where}${
      order.length ? ` order by ${order.join(', ')}` : ''
    }`;
    const stream: Readable = this.raw
      .query({
        sql,
        values: archive === undefined ? [] : [archive],
        rowsAsArray: true,
        typeCast: (field) =>
          binary.test(field.type.toLowerCase()) && columns.some((one) => one.isBinary && one.name === field.name)
            ? (field.buffer()?.toString('base64') ?? null)
            : field.string(),
      })
      .stream({ highWaterMark: 50 });
    for await (const row of stream) yield row as readonly DumpedValue[];
  }

  /** How many rows a table has. */
  async count(table: 'jobs' | 'photos'): Promise<number> {
    const [rows] = await this.connection.query<RowDataPacket[]>(`select count(*) as n from ${quoted(table)}`);
    return Number((rows[0] as { n: number } | undefined)?.n ?? 0);
  }

  private expression(table: string, { name }: DumpedColumn): string {
    const before = this.from.withoutPicturesBefore;
    if (!before || !pictures[table]?.includes(name)) return quoted(name);
    const moment = before.toISOString().slice(0, 23).replace('T', ' ');
    return `if(at < '${moment}', '', ${quoted(name)}) as ${quoted(name)}`;
  }
}

/** About how many bytes go to the database in one statement. */
const batchBytes = 2_000_000;
const batchRows = 500;

/** Puts rows of a backup into the tables of an empty database. */
export class Loader {
  private constructor(private readonly connection: RawConnection) {}

  /**
   * @param how whether the database is empty: then rows go in without looking for others of their keys. MariaDB takes
   * rows for empty tables in bulk then, and a transaction with such and other tables was seen to end with nothing done.
   */
  static async open(url: string, { isEmpty = true } = {}): Promise<Loader> {
    const connection = createConnection({ uri: await readyAddress(url), timezone: 'Z' });
    const loader = new Loader(connection);
    await loader.run(`set session foreign_key_checks = 0, unique_checks = ${isEmpty ? 0 : 1}`);
    return loader;
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.connection.end(() => resolve()));
  }

  /** What is loaded from now on stands when `commit` is called, all or nothing. */
  begin(): Promise<void> {
    return this.run('start transaction');
  }

  commit(): Promise<void> {
    return this.run('commit');
  }

  /** Inserts all rows of a table; of shared ones those that are not here already. Gives how many there were. */
  async load(
    table: DumpedTable,
    rows: AsyncIterable<readonly DumpedValue[]>,
    { keepsThere = false } = {},
  ): Promise<number> {
    const names = table.columns.map(({ name }) => quoted(name)).join(', ');
    const insert = `insert ${keepsThere ? 'ignore ' : ''}into ${quoted(table.name)} (${names}) values ?`;
    let batch: (string | Buffer | null)[][] = [];
    let [bytes, count] = [0, 0];
    const flush = async () => {
      if (batch.length) await this.run(insert, [batch]);
      batch = [];
      bytes = 0;
    };
    for await (const row of rows) {
      batch.push(
        row.map((value, i) => (value !== null && table.columns[i]?.isBinary ? Buffer.from(value, 'base64') : value)),
      );
      bytes += row.reduce((sum, value) => sum + (value?.length ?? 0), 0);
      count++;
      if (bytes > batchBytes || batch.length >= batchRows) await flush();
    }
    await flush();
    return count;
  }

  /** Takes out what migrations themselves put into a table. */
  async clear({ name }: DumpedTable): Promise<void> {
    await this.run(`delete from ${quoted(name)}`);
  }

  private run(sql: string, values: (string | Buffer | null)[][][] = []): Promise<void> {
    return new Promise((resolve, reject) =>
      this.connection.query(sql, values, (error) => (error ? reject(error) : resolve())),
    );
  }
}
