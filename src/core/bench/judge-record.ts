import { present } from '../present';
import type { Reason } from '../errors';
import { fieldsOf, unevenOf, type Family, type FormOf } from '../family';
import type { JobRecord, RecordRow } from '../record';
import { SumRefusal, type FindSum, type Outcome } from '../sums';
import type { Judged } from './judge-answer';
import { readValue } from './read-value';
import { sayFigure, takenFrom } from './reckon-setting';
import { rowName, type TypedRow } from './record-rows';

type RecordForm = FormOf<'record'>;
type Column = RecordForm['columns'][number];
type CellRead = { readonly ok: true; readonly value: number | string } | { readonly ok: false; readonly why: Reason };

function readCell(typed: string, column: Column, row: string): CellRead {
  const fail = (sentence: string): CellRead => ({
    ok: false,
    why: { code: 'cell-unread', about: { row, column: column.title, sentence } },
  });
  if (column.choices)
    return column.choices.includes(typed) ? { ok: true, value: typed } : fail(`choose ${column.choices.join(' or ')}.`);
  const read = readValue(typed, column.unit);
  if (!read.ok) return fail(read.sentence);
  const { min, max } = column.plausible ?? { min: column.unit === '°C' ? -60 : 0, max: 1e6 };
  const isMeant = read.value >= min && read.value <= max;
  return isMeant
    ? { ok: true, value: read.value }
    : fail(`${typed} cannot be meant, it lies between ${min} and ${max}.`);
}

type RowsRead =
  { readonly ok: true; readonly rows: readonly RecordRow[] } | { readonly ok: false; readonly why: Reason };

/** Reads the rows as they were typed; rows without a single cell are left out. */
export function readRecord(form: RecordForm, typed: readonly TypedRow[]): RowsRead {
  const { ask, columns } = form;
  const filled = typed.filter((row) => columns.some(({ id }) => row[id]?.trim()));
  const least = form.rows?.length ?? form.least;
  if (filled.length < least)
    return { ok: false, why: { code: 'rows-wanted', about: { ask, least, given: filled.length } } };
  const rows: RecordRow[] = [];
  for (const [i, row] of filled.entries()) {
    const read: Record<string, number | string> = {};
    for (const column of columns) {
      const cell = row[column.id]?.trim() ?? '';
      const name = rowName(form, i);
      if (!cell) return { ok: false, why: { code: 'cell-wanted', about: { ask, row: name, column: column.title } } };
      const got = readCell(cell, column, name);
      if (!got.ok) return got;
      read[column.id] = got.value;
    }
    rows.push(read);
  }
  return { ok: true, rows };
}

/** The first entry that lies outside the window of its column. */
function cellFault(form: RecordForm, rows: readonly RecordRow[]): Reason | null {
  for (const [i, row] of rows.entries())
    for (const { id, title, unit, window } of form.columns) {
      const value = row[id];
      if (!window || typeof value !== 'number') continue;
      if (value < (window.min ?? -Infinity) || value > (window.max ?? Infinity)) {
        const about = { row: rowName(form, i), column: title, value, unit, means: form.means ?? '' };
        return { code: 'cell-outside', about: { ...about, min: window.min, max: window.max } };
      }
    }
  return null;
}

/** Rows that do not go together: too far apart, or rising where they must fall. */
function unevenFault(form: RecordForm, rows: readonly RecordRow[]): Reason | null {
  const uneven = unevenOf(form.columns, rows);
  if (!uneven) return null;
  const { title, unit } = uneven.column;
  const about = { column: title, unit, means: form.means ?? '' };
  if (uneven.kind === 'apart') return { code: 'rows-apart', about: { ...about, by: uneven.by, agree: uneven.agree } };
  const { value, before } = uneven;
  return { code: 'row-rises', about: { ...about, row: rowName(form, uneven.row), value, before } };
}

interface Job {
  readonly record: JobRecord;
  readonly family: Family;
}

