// Each kind of row that a job consists of, as its table holds it: both ways side by side. Longer than most files,
// because the two directions of all twenty kinds are read together.
import type { MySqlTable, AnyMySqlColumn } from 'drizzle-orm/mysql-core';
import type { z } from 'zod';
import type { JobId, RowKind, RowOf, Sheet, Signed } from '@/core/record';
import { sheetBodies } from '@/core/record/sheet-bodies';
import { fromJson } from './client';
import * as s from './row-schemas';
import * as t from './schema';

const iso = (date: Date) => date.toISOString();
const isoOrNull = (date: Date | null) => (date ? date.toISOString() : null);
const date = (text: string) => new Date(text);
const dateOrNull = (text: string | null) => (text === null ? null : new Date(text));
const numberOrNull = (value: string | null) => (value === null ? null : Number(value));
const parsed = <T>(schema: z.ZodType<T>, value: unknown): T => schema.parse(fromJson(value));
const signedOf = ({ personId, personName, at }: s.SignedRow): Signed => ({ personId, personName, at: iso(at) });
const signedRow = ({ personId, personName, at }: Signed) => ({ personId, personName, at: date(at) });

/** The kinds that have a table of their own; a job's head is joined from several. */
export type TableKind = Exclude<RowKind, 'job'>;

export interface Mapping<Kind extends TableKind, Table extends MySqlTable> {
  readonly table: Table;
  readonly jobId: AnyMySqlColumn;
  /** Columns that no record loads, for their size; what is inserted for them comes beside the row. */
  readonly heavy: readonly (keyof Table['$inferSelect'] & string)[];
  /** The row as the table holds it, without heavy columns. */
  readonly toTable: (row: RowOf<Kind>, jobId: JobId) => Readonly<Record<string, unknown>>;
  readonly fromTable: (row: Table['$inferSelect']) => RowOf<Kind>;
}

interface Written<Kind extends TableKind, Table extends MySqlTable> {
  readonly heavy?: readonly (keyof Table['$inferSelect'] & string)[];
  readonly to: (row: RowOf<Kind>) => Partial<Table['$inferInsert']>;
  readonly from: (row: Table['$inferSelect']) => RowOf<Kind>;
}

function map<Kind extends TableKind, Table extends MySqlTable & { readonly jobId: AnyMySqlColumn }>(
  table: Table,
  { heavy = [], to, from }: Written<Kind, Table>,
): Mapping<Kind, Table> {
  return { table, jobId: table.jobId, heavy, toTable: (row, jobId) => ({ ...to(row), jobId }), fromTable: from };
}

const bench = {
  intake: map<'intake', typeof t.intakes>(t.intakes, {
    to: ({ version, ...body }) => ({ version, body }),
    from: (row) => ({ ...parsed(s.intakeBodySchema, row.body), version: row.version }),
  }),
  acknowledgement: map<'acknowledgement', typeof t.acknowledgements>(t.acknowledgements, {
    to: (row) => ({ caution: row.caution, ...signedRow(row) }),
    from: (row) => ({ caution: row.caution, ...signedOf(row) }),
  }),
  part: map<'part', typeof t.partAccounts>(t.partAccounts, {
    to: ({ ref, state, note, version, ...who }) => ({ partRef: ref, state, note, version, ...signedRow(who) }),
    from: (row) => ({ ref: row.partRef, state: row.state, note: row.note, version: row.version, ...signedOf(row) }),
  }),
  look: map<'look', typeof t.looks>(t.looks, {
    to: ({ ref, seen, version, ...who }) => ({ partRef: ref, seen, version, ...signedRow(who) }),
    from: (row) => ({ ref: row.partRef, seen: row.seen, version: row.version, ...signedOf(row) }),
  }),
  promise: map<'promise', typeof t.promiseMoves>(t.promiseMoves, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ number, from, to, reason, toldTo, ...row }) => ({ number, from, to, reason, toldTo, ...signedOf(row) }),
  }),
  correction: map<'correction', typeof t.corrections>(t.corrections, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ number, what, from, to, reason, ...row }) => ({ number, what, from, to, reason, ...signedOf(row) }),
  }),
  step: map<'step', typeof t.stepsDone>(t.stepsDone, {
    to: ({ second, ...row }) => ({
      ...row,
      ...signedRow(row),
      secondId: second?.personId ?? null,
      secondName: second?.personName ?? null,
      secondAt: dateOrNull(second?.at ?? null),
    }),
    from: ({ phase, round, stepId, state, version, ...row }) => ({
      ...{ phase, round, stepId, state, version, ...signedOf(row) },
      data: parsed(s.stepDataSchema, row.data),
      second:
        row.secondName && row.secondAt
          ? { personId: row.secondId, personName: row.secondName, at: iso(row.secondAt) }
          : null,
    }),
  }),
  answer: map<'answer', typeof t.answers>(t.answers, {
    to: (row) => ({ ...row, ...signedRow(row), value: row.value === null ? null : row.value.toFixed(6) }),
    from: ({ phase, round, actionId, state, typed, unit, photoId, conceded, version, ...row }) => ({
      ...{ phase, round, actionId, state, typed, unit, photoId, conceded, version, ...signedOf(row) },
      value: numberOrNull(row.value),
      data: parsed(s.answerDataSchema, row.data),
    }),
  }),
  reading: map<'reading', typeof t.readings>(t.readings, {
    to: ({ instrument, ...row }) => ({
      ...row,
      ...signedRow(row),
      value: row.value.toFixed(6),
      instrumentCode: instrument,
      uncertainty: row.uncertainty === null ? null : row.uncertainty.toFixed(6),
    }),
    from: ({ phase, round, pointId, place, unit, typed, typedUnit, typedDigits, conceded, version, ...row }) => ({
      ...{ phase, round, pointId, place, unit, typed, typedUnit, typedDigits, conceded, version, ...signedOf(row) },
      value: Number(row.value),
      instrument: row.instrumentCode,
      uncertainty: numberOrNull(row.uncertainty),
    }),
  }),
  finding: map<'finding', typeof t.findings>(t.findings, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  disposition: map<'disposition', typeof t.dispositions>(t.dispositions, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  sheet: map<'sheet', typeof t.sheets>(t.sheets, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ kind, key, version, body, ...row }) =>
      ({ kind, key, version, body: parsed<unknown>(sheetBodies[kind], body), ...signedOf(row) }) as Sheet,
  }),
  photo: map<'photo', typeof t.photos>(t.photos, {
    heavy: ['bytes', 'thumb'],
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ id, about, caption, width, height, fingerprint, ...row }) => ({
      ...{ id, about, caption, width, height, fingerprint },
      ...signedOf(row),
    }),
  }),
};

