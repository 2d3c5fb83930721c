import {
  bigint,
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
import { instrumentKinds, measuringUnits, roles, type JobId, type PersonId, type QuoteId } from '@/core/record';
import { auditKinds, waysIn } from '@/core/access';
import { bigText, bytesColumn, idColumn, idOf, longText, momentColumn, oneOf, shortText } from './columns';

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
  /** Number of the next family of the shop's own. */
  nextFamily: int('next_family').notNull().default(1),
  nextLot: int('next_lot').notNull().default(1),
  /** Another one with each change of what suppliers offer and of numbers; empty where nothing was put in since it is kept. */
  catalogueVersion: varchar('catalogue_version', { length: 36 }).notNull().default(''),
});

/** The shop's mark at the head of its papers: one row, or none. */
export const shopMark = mysqlTable('shop_mark', {
  id: int('id').primaryKey(),
  /** PNG. */
  bytes: bytesColumn('bytes').notNull(),
  width: int('width').notNull(),
  height: int('height').notNull(),
});

export const people = mysqlTable(
  'people',
  {
    id: idOf<PersonId>('id').primaryKey(),
    name: shortText('name').notNull(),
    email: shortText('email').notNull(),
    role: oneOf('role', roles).notNull(),
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
    personId: idOf<PersonId>('person_id').notNull(),
    startedAt: momentColumn('started_at').notNull(),
    endedAt: momentColumn('ended_at'),
    /** Somebody took this device over: it sends what was entered by then, and opens nothing more. */
    parkedAt: momentColumn('parked_at'),
    /** When something was last asked under it, to a few minutes. */
    seenAt: momentColumn('seen_at'),
    how: oneOf('how', waysIn).notNull().default('password'),
    tabletId: idColumn('tablet_id'),
    /** Address of the network that it was opened from. */
    client: varchar('client', { length: 64 }).notNull().default(''),
    /** Browser and system, as people name them. */
    agent: varchar('agent', { length: 80 }).notNull().default(''),
  },
  (table) => [index('sessions_person').on(table.personId)],
);

/** Devices at the bench on which people take over by PIN; one that was ended is none any more. */
export const tablets = mysqlTable('tablets', {
  id: idColumn('id').primaryKey(),
  name: shortText('name').notNull(),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
  endedAt: momentColumn('ended_at'),
});

/** Wrong tries in a row of a password or a PIN, by what they were tried with. */
export const tries = mysqlTable('tries', {
  key: varchar('key', { length: 255 }).primaryKey(),
  failures: int('failures').notNull(),
  lastAt: momentColumn('last_at').notNull(),
  lockedUntil: momentColumn('locked_until'),
});

/** Who came in, who was refused, what was taken out: for the owner, and for a year. */
export const audits = mysqlTable(
  'audits',
  {
    id: idColumn('id').primaryKey(),
    at: momentColumn('at').notNull(),
    kind: oneOf('kind', auditKinds).notNull(),
    personId: idOf<PersonId>('person_id'),
    personName: shortText('person_name').notNull(),
    client: varchar('client', { length: 64 }).notNull(),
    agent: varchar('agent', { length: 80 }).notNull(),
    words: shortText('words').notNull(),
  },
  (table) => [index('audits_at').on(table.at)],
);

export const customers = mysqlTable(
  'customers',
  {
    id: idColumn('id').primaryKey(),
    name: shortText('name').notNull(),
    /** Supplements up to this sum without tax are approved by that rule, in every job of theirs. */
    riskLimitMinor: int('risk_limit_minor').notNull().default(0),
    riskLimitSaidBy: shortText('risk_limit_said_by').notNull().default(''),
    /** The customer that this one turned out to be; null for one of their own. */
    mergedInto: idColumn('merged_into'),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('customers_name').on(table.name)],
);

/** Links under which a customer reads how all its pumps stand; each can be ended. */
export const customerPages = mysqlTable(
  'customer_pages',
  {
    id: idColumn('id').primaryKey(),
    customerId: idColumn('customer_id').notNull(),
    tokenHash: varchar('token_hash', { length: 64 }).notNull(),
    /** Whom it was made for. */
    madeFor: shortText('made_for').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    endedAt: momentColumn('ended_at'),
  },
  (table) => [
    uniqueIndex('customer_pages_token').on(table.tokenHash),
    index('customer_pages_customer').on(table.customerId),
  ],
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
    kind: oneOf('kind', instrumentKinds, 40).notNull(),
    unit: oneOf('unit', measuringUnits, 12).notNull().default('mm'),
    /** In its unit; null for what measures nothing, such as a hoist. */
    uncertainty: decimal('uncertainty', { precision: 18, scale: 6 }),
    rangeLow: decimal('range_low', { precision: 18, scale: 6 }),
    rangeHigh: decimal('range_high', { precision: 18, scale: 6 }),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
  },
  (table) => [uniqueIndex('instruments_code').on(table.code), index('instruments_kind').on(table.kind)],
);

