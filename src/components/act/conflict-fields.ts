import type { Answer, Disposition, Look, PartAccount, Reading } from '@/core/record';
import type { WaitingEntry } from './waiting';

/** One field in which an entry of this device and what stands in the record disagree. */
export interface ConflictField {
  readonly key: string;
  readonly name: string;
  readonly mine: string;
  readonly theirs: string;
}

/** What two said of one thing: the fields in which they disagree, and who said the other. */
export interface Conflict {
  readonly fields: readonly ConflictField[];
  readonly by: string;
  /** ISO moment; empty where it is not known. */
  readonly at: string;
  readonly version: number;
}

type Said = Readonly<Record<string, unknown>>;

const fieldNames = {
  typed: 'Entry',
  instrument: 'Gauge',
  tool: 'Tool',
  consumable: 'Put on or in',
  passes: 'By pass, N·m',
  rows: 'Rows',
  ambientC: 'Room, °C',
  photoId: 'Picture',
  notPossible: 'Not possible',
  seen: 'Seen',
  action: 'Disposition',
  state: 'State',
  note: 'Note',
  reason: 'Why',
} as const;
type Key = keyof typeof fieldNames;

/** Any of the record's rows that an entry may meet, as core gave it. */
type Row = Partial<Omit<Reading, 'conceded'>> &
  Partial<Pick<Answer, 'actionId' | 'photoId' | 'data'>> &
  Partial<Pick<Disposition, 'action' | 'reason'>> &
  Partial<Pick<Look, 'seen'>> &
  Partial<Pick<PartAccount, 'ref' | 'note'>> & { readonly state?: string; readonly conceded?: string | boolean | null };

/** What a row says, by the fields of an entry for it; null for a row that is none of those that wait. */
function standing({ typedUnit, actionId, seen, action, state, ...row }: Row): Said | null {
  if (typedUnit !== undefined) return { typed: row.typed, instrument: row.instrument, reason: row.conceded };
  if (actionId !== undefined) {
    const { tool, consumable, passes, rows, ambientC, reason } = row.data ?? {};
    const said = { typed: row.typed, photoId: row.photoId, notPossible: state === 'not possible' };
    return { ...said, tool, consumable, passes, rows, ambientC, reason };
  }
  if (seen !== undefined) return { seen };
  if (action !== undefined) return { action, reason: row.reason };
  return state === undefined ? null : { state, note: row.note };
}

/** Which piece of an entry for several a row is about, and in which list; null where the entry is about one thing. */
function pieceOf({ input }: WaitingEntry, { pointId, place, ref }: Row) {
  if ('entries' in input) {
    const at = input.entries.findIndex((one) => one.pointId === pointId && one.place === place);
    return { list: 'entries', at, pieces: input.entries } as const;
  }
  if ('parts' in input && ref !== undefined) {
    // Cleaning and trays name parts by their references alone, and meet nobody.
    const pieces = input.parts.flatMap((one) => (typeof one === 'string' ? [] : [one]));
    return { list: 'parts', at: pieces.findIndex((one) => one.partRef === ref), pieces } as const;
  }
  return null;
}

/** What an entry says of the thing that a row is about. */
function saidIn(entry: WaitingEntry, row: Row): Said {
  const piece = pieceOf(entry, row);
  const { input, verb } = entry;
  return {
    ...(piece ? piece.pieces[piece.at] : input),
    // A reason stands beside the readings that it is for, and to look at a part says that nothing is seen.
    ...('reason' in input && { reason: input.reason }),
    ...(verb === 'look-at-parts' && { seen: 'nothing' }),
  };
}

/** What a field says, as a person reads it; empty where it says nothing. */
function say(key: Key, value: unknown): string {
  if (value === undefined || value === null || value === '' || value === false) return '';
  if (key === 'photoId') return 'a picture';
  if (key === 'notPossible') return 'yes';
  if (key === 'rows')
    return (value as readonly Said[])
      .map((row) => Object.values(row).map(String).filter(Boolean).join(' · '))
      .filter(Boolean)
      .join('; ');
  return Array.isArray(value) ? value.map(String).join(', ') : String(value);
}

