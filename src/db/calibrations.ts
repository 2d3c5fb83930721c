import { and, asc, desc, eq, gte, lt, sql } from 'drizzle-orm';
import type { Connection } from './client';
import * as t from './schema';

export type CalibrationRow = typeof t.calibrations.$inferSelect;

/** What was found of an instrument, the newest first. */
export async function listCalibrations(connection: Connection, code: string): Promise<readonly CalibrationRow[]> {
  const { calibrations: c } = t;
  return connection.select().from(c).where(eq(c.code, code)).orderBy(desc(c.onDay), desc(c.at)).limit(200);
}

export async function addCalibration(connection: Connection, row: CalibrationRow): Promise<void> {
  await connection.insert(t.calibrations).values(row);
}

/** Until when an instrument may be used. */
export async function setDueOn(connection: Connection, code: string, dueOn: string): Promise<void> {
  await connection.update(t.instruments).set({ dueOn }).where(eq(t.instruments.code, code));
}

interface Span {
  readonly code: string;
  readonly from: Date;
  readonly until: Date;
}

/** Readings that are listed at most: those of pumps that are here, then of those that came last. */
export const mostReadings = 4000;

/** The job that something was done on, as a list of such things names it. */
const ofJob = {
  ...{ tag: t.jobs.tag, station: t.jobs.station, closedAt: t.jobs.closedAt, customer: t.customers.name },
  ...{ maker: t.pumps.maker, model: t.pumps.model, familyId: t.jobs.familyId, familyVersion: t.jobs.familyVersion },
  report: sql<string | null>`(select max(number) from reports where reports.job_id = jobs.id)`,
};

/** Work of the bench and the stand that was done with a tool in a span of time, job by job: what a wrench was set to. */
export async function listWorkWith(connection: Connection, { code, from, until }: Span, limit = mostReadings) {
  const { answers: a } = t;
  return connection
    .select({
      ...{ phase: a.phase, actionId: a.actionId, typed: a.typed, value: a.value, unit: a.unit, at: a.at },
      ...{ personName: a.personName, ...ofJob },
    })
    .from(a)
    .innerJoin(t.jobs, eq(t.jobs.id, a.jobId))
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .where(and(eq(a.tool, code), eq(a.state, 'done'), gte(a.at, from), lt(a.at, until)))
    .orderBy(sql`${t.jobs.closedAt} is null desc`, desc(t.jobs.openedAt), asc(a.at))
    .limit(limit);
}

/** Readings that were taken with an instrument in a span of time, job by job. */
export async function listReadingsWith(connection: Connection, { code, from, until }: Span, limit = mostReadings) {
  const { readings: r } = t;
  return connection
    .select({
      ...{
        pointId: r.pointId,
        place: r.place,
        phase: r.phase,
        typed: r.typed,
        unit: r.unit,
        at: r.at,
      },
      ...{ personName: r.personName, ...ofJob },
    })
    .from(r)
    .innerJoin(t.jobs, eq(t.jobs.id, r.jobId))
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .where(and(eq(r.instrumentCode, code), gte(r.at, from), lt(r.at, until)))
    .orderBy(sql`${t.jobs.closedAt} is null desc`, desc(t.jobs.openedAt), asc(r.at))
    .limit(limit);
}
