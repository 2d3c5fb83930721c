import { and, asc, desc, eq, gte, isNotNull, isNull, lte, sql } from 'drizzle-orm';
import type { Connection } from './client';
import * as t from './schema';

/** Quotes and supplements that wait for the customer’s answer, the oldest first, with when they were reminded last. */
export async function listAwaitedAnswers(connection: Connection, limit = 300) {
  const last = connection
    .select({
      quoteId: t.reminders.quoteId,
      lastAt: sql<Date>`max(${t.reminders.at})`.mapWith(t.reminders.at).as('last_at'),
      count: sql<number>`count(*)`.mapWith(Number).as('reminded'),
    })
    .from(t.reminders)
    .groupBy(t.reminders.quoteId)
    .as('last');
  return connection
    .select({
      ...{ tag: t.jobs.tag, kind: t.quotes.kind, revision: t.quotes.revision, validUntil: t.quotes.validUntil },
      ...{ sentAt: t.quotes.sentAt, maker: t.pumps.maker, model: t.pumps.model, customer: t.customers.name },
      ...{ remindedAt: last.lastAt, reminded: last.count, promisedOn: t.jobs.promisedOn },
    })
    .from(t.quotes)
    .innerJoin(t.jobs, eq(t.jobs.id, t.quotes.jobId))
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .leftJoin(last, eq(last.quoteId, t.quotes.id))
    .where(and(isNull(t.jobs.closedAt), eq(t.quotes.state, 'sent'), isNotNull(t.quotes.sentAt)))
    .orderBy(asc(t.quotes.sentAt))
    .limit(limit);
}

/** What was ordered for open jobs whose quote is not answered yet. */
export async function listOrderedAtRisk(connection: Connection, limit = 300) {
  const rows = await connection
    .select({
      ...{ tag: t.jobs.tag, number: t.purchaseOrders.number, supplier: t.purchaseOrders.supplier },
      ...{
        minor: t.purchaseOrders.atRiskMinor,
        maker: t.pumps.maker,
        model: t.pumps.model,
        customer: t.customers.name,
      },
    })
    .from(t.purchaseOrders)
    .innerJoin(t.jobs, eq(t.jobs.id, t.purchaseOrders.jobId))
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .where(
      and(
        isNull(t.jobs.closedAt),
        isNotNull(t.purchaseOrders.atRiskMinor),
        sql`not exists (select 1 from approvals a where a.job_id = jobs.id)`,
      ),
    )
    .orderBy(asc(t.jobs.tag))
    .limit(limit);
  return rows.map((row) => ({ ...row, minor: row.minor ?? 0 }));
}

/** Promises that were moved since a moment, the newest first. */
export async function listPromiseMoves(connection: Connection, since: Date, limit = 300) {
  const { promiseMoves: m } = t;
  return connection
    .select({
      ...{ tag: t.jobs.tag, from: m.from, to: m.to, reason: m.reason, toldTo: m.toldTo, personName: m.personName },
      ...{ at: m.at, maker: t.pumps.maker, model: t.pumps.model, customer: t.customers.name },
    })
    .from(m)
    .innerJoin(t.jobs, eq(t.jobs.id, m.jobId))
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .where(gte(m.at, since))
    .orderBy(desc(m.at))
    .limit(limit);
}

/** Open pumps that are promised up to a day, with when the plan has them ready. */
export async function listGoingOut(connection: Connection, until: string, limit = 300) {
  return connection
    .select({
      ...{
        tag: t.jobs.tag,
        promisedOn: t.jobs.promisedOn,
        station: t.jobs.station,
        plannedOn: t.plannedPumps.plannedOn,
      },
      ...{ keptPct: t.plannedPumps.keptPct, limitWords: t.plannedPumps.limitWords },
      ...{ maker: t.pumps.maker, model: t.pumps.model, customer: t.customers.name },
    })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .leftJoin(t.plannedPumps, eq(t.plannedPumps.tag, t.jobs.tag))
    .where(and(isNull(t.jobs.closedAt), lte(t.jobs.promisedOn, until)))
    .orderBy(asc(t.jobs.promisedOn), asc(t.jobs.tag))
    .limit(limit);
}