const commerce = {
  quote: map<'quote', typeof t.quotes>(t.quotes, {
    to: (row) => ({
      ...row,
      taxPct: String(row.taxPct),
      discountPct: String(row.discountPct),
      sentAt: dateOrNull(row.sentAt),
    }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      taxPct: Number(row.taxPct),
      discountPct: Number(row.discountPct),
      sentAt: isoOrNull(row.sentAt),
      options: parsed(s.optionsSchema, row.options),
      recipients: parsed(s.recipientsSchema, row.recipients),
      basis: parsed(s.basisSchema.nullable(), row.basis),
      supplement: parsed(s.supplementSchema.nullable(), row.supplement),
    }),
  }),
  quoteLine: map<'quoteLine', typeof t.quoteLines>(t.quoteLines, {
    to: (row) => ({ ...row, quantity: String(row.quantity), discountPct: String(row.discountPct) }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      quantity: Number(row.quantity),
      discountPct: Number(row.discountPct),
      itemKeys: parsed(s.itemKeysSchema, row.itemKeys),
      options: parsed(s.optionsSchema, row.options),
      proposed: parsed(s.amountSchema.nullable(), row.proposed),
      findingIds: parsed(s.findingIdsSchema, row.findingIds),
      parts: parsed(s.linePartsSchema, row.parts),
    }),
  }),
  link: map<'link', typeof t.customerLinks>(t.customerLinks, {
    to: (row) => ({
      ...row,
      createdAt: date(row.createdAt),
      expiresAt: date(row.expiresAt),
      revokedAt: dateOrNull(row.revokedAt),
    }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      createdAt: iso(row.createdAt),
      expiresAt: iso(row.expiresAt),
      revokedAt: isoOrNull(row.revokedAt),
    }),
  }),
  approval: map<'approval', typeof t.approvals>(t.approvals, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      ...signedOf(row),
      decisions: parsed(s.decisionsSchema, row.decisions),
    }),
  }),
  question: map<'question', typeof t.questions>(t.questions, {
    to: (row) => ({ ...row, askedAt: date(row.askedAt) }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      askedAt: iso(row.askedAt),
      answer: parsed(s.questionAnswerSchema.nullable(), row.answer),
    }),
  }),
  agreement: map<'agreement', typeof t.agreements>(t.agreements, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  decline: map<'decline', typeof t.declinesSettled>(t.declinesSettled, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  reminder: map<'reminder', typeof t.reminders>(t.reminders, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  order: map<'order', typeof t.purchaseOrders>(t.purchaseOrders, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  orderLine: map<'orderLine', typeof t.purchaseOrderLines>(t.purchaseOrderLines, {
    to: (row) => row,
    from: ({ jobId: _job, ...row }) => row,
  }),
  receipt: map<'receipt', typeof t.receipts>(t.receipts, {
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ jobId: _job, ...row }) => ({ ...row, ...signedOf(row) }),
  }),
  run: map<'run', typeof t.testRuns>(t.testRuns, {
    to: (row) => ({ ...row, ...signedRow(row), decisionAt: dateOrNull(row.decisionAt) }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      ...signedOf(row),
      guarantee: parsed(s.guaranteeSchema, row.guarantee),
      points: parsed(s.standReadingsSchema, row.points),
      decisionAt: isoOrNull(row.decisionAt),
    }),
  }),
  report: map<'report', typeof t.reports>(t.reports, {
    heavy: ['record', 'pdf'],
    to: (row) => ({ ...row, ...signedRow(row) }),
    from: ({ id, number, revision, whatChanged, fingerprint, ...row }) => ({
      ...{ id, number, revision, whatChanged, fingerprint },
      ...signedOf(row),
    }),
  }),
  returned: map<'returned', typeof t.returns>(t.returns, {
    to: (row) => ({ ...row, releasedAt: date(row.releasedAt), deliveredAt: dateOrNull(row.deliveredAt) }),
    from: ({ jobId: _job, ...row }) => ({
      ...row,
      releasedAt: iso(row.releasedAt),
      deliveredAt: isoOrNull(row.deliveredAt),
    }),
  }),
};

/** How each kind of row is kept. */
export const mappings = { ...bench, ...commerce };
