import { isDeepStrictEqual } from 'node:util';
import { eq, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import * as z from 'zod';
import {
  asId,
  emptyTables,
  putRow,
  recordOf,
  type EarlierVisit,
  type JobHead,
  type JobId,
  type JobRecord,
  type LotMate,
  type LotTerms,
  type RowTables,
  type Station,
  type Tag,
} from '@/core/record';
import { recordAfterEvents } from '@/core/change';
import { present } from '@/core/present';
import { listEventsAfter } from './chapters';
import { vouchedFor } from './asked';
import { keepRecord, keptRecord, recordBehind } from './kept-records';
import { sha256 } from './sha256';
import { asJsonArray, childrenOf, decodeRow, loadChildren, type RowOfColumns } from './child-rows';
import { fromJson, rowsOf, type Connection } from './client';
import { warrantyEnd } from '@/core/warranty';
import { mappings, type Mapping, type TableKind } from './job-rows';
import { holdSchema } from './row-schemas';
import * as t from './schema';
import { query, readRows } from './written-once';

const { jobs, pumps, customers, contacts, lots } = t;
/** What of its own row and of those that it names makes the head of a job. */
const heads = {
  job: {
    ...{ id: jobs.id, tag: jobs.tag, station: jobs.station, holder: jobs.holder, holderSince: jobs.holderSince },
    ...{ hold: jobs.hold, outcome: jobs.outcome, promisedOn: jobs.promisedOn, familyId: jobs.familyId },
    ...{ familyVersion: jobs.familyVersion, openedAt: jobs.openedAt, closedAt: jobs.closedAt, pumpId: jobs.pumpId },
    ...{ version: jobs.version, headHash: jobs.headHash, lotUnit: jobs.lotUnit },
  },
  pump: { id: pumps.id, maker: pumps.maker, model: pumps.model, serial: pumps.serial, size: pumps.size },
  customer: { id: customers.id, name: customers.name },
  contact: { id: contacts.id, name: contacts.name, email: contacts.email, phone: contacts.phone },
  lot: {
    ...{ id: lots.id, number: lots.number, deliveryNote: lots.deliveryNote },
    ...{ sharesPromise: lots.sharesPromise, sharesQuote: lots.sharesQuote, sharesDelivery: lots.sharesDelivery },
  },
};
/** Between these the parts of a pump lie in trays, where they can be taken for another’s. */
const laidOpen: readonly Station[] = ['teardown', 'clean', 'inspect', 'quote', 'approve', 'parts', 'rebuild'];
const likes = `(select json_arrayagg(other.tag) from jobs other where other.closed_at is null
 and other.model_text = jobs.model_text and other.tag <> jobs.tag
 and other.station in (${laidOpen.map((station) => `'${station}'`).join(', ')}))`;

/** The visits of a pump: those of every plate of its maker with its serial number. */
const visits = {
  job: alias(jobs, 'visit'),
  pump: alias(pumps, 'visit_pump'),
  report: alias(t.reports, 'visit_report'),
  returned: alias(t.returns, 'visit_return'),
};
const visited = {
  ...{ tag: visits.job.tag, openedAt: visits.job.openedAt, closedAt: visits.job.closedAt },
  ...{ outcome: visits.job.outcome, report: visits.report.number },
  ...{ warrantyFrom: visits.returned.warrantyFrom, warrantyMonths: visits.returned.warrantyMonths },
};
const fromVisits = `from pumps visit_pump inner join jobs visit on visit.pump_id = visit_pump.id
 left join reports visit_report on visit_report.job_id = visit.id
 left join returns visit_return on visit_return.job_id = visit.id`;
const ofPlate = 'where visit_pump.serial_key = pumps.serial_key and visit_pump.maker = pumps.maker';
const mostVisits = 50;
const newestFirst = `order by visit.opened_at desc limit ${mostVisits}`;
const earlier = `(select json_arrayagg(${asJsonArray(visited)} ${newestFirst})
 ${fromVisits} ${ofPlate} and visit.id <> jobs.id and visit.opened_at < jobs.opened_at)`;
const allVisits = query(visited, `${fromVisits} inner join pumps on pumps.id = ? ${ofPlate} ${newestFirst}`);

/** Written once, as `loadChildren` writes its own: it is sent with every request. */
const headText = `select ${asJsonArray(heads.job)} as job, ${asJsonArray(heads.pump)} as pump,
 ${asJsonArray(heads.customer)} as customer, if(contacts.id is null, null, ${asJsonArray(heads.contact)}) as contact,
 if(lots.id is null, null, ${asJsonArray(heads.lot)}) as lot, ${likes} as likes, ${earlier} as earlier
 from jobs inner join pumps on pumps.id = jobs.pump_id inner join customers on customers.id = jobs.customer_id
 left join contacts on contacts.id = jobs.contact_id
 left join lots on lots.id = jobs.lot_id where jobs.tag = `;

const tagList = z
  .array(z.string())
  .nullable()
  .transform((tags) => (tags ?? []).map((tag) => asId<Tag>(tag)));

const rowsIn = (body: unknown): readonly unknown[] => {
  const rows = fromJson(body);
  return Array.isArray(rows) ? rows : [];
};

function visitsIn(rows: readonly RowOfColumns<typeof visited>[]): readonly EarlierVisit[] {
  const all = rows.map(({ tag, openedAt, closedAt, outcome, report, warrantyFrom, warrantyMonths }) => ({
    ...{ tag, outcome, reportNumber: report },
    openedAt: openedAt.toISOString(),
    closedAt: closedAt?.toISOString() ?? null,
    warrantyUntil: warrantyFrom && warrantyMonths ? warrantyEnd(warrantyFrom, warrantyMonths) : null,
  }));
  return [...new Map(all.map((visit) => [visit.tag, visit])).values()];
}

async function loadHead(connection: Connection, tag: string) {
  const text = sql`${sql.raw(headText)}${tag}`;
  const [row] = await rowsOf<Record<keyof typeof heads | 'likes' | 'earlier', unknown>>(connection, text);
  if (!row) return null;
  return {
    job: present(decodeRow(heads.job, row.job)),
    pump: present(decodeRow(heads.pump, row.pump)),
    customer: present(decodeRow(heads.customer, row.customer)),
    contact: decodeRow(heads.contact, row.contact),
    lot: decodeRow(heads.lot, row.lot),
    likes: tagList.parse(fromJson(row.likes)).toSorted(),
    earlier: visitsIn(rowsIn(row.earlier).map((one) => present(decodeRow(visited, one)))),
  };
}

function headOf({ job, pump, customer, contact, lot }: FoundHead): JobHead {
  const { id, tag, station, holder, outcome, promisedOn, familyId, familyVersion } = job;
  return {
    ...{ id, tag, station, holder, outcome, promisedOn, familyId, familyVersion },
    holderSince: job.holderSince.toISOString(),
    hold: holdSchema.nullable().parse(fromJson(job.hold)),
    openedAt: job.openedAt.toISOString(),
    closedAt: job.closedAt?.toISOString() ?? null,
    pump,
    customer,
    contact,
    lot: lot && { id: lot.id, number: lot.number, unit: job.lotUnit ?? 1 },
  };
}

const termsOf = ({ deliveryNote, sharesPromise, sharesQuote, sharesDelivery }: LotTerms): LotTerms => ({
  ...{ deliveryNote, sharesPromise, sharesQuote, sharesDelivery },
});

/** The units of a lot, as they stand. */
export async function loadUnits(connection: Connection, lotId: string): Promise<readonly LotMate[]> {
  const rows = await connection
    .select({
      ...{ tag: t.jobs.tag, unit: t.jobs.lotUnit, serial: t.pumps.serial, station: t.jobs.station },
      ...{ outcome: t.jobs.outcome, promisedOn: t.jobs.promisedOn, closedAt: t.jobs.closedAt },
      releasedAt: t.returns.releasedAt,
    })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .leftJoin(t.returns, eq(t.returns.jobId, t.jobs.id))
    .where(eq(t.jobs.lotId, lotId))
    .orderBy(t.jobs.lotUnit);
  return rows.map(({ unit, closedAt, releasedAt, ...row }) => ({
    ...row,
    unit: unit ?? 1,
    isReleased: releasedAt !== null,
    isClosed: closedAt !== null,
  }));
}

/** A lot by its number, with its terms. */
export async function findLot(connection: Connection, number: string) {
  const [row] = await connection.select().from(t.lots).where(eq(t.lots.number, number));
  return row ?? null;
}

export async function addLot(connection: Connection, lot: typeof t.lots.$inferInsert): Promise<void> {
  await connection.insert(t.lots).values(lot);
}

/** Changes what the units of a lot share. */
export async function changeLot(connection: Connection, id: string, terms: LotTerms): Promise<void> {
  await connection.update(t.lots).set(terms).where(eq(t.lots.id, id));
}

/** All jobs of a pump so far, newest first, each with its report's number. */
export async function loadVisitsOfPump(connection: Connection, pumpId: string): Promise<readonly EarlierVisit[]> {
  return visitsIn(await readRows(connection, allVisits, [pumpId]));
}

type Kinds = { readonly [Kind in TableKind]: (typeof mappings)[Kind] };
const kinds = Object.keys(mappings) as readonly TableKind[];
const children = Object.fromEntries(
  kinds.map((kind) => [kind, childrenOf(mappings[kind].table, mappings[kind].jobId, mappings[kind].heavy)]),
);

function fill<Kind extends TableKind>(tables: RowTables, kind: Kind, rows: readonly object[]): void {
  const mapping: Pick<Mapping<Kind, Kinds[Kind]['table']>, 'fromTable'> = mappings[kind] as never;
  for (const row of rows) putRow(tables, kind, mapping.fromTable(row as never));
}

type FoundHead = NonNullable<Awaited<ReturnType<typeof loadHead>>>;

/** The rows of a record read and put together, without looking at what is kept. */
async function readStored(connection: Connection, head: FoundHead): Promise<JobRecord> {
  const { job } = head;
  const rows = await vouchedFor(() => loadChildren(connection, job.id, children));
  const tables = emptyTables();
  putRow(tables, 'job', headOf(head));
  for (const kind of kinds) fill(tables, kind, rows[kind] ?? []);
  return recordOf(tables, {
    version: job.version,
    headHash: job.headHash,
    earlierVisits: [],
    lotTerms: null,
    lotMates: [],
    likePumps: [],
  });
}

/**
 * The record of a job that another process changed, made of the one that is kept here and the events since: a record is
 * hundreds of rows, an entry of them one or two. Null where nothing fit is kept, or its chain does not lead to that head.
 */
async function readBehind(connection: Connection, { job }: FoundHead): Promise<JobRecord | null> {
  const behind = recordBehind(job);
  if (!behind) return null;
  const events = await vouchedFor(() => listEventsAfter(connection, job.id, behind.version));
  // What came after the head was read is for the next who asks.
  return recordAfterEvents(behind, {
    ...{ events: events.filter(({ seq }) => seq <= job.version), headHash: job.headHash, sha256 },
  });
}

async function withVisits(connection: Connection, head: FoundHead, record: JobRecord): Promise<JobRecord> {
  const { lot, job } = head;
  return {
    ...record,
    earlierVisits: head.earlier,
    lotTerms: lot && termsOf(lot),
    lotMates: lot ? (await loadUnits(connection, lot.id)).filter(({ tag }) => tag !== job.tag) : [],
    likePumps: head.likes,
  };
}

/** Whether two records are the same in all that they hold; what is the same list is not looked through. */
const isAlike = (one: JobRecord, other: JobRecord): boolean =>
  Object.keys(other).every((key) => {
    const name = key as keyof JobRecord;
    return one[name] === other[name] || isDeepStrictEqual(one[name], other[name]);
  });

/**
 * The record of one job; null when there is no such tag. While nothing of it changes it is the same object each time:
 * what was reckoned of it (`core/remembered`) holds for the next who asks. Its own row is always read; its other rows
 * only where the record is kept neither as it stands now nor as it stood some events ago, see `keepRecord`.
 */
export async function loadJobRecord(connection: Connection, tag: string): Promise<JobRecord | null> {
  const head = await loadHead(connection, tag);
  if (!head) return null;
  const kept = keptRecord(head.job);
  const known = kept ?? (await readBehind(connection, head));
  const record = known ? { ...known, ...headOf(head) } : await readStored(connection, head);
  const whole = await withVisits(connection, head, record);
  if (kept && isAlike(kept, whole)) return kept;
  keepRecord(whole);
  return whole;
}

/** The record of one job from its tables, every row read anew: for whoever checks the tables. Null without the tag. */
export async function loadStoredRecord(connection: Connection, tag: string): Promise<JobRecord | null> {
  const head = await loadHead(connection, tag);
  return head && withVisits(connection, head, await readStored(connection, head));
}

export async function findTagById(connection: Connection, jobId: JobId): Promise<Tag | null> {
  const [row] = await connection.select({ tag: t.jobs.tag }).from(t.jobs).where(eq(t.jobs.id, jobId));
  return row?.tag ?? null;
}