type Reckoned = { readonly outcome: Outcome<unknown> } | { readonly refused: string };

/** Reckons the sum that judges a record; null where none does. Never throws for what a person can type. */
export function reckonRecord(
  form: RecordForm,
  rows: readonly RecordRow[],
  job: Job,
  findSum: FindSum,
): Reckoned | null {
  const { judge } = form;
  if (!judge) return null;
  const sum = present(findSum(judge.sum));
  const taken = Object.entries(judge.from).map(([field, from]) => [field, takenFrom(from, job)] as const);
  const open = taken.filter(([, value]) => value === null).map(([field]) => field);
  if (open.length) return { refused: `${open.join(', ')} is not known yet` };
  const given = rows.map((row) => fieldsOf(form.columns, row));
  const own = judge.list === undefined ? given[0] : { [judge.list]: given };
  const read = sum.input.safeParse({ ...judge.input, ...Object.fromEntries(taken), ...own });
  if (!read.success)
    return { refused: read.error.issues.map((issue) => `${issue.path.join(' ')}: ${issue.message}`).join('; ') };
  try {
    return { outcome: sum.compute(read.data) };
  } catch (error) {
    if (error instanceof SumRefusal) return { refused: error.message };
    throw error;
  }
}

function verdictFault(form: RecordForm, outcome: Outcome<unknown>): Reason | null {
  const { ask, means = '' } = form;
  const judge = present(form.judge);
  const figure = (outcome.result as Readonly<Record<string, unknown>>)[judge.gives];
  const verdict = sayFigure(outcome, judge);
  const isWord = judge.right !== undefined && !judge.right.includes(String(figure));
  const { min = -Infinity, max = Infinity } = judge.window ?? {};
  const isOff = judge.window !== undefined && (typeof figure !== 'number' || figure < min || figure > max);
  return isWord || isOff ? { code: 'record-judged', about: { ask, verdict, means } } : null;
}

/** A record as it is kept beside its answer. */
export interface JudgedRecord extends Judged {
  readonly rows: readonly RecordRow[];
}

/** A record in few words: its one row, or how many there are, and what the sum says. */
function sayRecord(form: RecordForm, rows: readonly RecordRow[], outcome: Outcome<unknown> | null): string {
  const said = outcome && form.judge ? sayFigure(outcome, form.judge) : '';
  const [only] = rows;
  const cells = form.columns.map(({ id, unit }) => `${only?.[id] ?? ''}${unit && ` ${unit}`}`);
  const own = rows.length === 1 ? cells.join(', ') : `${rows.length} rows`;
  return [own, said].filter(Boolean).join(': ');
}

/** Judges a record: every entry within its column's window, and the sum's verdict right. */
export function judgeRecord(form: RecordForm, typed: readonly TypedRow[], job: Job, findSum: FindSum): JudgedRecord {
  const read = readRecord(form, typed);
  const empty = { typed: '', value: null, unit: '', wrong: null, rows: [] };
  if (!read.ok) return { ...empty, refused: read.why };
  const { rows } = read;
  const reckoned = reckonRecord(form, rows, job, findSum);
  if (reckoned && 'refused' in reckoned) {
    const why: Reason = { code: 'record-unreckoned', about: { ask: form.ask, sentence: `${reckoned.refused}.` } };
    return { ...empty, refused: why };
  }
  const outcome = reckoned?.outcome ?? null;
  const figure = outcome && (outcome.result as Readonly<Record<string, unknown>>)[present(form.judge).gives];
  return {
    typed: sayRecord(form, rows, outcome),
    value: typeof figure === 'number' ? figure : null,
    unit: typeof figure === 'number' ? (form.judge?.unit ?? '') : '',
    refused: null,
    wrong: cellFault(form, rows) ?? unevenFault(form, rows) ?? (outcome && verdictFault(form, outcome)),
    rows,
  };
}
