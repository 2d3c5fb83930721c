import { format } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';

type Asker = Pick<PoolConnection, 'query'>;
type Statement = Parameters<PoolConnection['query']>;

/** A statement as Drizzle gives it to the driver: a text, or a text with how its rows are wanted. */
interface Wanted {
  readonly sql: string;
  readonly rowsAsArray?: boolean;
  readonly typeCast?: unknown;
}

const wantedOf = ([first]: readonly unknown[]): Wanted =>
  typeof first === 'string' ? { sql: first } : (first as Wanted);

/** The text of a statement with its values in it, as the driver itself writes them for the pool of `client.ts`. */
const writtenOut = (statement: Statement): string =>
  format(wantedOf(statement).sql, (statement as readonly unknown[])[1] as never, false, 'Z');

/** The rows of an answer as the statement wanted them, from rows as lists and the names of their columns. */
function asWanted({ rowsAsArray }: Wanted, rows: readonly unknown[][], names: readonly string[]): unknown {
  return rowsAsArray ? rows : rows.map((row) => Object.fromEntries(names.map((name, i) => [name, row[i]])));
}

/**
 * Asks several things that are only read, in one way to the database and back: of a page that is given again the ways
 * took longer than the answers. What they want of the driver beside rows or lists is that of the first.
 * @returns the rows of each, in their order
 */
export async function askTogether(asker: Asker, statements: readonly Statement[]): Promise<readonly unknown[]> {
  const [first] = statements;
  if (!first) return [];
  if (statements.length === 1) return [(await asker.query(...first))[0]];
  const sql = `begin not atomic ${statements.map((one) => `${writtenOut(one)}; `).join('')}end`;
  const { typeCast } = wantedOf(first);
  const options = { sql, rowsAsArray: true, ...(typeCast !== undefined && { typeCast }) };
  const [sets, fields] = (await asker.query(options as Parameters<Asker['query']>[0])) as unknown as [
    readonly unknown[][][],
    readonly ({ readonly name: string }[] | undefined)[],
  ];
  // After the sets of rows comes what is said of the whole.
  return statements.map((one, i) =>
    asWanted(
      wantedOf(one),
      sets[i] ?? [],
      (fields[i] ?? []).map(({ name }) => name),
    ),
  );
}
