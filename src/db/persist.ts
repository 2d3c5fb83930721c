import { and, eq, getTableColumns, isNull } from 'drizzle-orm';
import type { MySqlTable } from 'drizzle-orm/mysql-core';
import type { Change, Decision, OutboxItem } from '@/core/change';
import type { JobHead, JobId, JobRecord, RowKind } from '@/core/record';
import type { Connection } from './client';
import { mappings, type TableKind } from './job-rows';
import * as t from './schema';
import { insertRows, updateRows } from './written-once';

/** What is stored beside the rows of a decision. */
export interface Beside {
  /** Words by which the job is found. */
  readonly searchText: string;
  /** Pictures by the id of their row, as encoded. */
  readonly pictures?: Readonly<Record<string, { readonly bytes: Buffer; readonly thumb: Buffer }>>;
  /** Ids for the outbox, one an item. */
  readonly newId: () => string;
}

const modelText = ({ maker, model, size }: JobHead['pump']) => `${maker} | ${model} | ${size}`;

/** What a job's row in its own table says, from its head and standing. */
function columnsOf(head: JobHead, decision: Pick<Decision<unknown>, 'event' | 'standing'>, searchText: string) {
  const { station, holder, hold, outcome, promisedOn, familyId, familyVersion } = head;
  return {
    ...{ station, holder, hold, outcome, promisedOn, familyId, familyVersion, searchText },
    pumpId: head.pump.id,
    modelText: modelText(head.pump),
    customerId: head.customer.id,
    contactId: head.contact?.id ?? null,
    ...{ lotId: head.lot?.id ?? null, lotUnit: head.lot?.unit ?? null },
    holderSince: new Date(head.holderSince),
    closedAt: head.closedAt === null ? null : new Date(head.closedAt),
    standing: decision.standing,
    version: decision.event.seq,
    headHash: decision.event.hash,
  };
}

/** For an update by insertion: every column but the heavy ones, and those that the database reckons, takes the value that was to be inserted. */
const takenAnew = (table: MySqlTable, heavy: readonly string[]) =>
  Object.entries(getTableColumns(table)).flatMap(([key, { generated }]) =>
    generated || heavy.includes(key) ? [] : [key],
  );

type Heavy = (kind: TableKind, id: string) => Readonly<Record<string, unknown>>;

function heavyOf({ texts }: Pick<Decision<unknown>, 'texts'>, { pictures = {} }: Beside): Heavy {
  return (kind, id) => {
    if (kind === 'photo') return { ...pictures[id] };
    if (kind === 'report') return { record: texts[id] ?? '' };
    return {};
  };
}

async function writeKind(
  connection: Connection,
  kind: TableKind,
  changes: readonly Change[],
  about: { jobId: JobId; heavy: Heavy },
) {
  const mapping = mappings[kind];
  const table: MySqlTable = mapping.table;
  const toTable = mapping.toTable as (row: unknown, jobId: JobId) => Readonly<Record<string, unknown>>;
  const rows = changes.map(({ row, was }) => ({ isNew: was === null, values: toTable(row, about.jobId), row }));
  const fresh = rows
    .filter(({ isNew }) => isNew)
    .map(({ values, row }) => ({ ...values, ...about.heavy(kind, 'id' in row ? row.id : '') }));
  const known = rows.filter(({ isNew }) => !isNew).map(({ values }) => values);
  // A second writer of a new row meets its key; the job's version was compared before.
  await insertRows(connection, table, fresh);
  await insertRows(connection, table, known, takenAnew(table, mapping.heavy));
}

type Written = Pick<Decision<unknown>, 'after' | 'changes' | 'texts'>;

async function writeRows(connection: Connection, decision: Written, beside: Beside): Promise<void> {
  const heavy = heavyOf(decision, beside);
  const byKind = new Map<RowKind, Change[]>();
  for (const change of decision.changes) byKind.set(change.put, [...(byKind.get(change.put) ?? []), change]);
  byKind.delete('job');
  for (const [kind, changes] of byKind)
    await writeKind(connection, kind as TableKind, changes, { jobId: decision.after.id, heavy });
}

async function writeEvent(connection: Connection, jobId: JobId, { event }: Pick<Decision<unknown>, 'event'>) {
  await insertRows(connection, t.events, [{ ...event, jobId, at: new Date(event.at) }]);
}

