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
import { bigText, bytesColumn, idColumn, longText, momentColumn, shortText } from './columns';

/** A pump lives across visits, known by maker and serial number. */
export const pumps = mysqlTable(
  'pumps',
  {
    id: idColumn('id').primaryKey(),
    maker: shortText('maker').notNull(),
    model: shortText('model').notNull(),
    serial: shortText('serial').notNull(),
    size: varchar('size', { length: 60 }).notNull().default(''),
    familyId: varchar('family_id', { length: 20 }).notNull(),
    nameplate: json('nameplate').notNull(),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('pumps_serial').on(table.serial, table.maker)],
);

export const jobs = mysqlTable(
  'jobs',
  {
    id: idColumn('id').primaryKey(),
    tag: varchar('tag', { length: 20 }).notNull(),
    pumpId: idColumn('pump_id')
      .notNull()
      .references(() => pumps.id),
    customerId: idColumn('customer_id').notNull(),
    contactId: idColumn('contact_id'),
    familyId: varchar('family_id', { length: 20 }).notNull(),
    familyVersion: varchar('family_version', { length: 60 }).notNull(),
    station: varchar('station', { length: 20 }).notNull(),
    holder: varchar('holder', { length: 1 }).notNull(),
    holderSince: momentColumn('holder_since').notNull(),
    hold: json('hold'),
    outcome: varchar('outcome', { length: 20 }).notNull().default('open'),
    promisedOn: date('promised_on', { mode: 'string' }).notNull(),
    earlierJobId: idColumn('earlier_job_id'),
    warrantyReturn: boolean('warranty_return').notNull().default(false),
    version: int('version').notNull().default(0),
    headHash: varchar('head_hash', { length: 64 }).notNull().default(''),
    /** What the floor shows, reckoned by core at every change. */
    standing: json('standing'),
    searchText: longText('search_text').notNull(),
    openedAt: momentColumn('opened_at').notNull(),
    closedAt: momentColumn('closed_at'),
  },
  (table) => [
    uniqueIndex('jobs_tag').on(table.tag),
    index('jobs_open').on(table.closedAt, table.holder, table.promisedOn, table.id),
    index('jobs_pump').on(table.pumpId),
    index('jobs_customer').on(table.customerId),
  ],
);

export const intakes = mysqlTable('intakes', {
  jobId: idColumn('job_id').primaryKey(),
  version: int('version').notNull().default(1),
  body: json('body').notNull(),
});

export const events = mysqlTable(
  'events',
  {
    jobId: idColumn('job_id').notNull(),
    seq: int('seq').notNull(),
    kind: varchar('kind', { length: 60 }).notNull(),
    personId: idColumn('person_id'),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    /** Canonical text, so that the hash can be reckoned again to the byte. */
    data: bigText('data').notNull(),
    previousHash: varchar('previous_hash', { length: 64 }).notNull(),
    hash: varchar('hash', { length: 64 }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.seq] })],
);

const who = {
  personId: idColumn('person_id'),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
};

export const acknowledgements = mysqlTable(
  'acknowledgements',
  { jobId: idColumn('job_id').notNull(), caution: varchar('caution', { length: 60 }).notNull(), ...who },
  (table) => [primaryKey({ columns: [table.jobId, table.caution] })],
);

export const partAccounts = mysqlTable(
  'part_accounts',
  {
    jobId: idColumn('job_id').notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    state: varchar('state', { length: 20 }).notNull(),
    note: longText('note').notNull(),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.partRef] })],
);

export const stepsDone = mysqlTable(
  'steps_done',
  {
    jobId: idColumn('job_id').notNull(),
    phase: varchar('phase', { length: 20 }).notNull(),
    /** Counts up when a job comes back from test: what was recorded before stays. */
    round: int('round').notNull().default(1),
    stepId: varchar('step_id', { length: 60 }).notNull(),
    data: json('data').notNull(),
    secondName: shortText('second_name'),
    secondId: idColumn('second_id'),
    secondAt: momentColumn('second_at'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase, table.round, table.stepId] })],
);

export const captures = mysqlTable(
  'captures',
  {
    jobId: idColumn('job_id').notNull(),
    phase: varchar('phase', { length: 20 }).notNull(),
    captureId: varchar('capture_id', { length: 60 }).notNull(),
    text: longText('text').notNull(),
    valueMm: decimal('value_mm', { precision: 14, scale: 6 }),
    typed: shortText('typed').notNull(),
    photoId: idColumn('photo_id'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase, table.captureId] })],
);

export const readings = mysqlTable(
  'readings',
  {
    jobId: idColumn('job_id').notNull(),
    phase: varchar('phase', { length: 20 }).notNull(),
    pointId: varchar('point_id', { length: 60 }).notNull(),
    place: varchar('place', { length: 60 }).notNull(),
    valueMm: decimal('value_mm', { precision: 14, scale: 6 }).notNull(),
    typed: shortText('typed').notNull(),
    typedUnit: varchar('typed_unit', { length: 12 }).notNull(),
    typedDigits: int('typed_digits').notNull(),
    instrumentCode: varchar('instrument_code', { length: 20 }),
    uncertaintyUm: decimal('uncertainty_um', { precision: 10, scale: 3 }),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase, table.pointId, table.place] })],
);

export const findings = mysqlTable(
  'findings',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    kind: varchar('kind', { length: 20 }).notNull(),
    phase: varchar('phase', { length: 20 }).notNull().default('as-found'),
    pointId: varchar('point_id', { length: 60 }),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    words: longText('words').notNull(),
    plain: longText('plain').notNull(),
    proposed: varchar('proposed', { length: 20 }),
    verdict: varchar('verdict', { length: 20 }),
    overruledReason: longText('overruled_reason'),
    waivedReason: longText('waived_reason'),
    photoId: idColumn('photo_id'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [index('findings_job').on(table.jobId)],
);

export const dispositions = mysqlTable(
  'dispositions',
  {
    findingId: idColumn('finding_id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    action: varchar('action', { length: 40 }).notNull(),
    reason: longText('reason').notNull(),
    ...who,
  },
  (table) => [index('dispositions_job').on(table.jobId)],
);

export const photos = mysqlTable(
  'photos',
  {
    id: idColumn('id').primaryKey(),
    jobId: idColumn('job_id').notNull(),
    about: varchar('about', { length: 80 }).notNull(),
    caption: longText('caption').notNull(),
    width: int('width').notNull(),
    height: int('height').notNull(),
    bytes: bytesColumn('bytes').notNull(),
    thumb: bytesColumn('thumb').notNull(),
    ...who,
  },
  (table) => [index('photos_job').on(table.jobId)],
);
