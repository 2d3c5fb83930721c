import { and, asc, desc, eq, inArray, lt, sql, type SQL } from 'drizzle-orm';
import { standingSchema } from '@/core/lifecycle';
import type { WorkedAt } from '@/core/workload';
import { fromJson, type Connection } from './client';
import { openedLast } from './opened-last';
import * as t from './schema';
import { statement } from './written-once';

export type WorkedRow = typeof t.workedSpans.$inferSelect;

/** The last piece of work of a person. */
export async function lastWorkOf(connection: Connection, personId: string): Promise<WorkedRow | null> {
  const [row] = await connection
    .select()
    .from(t.workedSpans)
    .where(eq(t.workedSpans.personId, personId))
    .orderBy(desc(t.workedSpans.endedAt))
    .limit(1);
  return row ?? null;
}

export async function addWorked(connection: Connection, row: Omit<WorkedRow, 'version'>): Promise<void> {
  await connection.insert(t.workedSpans).values(row);
}

const goesOn = `update worked_spans set ended_at = ?, seconds = seconds + ?, taken_seconds = taken_seconds + ?
 where id = ? and ended_at = ? and not exists
 (select 1 from worked_spans later where later.person_id = ? and later.ended_at > ?)`.split('?');

/**
 * The statement by which a piece of work goes on; what was corrected stays corrected by as much. It meets no row where
 * the piece did not end as is said, or its person has done something else since: who knows it from before reads anew.
 */
export function extendingWorked(
  { id, personId, endedAt }: Pick<WorkedRow, 'id' | 'personId' | 'endedAt'>,
  { to, seconds }: { readonly to: Date; readonly seconds: number },
): SQL {
  const [was, until] = [endedAt, to].map((moment) => t.workedSpans.endedAt.mapToDriverValue(moment));
  return statement(goesOn, [until, seconds, seconds, id, was, personId, was]);
}

/** A piece of work goes on, see `extendingWorked`; false where it met no row. */
export async function extendWorked(
  connection: Connection,
  row: Pick<WorkedRow, 'id' | 'personId' | 'endedAt'>,
  more: { readonly to: Date; readonly seconds: number },
): Promise<boolean> {
  const [done] = await connection.execute(extendingWorked(row, more));
  return done.affectedRows === 1;
}

export async function findWorked(connection: Connection, id: string): Promise<WorkedRow | null> {
  const [row] = await connection.select().from(t.workedSpans).where(eq(t.workedSpans.id, id));
  return row ?? null;
}

/** Corrects a piece of work as compare-and-set on its version; false when somebody else was first. */
export async function correctWorked(
  connection: Connection,
  row: Pick<WorkedRow, 'id' | 'version' | 'seconds' | 'takenSeconds' | 'reason' | 'correctedBy'>,
): Promise<boolean> {
  const { id, version, ...set } = row;
  const [done] = await connection
    .update(t.workedSpans)
    .set({ ...set, version: version + 1 })
    .where(and(eq(t.workedSpans.id, id), eq(t.workedSpans.version, version)));
  return done.affectedRows === 1;
}

export async function listWorked(connection: Connection, tag: string): Promise<readonly WorkedRow[]> {
  return connection
    .select()
    .from(t.workedSpans)
    .where(eq(t.workedSpans.tag, tag))
    .orderBy(asc(t.workedSpans.startedAt))
    .limit(2000);
}

/** What was worked on all jobs, the newest first. */
export function listAllWorked(connection: Connection, limit: number): Promise<readonly WorkedRow[]> {
  return connection.select().from(t.workedSpans).orderBy(desc(t.workedSpans.startedAt)).limit(limit);
}

/** The station of a job. */
export async function stationOfTag(connection: Connection, tag: string) {
  const [row] = await connection
    .select({ station: t.jobs.station })
    .from(t.jobs)
    .where(sql`${t.jobs.tag} = ${tag}`);
  return row?.station ?? null;
}

/** What the newest pumps took that are through with the stand, by station; of those ready before a moment where one is named. */
export async function listWorkedThrough(
  connection: Connection,
  before?: Date,
  limit = 300,
): Promise<readonly WorkedAt[]> {
  const last = openedLast(connection, before);
  const newest = await connection
    .select({ tag: t.jobs.tag, standing: t.jobs.standing })
    .from(last)
    .innerJoin(t.jobs, eq(t.jobs.id, last.id))
    .where(
      and(
        inArray(t.jobs.station, ['report', 'return']),
        eq(t.jobs.outcome, 'repaired'),
        sql`exists (select 1 from ${t.workedSpans} where ${t.workedSpans.tag} = ${t.jobs.tag})`,
        before && lt(t.jobs.closedAt, before),
      ),
    )
    .orderBy(desc(last.openedAt))
    .limit(limit);
  if (!newest.length) return [];
  const sums = await connection
    .select({
      tag: t.workedSpans.tag,
      station: t.workedSpans.station,
      seconds: sql<string>`sum(${t.workedSpans.seconds})`,
    })
    .from(t.workedSpans)
    .where(
      inArray(
        t.workedSpans.tag,
        newest.map(({ tag }) => tag),
      ),
    )
    .groupBy(t.workedSpans.tag, t.workedSpans.station);
  const standardOf = new Map<string, WorkedAt['standard']>(
    newest.map(({ tag, standing }) => [tag, standingSchema.parse(fromJson(standing)).standard]),
  );
  return sums.map((row) => ({ ...row, seconds: Number(row.seconds), standard: standardOf.get(row.tag) ?? null }));
}
