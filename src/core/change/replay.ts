import { present } from '../present';
import * as z from 'zod';
import { canonical, findBrokenEvent, type ChainedEvent, type Stretch } from '../lifecycle/event-chain';
import {
  emptyTables,
  recordOf,
  rowKinds,
  tablesOf,
  type JobRecord,
  type RecordFrame,
  type RowKind,
  type RowTables,
} from '../record';
import { bringUpPut, earlierKinds } from './bring-up';
import { applyPuts, putAll, type Put } from './change';

/** What an event's data must have for its changes to be replayed; the rows are what this program wrote. */
const dataSchema = z.object({
  changes: z
    .array(
      z.object({
        put: z.union([z.enum(rowKinds), z.enum(earlierKinds)]),
        row: z.record(z.string(), z.unknown()),
        was: z.record(z.string(), z.unknown()).nullable(),
      }),
    )
    .optional(),
});

/** Where a job's tables and the replay of its events first differ, or where its chain is broken. */
export interface Difference {
  readonly seq: number | null;
  /** Kind of row and its key, or what is wrong with the chain. */
  readonly what: string;
  readonly replayed: unknown;
  readonly stored: unknown;
}

/** The changes of an event; null for one from before events held them. */
export function changesOf(event: Pick<ChainedEvent, 'data'>): readonly Put[] | null {
  const read = dataSchema.safeParse(JSON.parse(event.data));
  // The rows were checked when they were decided, and the chain vouches for their bytes.
  return read.success && read.data.changes ? (read.data.changes.map(bringUpPut) as unknown as readonly Put[]) : null;
}

/**
 * The tables that a job's events give, from its opening on. Events before the opening hold no changes and are passed
 * over.
 */
export function replayEvents(events: readonly Pick<ChainedEvent, 'data'>[]): RowTables {
  const tables = emptyTables();
  for (const event of events) {
    const changes = changesOf(event);
    if (changes) putAll(tables, changes);
  }
  return tables;
}

/** The first field in which two rows differ; null where they are the same. */
function firstField(one: object | undefined, other: object | undefined): string | null {
  const [a, b]: Readonly<Record<string, unknown>>[] = [{ ...one }, { ...other }];
  const fields = [...new Set([...Object.keys(present(a)), ...Object.keys(present(b))])].sort();
  return fields.find((field) => canonical(present(a)[field] ?? null) !== canonical(present(b)[field] ?? null)) ?? null;
}

function firstDifferenceOf(kind: RowKind, replayed: RowTables, stored: RowTables): Difference | null {
  const [a, b]: ReadonlyMap<string, object>[] = [replayed[kind], stored[kind]];
  for (const key of new Set([...present(a).keys(), ...present(b).keys()])) {
    const [one, other] = [present(a).get(key), present(b).get(key)];
    const field = firstField(one, other);
    if (!field) continue;
    const of = (row: object | undefined) => (row ? (row as Readonly<Record<string, unknown>>)[field] : 'no such row');
    return { seq: null, what: `${kind} ${key}: ${field}`, replayed: of(one), stored: of(other) };
  }
  return null;
}

/**
 * Whether a job's chain is whole and the replay of its events gives its record.
 * @returns the first thing that is wrong; null when all is as it was decided
 */
export function verifyJob({
  record,
  events,
  sha256,
}: {
  readonly record: JobRecord;
  readonly events: readonly ChainedEvent[];
  readonly sha256: (text: string) => string;
}): Difference | null {
  const broken = findBrokenEvent({ events, headHash: record.headHash, sha256 });
  if (broken) return { seq: broken.seq, what: broken.why, replayed: null, stored: null };
  const replayed = replayEvents(events);
  const stored = tablesOf(record);
  for (const kind of rowKinds) {
    const found = firstDifferenceOf(kind, replayed, stored);
    if (found) return found;
  }
  return null;
}

/**
 * The record as the events give it, with the frame of the stored one. Throws RangeError where no event opens the job.
 */
export function replayRecord(events: readonly Pick<ChainedEvent, 'data'>[], frame: RecordFrame): JobRecord {
  return recordOf(replayEvents(events), frame);
}

/**
 * A record after the events that followed on it, its frame as it was. Null where they do not lead from it to `headHash`
 * without a gap, or hold no changes.
 */
export function recordAfterEvents(
  record: JobRecord,
  { events, headHash, sha256 }: Omit<Stretch, 'after'>,
): JobRecord | null {
  if (findBrokenEvent({ events, headHash, sha256, after: record })) return null;
  const puts: Put[] = [];
  for (const event of events) {
    const changes = changesOf(event);
    if (!changes) return null;
    puts.push(...changes);
  }
  return { ...applyPuts(record, puts).record, version: record.version + events.length, headHash };
}
