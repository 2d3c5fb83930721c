import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash } from 'node:crypto';
import type { PoolConnection } from 'mysql2/promise';
import { askTogether } from './asked-together';

type Asker = Pick<PoolConnection, 'query' | 'execute'>;
type Ask = PoolConnection['query'];
type Statement = Parameters<Ask>;

const textOf = (statement: Statement): string => {
  const [first] = statement as readonly unknown[];
  return typeof first === 'string' ? first : ((first as { readonly sql?: string } | null)?.sql ?? '');
};
const isRead = (text: string) => /^\s*\(*\s*(?:select|with)\b/i.test(text) && !/\bfor\s+update\b/i.test(text);
/** What begins and ends the reading of several things as they stood at one moment; a compound statement writes. */
const isFrame = (text: string) =>
  /^\s*(?:set transaction|start transaction|begin(?! not atomic)|commit|rollback)\b/i.test(text);

function writeDown(value: unknown, into: (string | Buffer)[]): void {
  if (Buffer.isBuffer(value)) {
    into.push(`b${value.length}:`, value);
  } else if (typeof value === 'object' && value !== null && !(value instanceof Date)) {
    const own = Object.entries(value);
    into.push(`${Array.isArray(value) ? 'a' : 'o'}${own.length}:`);
    for (const [name, one] of own) {
      if (!Array.isArray(value)) writeDown(name, into);
      writeDown(one, into);
    }
  } else {
    // A date is written to the second; it is told apart to the millisecond.
    const text = String(value instanceof Date ? value.getTime() : value);
    into.push(`${typeof value === 'string' ? 's' : value instanceof Date ? 'd' : 'v'}${text.length}:${text}`);
  }
}

/** Whether JSON tells a value of a row from all others: what the driver reads of JSON is plain all through. */
const isPlain = (cell: unknown) =>
  typeof cell !== 'bigint' && !(cell instanceof Date) && !Buffer.isBuffer(cell) && cell !== undefined;
const isPlainRow = (row: unknown) =>
  typeof row === 'object' && row !== null && Object.values(row).every((cell) => isPlain(cell));

/** A short text of rows, another one for other rows, however they differ; and how much they are, in letters and bytes. */
export function printOf(rows: unknown): { readonly print: string; readonly size: number } {
  if (Array.isArray(rows) && rows.every((row) => isPlainRow(row))) {
    const text = JSON.stringify(rows);
    return { print: createHash('sha256').update(text).digest('base64'), size: text.length };
  }
  const pieces: (string | Buffer)[] = [];
  writeDown(rows, pieces);
  const hash = createHash('sha256');
  let text = '';
  let size = 0;
  for (const piece of pieces) {
    size += piece.length;
    if (typeof piece === 'string') {
      text += piece;
      continue;
    }
    hash.update(text).update(piece);
    text = '';
  }
  return { print: hash.update(text).digest('base64'), size };
}

/** Statements that are asked again in one way to the database. */
const mostTogether = 6;
/** More than this is not asked again to save the making of a page, in letters and bytes. */
const mostToAskAgain = 250_000;

/** What one look asked of the database, and what it was answered: whether it would be answered so again can be asked. */
export class Asked {
  readonly #reads: { readonly statement: Statement; readonly print: string }[] = [];
  #isRepeatable = true;
  #size = 0;

  /** Whether all that was asked was read and answered, and is little enough to be asked again. */
  get isRepeatable(): boolean {
    return this.#isRepeatable;
  }

  /** What was made of it is not to be given again. */
  giveUp(): void {
    this.#isRepeatable = false;
  }

  /** Carries out a statement and takes down what came of it. */
  async follow(statement: Statement, ask: Ask): Promise<unknown> {
    const text = textOf(statement);
    if (isFrame(text)) return ask(...statement);
    if (!isRead(text)) {
      this.giveUp();
      return ask(...statement);
    }
    try {
      const answer = await ask(...statement);
      const { print, size } = printOf(answer[0]);
      this.#size += size;
      if (this.#size > mostToAskAgain) this.giveUp();
      else this.#reads.push({ statement, print });
      return answer;
    } catch (error) {
      this.giveUp();
      throw error;
    }
  }

  /** Whether the database answers everything as it did then. Rejects where it does not answer. */
  async isAnsweredSo(asker: Pick<Asker, 'query'>): Promise<boolean> {
    if (!this.#isRepeatable) return false;
    // Some at once, and not all: what has changed is mostly met before the end of a long list.
    for (let i = 0; i < this.#reads.length; i += mostTogether) {
      const reads = this.#reads.slice(i, i + mostTogether);
      const answers = await askTogether(
        asker,
        reads.map(({ statement }) => statement),
      );
      if (!reads.every(({ print }, n) => printOf(answers[n]).print === print)) return false;
    }
    return true;
  }
}

/** Of whom a statement is: the same in every bundle that a build makes of this file. */
const shared = globalThis as { puddlestoneAsking?: AsyncLocalStorage<Asked | undefined> };
const asking = (shared.puddlestoneAsking ??= new AsyncLocalStorage<Asked | undefined>());

/** Runs what makes a look; whatever it asks of the database is taken down. */
export const takingDown = <Result>(asked: Asked, run: () => Result): Result => asking.run(asked, run);

/**
 * Reads what another answer of the same look vouches for, as the head of a job's chain does for its rows: that one is asked
 * again, this is not.
 */
export async function vouchedFor<Read>(read: () => Promise<Read>): Promise<Read> {
  const asked = asking.getStore();
  try {
    return await asking.run(undefined, read);
  } catch (error) {
    asked?.giveUp();
    throw error;
  }
}

export interface Watched extends Asker {
  getConnection(): Promise<Asker & { release(): void }>;
}

function askerOf<One extends Asker>(one: One): Asker {
  const through = (how: 'query' | 'execute') => {
    const ask = one[how].bind(one) as Ask;
    return ((...statement: Statement) => asking.getStore()?.follow(statement, ask) ?? ask(...statement)) as Ask;
  };
  return { query: through('query'), execute: through('execute') as Asker['execute'] };
}

/** A pool whose statements are taken down where somebody takes them down. */
export function watched(pool: Watched): Watched {
  return {
    ...askerOf(pool),
    async getConnection() {
      const connection = await pool.getConnection();
      // Drizzle takes the driver's own connection for rows that come one by one.
      const { connection: own } = connection as { readonly connection?: unknown };
      return Object.assign(askerOf(connection), { connection: own, release: () => connection.release() });
    },
  };
}
