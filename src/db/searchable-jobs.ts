import { desc, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { union } from 'drizzle-orm/mysql-core';
import type { JobId } from '@/core/record';
import { rowsOf, type Connection } from './client';
import { compared } from './compared-text';
import * as t from './schema';

/** Jobs that are looked through letter by letter, the newest: lists know whole words and their beginnings alone. */
const lookedThrough = 1500;
/** For how long they are kept at most, in ms: a job that was corrected after it was closed says nothing by its closing. */
const longestMs = 60_000;

/** A job with its serial number and the words by which it is found, both as they are compared. */
export interface Searchable {
  readonly id: JobId;
  readonly serial: string;
  readonly words: string;
}

interface Newest {
  /** When a job was opened last, and when one was closed. */
  readonly last: string;
  readonly readAt: number;
  readonly jobs: readonly Searchable[];
}

const kept = new WeakMap<Connection, Newest>();

/** An open job as it was read, with the version that it had. */
interface KeptOpen {
  readonly version: number;
  readonly readAt: number;
  readonly job: Searchable;
}
const keptOpen = new WeakMap<Connection, ReadonlyMap<JobId, KeptOpen>>();

const wordsOf = (connection: Connection) =>
  connection
    .select({ id: t.jobs.id, serial: t.pumps.serial, words: t.jobs.searchText })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId));

const toSearchable = ({ id, serial, words }: Searchable): Searchable => ({
  ...{ id, serial: compared(serial), words: compared(words) },
});

/** The closed ones of the newest jobs, and those that are on no list yet: their events are not packed. */
async function readNewest(connection: Connection): Promise<readonly Searchable[]> {
  const newest = connection.select({ id: t.jobs.id }).from(t.jobs).orderBy(desc(t.jobs.openedAt)).limit(lookedThrough);
  const loose = connection.selectDistinct({ id: t.events.jobId }).from(t.events);
  const wanted = union(newest, loose).as('wanted');
  const rows = await wordsOf(connection)
    .innerJoin(wanted, eq(wanted.id, t.jobs.id))
    .where(isNotNull(t.jobs.closedAt))
    .orderBy(desc(t.jobs.openedAt));
  return rows.map(toSearchable);
}

async function readOpen(connection: Connection, ids: readonly JobId[]): Promise<ReadonlyMap<JobId, Searchable>> {
  if (!ids.length) return new Map();
  const rows = await wordsOf(connection).where(inArray(t.jobs.id, ids));
  return new Map(rows.map((row) => [row.id, toSearchable(row)]));
}

/**
 * All open jobs, the newest first, as they are looked through: those that changed since are read anew, and each after a
 * minute. To compare their texts took the database 12 ms with 440 of them.
 */
export async function listOpenSearchable(connection: Connection): Promise<readonly Searchable[]> {
  const standing = await rowsOf<{ readonly id: JobId; readonly version: number }>(
    connection,
    sql`select id, version from jobs where closed_at is null order by opened_at desc`,
  );
  const now = performance.now();
  const known = keptOpen.get(connection);
  const isKnown = ({ id, version }: (typeof standing)[number]) => {
    const one = known?.get(id);
    return one?.version === version && now - one.readAt < longestMs;
  };
  const read = await readOpen(
    connection,
    standing.filter((one) => !isKnown(one)).map(({ id }) => id),
  );
  const jobs = standing.flatMap(({ id, version }): [JobId, KeptOpen][] => {
    const job = read.get(id);
    const one = job ? { version, readAt: now, job } : known?.get(id);
    return one ? [[id, one]] : [];
  });
  keptOpen.set(connection, new Map(jobs));
  return jobs.map(([, { job }]) => job);
}

/**
 * The closed ones of the newest jobs, newest first, as they are looked through: read anew when a job was opened or closed
 * since. To look through their rows took 25 ms for each who searched.
 */
export async function listNewestClosed(connection: Connection): Promise<readonly Searchable[]> {
  const [row] = await rowsOf<{ last: string }>(
    connection,
    sql`select concat_ws(' ', (select max(opened_at) from jobs), (select max(closed_at) from jobs)) as last`,
  );
  const last = row?.last ?? '';
  const now = performance.now();
  const known = kept.get(connection);
  if (known?.last === last && now - known.readAt < longestMs) return known.jobs;
  const jobs = await readNewest(connection);
  kept.set(connection, { last, readAt: now, jobs });
  return jobs;
}
