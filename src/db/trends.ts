import { and, asc, desc, eq, gte, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { JobId } from '@/core/record';
import type { Connection } from './client';
import * as t from './schema';

/** Jobs that went out since a moment, and those that are here, the newest first. */
export async function listJobsForTrends(connection: Connection, since: Date, limit = 2000) {
  return connection
    .select({
      ...{ id: t.jobs.id, tag: t.jobs.tag, openedAt: t.jobs.openedAt, closedAt: t.jobs.closedAt },
      ...{ promisedOn: t.jobs.promisedOn, familyId: t.jobs.familyId, familyVersion: t.jobs.familyVersion },
      ...{ maker: t.pumps.maker, serialKey: t.pumps.serialKey, outcome: t.jobs.outcome },
      liquid: sql<string>`coalesce(json_unquote(json_extract(intakes.body, '$.liquid')), '')`,
      ...{ releasedAt: t.returns.releasedAt, warrantyFrom: t.returns.warrantyFrom },
      warrantyMonths: t.returns.warrantyMonths,
    })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.intakes, eq(t.intakes.jobId, t.jobs.id))
    .leftJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(or(isNull(t.jobs.closedAt), gte(t.jobs.closedAt, since)))
    .orderBy(desc(t.jobs.openedAt))
    .limit(limit);
}

/** The days that were promised before the first move of each. */
export async function listFirstPromises(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  const { promiseMoves: m } = t;
  return connection
    .select({ jobId: m.jobId, from: m.from })
    .from(m)
    .where(inArray(m.jobId, [...ids]))
    .orderBy(desc(m.number));
}

/** How many runs on the stand each job took. */
export async function listRunCounts(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  return connection
    .select({ jobId: t.testRuns.jobId, runs: sql<string>`count(*)` })
    .from(t.testRuns)
    .where(and(inArray(t.testRuns.jobId, [...ids]), isNotNull(t.testRuns.decision)))
    .groupBy(t.testRuns.jobId);
}

/** When each quote went out and was answered, the first of each job last. */
export async function listAnswers(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  return connection
    .select({ jobId: t.quotes.jobId, sentAt: t.quotes.sentAt, at: t.approvals.at })
    .from(t.approvals)
    .innerJoin(t.quotes, eq(t.quotes.id, t.approvals.quoteId))
    .where(and(inArray(t.quotes.jobId, [...ids]), eq(t.quotes.kind, 'quote'), isNotNull(t.quotes.sentAt)))
    .orderBy(desc(t.approvals.at));
}

/** Parts of which a finding was answered by more than keeping them. */
export async function listRenewedParts(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  return connection
    .selectDistinct({ jobId: t.findings.jobId, partRef: t.findings.partRef, action: t.dispositions.action })
    .from(t.findings)
    .innerJoin(t.dispositions, eq(t.dispositions.findingId, t.findings.id))
    .where(inArray(t.findings.jobId, [...ids]));
}

/** What was judged of the warranty of each job that came back. */
export async function listWarrantyJudgements(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  const { sheets } = t;
  const of = (field: string) => sql<string>`coalesce(json_unquote(json_extract(${sheets.body}, ${`$.${field}`})), '')`;
  return connection
    .select({ jobId: sheets.jobId, judgement: of('judgement'), reason: of('reason') })
    .from(sheets)
    .where(and(inArray(sheets.jobId, [...ids]), eq(sheets.kind, 'warranty')));
}

/** Tags of the jobs that are open. */
export async function listOpenTags(connection: Connection, limit = 1000): Promise<readonly string[]> {
  const rows = await connection
    .select({ tag: t.jobs.tag })
    .from(t.jobs)
    .where(isNull(t.jobs.closedAt))
    .orderBy(asc(t.jobs.tag))
    .limit(limit);
  return rows.map(({ tag }) => tag);
}

/** Tags of the repaired pumps that went out last, the newest first. */
export async function listReadyTags(connection: Connection, limit: number): Promise<readonly string[]> {
  const rows = await connection
    .select({ tag: t.jobs.tag })
    .from(t.jobs)
    .innerJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(and(eq(t.jobs.outcome, 'repaired'), isNotNull(t.returns.releasedAt)))
    .orderBy(desc(t.returns.releasedAt))
    .limit(limit);
  return rows.map(({ tag }) => tag);
}
