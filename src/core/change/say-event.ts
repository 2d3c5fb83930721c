import * as z from 'zod';
import { onlySheet, type RowKind, type SheetKind } from '../record';

/** Kinds of rows as a person names them. */
const kindNames: Readonly<Record<RowKind, string>> = {
  job: 'job',
  intake: 'as received',
  acknowledgement: 'caution',
  part: 'part',
  look: 'looked at',
  promise: 'promise moved',
  correction: 'put right',
  step: 'step',
  answer: 'answer',
  reading: 'reading',
  finding: 'finding',
  disposition: 'disposition',
  photo: 'picture',
  quote: 'quote',
  quoteLine: 'line',
  link: 'customer link',
  approval: 'answer',
  question: 'question',
  agreement: 'agreed limit',
  decline: 'critical decline',
  reminder: 'reminder',
  order: 'order',
  orderLine: 'order line',
  receipt: 'receipt',
  run: 'test run',
  report: 'report',
  returned: 'return',
  sheet: 'sheet',
};

/**
 * What tells a row from the others, and what it says, in this order; fields that a row does not have are passed over.
 */
const telling = [
  'ref',
  'stepId',
  'actionId',
  'captureId',
  'pointId',
  'place',
  'caution',
  'partRef',
  'number',
  'revision',
] as const;
const saying = [
  'to',
  'seen',
  'typed',
  'state',
  'words',
  'action',
  'reason',
  'description',
  'caption',
  'way',
  'name',
  'quantity',
  'verdict',
  'decision',
] as const;
/** Fields that change with every change and say nothing by themselves. */
const silent: ReadonlySet<string> = new Set(['version', 'at', 'personId', 'personName', 'holderSince', 'value']);

const dataSchema = z.looseObject({
  changes: z
    .array(
      z.object({
        put: z.string(),
        row: z.record(z.string(), z.unknown()),
        was: z.record(z.string(), z.unknown()).nullable(),
      }),
    )
    .optional(),
});
type Row = Readonly<Record<string, unknown>>;

const longest = 80;
function say(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
  return text.length > longest ? `${text.slice(0, longest)}…` : text;
}
const worded = (field: string) => field.replaceAll(/([A-Z])/g, ' $1').toLowerCase();
const textsOf = (row: Row, fields: readonly string[]) =>
  fields.flatMap((field) => (row[field] === undefined || row[field] === null ? [] : [say(row[field])]));

/** Sheets as a person names them. */
const sheetNames: Readonly<Record<SheetKind, string>> = {
  residue: 'residue',
  begun: 'begun elsewhere',
  evaluation: 'first look',
  cleaning: 'cleaning run',
  policy: 'way',
  warranty: 'warranty return',
  fate: 'owner’s word',
  packing: 'packing list',
  source: 'source',
  made: 'made in the shop',
  outside: 'work outside',
  number: 'number found',
  tray: 'tray',
  given: 'given to another pump',
  claim: 'claim',
};
const bodyOf = (row: Row | null): Row =>
  row && typeof row.body === 'object' && row.body !== null ? { ...row.body } : {};
const isSaid = (value: unknown) => (typeof value === 'string' ? value !== '' : typeof value === 'number');

/** A sheet by its name, with what its body says; one that was changed with the fields that differ. */
function saySheet({ row, was }: { readonly row: Row; readonly was: Row | null }): string {
  const name = sheetNames[row.kind as SheetKind] ?? 'sheet';
  const subject = row.key === onlySheet ? name : `${name} ${String(row.key)}`;
  const [now, before] = [bodyOf(row), bodyOf(was)];
  if (!was) {
    const said = Object.entries(now).filter(([, value]) => isSaid(value));
    const words = said.slice(0, 4).map(([field, value]) => `${worded(field)} ${say(value)}`);
    return [subject, words.join(', ')].filter(Boolean).join(': ');
  }
  const fields = Object.keys(now).filter((field) => JSON.stringify(now[field]) !== JSON.stringify(before[field]));
  return `${subject}: ${fields.map((field) => `${worded(field)} ${say(before[field])} → ${say(now[field])}`).join('; ')}`;
}

function sayChange({ put, row, was }: { readonly put: string; readonly row: Row; readonly was: Row | null }): string {
  if (put === 'sheet') return saySheet({ row, was });
  const name = put in kindNames ? kindNames[put as RowKind] : put;
  const subject = [name, ...textsOf(row, telling)].join(' ');
  if (!was) return [subject, textsOf(row, saying).slice(0, 2).join(', ')].filter(Boolean).join(': ');
  const fields = Object.keys(was).filter((field) => !silent.has(field));
  return `${subject}: ${fields.map((field) => `${worded(field)} ${say(was[field])} → ${say(row[field])}`).join('; ')}`;
}

/** What an event from before changes were kept has to say. */
function sayNote(note: Row): readonly string[] {
  const noted = Object.entries(note)
    .filter(([, value]) => typeof value === 'string' || typeof value === 'number')
    .map(([field, value]) => `${worded(field)} ${say(value)}`);
  return noted.length ? [noted.join(' · ')] : [];
}

function sayChanges(changes: readonly Parameters<typeof sayChange>[0][], note: Row): readonly string[] {
  const waited = typeof note.madeAt === 'string' ? [`made at ${note.madeAt}, and waited on its device`] : [];
  return [...waited, ...changes.map(sayChange)];
}

/** Lines that an event shows at most; the rest is counted. */
const mostLines = 12;

/**
 * What an event changed, in words: each new row by what it says, each changed row by the fields that differ, with old
 * and new values. An event from before changes were kept says what it noted.
 */
export function sayEvent(data: string): readonly string[] {
  const read = dataSchema.safeParse(JSON.parse(data));
  if (!read.success) return [];
  const { changes, ...note } = read.data;
  const lines = changes ? sayChanges(changes, note) : sayNote(note);
  const left = lines.length - mostLines;
  return left > 0 ? [...lines.slice(0, mostLines), `and ${left} more`] : lines;
}
