import { languages } from '@/words';
import {
  boolean,
  date,
  decimal,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  uniqueIndex,
  varchar,
} from 'drizzle-orm/mysql-core';
import {
  approvalWays,
  declineDecisions,
  lineKinds,
  optionLevels,
  quoteKinds,
  quoteStates,
  runDecisions,
  runVerdicts,
  type JobId,
  type OrderId,
  type OrderLineId,
  type PersonId,
  type QuoteId,
  type QuoteLineId,
  type ReportId,
} from '@/core/record';
import { bigText, bytesColumn, idColumn, idOf, longText, momentColumn, oneOf, shortText } from './columns';

const who = {
  personId: idOf<PersonId>('person_id'),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
};

export const quotes = mysqlTable(
  'quotes',
  {
    id: idOf<QuoteId>('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    kind: oneOf('kind', quoteKinds).notNull().default('quote'),
    revision: int('revision').notNull(),
    state: oneOf('state', quoteStates).notNull(),
    currency: varchar('currency', { length: 3 }).notNull(),
    taxPct: decimal('tax_pct', { precision: 6, scale: 3 }).notNull(),
    validUntil: date('valid_until', { mode: 'string' }).notNull(),
    sentAt: momentColumn('sent_at'),
    /** The exact text that the customer reads, and its fingerprint. */
    text: bigText('text'),
    fingerprint: varchar('fingerprint', { length: 64 }),
    version: int('version').notNull().default(1),
    /** The options that are offered side by side; none where there is nothing to choose. */
    options: json('options').notNull().default([]),
    advised: oneOf('advised', optionLevels).notNull().default('recommended'),
    note: longText('note').notNull().default(''),
    recipients: json('recipients').notNull().default([]),
    labourMinorPerHour: int('labour_minor_per_hour'),
    discountPct: decimal('discount_pct', { precision: 6, scale: 3 }).notNull().default('0'),
    /** What the ways of repairing are compared by, where it is not the shop's. */
    basis: json('basis'),
    /** Of a supplement: its finding, why only now, and the steps that wait. */
    supplement: json('supplement'),
    /** In which its lines are written. */
    language: oneOf('language', languages).notNull().default('en'),
  },
  (table) => [uniqueIndex('quotes_job_revision').on(table.jobId, table.kind, table.revision)],
);

export const quoteLines = mysqlTable(
  'quote_lines',
  {
    id: idOf<QuoteLineId>('id').primaryKey(),
    quoteId: idOf<QuoteId>('quote_id').notNull(),
    jobId: idOf<JobId>('job_id').notNull(),
    position: int('position').notNull(),
    key: varchar('line_key', { length: 120 }).notNull().default(''),
    /** Keys of the scope items that it offers. */
    itemKeys: json('item_keys').notNull().default([]),
    kind: oneOf('kind', lineKinds).notNull(),
    description: longText('description').notNull(),
    plain: longText('plain').notNull(),
    quantity: decimal('quantity', { precision: 10, scale: 3 }).notNull(),
    unit: varchar('unit', { length: 12 }).notNull(),
    unitPriceMinor: int('unit_price_minor').notNull(),
    findingIds: json('finding_ids').notNull(),
    parts: json('parts').notNull(),
    declinable: boolean('declinable').notNull(),
    struckReason: longText('struck_reason'),
    options: json('options').notNull().default([]),
    instead: shortText('instead').notNull().default(''),
    critical: boolean('critical').notNull().default(false),
    byHand: boolean('by_hand').notNull().default(false),
    /** Quantity and price that the record proposes, where they were changed by hand. */
    proposed: json('proposed'),
    proposalMoved: boolean('proposal_moved').notNull().default(false),
    discountPct: decimal('discount_pct', { precision: 6, scale: 3 }).notNull().default('0'),
    unitCostMinor: int('unit_cost_minor'),
  },
  (table) => [index('quote_lines_job').on(table.jobId), index('quote_lines_quote').on(table.quoteId)],
);

export const approvals = mysqlTable(
  'approvals',
  {
    id: idColumn('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    quoteId: idOf<QuoteId>('quote_id').notNull(),
    way: oneOf('way', approvalWays).notNull(),
    name: shortText('name').notNull(),
    reference: shortText('reference').notNull(),
    decisions: json('decisions').notNull(),
    option: oneOf('option_level', optionLevels),
    /** Why an earlier answer was put right. */
    corrects: longText('corrects'),
    /** Signature as drawn: an SVG path, checked; or empty when given by telephone or order. */
    signature: bigText('signature').notNull(),
    text: bigText('text').notNull(),
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    ...who,
  },
  (table) => [index('approvals_job').on(table.jobId)],
);

export const questions = mysqlTable(
  'questions',
  {
    id: idColumn('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    quoteId: idOf<QuoteId>('quote_id').notNull(),
    askedBy: shortText('asked_by').notNull(),
    askedAt: momentColumn('asked_at').notNull(),
    words: longText('words').notNull(),
    /** The shop's answer, with who gave it and when; null until then. */
    answer: json('answer'),
  },
  (table) => [index('questions_job').on(table.jobId)],
);

export const agreements = mysqlTable('agreements', {
  jobId: idOf<JobId>('job_id').primaryKey(),
  limitMinor: int('limit_minor').notNull(),
  saidBy: shortText('said_by').notNull(),
  version: int('version').notNull().default(1),
  ...who,
});

export const declinesSettled = mysqlTable(
  'declines_settled',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    approvalId: idColumn('approval_id').notNull(),
    decision: oneOf('decision', declineDecisions).notNull(),
    words: longText('words').notNull(),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.approvalId] })],
);

