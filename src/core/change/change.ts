import { canonical } from '../lifecycle/event-chain';
import {
  putRow,
  recordAfter,
  rowKinds,
  tablesOf,
  type JobRecord,
  type RowKind,
  type RowOf,
  type RowTables,
} from '../record';

export interface PutOf<Kind extends RowKind> {
  readonly put: Kind;
  readonly row: RowOf<Kind>;
}
/** A row that a command writes: a new one, or in place of the one with the same key. */
export type Put = { readonly [Kind in RowKind]: PutOf<Kind> }[RowKind];

/**
 * A change as its event keeps it: the row after, and of a row that stood before the fields that differ, as they were.
 */
export type Change = Put & { readonly was: Readonly<Record<string, unknown>> | null };

/** Says that a row of a kind is put. */
export function put<Kind extends RowKind>(kind: Kind, row: RowOf<Kind>): PutOf<Kind> {
  return { put: kind, row };
}

/** What differs in `before`, field by field; null when there was nothing. */
function differing(before: object | null, after: object): Readonly<Record<string, unknown>> | null {
  if (!before) return null;
  const now: Readonly<Record<string, unknown>> = { ...after };
  return Object.fromEntries(
    Object.entries(before).filter(([field, value]) => canonical(value ?? null) !== canonical(now[field] ?? null)),
  );
}

function putInto<Kind extends RowKind>(tables: RowTables, { put: kind, row }: PutOf<Kind>) {
  return differing(putRow(tables, kind, row), row);
}

/** Puts rows into tables, in place. Gives the changes: each row with what it replaced. */
export function putAll(tables: RowTables, puts: readonly Put[]): readonly Change[] {
  return puts.map((one) => ({ ...one, was: putInto(tables, one) }));
}

/**
 * The record after rows were put. Pure: the record before stays as it is. Its version and place in the chain are not
 * touched; they move with the event.
 * @param record the record of one job
 * @param puts rows of that job, in the order in which they are put
 */
export function applyPuts(
  record: JobRecord,
  puts: readonly Put[],
): { readonly record: JobRecord; readonly changes: readonly Change[] } {
  let changes: readonly Change[] = [];
  const after = recordAfter(record, new Set(puts.map((one) => one.put)), (tables) => {
    changes = putAll(tables, puts);
  });
  return { record: after, changes };
}

/** The rows by which a record as it stands is opened: replaying them gives it again. */
export function openingPuts(record: JobRecord): readonly Put[] {
  const puts: Put[] = [];
  const tables: { readonly [Kind in RowKind]: ReadonlyMap<string, RowOf<Kind>> } = tablesOf(record);
  const collect = <Kind extends RowKind>(kind: Kind) => {
    const rows: ReadonlyMap<string, RowOf<Kind>> = tables[kind];
    for (const row of rows.values()) puts.push({ put: kind, row } as Put);
  };
  for (const kind of rowKinds) collect(kind);
  return puts;
}
