import { and, asc, desc, eq, getTableColumns, gte, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import * as z from 'zod';
import { remembered } from '@/core/remembered';
import { skills, type Absence, type ShopCalendar, type Wish } from '@/core/workload';
import type { RowOfColumns } from './child-rows';
import { fromJson, type Connection, type Database } from './client';
import { openedLast } from './opened-last';
import * as t from './schema';
import { query, readRows, readSteadyRows } from './written-once';

const weeklySchema = z.array(z.object({ weekday: z.number().int(), from: z.string(), to: z.string() }));
const daysSchema = z.array(z.string());
const skillsSchema = z.array(z.enum(skills));

export interface CalendarRow extends ShopCalendar {
  readonly name: string;
  readonly version: number;
}

export async function listCalendars(connection: Connection): Promise<readonly CalendarRow[]> {
  const rows = await connection.select().from(t.workCalendars).orderBy(asc(t.workCalendars.name)).limit(100);
  return rows.map(({ weekly, closed, ...row }) => ({
    ...row,
    weekly: weeklySchema.parse(fromJson(weekly)),
    closed: daysSchema.parse(fromJson(closed)),
  }));
}

/** Writes a calendar as compare-and-set on its version, 0 for a new one; false when somebody else was first. */
export async function saveCalendar(connection: Connection, { version, ...row }: CalendarRow): Promise<boolean> {
  const set = { name: row.name, weekly: [...row.weekly], closed: [...row.closed], version: version + 1 };
  if (version === 0) {
    const [added] = await connection
      .insert(t.workCalendars)
      .ignore()
      .values({ id: row.id, ...set });
    return added.affectedRows === 1;
  }
  const [done] = await connection
    .update(t.workCalendars)
    .set(set)
    .where(and(eq(t.workCalendars.id, row.id), eq(t.workCalendars.version, version)));
  return done.affectedRows === 1;
}

/** Places, and of people what is other than usual for their role. */
export async function listResourceRows(connection: Connection) {
  const rows = await connection.select().from(t.planResources).orderBy(asc(t.planResources.name)).limit(500);
  return rows.map(({ skills: own, ...row }) => ({ ...row, skills: skillsSchema.parse(fromJson(own)) }));
}
export type ResourceRow = Awaited<ReturnType<typeof listResourceRows>>[number];

/** Writes a hand or a place, as compare-and-set on its version; 0 for a new one. False when somebody else was first. */
export async function saveResource(connection: Connection, { version, ...row }: ResourceRow): Promise<boolean> {
  const set = { ...row, skills: [...row.skills], version: version + 1 };
  if (version === 0) {
    const [added] = await connection
      .insert(t.planResources)
      .values(set)
      .onDuplicateKeyUpdate({ set: { id: sql`${t.planResources.id}` } });
    return added.affectedRows === 1;
  }
  const [done] = await connection
    .update(t.planResources)
    .set(set)
    .where(and(eq(t.planResources.id, row.id), eq(t.planResources.version, version)));
  return done.affectedRows === 1;
}

/** Absences that are not over on a day. */
export async function listAbsences(connection: Connection, today: string) {
  const rows = await connection
    .select()
    .from(t.absences)
    .where(gte(t.absences.toDay, today))
    .orderBy(asc(t.absences.fromDay))
    .limit(500);
  return rows.map(({ fromDay, toDay, ...row }) => ({ ...row, from: fromDay, to: toDay }));
}

export async function addAbsence(
  connection: Connection,
  { from, to, ...row }: Absence & { id: string; reason: string; personName: string; at: Date },
): Promise<void> {
  await connection.insert(t.absences).values({ ...row, fromDay: from, toDay: to });
}

export async function removeAbsence(connection: Connection, id: string): Promise<boolean> {
  const [done] = await connection.delete(t.absences).where(eq(t.absences.id, id));
  return done.affectedRows === 1;
}

/** Wishes for operations of jobs that are open. */
export async function listWishes(connection: Connection): Promise<readonly (Wish & { readonly personName: string })[]> {
  const { tag, operation, resourceId, notBefore, personName } = t.planWishes;
  return connection
    .select({ tag, operation, resourceId, notBefore, personName })
    .from(t.planWishes)
    .innerJoin(t.jobs, eq(t.jobs.tag, t.planWishes.tag))
    .where(isNull(t.jobs.closedAt))
    .limit(2000);
}

/** Keeps a wish in place of an earlier one; one that wishes nothing is taken away. */
export async function saveWish(
  connection: Connection,
  wish: Wish & { readonly id: string; readonly personName: string; readonly at: Date },
): Promise<void> {
  const { tag, operation, resourceId, notBefore } = wish;
  await connection.delete(t.planWishes).where(and(eq(t.planWishes.tag, tag), eq(t.planWishes.operation, operation)));
  if (resourceId !== null || notBefore !== null) await connection.insert(t.planWishes).values(wish);
}

/**
 * Puts what was wished for one person's hands into another's, in jobs that are open, or gives it back to the plan. Gives
 * how many wishes those were.
 */
export async function handWishesOver(connection: Connection, from: string, to: string | null): Promise<number> {
  const open = sql`${t.planWishes.tag} in (select tag from jobs where closed_at is null)`;
  const own = and(eq(t.planWishes.resourceId, from), open);
  const [moved] = await connection.update(t.planWishes).set({ resourceId: to }).where(own);
  // A wish that wishes nothing any more is none.
  await connection.delete(t.planWishes).where(and(isNull(t.planWishes.resourceId), isNull(t.planWishes.notBefore)));
  return moved.affectedRows;
}

export async function listWeights(connection: Connection) {
  const rows = await connection
    .select({ tag: t.planWeights.tag, weight: t.planWeights.weight, reason: t.planWeights.reason })
    .from(t.planWeights)
    .innerJoin(t.jobs, eq(t.jobs.tag, t.planWeights.tag))
    .where(isNull(t.jobs.closedAt))
    .limit(2000);
  return rows.map((row) => ({ ...row, weight: Number(row.weight) }));
}

export async function saveWeight(
  connection: Connection,
  row: {
    readonly tag: string;
    readonly weight: number;
    readonly reason: string;
    readonly personName: string;
    readonly at: Date;
  },
): Promise<void> {
  const set = { weight: String(row.weight), reason: row.reason, personName: row.personName, at: row.at };
  await connection
    .insert(t.planWeights)
    .values({ tag: row.tag, ...set })
    .onDuplicateKeyUpdate({ set });
}

/** Written as text: by the package, reading each of hundreds of rows took a hundredth of a millisecond. */
const pumpsToPlan = query(
  {
    ...{ id: t.jobs.id, shownHash: t.jobs.shownHash, tag: t.jobs.tag },
    ...{ promisedOn: t.jobs.promisedOn, hold: t.jobs.hold },
    ...{ station: t.jobs.station, maker: t.pumps.maker, model: t.pumps.model, customer: t.customers.name },
  },
  `from jobs inner join pumps on pumps.id = jobs.pump_id inner join customers on customers.id = jobs.customer_id
   where jobs.closed_at is null order by jobs.promised_on, jobs.tag limit ?`,
);

const withHold = remembered((row: RowOfColumns<(typeof pumpsToPlan)['columns']>) => ({
  ...row,
  hold: fromJson(row.hold),
}));

/** What the plan asks of every open job; a row that is as it was is the same object as before. */
export async function listPumpsToPlan(connection: Connection, limit = 1000) {
  const rows = await readSteadyRows(connection, pumpsToPlan, [limit]);
  return rows.map((row) => withHold(row));
}

/**
 * How many days passed between a quote and its answer, the newest first, of the jobs that were opened last; of answers
 * before a moment where one is named.
 */
export async function listAnswerDays(connection: Connection, before?: Date, limit = 500): Promise<readonly number[]> {
  const last = openedLast(connection, before);
  const rows = await connection
    .select({ sentAt: t.quotes.sentAt, at: t.approvals.at })
    .from(last)
    .innerJoin(t.approvals, eq(t.approvals.jobId, last.id))
    .innerJoin(t.quotes, eq(t.quotes.id, t.approvals.quoteId))
    .where(and(isNotNull(t.quotes.sentAt), before && lt(t.approvals.at, before)))
    .orderBy(desc(t.approvals.at))
    .limit(limit);
  return rows.flatMap(({ sentAt, at }) =>
    sentAt ? [Math.max(0, (at.getTime() - sentAt.getTime()) / 86_400_000)] : [],
  );
}

/**
 * Days from the first order of a repair until its last part was counted in, the newest first, of the jobs that were
 * opened last; before a moment where one is named.
 */
export async function listPartsDays(connection: Connection, before?: Date, limit = 500): Promise<readonly number[]> {
  const { purchaseOrders: o, receipts: r } = t;
  const jobs = openedLast(connection, before);
  const last = sql<string>`max(${r.at})`;
  const rows = await connection
    .select({ days: sql<string>`timestampdiff(second, min(${o.at}), ${last}) / 86400` })
    .from(jobs)
    .innerJoin(o, eq(o.jobId, jobs.id))
    .innerJoin(r, eq(r.jobId, jobs.id))
    // Only of repairs that were rebuilt: of another one the last part may still come.
    .where(and(inArray(jobs.station, ['test', 'report', 'return']), before && lt(r.at, before)))
    .groupBy(jobs.id)
    .orderBy(desc(last))
    .limit(limit);
  return rows.map(({ days }) => Math.max(0, Number(days)));
}

/**
 * How many first tests were decided of the jobs that were opened last, and how many of them failed; before a moment
 * where one is named.
 */
export async function countFirstRuns(
  connection: Connection,
  before?: Date,
): Promise<{ readonly all: number; readonly failed: number }> {
  const last = openedLast(connection, before);
  const [row] = await connection
    .select({
      all: sql<string>`count(*)`,
      failed: sql<string>`coalesce(sum(case when ${t.testRuns.decision} = 'failed' then 1 else 0 end), 0)`,
    })
    .from(last)
    .innerJoin(t.testRuns, eq(t.testRuns.jobId, last.id))
    .where(and(eq(t.testRuns.run, 1), isNotNull(t.testRuns.decision), before && lt(t.testRuns.at, before)));
  return { all: Number(row?.all ?? 0), failed: Number(row?.failed ?? 0) };
}

/** The plan that stands: its fingerprint, its text, and the version to write it by; null before the first. */
/** Of the plan that stands its version and what it was made of; null where there is none. */
export async function readKeptPlanHead(connection: Connection) {
  const head = { version: t.keptPlans.version, madeOf: t.keptPlans.madeOf };
  const [row] = await connection.select(head).from(t.keptPlans).where(eq(t.keptPlans.id, 'shop'));
  return row ?? null;
}

export async function readKeptPlan(connection: Connection) {
  const [row] = await connection.select().from(t.keptPlans).where(eq(t.keptPlans.id, 'shop'));
  return row ?? null;
}

export type PlannedPumpRow = typeof t.plannedPumps.$inferSelect;

/**
 * Keeps a plan and the days of its pumps in place of the one before, as compare-and-set on its version, 0 for the first.
 * @returns false when another copy was first
 */
export async function keepPlan(
  database: Database,
  {
    basedOn,
    pumps,
    ...row
  }: { basedOn: number; madeOf: string; plan: string; at: Date; pumps: readonly PlannedPumpRow[] },
): Promise<boolean> {
  return database.transaction(async (within) => {
    const set = { ...row, version: basedOn + 1 };
    const [done] =
      basedOn === 0
        ? await within
            .insert(t.keptPlans)
            .ignore()
            .values({ id: 'shop', ...set })
        : await within
            .update(t.keptPlans)
            .set(set)
            .where(and(eq(t.keptPlans.id, 'shop'), eq(t.keptPlans.version, basedOn)));
    if (done.affectedRows !== 1) return false;
    await within.delete(t.plannedPumps);
    if (pumps.length) await within.insert(t.plannedPumps).values([...pumps]);
    return true;
  });
}

const plannedOfTag = query(getTableColumns(t.plannedPumps), 'from planned_pumps where tag = ?');

/** When a pump is ready by the plan that stands; null where it is not in it. */
export async function findPlannedPump(connection: Connection, tag: string): Promise<PlannedPumpRow | null> {
  const [row] = await readRows(connection, plannedOfTag, [tag]);
  return row ?? null;
}
