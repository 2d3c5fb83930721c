import { and, asc, desc, eq, gt, isNotNull, isNull, lte, or, sql } from 'drizzle-orm';
import type { SaidDay } from '@/core/workload';
import { fromJson, type Connection } from './client';
import * as t from './schema';

/** At which moments of its stay the plan is held against what came of a pump. */
export type BackTestMoment = 'came in' | 'answered';

export interface BackTestRow {
  readonly tag: string;
  readonly moment: BackTestMoment;
  readonly said: readonly SaidDay[];
  readonly readyOn: string;
}

/** What was held against what came, the newest first. */
export async function listBackTests(connection: Connection, limit = 2000): Promise<readonly BackTestRow[]> {
  const rows = await connection.select().from(t.backTests).orderBy(desc(t.backTests.readyOn)).limit(limit);
  return rows.map(({ tag, moment, said, readyOn }) => ({
    ...{ tag, readyOn, moment: moment as BackTestMoment },
    said: fromJson(said) as readonly SaidDay[],
  }));
}

/** Writes what was reckoned; again in place of what stood. */
export async function saveBackTest(connection: Connection, { at, ...row }: BackTestRow & { readonly at: Date }) {
  const { said, readyOn } = row;
  await connection
    .insert(t.backTests)
    .values({ ...row, at })
    .onDuplicateKeyUpdate({ set: { said, readyOn, at } });
}

const isUntested = sql`not exists (select 1 from back_tests where back_tests.tag = jobs.tag and back_tests.moment = 'came in')`;
const isReady = and(eq(t.jobs.outcome, 'repaired'), isNotNull(t.returns.releasedAt), isUntested);

/** Pumps that are ready since, and were not held against the plan yet: the newest first, and how many there are. */
export async function listUntested(connection: Connection, limit: number) {
  const rows = await connection
    .select({ id: t.jobs.id, tag: t.jobs.tag, openedAt: t.jobs.openedAt, releasedAt: t.returns.releasedAt })
    .from(t.jobs)
    .innerJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(isReady)
    .orderBy(desc(t.returns.releasedAt))
    .limit(limit);
  const [count] = await connection
    .select({ all: sql<string>`count(*)` })
    .from(t.jobs)
    .innerJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(isReady);
  return { rows, left: Number(count?.all ?? 0) };
}

/** Jobs that were in the house at a moment. */
export async function listHereAt(connection: Connection, at: Date) {
  return connection
    .select({ id: t.jobs.id, tag: t.jobs.tag })
    .from(t.jobs)
    .leftJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(
      and(
        lte(t.jobs.openedAt, at),
        or(isNull(t.jobs.closedAt), gt(t.jobs.closedAt, at)),
        or(isNull(t.returns.releasedAt), gt(t.returns.releasedAt, at)),
      ),
    )
    .orderBy(asc(t.jobs.tag))
    .limit(300);
}

/** When the customer answered the quote of a job first; null where nobody did. */
export async function firstAnswerAt(
  connection: Connection,
  jobId: typeof t.jobs.$inferSelect.id,
): Promise<Date | null> {
  const [row] = await connection
    .select({ at: t.approvals.at })
    .from(t.approvals)
    .where(eq(t.approvals.jobId, jobId))
    .orderBy(asc(t.approvals.at))
    .limit(1);
  return row?.at ?? null;
}
