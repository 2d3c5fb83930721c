import { sql, type SQL } from 'drizzle-orm';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { createPool, type Pool } from 'mysql2';
import { Asked, takingDown, watched, type Watched } from './asked';
import { gathered } from './gathered';
import { addressesIn, Nodes, usualPatienceMs, type OpenedPool } from './nodes';
import * as schema from './schema';

export type Database = MySql2Database<typeof schema>;
/** The database itself or a transaction in it: repositories take either. */
export type Connection = Pick<Database, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'execute'>;

export interface OpenedDatabase {
  readonly database: Database;
  readonly pool: OpenedPool;
  readonly looks: Looks;
  /** To read by what is short and needed together, see `gathered`. */
  readonly reads: Database;
}

/** Looks at what stands in the database, so that one can be given again while nothing of it has changed. */
export interface Looks {
  readonly begin: () => Asked;
  /** Runs what makes a look; whatever it asks is taken down. */
  readonly within: <Result>(asked: Asked, run: () => Result) => Result;
  /** Whether the database answers everything as it did then. Rejects where it does not answer. */
  readonly isAsBefore: (asked: Asked) => Promise<boolean>;
}

function looksAt(client: Watched): Looks {
  return { begin: () => new Asked(), within: takingDown, isAsBefore: (asked) => asked.isAnsweredSo(client) };
}

/**
 * Opens a pool on MariaDB, or on the nodes of a cluster where an address names several hosts. Times go in and out in UTC;
 * idle connections are let go so that a restarted server is met anew.
 * @param patienceMs how long a node of a cluster may take to answer
 */
export function openDatabase(url: string, patienceMs = usualPatienceMs): OpenedDatabase {
  const options = {
    timezone: 'Z',
    connectionLimit: 10,
    maxIdle: 10,
    idleTimeout: 60_000,
    enableKeepAlive: true,
    decimalNumbers: false,
    connectTimeout: 8000,
    jsonStrings: false,
    // Nothing is prepared, and room for the usual 16 000 is half a megabyte a connection.
    maxPreparedStatements: 64,
    // Drizzle’s own error says which statement it was; the driver’s trace of each question cost a twentieth of an entry.
    trace: false,
  };
  const addresses = addressesIn(url);
  const pool = addresses.length > 1 ? new Nodes(addresses, options, patienceMs) : createPool({ ...options, uri: url });
  const client = pool.promise() as Watched;
  // What Drizzle asks of a pool is what `watched` has.
  const database = drizzle(watched(client) as unknown as Pool, { schema, mode: 'default' });
  const reads = drizzle(gathered(client) as unknown as Pool, { schema, mode: 'default' });
  return { pool, database, looks: looksAt(client), reads };
}

/** Reads several things as they stood at one moment, whatever is written meanwhile. */
export async function readAtOnce<Read>(
  database: Database,
  read: (connection: Connection) => Promise<Read>,
): Promise<Read> {
  return database.transaction(read, { isolationLevel: 'repeatable read', withConsistentSnapshot: true });
}

/** The rows of a statement written by hand; whoever calls says what they are. */
export async function rowsOf<Row>(connection: Connection, statement: SQL): Promise<readonly Row[]> {
  const [rows] = await connection.execute(statement);
  return rows as unknown as readonly Row[];
}

/** JSON columns: parsed by the driver where MariaDB says so, else here. */
export function fromJson(value: unknown): unknown {
  return typeof value === 'string' ? JSON.parse(value) : value;
}

/** Whether the database answers a trivial question within a time, in ms; a pool that hangs does not. Never throws. */
export async function isAnswering(database: Database, withinMs = 1500): Promise<boolean> {
  const answer = database.execute(sql`select 1`).then(
    () => true,
    () => false,
  );
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<false>((resolve) => (timer = setTimeout(resolve, withinMs, false)));
  return Promise.race([answer, late]).finally(() => clearTimeout(timer));
}
