import { boolean, date, decimal, index, int, json, mysqlTable, uniqueIndex, varchar } from 'drizzle-orm/mysql-core';
import { bigText, bytesColumn, idColumn, longText, momentColumn, shortText } from './columns';

const who = {
  personId: idColumn('person_id'),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
};

export const quotes = mysqlTable(
  'quotes',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    revision: int('revision').notNull(),
    state: varchar('state', { length: 20 }).notNull(),
    currency: varchar('currency', { length: 3 }).notNull(),
    taxPct: decimal('tax_pct', { precision: 6, scale: 3 }).notNull(),
    validUntil: date('valid_until', { mode: 'string' }).notNull(),
    sentAt: momentColumn('sent_at'),
    /** The exact text that the customer reads, and its fingerprint. */
    text: bigText('text'),
    fingerprint: varchar('fingerprint', { length: 64 }),
    version: int('version').notNull().default(1),
  },
  (table) => [uniqueIndex('quotes_job_revision').on(table.jobId, table.revision)],
);

export const quoteLines = mysqlTable(
  'quote_lines',
  {
    id: idColumn('id').primaryKey(),
    quoteId: idColumn('quote_id').notNull(),
    jobId: idColumn('job_id').notNull(),
    position: int('position').notNull(),
    kind: varchar('kind', { length: 20 }).notNull(),
    description: longText('description').notNull(),
    plain: longText('plain').notNull(),
    quantity: decimal('quantity', { precision: 10, scale: 3 }).notNull(),
    unit: varchar('unit', { length: 12 }).notNull(),
    unitPriceMinor: int('unit_price_minor').notNull(),
    findingIds: json('finding_ids').notNull(),
    parts: json('parts').notNull(),
    declinable: boolean('declinable').notNull(),
    struckReason: longText('struck_reason'),
  },
  (table) => [index('quote_lines_job').on(table.jobId), index('quote_lines_quote').on(table.quoteId)],
);

export const approvals = mysqlTable(
  'approvals',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    quoteId: idColumn('quote_id').notNull(),
    way: varchar('way', { length: 20 }).notNull(),
    name: shortText('name').notNull(),
    reference: shortText('reference').notNull(),
    decisions: json('decisions').notNull(),
    /** Signature as drawn: an SVG path, checked; or empty when given by telephone or order. */
    signature: bigText('signature').notNull(),
    text: bigText('text').notNull(),
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    ...who,
  },
  (table) => [index('approvals_job').on(table.jobId)],
);

export const purchaseOrders = mysqlTable(
  'purchase_orders',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    number: varchar('number', { length: 20 }).notNull(),
    supplier: shortText('supplier').notNull(),
    acknowledgement: shortText('acknowledgement'),
    dueOn: date('due_on', { mode: 'string' }),
    ...who,
  },
  (table) => [uniqueIndex('purchase_orders_number').on(table.number), index('purchase_orders_job').on(table.jobId)],
);

export const purchaseOrderLines = mysqlTable(
  'purchase_order_lines',
  {
    id: idColumn('id').primaryKey(),
    orderId: idColumn('order_id').notNull(),
    jobId: idColumn('job_id').notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    number: shortText('number').notNull(),
    quantity: int('quantity').notNull(),
    /** What the supplier's parcels say was sent so far; the count on receiving is what counts. */
    sent: int('sent').notNull().default(0),
  },
  (table) => [index('purchase_order_lines_job').on(table.jobId), index('purchase_order_lines_order').on(table.orderId)],
);

export const receipts = mysqlTable(
  'receipts',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    lineId: idColumn('line_id').notNull(),
    quantity: int('quantity').notNull(),
    note: longText('note').notNull(),
    ...who,
  },
  (table) => [index('receipts_job').on(table.jobId)],
);

export const testRuns = mysqlTable(
  'test_runs',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    run: int('run').notNull(),
    guarantee: json('guarantee').notNull(),
    grade: varchar('grade', { length: 4 }).notNull(),
    verdict: varchar('verdict', { length: 10 }).notNull(),
    outcome: json('outcome').notNull(),
    /** What the tester decided, with reason for a fail or a concession. */
    decision: varchar('decision', { length: 20 }),
    decisionReason: longText('decision_reason'),
    decisionBy: shortText('decision_by'),
    decisionAt: momentColumn('decision_at'),
    ...who,
  },
  (table) => [uniqueIndex('test_runs_job_run').on(table.jobId, table.run)],
);

export const testPoints = mysqlTable(
  'test_points',
  {
    id: idColumn('id').primaryKey(),
    runId: idColumn('run_id').notNull(),
    jobId: idColumn('job_id').notNull(),
    position: int('position').notNull(),
    raw: json('raw').notNull(),
  },
  (table) => [index('test_points_job').on(table.jobId)],
);

export const reports = mysqlTable(
  'reports',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    number: varchar('number', { length: 20 }).notNull(),
    revision: varchar('revision', { length: 2 }).notNull(),
    whatChanged: longText('what_changed').notNull(),
    /** The frozen record as canonical JSON; the fingerprint is of these bytes. */
    record: bigText('record').notNull(),
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    pdf: bytesColumn('pdf').notNull(),
    ...who,
  },
  (table) => [uniqueIndex('reports_number').on(table.number, table.revision), index('reports_job').on(table.jobId)],
);

export const returns = mysqlTable('returns', {
  jobId: idColumn('job_id').primaryKey(),
  releasedBy: shortText('released_by').notNull(),
  releasedAt: momentColumn('released_at').notNull(),
  packing: longText('packing').notNull(),
  deliveredAt: momentColumn('delivered_at'),
  deliveredTo: shortText('delivered_to'),
  warrantyFrom: date('warranty_from', { mode: 'string' }),
  warrantyMonths: int('warranty_months').notNull(),
});