async function writeOutbox(connection: Connection, { after, event, outbox }: Decision<unknown>, { newId }: Beside) {
  if (!outbox.length) return [];
  const at = new Date(event.at);
  const rows = outbox.map((item) => ({ id: newId(), jobId: after.id, item, dueAt: at, createdAt: at }));
  await insertRows(connection, t.outbox, rows);
  return rows.map(({ id, item }): OutboxRow => ({ id, item, jobId: after.id }));
}

export interface OutboxRow {
  readonly id: string;
  /** Null for what is of the whole shop. */
  readonly jobId: JobId | null;
  readonly item: OutboxItem;
}

/**
 * Writes what was decided of one job: its rows, its event and what is to be done after the commit, as compare-and-set
 * on
 * the version that was decided upon. To be called in a transaction. Nothing is read: it may be written together.
 * @returns the rows of the outbox; null when somebody else changed the job meanwhile, and then nothing is written
 */
export async function persist(
  connection: Connection,
  decision: Decision<unknown>,
  beside: Beside,
): Promise<readonly OutboxRow[] | null> {
  const { before, after, event } = decision;
  const meant = { id: before.id, version: event.seq - 1 };
  if ((await updateRows(connection, t.jobs, columnsOf(after, decision, beside.searchText), meant)) !== 1) return null;
  if (after.familyId !== before.familyId)
    await updateRows(connection, t.pumps, { familyId: after.familyId }, { id: after.pump.id });
  await writeRows(connection, decision, beside);
  await writeEvent(connection, after.id, decision);
  return writeOutbox(connection, decision, beside);
}

/** Writes a job that was just opened: its row, intake and first event. To be called in a transaction. */
export async function persistOpening(
  connection: Connection,
  decision: Decision<unknown>,
  beside: Beside,
): Promise<void> {
  const { after, event } = decision;
  const { id, tag, pump, customer } = after;
  const openedAt = new Date(after.openedAt);
  const own = { id, tag, pumpId: pump.id, customerId: customer.id, openedAt, openedSeq: event.seq };
  await connection.insert(t.jobs).values({ ...columnsOf(after, decision, beside.searchText), ...own });
  await writeRows(connection, decision, beside);
  await writeEvent(connection, id, decision);
}

/**
 * Writes the event from which on a job's events hold its changes, as compare-and-set; false when somebody was first.
 */
export async function persistTakenOver(
  connection: Connection,
  decision: Pick<Decision<unknown>, 'before' | 'after' | 'event' | 'standing'>,
): Promise<boolean> {
  const { before, event, standing } = decision;
  const [done] = await connection
    .update(t.jobs)
    .set({ version: event.seq, headHash: event.hash, openedSeq: event.seq, standing })
    .where(and(eq(t.jobs.id, before.id), eq(t.jobs.version, event.seq - 1), isNull(t.jobs.openedSeq)));
  if (done.affectedRows !== 1) return false;
  await writeEvent(connection, before.id, decision);
  return true;
}

/** Events that one statement writes. */
const eventsAtOnce = 100;

/** Writes a job whole that was not made here entry by entry: its row, every row of it, and its chain with the last event. */
export async function persistTakenIn(
  connection: Connection,
  taken: Pick<Decision<unknown>, 'after' | 'event' | 'standing' | 'changes' | 'texts'> & {
    readonly events: readonly Decision<unknown>['event'][];
    readonly openedSeq: number;
  },
  beside: Beside,
): Promise<void> {
  const { after, events, openedSeq } = taken;
  const { id, tag, pump, customer } = after;
  const own = { id, tag, pumpId: pump.id, customerId: customer.id, openedAt: new Date(after.openedAt), openedSeq };
  await connection.insert(t.jobs).values({ ...columnsOf(after, taken, beside.searchText), ...own });
  await writeRows(connection, taken, beside);
  for (let i = 0; i < events.length; i += eventsAtOnce) {
    const rows = events.slice(i, i + eventsAtOnce).map((event) => ({ ...event, jobId: id, at: new Date(event.at) }));
    await insertRows(connection, t.events, rows);
  }
}

/** Jobs whose events do not hold their changes yet. */
export async function listUnopened(connection: Connection, limit: number): Promise<readonly JobRecord['tag'][]> {
  const rows = await connection.select({ tag: t.jobs.tag }).from(t.jobs).where(isNull(t.jobs.openedSeq)).limit(limit);
  return rows.map((row) => row.tag);
}
