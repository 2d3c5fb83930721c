import * as z from 'zod';
import type { Family } from '../family';
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

/** What an id of the family is called; undefined for one that the family does not have. */
export type NameOf = (field: string, id: string) => string | undefined;

/** The names that a family gives to its parts, points, steps and actions. */
export function namesIn({ parts, points, teardown, rebuild, test }: Family): NameOf {
  const steps = [...teardown, ...rebuild, ...test.steps];
  const partNames = new Map(parts.map(({ ref, name }) => [ref, name]));
  const stepTitles = steps.map(({ id, title }) => [id, title] as const);
  const actionTitles = steps.flatMap(({ actions }) =>
    actions.map(({ id, title, do: [first] }) => [id, title ?? first] as const),
  );
  const maps: Readonly<Record<string, ReadonlyMap<string, string | undefined>>> = {
    ...{ ref: partNames, partRef: partNames, stepId: new Map(stepTitles), actionId: new Map(actionTitles) },
    pointId: new Map(points.map(({ id, title }) => [id, title])),
  };
  return (field, id) => maps[field]?.get(id);
}
const nameless: NameOf = () => undefined;

const longest = 140;
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

/** What tells a row from the others, by the family's names; a name with which its words begin is not said twice. */
function tellingTexts(row: Row, words: string, nameOf: NameOf): readonly string[] {
  const texts = telling.flatMap((field) => {
    const value = row[field];
    if (value === undefined || value === null) return [];
    const name = nameOf(field, String(value));
    if (name === undefined) return [say(value)];
    return words.toLowerCase().startsWith(name.toLowerCase()) ? [] : [`“${name}”`];
  });
  return [...new Set(texts)];
}

function sayChange(
  { put, row, was }: { readonly put: string; readonly row: Row; readonly was: Row | null },
  nameOf: NameOf,
): string {
  if (put === 'sheet') return saySheet({ row, was });
  const name = put in kindNames ? kindNames[put as RowKind] : put;
  const words = was ? '' : textsOf(row, saying).slice(0, 2).join(', ');
  const subject = [name, ...tellingTexts(row, words, nameOf)].join(' ');
  if (!was) return [subject, words].filter(Boolean).join(': ');
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

function sayChanges(
  changes: readonly Parameters<typeof sayChange>[0][],
  { note, nameOf }: { readonly note: Row; readonly nameOf: NameOf },
): readonly string[] {
  const waited = typeof note.madeAt === 'string' ? [`made at ${note.madeAt}, and waited on its device`] : [];
  return [...waited, ...changes.map((change) => sayChange(change, nameOf))];
}

/** Lines that an event shows at most; the rest is counted. */
const mostLines = 12;

/**
 * What an event changed, in words: each new row by what it says, each changed row by the fields that differ, with old
 * and new values. An event from before changes were kept says what it noted.
 * @param nameOf what the ids of the job's family are called; without it they are said as they are
 */
export function sayEvent(data: string, nameOf: NameOf = nameless): readonly string[] {
  const read = dataSchema.safeParse(JSON.parse(data));
  if (!read.success) return [];
  const { changes, ...note } = read.data;
  const lines = changes ? sayChanges(changes, { note, nameOf }) : sayNote(note);
  const left = lines.length - mostLines;
  return left > 0 ? [...lines.slice(0, mostLines), `and ${left} more`] : lines;
}
