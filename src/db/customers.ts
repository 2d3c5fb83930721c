import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { shareOf } from '@/core/money';
import type { Connection } from './client';
import * as t from './schema';

/** A customer with its limit; null where there is none, or where it turned out to be another. */
export async function findCustomer(connection: Connection, id: string) {
  const [row] = await connection.select().from(t.customers).where(eq(t.customers.id, id));
  return row ?? null;
}

export async function listContactsOf(connection: Connection, customerId: string) {
  return connection
    .select()
    .from(t.contacts)
    .where(eq(t.contacts.customerId, customerId))
    .orderBy(t.contacts.name)
    .limit(200);
}

/** Every job of a customer, the newest first, with its pump and what was approved of it. */
export async function listJobsOfCustomer(connection: Connection, customerId: string, limit = 500) {
  return connection
    .select({
      ...{ tag: t.jobs.tag, openedAt: t.jobs.openedAt, closedAt: t.jobs.closedAt, outcome: t.jobs.outcome },
      ...{ station: t.jobs.station, promisedOn: t.jobs.promisedOn, familyId: t.jobs.familyId },
      familyVersion: t.jobs.familyVersion,
      ...{ early: t.plannedPumps.early, late: t.plannedPumps.late, holder: t.jobs.holder },
      ...{ warrantyFrom: t.returns.warrantyFrom, warrantyMonths: t.returns.warrantyMonths },
      ...{ maker: t.pumps.maker, model: t.pumps.model, serial: t.pumps.serial, serialKey: t.pumps.serialKey },
      equipmentNumber: sql<string>`coalesce(json_unquote(json_extract(intakes.body, '$.equipmentNumber')), '')`,
      runningHours: sql<number | null>`json_extract(intakes.body, '$.runningHours')`.mapWith((value) => {
        const hours = Number(value);
        return Number.isFinite(hours) ? hours : null;
      }),
    })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.intakes, eq(t.intakes.jobId, t.jobs.id))
    .leftJoin(t.plannedPumps, eq(t.plannedPumps.tag, t.jobs.tag))
    .leftJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(eq(t.jobs.customerId, customerId))
    .orderBy(desc(t.jobs.openedAt))
    .limit(limit);
}

/** Customers with how many pumps of theirs are here and were here, the busiest first. */
export async function listCustomersWithJobs(connection: Connection, limit = 500) {
  const open = sql<string>`sum(case when ${t.jobs.closedAt} is null and ${t.jobs.id} is not null then 1 else 0 end)`;
  const rows = await connection
    .select({ id: t.customers.id, name: t.customers.name, open, all: sql<string>`count(${t.jobs.id})` })
    .from(t.customers)
    .leftJoin(t.jobs, eq(t.jobs.customerId, t.customers.id))
    .where(and(isNull(t.customers.mergedInto)))
    .groupBy(t.customers.id)
    .orderBy(sql`count(jobs.id) desc`, t.customers.name)
    .limit(limit);
  return rows.map(({ id, name, ...row }) => ({ id, name, open: Number(row.open), all: Number(row.all) }));
}

export type CustomerPageRow = typeof t.customerPages.$inferSelect;

export async function addCustomerPage(connection: Connection, row: CustomerPageRow): Promise<void> {
  await connection.insert(t.customerPages).values(row);
}

/** The link of a customer's page that was not ended; null for any other text. */
export async function findCustomerPage(connection: Connection, tokenHash: string): Promise<CustomerPageRow | null> {
  const { customerPages: p } = t;
  const [row] = await connection
    .select()
    .from(p)
    .where(and(eq(p.tokenHash, tokenHash), isNull(p.endedAt)));
  return row ?? null;
}

export async function listCustomerPages(
  connection: Connection,
  customerId: string,
): Promise<readonly CustomerPageRow[]> {
  const { customerPages: p } = t;
  return connection
    .select()
    .from(p)
    .where(and(eq(p.customerId, customerId), isNull(p.endedAt)))
    .orderBy(p.at)
    .limit(100);
}

/** Ends a link; false where there is none that goes on. */
export async function endCustomerPage(connection: Connection, id: string, at: Date): Promise<boolean> {
  const { customerPages: p } = t;
  const [done] = await connection
    .update(p)
    .set({ endedAt: at })
    .where(and(eq(p.id, id), isNull(p.endedAt)));
  return done.affectedRows === 1;
}

/**
 * What was approved of each job of a customer, without tax, in minor units, as `approvedNet` reckons it of a record: the
 * last answer to its quote, and the last to each supplement. A job without an answer is not in it.
 */
export async function listApprovedOf(connection: Connection, customerId: string): Promise<ReadonlyMap<string, number>> {
  const approved = sql`json_unquote(json_extract(${t.approvals.decisions}, concat('$."', ${t.quoteLines.id}, '"'))) = 'approved'`;
  const line = sql`round(${t.quoteLines.quantity} * ${t.quoteLines.unitPriceMinor} * (1 - ${t.quoteLines.discountPct} / 100))`;
  const rows = await connection
    .select({ tag: t.jobs.tag, discountPct: t.quotes.discountPct, minor: sql<string>`sum(${line})` })
    .from(t.jobs)
    .innerJoin(t.approvals, eq(t.approvals.jobId, t.jobs.id))
    .innerJoin(t.quotes, eq(t.quotes.id, t.approvals.quoteId))
    .innerJoin(t.quoteLines, eq(t.quoteLines.quoteId, t.approvals.quoteId))
    .where(
      and(
        eq(t.jobs.customerId, customerId),
        isNull(t.quoteLines.struckReason),
        sql`not exists (select 1 from approvals later join quotes of on of.id = later.quote_id
          where later.job_id = ${t.approvals.jobId} and (later.at, later.id) > (${t.approvals.at}, ${t.approvals.id})
          and (later.quote_id = ${t.approvals.quoteId} or (of.kind = 'quote' and ${t.quotes.kind} = 'quote')))`,
        approved,
      ),
    )
    .groupBy(t.jobs.tag, t.approvals.id);
  const sums = new Map<string, number>();
  for (const { tag, minor, discountPct } of rows) {
    const lines = Number(minor);
    sums.set(tag, (sums.get(tag) ?? 0) + lines - shareOf(lines, Number(discountPct)));
  }
  return sums;
}
