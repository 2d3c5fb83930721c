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
import { bytesColumn, idColumn, longText, momentColumn, shortText } from './columns';

export const shop = mysqlTable('shop', {
  id: int('id').primaryKey(),
  name: shortText('name').notNull(),
  place: shortText('place').notNull(),
  zone: varchar('zone', { length: 64 }).notNull(),
  currency: varchar('currency', { length: 3 }).notNull(),
  settings: json('settings').notNull(),
  nextTag: int('next_tag').notNull(),
  nextReport: int('next_report').notNull(),
  nextOrder: int('next_order').notNull(),
});

export const people = mysqlTable(
  'people',
  {
    id: idColumn('id').primaryKey(),
    name: shortText('name').notNull(),
    email: shortText('email').notNull(),
    role: varchar('role', { length: 20 }).notNull(),
    passwordHash: varchar('password_hash', { length: 255 }).notNull(),
    pinHash: varchar('pin_hash', { length: 255 }),
    active: boolean('active').notNull().default(true),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('people_email').on(table.email)],
);

export const sessions = mysqlTable(
  'sessions',
  {
    id: idColumn('id').primaryKey(),
    personId: idColumn('person_id').notNull(),
    startedAt: momentColumn('started_at').notNull(),
    endedAt: momentColumn('ended_at'),
  },
  (table) => [index('sessions_person').on(table.personId)],
);

/** Counters of tries, kept by rate-limiter-flexible; its column names are fixed by that package. */
export const rateLimits = mysqlTable('rate_limits', {
  key: varchar('key', { length: 255 }).primaryKey(),
  points: int('points').notNull().default(0),
  expire: decimal('expire', { precision: 20, scale: 0 }),
});

export const customers = mysqlTable(
  'customers',
  {
    id: idColumn('id').primaryKey(),
    name: shortText('name').notNull(),
    riskLimitMinor: int('risk_limit_minor').notNull().default(0),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('customers_name').on(table.name)],
);

export const contacts = mysqlTable(
  'contacts',
  {
    id: idColumn('id').primaryKey(),
    customerId: idColumn('customer_id').notNull(),
    name: shortText('name').notNull(),
    email: shortText('email').notNull(),
    phone: varchar('phone', { length: 40 }).notNull().default(''),
  },
  (table) => [index('contacts_customer').on(table.customerId)],
);

export const instruments = mysqlTable(
  'instruments',
  {
    id: idColumn('id').primaryKey(),
    code: varchar('code', { length: 20 }).notNull(),
    kind: varchar('kind', { length: 40 }).notNull(),
    uncertaintyUm: decimal('uncertainty_um', { precision: 10, scale: 3 }).notNull(),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
  },
  (table) => [uniqueIndex('instruments_code').on(table.code), index('instruments_kind').on(table.kind)],
);

export const mails = mysqlTable(
  'mails',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id'),
    to: shortText('to_address').notNull(),
    subject: shortText('subject').notNull(),
    body: longText('body').notNull(),
    attachmentName: shortText('attachment_name'),
    attachment: bytesColumn('attachment'),
    sentAt: momentColumn('sent_at').notNull(),
  },
  (table) => [index('mails_sent').on(table.sentAt, table.id), index('mails_job').on(table.jobId)],
);

export const customerLinks = mysqlTable(
  'customer_links',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    quoteId: idColumn('quote_id').notNull(),
    tokenHash: varchar('token_hash', { length: 64 }).notNull(),
    expiresAt: momentColumn('expires_at').notNull(),
    revokedAt: momentColumn('revoked_at'),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('customer_links_token').on(table.tokenHash), index('customer_links_job').on(table.jobId)],
);

export const families = mysqlTable(
  'families',
  {
    id: varchar('id', { length: 20 }).notNull(),
    version: varchar('version', { length: 60 }).notNull(),
    body: json('body').notNull(),
  },
  (table) => [primaryKey({ columns: [table.id, table.version] })],
);
