import { and, asc, eq, isNotNull, lte, sql } from 'drizzle-orm';
import * as z from 'zod';
import type { OutboxItem } from '@/core/change';
import { fromJson, type Connection } from './client';
import type { OutboxRow } from './persist';
import * as t from './schema';

type Items = { readonly [Kind in OutboxItem['kind']]: z.ZodType<Extract<OutboxItem, { kind: Kind }>> };

/** Every kind of row: one that were left out could not be read again after a failure, and would stop all others. */
const items: Items = {
  'mail-quote': z.object({
    ...{ kind: z.literal('mail-quote'), quoteId: z.string().brand<'QuoteId'>() },
    ...{ token: z.string(), origin: z.string() },
  }),
  'mail-reminder': z.object({
    ...{ kind: z.literal('mail-reminder'), number: z.number().int() },
    ...{ token: z.string(), origin: z.string() },
  }),
  'mail-answer': z.object({ kind: z.literal('mail-answer'), questionId: z.string() }),
  'mail-promise': z.object({ kind: z.literal('mail-promise'), number: z.number().int() }),
  'mail-evaluation': z.object({ kind: z.literal('mail-evaluation'), key: z.string() }),
  'mail-claim': z.object({ kind: z.literal('mail-claim'), key: z.string() }),
  'mail-return': z.object({ kind: z.literal('mail-return'), what: z.enum(['released', 'delivered']) }),
  'mail-order': z.object({
    ...{ kind: z.literal('mail-order'), number: z.string(), to: z.string(), words: z.string() },
  }),
  'place-order': z.object({ kind: z.literal('place-order'), number: z.string() }),
  'write-report': z.object({ kind: z.literal('write-report'), reportId: z.string().brand<'ReportId'>() }),
};
const itemSchema: z.ZodType<OutboxItem> = z.union(Object.values(items));

/** Adds what is of the whole shop and no job's; that of a job is written with its change. */
export async function addOutbox(connection: Connection, { id, item, at }: { id: string; item: OutboxItem; at: Date }) {
  await connection.insert(t.outbox).values({ id, jobId: null, item, dueAt: at, createdAt: at });
  return { id, jobId: null, item };
}

/** Rows that are due, oldest first. */
export async function listDueOutbox(connection: Connection, now: Date, limit: number): Promise<readonly OutboxRow[]> {
  const rows = await connection
    .select({ id: t.outbox.id, jobId: t.outbox.jobId, item: t.outbox.item })
    .from(t.outbox)
    .where(and(isNotNull(t.outbox.dueAt), lte(t.outbox.dueAt, now)))
    .orderBy(asc(t.outbox.dueAt), asc(t.outbox.id))
    .limit(limit);
  return rows.map((row) => ({ ...row, item: itemSchema.parse(fromJson(row.item)) }));
}

/**
 * Takes a row for one try, as compare-and-set on its tries; gives how many tries that makes, null when another has it.
 */
export async function claimOutbox(
  connection: Connection,
  id: string,
  { now, until }: { readonly now: Date; readonly until: Date },
): Promise<number | null> {
  const [row] = await connection
    .select({ tries: t.outbox.tries, dueAt: t.outbox.dueAt })
    .from(t.outbox)
    .where(eq(t.outbox.id, id));
  // Somebody who has it has put its day off.
  if (!row?.dueAt || row.dueAt > now) return null;
  const [done] = await connection
    .update(t.outbox)
    .set({ tries: row.tries + 1, dueAt: until })
    .where(and(eq(t.outbox.id, id), eq(t.outbox.tries, row.tries), isNotNull(t.outbox.dueAt)));
  return done.affectedRows === 1 ? row.tries + 1 : null;
}

/** A row that was carried out: never due again, and what it carried (a link’s secret, for instance) is forgotten. */
export async function finishOutbox(connection: Connection, id: string, at: Date): Promise<void> {
  await connection
    .update(t.outbox)
    .set({
      doneAt: at,
      dueAt: null,
      lastError: null,
      item: sql`json_object('kind', json_value(${t.outbox.item}, '$.kind'))`,
    })
    .where(eq(t.outbox.id, id));
}

export async function postponeOutbox(
  connection: Connection,
  id: string,
  change: { readonly dueAt: Date; readonly lastError: string },
): Promise<void> {
  await connection.update(t.outbox).set(change).where(eq(t.outbox.id, id));
}

/** What waits and was tried without success, for the person who looks into it. */
export async function listStuckOutbox(connection: Connection, limit: number) {
  return connection
    .select({
      id: t.outbox.id,
      tag: t.jobs.tag,
      kind: sql<string>`json_value(${t.outbox.item}, '$.kind')`,
      tries: t.outbox.tries,
      dueAt: t.outbox.dueAt,
      lastError: t.outbox.lastError,
    })
    .from(t.outbox)
    .leftJoin(t.jobs, eq(t.jobs.id, t.outbox.jobId))
    .where(and(isNotNull(t.outbox.dueAt), isNotNull(t.outbox.lastError)))
    .orderBy(asc(t.outbox.dueAt))
    .limit(limit);
}

/** How many rows are due and not done, and since when the oldest is. */
export async function countDueOutbox(connection: Connection, now: Date) {
  const [row] = await connection
    .select({ waiting: sql<number>`count(*)`, oldest: sql<Date | string | null>`min(${t.outbox.dueAt})` })
    .from(t.outbox)
    .where(and(isNotNull(t.outbox.dueAt), lte(t.outbox.dueAt, now)));
  return { waiting: Number(row?.waiting ?? 0), oldest: row?.oldest ? momentOf(row.oldest) : null };
}

/** A moment of an expression, which the driver leaves as it comes: in UTC. */
const momentOf = (value: Date | string) => (value instanceof Date ? value : new Date(`${value.replace(' ', 'T')}Z`));
