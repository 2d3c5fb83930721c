import type { PoolConnection } from 'mysql2/promise';
import { askTogether } from './asked-together';

type Query = PoolConnection['query'];
type Statement = Parameters<Query>;

interface Waiting {
  readonly statement: Statement;
  readonly resolve: (answer: readonly [unknown, readonly never[]]) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * A pool to read by that asks what is asked of it in one turn of the loop in one way to the database and back. For what
 * is short and needed together: the database answers one after the other, and where it refuses one it refuses all.
 */
export function gathered(pool: Pick<PoolConnection, 'query'>): Pick<PoolConnection, 'query'> {
  let waiting: Waiting[] = [];
  const ask = async () => {
    const now = waiting;
    waiting = [];
    try {
      const answers = await askTogether(
        pool,
        now.map(({ statement }) => statement),
      );
      now.forEach(({ resolve }, i) => resolve([answers[i], []]));
    } catch (error) {
      for (const { reject } of now) reject(error);
    }
  };
  const query = (...statement: Statement) =>
    new Promise((resolve, reject) => {
      if (!waiting.length) setImmediate(() => void ask());
      waiting.push({ statement, resolve, reject });
    });
  return { query: query as unknown as Query };
}
