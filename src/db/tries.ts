import { eq, lt, sql } from 'drizzle-orm';
import type { TryRule } from '@/core/access';
import { rowsOf, type Connection } from './client';
import { tries } from './schema';

export interface TryBegun {
  /** For how long it must wait, in ms; 0 for a try that may be made. */
  readonly waitMs: number;
  /** Whether this try, should it be wrong, locks the key: said when it is counted. */
  readonly locks: boolean;
}

const column = (at: Date) => at.toISOString().slice(0, 23).replace('T', ' ');

/**
 * Counts a try as wrong before it is made, so that many at once are no more than many in a row; one that turns out to be
 * right is taken back. One whose key is locked is not counted.
 */
export async function beginTry(connection: Connection, key: string, rule: TryRule, now: Date): Promise<TryBegun> {
  const at = column(now);
  const forgotten = column(new Date(now.getTime() - rule.forgetMs));
  await connection.execute(sql`insert ignore into tries (\`key\`, failures, last_at) values (${key}, 0, ${at})`);
  // Assignments are made from the left: what follows sees the new count.
  const [counted] = await connection.execute(
    sql`update tries set failures = if(last_at < ${forgotten}, 1, failures + 1), last_at = ${at},
          locked_until = if(failures > ${rule.free}, timestampadd(microsecond,
            1000 * least(${rule.longestMs}, ${rule.firstMs} * pow(2, failures - ${rule.free} - 1)), ${at}), null)
        where \`key\` = ${key} and (locked_until is null or locked_until <= ${at})`,
  );
  const [row] = await rowsOf<{ wait: number | string | null; failures: number }>(
    connection,
    sql`select timestampdiff(microsecond, ${at}, locked_until) / 1000 as wait, failures from tries where \`key\` = ${key}`,
  );
  const wait = Math.max(0, Number(row?.wait ?? 0));
  return counted.affectedRows ? { waitMs: 0, locks: wait > 0 } : { waitMs: Math.max(1, wait), locks: false };
}

/** Forgets all wrong tries of a key, since a right one was made. */
export async function forgetTries(connection: Connection, key: string): Promise<void> {
  await connection.delete(tries).where(eq(tries.key, key));
}

/** Takes one try back that was right, and leaves the others: a right one is no cover for wrong ones of other people. */
export async function takeTryBack(connection: Connection, key: string): Promise<void> {
  await connection.execute(
    sql`update tries set failures = greatest(0, failures - 1), locked_until = null where \`key\` = ${key}`,
  );
}

/** Takes out what was tried long ago, so that guesses at addresses that nobody has do not pile up. */
export async function forgetOldTries(connection: Connection, before: Date): Promise<void> {
  await connection.delete(tries).where(lt(tries.lastAt, before));
}
