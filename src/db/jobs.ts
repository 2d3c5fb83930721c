import { and, asc, desc, eq, gt, gte, inArray, isNotNull, isNull, like, lt, or, sql } from 'drizzle-orm';
import { asId, serialKey, type Hold, type Holder, type JobId, type Station, type Tag } from '@/core/record';
import type { FoundState } from '@/core/lifecycle';
import { addDays } from '@/core/planning';
import { mondayOf } from '@/core/workload';
import { fromJson, rowsOf, type Connection } from './client';
import { likeText } from './like-text';
import { compared, wordsIn } from './compared-text';
import { listNewestClosed, listOpenSearchable, type Searchable } from './searchable-jobs';
import { findOnLists } from './word-lists';
import * as t from './schema';

/** Plates of pumps with a serial number, as `serialKey` compares them. */
export async function findPumpBySerial(connection: Connection, serial: string) {
  return connection
    .select()
    .from(t.pumps)
    .where(eq(t.pumps.serialKey, serialKey(serial)))
    .limit(50);
}

export async function addPump(connection: Connection, pump: Omit<typeof t.pumps.$inferInsert, 'serialKey'>) {
  await connection.insert(t.pumps).values({ ...pump, serialKey: serialKey(pump.serial) });
}

const stripColumns = {
  id: t.jobs.id,
  shownHash: t.jobs.shownHash,
  tag: t.jobs.tag,
  station: t.jobs.station,
  holder: t.jobs.holder,
  holderSince: t.jobs.holderSince,
  hold: t.jobs.hold,
  outcome: t.jobs.outcome,
  promisedOn: t.jobs.promisedOn,
  closedAt: t.jobs.closedAt,
  familyId: t.jobs.familyId,
  size: t.pumps.size,
  maker: t.pumps.maker,
  model: t.pumps.model,
  serial: t.pumps.serial,
  customer: t.customers.name,
  planned: {
    early: t.plannedPumps.early,
    likely: t.plannedPumps.likely,
    late: t.plannedPumps.late,
    keptPct: t.plannedPumps.keptPct,
    limitWords: t.plannedPumps.limitWords,
  },
};
const floorColumns = { ...stripColumns, version: t.jobs.version, standing: t.jobs.standing };

const parsedHold = <Row extends { hold: unknown }>(row: Row) => ({
  ...row,
  hold: row.hold === null ? null : (fromJson(row.hold) as Hold | null),
});
const parsed = <Row extends { hold: unknown; standing: unknown }>(row: Row) => ({
  ...parsedHold(row),
  standing: fromJson(row.standing),
});

/** Standings of jobs as their rows have them now, each with the text that vouches for it. */
export async function listStandings(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  const rows = await connection
    .select({ id: t.jobs.id, shownHash: t.jobs.shownHash, standing: t.jobs.standing })
    .from(t.jobs)
    .where(inArray(t.jobs.id, ids));
  return rows.map((row) => ({ ...row, standing: fromJson(row.standing) }));
}

/** Open jobs by promise, a page at a time by key; of each the text that vouches for all that lists show of it. */
export async function listOpenShown(
  connection: Connection,
  { after, limit }: { readonly after: { promisedOn: string; id: string } | null; readonly limit: number },
) {
  const beyond = after
    ? sql` and (promised_on > ${after.promisedOn} or (promised_on = ${after.promisedOn} and id > ${after.id}))`
    : sql.raw('');
  return rowsOf<{ readonly id: JobId; readonly shownHash: string; readonly promisedOn: string }>(
    connection,
    sql`select id, shown_hash as shownHash, promised_on as promisedOn from jobs where closed_at is null${beyond}
        order by promised_on, id limit ${limit}`,
  );
}

/** Jobs as the floor shows them, in no order; without their standings. */
export async function listFloorRows(connection: Connection, ids: readonly JobId[]) {
  if (!ids.length) return [];
  const rows = await connection
    .select(stripColumns)
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .leftJoin(t.plannedPumps, eq(t.plannedPumps.tag, t.jobs.tag))
    .where(inArray(t.jobs.id, ids));
  return rows.map(parsedHold);
}

