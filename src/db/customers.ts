import { and, desc, eq, isNull, sql } from 'drizzle-orm';
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