export const reminders = mysqlTable(
  'reminders',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    number: int('number').notNull(),
    quoteId: idOf<QuoteId>('quote_id').notNull(),
    sentTo: shortText('sent_to').notNull(),
    words: longText('words').notNull(),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
);

export const purchaseOrders = mysqlTable(
  'purchase_orders',
  {
    id: idOf<OrderId>('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    number: varchar('number', { length: 20 }).notNull(),
    supplier: shortText('supplier').notNull(),
    acknowledgement: shortText('acknowledgement'),
    dueOn: date('due_on', { mode: 'string' }),
    /** Value of what was ordered before the customer answered; null after the answer. */
    atRiskMinor: int('at_risk_minor'),
    ...who,
  },
  // One order may be for several jobs: each has its own part of it.
  (table) => [
    uniqueIndex('purchase_orders_number_job').on(table.number, table.jobId),
    index('purchase_orders_job').on(table.jobId),
  ],
);

export const purchaseOrderLines = mysqlTable(
  'purchase_order_lines',
  {
    id: idOf<OrderLineId>('id').primaryKey(),
    orderId: idOf<OrderId>('order_id').notNull(),
    jobId: idOf<JobId>('job_id').notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    number: shortText('number').notNull(),
    quantity: int('quantity').notNull(),
    /** What the supplier's parcels say was sent so far; the count on receiving is what counts. */
    sent: int('sent').notNull().default(0),
    /** The day of this line, where it is not that of the order. */
    dueOn: date('due_on', { mode: 'string' }),
  },
  (table) => [index('purchase_order_lines_job').on(table.jobId), index('purchase_order_lines_order').on(table.orderId)],
);

export const receipts = mysqlTable(
  'receipts',
  {
    id: idColumn('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    lineId: idOf<OrderLineId>('line_id').notNull(),
    quantity: int('quantity').notNull(),
    number: varchar('number', { length: 60 }).notNull().default(''),
    variant: varchar('variant', { length: 60 }).notNull().default(''),
    lot: varchar('lot', { length: 60 }).notNull().default(''),
    note: longText('note').notNull(),
    ...who,
  },
  (table) => [index('receipts_job').on(table.jobId)],
);

export const testRuns = mysqlTable(
  'test_runs',
  {
    id: idColumn('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    run: int('run').notNull(),
    guarantee: json('guarantee').notNull(),
    grade: varchar('grade', { length: 4 }).notNull(),
    verdict: oneOf('verdict', runVerdicts, 10).notNull(),
    /** What the stand read, point by point. */
    points: json('points').notNull(),
    /** What the tester decided, with reason for a fail or a concession. */
    decision: oneOf('decision', runDecisions),
    decisionReason: longText('decision_reason'),
    /** Step of rebuild from which a failed run opens the pump again; null for all of it. */
    reopenFrom: varchar('reopen_from', { length: 80 }),
    decisionBy: shortText('decision_by'),
    decisionAt: momentColumn('decision_at'),
    ...who,
  },
  (table) => [uniqueIndex('test_runs_job_run').on(table.jobId, table.run)],
);

export const reports = mysqlTable(
  'reports',
  {
    id: idOf<ReportId>('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    number: varchar('number', { length: 20 }).notNull(),
    revision: varchar('revision', { length: 2 }).notNull(),
    whatChanged: longText('what_changed').notNull(),
    /** The frozen record as canonical JSON; the fingerprint is of these bytes. */
    record: bigText('record').notNull(),
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    /** Written after the report is issued; null until then. */
    pdf: bytesColumn('pdf'),
    ...who,
  },
  (table) => [uniqueIndex('reports_number').on(table.number, table.revision), index('reports_job').on(table.jobId)],
);

export const returns = mysqlTable('returns', {
  jobId: idOf<JobId>('job_id').primaryKey(),
  releasedBy: shortText('released_by').notNull(),
  releasedAt: momentColumn('released_at').notNull(),
  packing: longText('packing').notNull(),
  deliveredAt: momentColumn('delivered_at'),
  deliveredTo: shortText('delivered_to'),
  warrantyFrom: date('warranty_from', { mode: 'string' }),
  warrantyMonths: int('warranty_months').notNull(),
  signature: bigText('signature').notNull().default(''),
});