/** Open jobs that stand at some stations, and others by their tags, by promise; each with the version of its record. */
export async function listJobsAround(
  connection: Connection,
  {
    stations,
    tags,
    limit,
  }: { readonly stations: readonly Station[]; readonly tags: readonly Tag[]; readonly limit: number },
) {
  const rows = await base(connection)
    .where(
      and(
        isNull(t.jobs.closedAt),
        or(inArray(t.jobs.station, stations), tags.length ? inArray(t.jobs.tag, tags) : undefined),
      ),
    )
    .orderBy(asc(t.jobs.promisedOn), asc(t.jobs.id))
    .limit(limit);
  return rows.map(parsed);
}

/** Open jobs of one station and holder, by promise. */
export async function listJobsAt(
  connection: Connection,
  { station, holder, limit }: { readonly station: Station; readonly holder: Holder; readonly limit: number },
) {
  const rows = await base(connection)
    .where(and(isNull(t.jobs.closedAt), eq(t.jobs.holder, holder), eq(t.jobs.station, station)))
    .orderBy(asc(t.jobs.promisedOn), asc(t.jobs.id))
    .limit(limit);
  return rows.map(parsed);
}

const base = (connection: Connection) =>
  connection
    .select(floorColumns)
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .leftJoin(t.plannedPumps, eq(t.plannedPumps.tag, t.jobs.tag));

/** Open jobs before the closed ones, the newest before the others. */
const openFirst = [sql`${t.jobs.closedAt} is not null`, desc(t.jobs.openedAt)] as const;

/** So many words of a search are looked for. */
const mostWords = 6;

/** Part of a word, or of a serial or equipment number, is looked for from so many letters on; fewer begin a word. */
const leastPart = 3;

interface Searched {
  readonly text: string;
  readonly limit: number;
}

/** Whether a job holds each of some words, or the text as it was typed where that is long enough; null for too little. */
function lookFor(words: readonly string[], text: string) {
  const parts = words.filter((word) => word.length >= leastPart);
  const beginnings = words
    .filter((word) => word.length < leastPart)
    .map((word) => new RegExp(`(?<![\\p{L}\\p{N}])${word}`, 'u'));
  const whole = text.length >= leastPart ? compared(text) : null;
  if (whole === null && !words.length) return null;
  return (job: Searchable) =>
    (whole !== null && (job.serial.includes(whole) || job.words.includes(whole))) ||
    (words.length > 0 &&
      parts.every((part) => job.words.includes(part)) &&
      beginnings.every((beginning) => beginning.test(job.words)));
}

/** Open jobs, then the newest of the closed ones, in which the words are found. */
async function searchThrough(connection: Connection, words: readonly string[], { text, limit }: Searched) {
  const holds = lookFor(words, text);
  if (!holds) return [];
  const open = (await listOpenSearchable(connection)).filter(holds);
  const closed = open.length < limit ? (await listNewestClosed(connection)).filter(holds) : [];
  return [...open, ...closed].slice(0, limit).map(({ id }) => id);
}

/** Jobs that hold what is looked for, those that are looked through before those of any age that are found by lists. */
async function searchWords(connection: Connection, asked: Searched): Promise<readonly JobId[]> {
  const words = wordsIn(asked.text).slice(0, mostWords);
  const found = await searchThrough(connection, words, asked);
  if (found.length >= asked.limit) return found;
  const listed = await findOnLists(connection, words, asked.limit);
  return [...new Set([...found, ...listed])].slice(0, asked.limit);
}

/**
 * Finds jobs by tag, then by the beginning of a serial number, then by words and parts of them; open ones first, the
 * newest before the others. What is asked for often is among the newest jobs; what is not is seldom anywhere, and lists
 * of words are quick.
 */