/** What a laboratory found of an instrument; nothing is ever taken out. */
export const calibrations = mysqlTable(
  'calibrations',
  {
    id: idColumn('id').primaryKey(),
    code: varchar('code', { length: 20 }).notNull(),
    onDay: date('on_day', { mode: 'string' }).notNull(),
    /** Whether it read within its uncertainty. */
    isWithin: boolean('is_within').notNull(),
    /** The largest error that was found, in the instrument's unit; null where it is not said. */
    error: decimal('error', { precision: 18, scale: 6 }),
    nextDueOn: date('next_due_on', { mode: 'string' }),
    certificate: shortText('certificate').notNull(),
    note: longText('note').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('calibrations_code').on(table.code, table.onDay)],
);

/** What was done that belongs to no job: people, rates, ways; nothing is ever taken out. */
export const deeds = mysqlTable(
  'deeds',
  {
    id: idColumn('id').primaryKey(),
    personId: idOf<PersonId>('person_id'),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    verb: varchar('verb', { length: 60 }).notNull(),
    words: longText('words').notNull(),
  },
  (table) => [index('deeds_at').on(table.at), index('deeds_person').on(table.personId, table.at)],
);

export const mails = mysqlTable(
  'mails',
  {
    id: idColumn('id').primaryKey(),
    jobId: idOf<JobId>('job_id'),
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
    jobId: idOf<JobId>('job_id').notNull(),
    quoteId: idOf<QuoteId>('quote_id').notNull(),
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
    version: varchar('version', { length: 320 }).notNull(),
    body: json('body').notNull(),
  },
  (table) => [primaryKey({ columns: [table.id, table.version] })],
);

/** Entries that were answered, by the key made where they were entered: a repeat gets the first answer. */
export const entries = mysqlTable(
  'entries',
  {
    key: varchar('key', { length: 64 }).primaryKey(),
    verb: varchar('verb', { length: 60 }).notNull(),
    personId: idOf<PersonId>('person_id'),
    /** SHA-256 of the verb and the body as they were sent, so that a key used twice for different things is told. */
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    answer: bigText('answer').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('entries_at').on(table.at)],
);

/** What is to be done after a commit: documents, mail, calls to the outside. Tried again until it succeeds. */
export const outbox = mysqlTable(
  'outbox',
  {
    id: idColumn('id').primaryKey(),
    /** Null for what is of the whole shop, such as an order for several jobs. */
    jobId: idOf<JobId>('job_id'),
    item: json('item').notNull(),
    tries: int('tries').notNull().default(0),
    /** Not before then is it tried (again); null when it is done. */
    dueAt: momentColumn('due_at'),
    doneAt: momentColumn('done_at'),
    lastError: longText('last_error'),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [index('outbox_due').on(table.dueAt, table.id), index('outbox_job').on(table.jobId)],
);

/** Second factors of people who chose one: codes of an app by time (RFC 6238). */
export const secondFactors = mysqlTable('second_factors', {
  personId: idOf<PersonId>('person_id').primaryKey(),
  /** Sealed with the secret of this installation. */
  secret: longText('secret').notNull(),
  startedAt: momentColumn('started_at').notNull(),
  /** Null until a first code was right. */
  confirmedAt: momentColumn('confirmed_at'),
  /** Number of the last step of time whose code was used: none is used twice. */
  lastStep: int('last_step').notNull().default(0),
  /** SHA-256 of the words for a lost device that are not used up. */
  recovery: json('recovery').notNull(),
});

/** Passkeys of people (W3C Web Authentication): public keys; the private half never leaves the person's device. */
export const passkeys = mysqlTable(
  'passkeys',
  {
    id: idColumn('id').primaryKey(),
    personId: idOf<PersonId>('person_id').notNull(),
    /** SHA-256 of its id, which may be longer than an index takes. */
    credentialHash: varchar('credential_hash', { length: 64 }).notNull(),
    /** Base64url. */
    credential: longText('credential').notNull(),
    /** COSE, as base64url. */
    publicKey: longText('public_key').notNull(),
    /** How often the device says that it was used; 0 throughout for those that are kept on several devices. */
    counter: bigint('counter', { mode: 'number' }).notNull(),
    transports: json('transports').notNull(),
    name: shortText('name').notNull(),
    at: momentColumn('at').notNull(),
    usedAt: momentColumn('used_at'),
  },
  (table) => [uniqueIndex('passkeys_credential').on(table.credentialHash), index('passkeys_person').on(table.personId)],
);

/** Challenges of passkeys that were answered, until they would have ended anyway: none is answered twice. */
export const spentChallenges = mysqlTable(
  'spent_challenges',
  {
    /** Its SHA-256. */
    challenge: varchar('challenge', { length: 64 }).primaryKey(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('spent_challenges_at').on(table.at)],
);