/** The same figure typed with its unit or without is the same. */
const plain = (text: string, unit: string) =>
  unit && text.endsWith(unit) ? text.slice(0, -unit.length).trim() : text.trim();

/** The row that an entry met; null where it was refused for something else. */
function metRow({ error }: WaitingEntry): Row | null {
  if (error?.code !== 'changed-meanwhile' || typeof error.theirs !== 'object' || error.theirs === null) return null;
  return error.theirs;
}

const isKey = (key: string): key is Key => key in fieldNames;

/** Where nothing is known of what stands there, the two are chosen whole. */
const whole = 'whole';

/** The fields in which a refused entry disagrees with what stands; null where it was refused for something else. */
export function conflictOf(entry: WaitingEntry): Conflict | null {
  const row = metRow(entry);
  if (!row) return null;
  const about = { by: row.personName ?? '', at: row.at ?? '', version: row.version ?? 0 };
  const stands = standing(row);
  if (!stands)
    return { ...about, fields: [{ key: whole, name: 'Entry', mine: entry.label, theirs: 'what stands there now' }] };
  const mine = saidIn(entry, row);
  const unit = row.typedUnit ?? '';
  const fields = Object.keys(fieldNames)
    .filter(isKey)
    .filter((key) => key in stands)
    .flatMap((key): readonly ConflictField[] => {
      const [own, other] = [say(key, mine[key]), say(key, stands[key])];
      const isSame = key === 'typed' ? plain(own, unit) === plain(other, unit) : own === other;
      if (isSame) return [];
      return [{ key, name: fieldNames[key], mine: own, theirs: key === 'typed' && unit ? `${other} ${unit}` : other }];
    });
  return { ...about, fields };
}

/** Nothing, as an input says it: a field that is left out. */
const isNothing = (value: unknown) => value === undefined || value === null || value === '';

/** What says nothing in an input. */
function emptyOf(key: string): unknown {
  if (key === 'photoId' || key === 'instrument') return null;
  return key === 'notPossible' ? false : ['typed', 'reason', 'note'].includes(key) ? '' : undefined;
}

/** The input with other pieces in its list. */
const withPieces = ({ input }: WaitingEntry, list: 'entries' | 'parts', pieces: readonly object[]) => ({
  ...input,
  [list]: pieces,
});

/** The input without what is to stand as it does; null where nothing is left of it. */
function without(entry: WaitingEntry, row: Row): object | null {
  const piece = pieceOf(entry, row);
  const rest = piece?.pieces.filter((_, i) => i !== piece.at) ?? [];
  return piece && rest.length ? withPieces(entry, piece.list, rest) : null;
}

/** The input based on what stands now, with some fields as they stand there. */
function rebased(entry: WaitingEntry, row: Row, taken: Said): object {
  const piece = pieceOf(entry, row);
  const based = { basedOn: row.version ?? 0 };
  if (!piece) return { ...entry.input, ...taken, ...based };
  const { reason, ...ofPiece } = taken;
  const pieces = piece.pieces.map((one, i) => (i === piece.at ? { ...one, ...ofPiece, ...based } : one));
  return { ...withPieces(entry, piece.list, pieces), ...(reason !== undefined && { reason }) };
}

/**
 * An entry as a person settled it: each field as they chose. It says another thing now, so it has a key of its own.
 * @param fromTheirs keys of the fields that are to stand as they stand in the record
 * @returns null where everything is to stand as it does: then there is nothing to send
 */
export function settle(entry: WaitingEntry, fromTheirs: ReadonlySet<string>, newKey: string): WaitingEntry | null {
  const [row, conflict] = [metRow(entry) ?? {}, conflictOf(entry)];
  const open = conflict?.fields ?? [];
  const stands = standing(row) ?? {};
  const theirs = open.filter(({ key }) => fromTheirs.has(key));
  const taken = theirs.map(({ key }) => [key, isNothing(stands[key]) ? emptyOf(key) : stands[key]] as const);
  const input = theirs.length === open.length ? without(entry, row) : rebased(entry, row, Object.fromEntries(taken));
  const { error: _error, ...rest } = entry;
  return input && ({ ...rest, key: newKey, input } as WaitingEntry);
}