export async function searchJobs(
  connection: Connection,
  { tag, text, limit }: Searched & { readonly tag: string | null },
) {
  if (tag) {
    const rows = await base(connection)
      .where(eq(t.jobs.tag, asId<Tag>(tag)))
      .limit(1);
    if (rows.length) return rows.map(parsed);
  }
  const [bySerial, byWords] = await Promise.all([
    base(connection)
      .where(like(t.pumps.serial, `${likeText(text)}%`))
      .orderBy(...openFirst)
      .limit(limit),
    searchWords(connection, { text, limit }),
  ]);
  if (bySerial.length || !byWords.length) return bySerial.map(parsed);
  const rows = await base(connection)
    .where(inArray(t.jobs.id, [...byWords]))
    .orderBy(...openFirst);
  return rows.map(parsed);
}

/** Open jobs in a state, by promise. */
export async function listJobsIn(
  connection: Connection,
  { state, today, limit }: { readonly state: FoundState; readonly today: string; readonly limit: number },
) {
  const risked = sql`exists (select 1 from purchase_orders o where o.job_id = ${t.jobs.id} and o.at_risk_minor is not null)`;
  const where = {
    late: or(gt(t.plannedPumps.plannedOn, t.jobs.promisedOn), lt(t.jobs.promisedOn, today)),
    approval: and(eq(t.jobs.station, 'approve'), eq(t.jobs.holder, 'C')),
    week: and(gte(t.jobs.promisedOn, mondayOf(today)), lt(t.jobs.promisedOn, addDays(mondayOf(today), 7))),
    hold: isNotNull(t.jobs.hold),
    parts: eq(t.jobs.station, 'parts'),
    risk: and(risked, inArray(t.jobs.station, ['quote', 'approve'])),
  }[state];
  const rows = await base(connection)
    .where(and(isNull(t.jobs.closedAt), where))
    .orderBy(asc(t.jobs.promisedOn), asc(t.jobs.id))
    .limit(limit);
  return rows.map(parsed);
}

interface FloorVersion {
  /** A short text that is another one whenever what lists show of an open job, or the plan, has changed. */
  readonly version: string;
  /** The plan's part of it. */
  readonly plan: number;
}

export async function readFloorVersion(connection: Connection): Promise<FloorVersion> {
  const [row] = await rowsOf<{ jobs: string; plan: number }>(
    connection,
    sql`select concat(count(*), '.', coalesce(sum(crc32(shown_hash)), 0)) as jobs,
               (select coalesce(max(version), 0) from kept_plans) as plan
        from jobs where closed_at is null`,
  );
  const plan = row?.plan ?? 0;
  return { version: `${row?.jobs ?? ''}.${plan}`, plan };
}

/** Tags after one, in their order, for reading every job. */
export async function listTags(connection: Connection, after: string, limit: number): Promise<readonly Tag[]> {
  const rows = await connection
    .select({ tag: t.jobs.tag })
    .from(t.jobs)
    .where(gt(t.jobs.tag, asId<Tag>(after)))
    .orderBy(asc(t.jobs.tag))
    .limit(limit);
  return rows.map((row) => row.tag);
}

/**
 * A picture or a frozen report of a job whose bytes are no longer those of its fingerprint; null where all are. A picture
 * without bytes was left out of a backup, by its age.
 */
export async function findAlteredFile(connection: Connection, jobId: JobId): Promise<string | null> {
  const rows = await rowsOf<{ what: string }>(
    connection,
    sql`select concat('photo ', ${t.photos.id}) as what from ${t.photos} where ${t.photos.jobId} = ${jobId} and length(${t.photos.bytes}) > 0 and sha2(${t.photos.bytes}, 256) <> ${t.photos.fingerprint}
      union all select concat('report ', ${t.reports.number}, ' ', ${t.reports.revision}) from ${t.reports} where ${t.reports.jobId} = ${jobId} and sha2(${t.reports.record}, 256) <> ${t.reports.fingerprint} limit 1`,
  );
  return rows[0]?.what ?? null;
}
