import { sql, type SQL } from 'drizzle-orm';
import { rowsOf, type Connection } from './client';

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
}

/**
 * Writes in one statement what `write` carries out with the connection that it is given: each by itself costs a way to
 * the database and back, which takes longer than most of them. The first is compare-and-set on one row. To be called in a
 * transaction. Rejects as the first of them that fails.
 * @returns null where the first one did not meet its row: nothing of the others is done then
 */
export async function writeTogether<Written>(
  connection: Connection,
  write: (into: Connection) => Promise<Written>,
): Promise<Written | null> {
  const statements: SQL[] = [];
  const written = await write(takesDown(statements));
  const [first, ...others] = statements;
  if (!first) return written;
  const rest = others.flatMap((one) => [one, sql.raw('; ')]);
  const [answers] = await rowsOf<readonly Done[]>(
    connection,
    sql.join([
      ...[sql.raw('begin not atomic '), first, sql.raw('; if row_count() = 1 then '), ...rest],
      sql.raw('select 1 as done; else select 0 as done; end if; end'),
    ]),
  );
  return answers?.[0]?.done === 1 ? written : null;
}
