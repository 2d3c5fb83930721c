import { sql, type SQL } from 'drizzle-orm';
import { rowsOf, type Connection, type Database } from './client';

/** A connection that takes down what is carried out through it; whoever asks through it something to be read is refused. */
function takesDown(statements: SQL[]): Connection {
  const execute = (one: SQL) => {
    statements.push(one);
    // What is known of it once all were sent is said by `writeTogether`.
    return Promise.resolve([{ affectedRows: 1 }]);
  };
  return { execute } as unknown as Connection;
}

interface Done {
  readonly done: number;
  /** How many rows what was written along with it met. */
  readonly along: number;
}

/** What is written along with a change though it may meet no row. */
export interface Along {
  readonly statement: SQL;
  /** Is told after the commit whether it met one. */
  readonly done: (isMet: boolean) => void;
}

/** What a compound statement begins with, and how it ends whether its first one met its row or not. */
interface Frame {
  readonly begin: string;
  readonly met: string;
  readonly missed: string;
}
const withinTransaction: Frame = { begin: 'begin not atomic ', met: '', missed: '' };
const transactionOfItsOwn: Frame = {
  begin: 'begin not atomic declare exit handler for sqlexception begin rollback; resignal; end; start transaction; ',
  met: 'commit; ',
  missed: 'rollback; ',
};

/**
 * Writes in one statement what `write` carries out with the connection that it is given: each by itself costs a way to
 * the database and back, which takes longer than most of them. The first is compare-and-set on one row. To be called in a
 * transaction. Rejects as the first of them that fails.
 * @returns null where the first one did not meet its row: nothing of the others is done then
 */
export const writeTogether = <Written>(connection: Connection, write: (into: Connection) => Promise<Written>) =>
  writeFramed(connection, write, withinTransaction);

/**
 * As `writeTogether`, in a transaction of its own that the same statement begins and ends: all of it, or nothing.
 * @param along is written last; it may meet no row
 */
export const writeAlone = <Written>(
  database: Database,
  write: (into: Connection) => Promise<Written>,
  along: Along | null = null,
) => writeFramed(database, write, transactionOfItsOwn, along);

const alongDone = sql.raw('; set @along = row_count(); ');

async function writeFramed<Written>(
  connection: Connection,
  write: (into: Connection) => Promise<Written>,
  { begin, met, missed }: Frame,
  along: Along | null = null,
): Promise<Written | null> {
  const statements: SQL[] = [];
  const written = await write(takesDown(statements));
  const [first, ...others] = statements;
  if (!first) return written;
  const rest = others.flatMap((one) => [one, sql.raw('; ')]);
  const last = along ? [along.statement, alongDone] : [];
  const [answers] = await rowsOf<readonly Done[]>(
    connection,
    sql.join([
      ...[sql.raw(begin), first, sql.raw('; if row_count() = 1 then '), ...rest, ...last],
      sql.raw(`${met}select 1 as done, ${along ? '@along' : 0} as along; else ${missed}select 0 as done; end if; end`),
    ]),
  );
  if (answers?.[0]?.done !== 1) return null;
  along?.done(answers[0].along === 1);
  return written;
}
