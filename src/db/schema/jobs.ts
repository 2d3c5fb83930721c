import { sql } from 'drizzle-orm';
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
  actions,
  answerStates,
  benchPhases,
  correctables,
  findingKinds,
  holders,
  outcomes,
  partStates,
  phases,
  sights,
  stations,
  stepPhases,
  stepStates,
  type FindingId,
  type JobId,
  type PersonId,
  type PhotoId,
  type Place,
  type Tag,
} from '@/core/record';
import { sheetKinds } from '@/core/record/sheet-bodies';
import { bigText, bytesColumn, exactText, idColumn, idOf, longText, momentColumn, oneOf, shortText } from './columns';

/**
 * What a plate says of a pump. A pump lives across visits, known by maker and serial number; a plate that was read
 * otherwise is a row of its own, so that what was written down of an earlier visit stays.
 */
export const pumps = mysqlTable(
  'pumps',
  {
    id: idColumn('id').primaryKey(),
    maker: shortText('maker').notNull(),
    model: shortText('model').notNull(),
    serial: shortText('serial').notNull(),
    /** By which serial numbers are compared: letters and digits alone, in capitals. */
    serialKey: shortText('serial_key').notNull().default(''),
    size: varchar('size', { length: 60 }).notNull().default(''),
    familyId: varchar('family_id', { length: 20 }).notNull(),
    nameplate: json('nameplate').notNull(),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [
    uniqueIndex('pumps_plate').on(table.serial, table.maker, table.model, table.size),
    index('pumps_serial_key').on(table.serialKey),
    index('pumps_model').on(table.maker, table.model, table.size),
  ],
);

/** Pumps that came together on one note. Its terms are said once; a unit that leaves them is said on its job. */
export const lots = mysqlTable(
  'lots',
  {
    id: idColumn('id').primaryKey(),
    number: varchar('number', { length: 20 }).notNull(),
    deliveryNote: shortText('delivery_note').notNull().default(''),
    sharesPromise: boolean('shares_promise').notNull(),
    sharesQuote: boolean('shares_quote').notNull(),
    sharesDelivery: boolean('shares_delivery').notNull(),
    createdAt: momentColumn('created_at').notNull(),
  },
  (table) => [uniqueIndex('lots_number').on(table.number)],
);

/** What lists show of a job: all of its own row that they read, and its standing. */
const shownHash = sql.raw(
  "sha2(concat_ws('|', `id`, `tag`, `pump_id`, `customer_id`, `family_id`, `station`, `holder`, `holder_since`, coalesce(`hold`, ''), `outcome`, `promised_on`, coalesce(`closed_at`, ''), coalesce(`standing`, '')), 256)",
);

export const jobs = mysqlTable(
  'jobs',
  {
    id: idOf<JobId>('id').primaryKey(),
    tag: varchar('tag', { length: 20 }).$type<Tag>().notNull(),
    pumpId: idColumn('pump_id')
      .notNull()
      .references(() => pumps.id),
    /** Maker, model and size of its pump: others of the same that lie open are found by it. */
    modelText: varchar('model_text', { length: 460 }).notNull().default(''),
    customerId: idColumn('customer_id').notNull(),
    contactId: idColumn('contact_id'),
    familyId: varchar('family_id', { length: 20 }).notNull(),
    familyVersion: varchar('family_version', { length: 320 }).notNull(),
    station: oneOf('station', stations).notNull(),
    holder: oneOf('holder', holders, 1).notNull(),
    holderSince: momentColumn('holder_since').notNull(),
    hold: json('hold'),
    outcome: oneOf('outcome', outcomes).notNull().default('open'),
    promisedOn: date('promised_on', { mode: 'string' }).notNull(),
    earlierJobId: idColumn('earlier_job_id'),
    warrantyReturn: boolean('warranty_return').notNull().default(false),
    lotId: idColumn('lot_id'),
    lotUnit: int('lot_unit'),
    version: int('version').notNull().default(0),
    headHash: varchar('head_hash', { length: 64 }).notNull().default(''),
    /** The event from which on the job's events hold its changes; null for a job from before they did. */
    openedSeq: int('opened_seq'),
    /** What the floor shows, reckoned by core at every change. */
    standing: json('standing'),
    searchText: longText('search_text').notNull(),
    openedAt: momentColumn('opened_at').notNull(),
    closedAt: momentColumn('closed_at'),
    /**
     * Another text whenever a list shows something else of the job; most entries change nothing of that. Never null, as
     * none of its parts is: MariaDB lets nobody say so of a column that it reckons.
     */
    shownHash: varchar('shown_hash', { length: 64 }).notNull().generatedAlwaysAs(shownHash, { mode: 'stored' }),
  },
  (table) => [
    uniqueIndex('jobs_tag').on(table.tag),
    index('jobs_open').on(table.closedAt, table.holder, table.promisedOn, table.id),
    index('jobs_shown').on(table.closedAt, table.promisedOn, table.id, table.shownHash),
    index('jobs_alike').on(table.closedAt, table.modelText, table.station, table.tag),
    index('jobs_unopened').on(table.openedSeq),
    index('jobs_opened').on(table.openedAt),
    index('jobs_pump').on(table.pumpId),
    index('jobs_customer').on(table.customerId),
    index('jobs_lot').on(table.lotId),
  ],
);

export const intakes = mysqlTable('intakes', {
  jobId: idOf<JobId>('job_id').primaryKey(),
  version: int('version').notNull().default(1),
  body: json('body').notNull(),
});

export const events = mysqlTable(
  'events',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    seq: int('seq').notNull(),
    kind: varchar('kind', { length: 60 }).notNull(),
    personId: idOf<PersonId>('person_id'),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    /** Canonical text, so that the hash can be reckoned again to the byte. */
    data: bigText('data').notNull(),
    previousHash: varchar('previous_hash', { length: 64 }).notNull(),
    hash: varchar('hash', { length: 64 }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.seq] }), index('events_person').on(table.personId, table.at)],
);

/** Events of a job that is over, all of them up to a number, packed together: a tenth of the room. */
export const eventChapters = mysqlTable('event_chapters', {
  jobId: idOf<JobId>('job_id').primaryKey(),
  /** Number of the last event within. */
  toSeq: int('to_seq').notNull(),
  /** The events, see `src/db/chapters.ts`. */
  packed: bytesColumn('packed').notNull(),
  /** Where the job was from when on, so that nobody unpacks it for that. */
  heads: longText('heads').notNull(),
  /** Ids of whoever did something of it. */
  hands: longText('hands').notNull(),
});

/** Jobs that are found by lists of their words, each by a number: `src/db/word-lists.ts`. */
export const listedJobs = mysqlTable(
  'listed_jobs',
  {
    number: int('number').autoincrement().primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
  },
  (table) => [uniqueIndex('listed_jobs_job').on(table.jobId)],
);

/** Which jobs of a block of them hold a word. */
export const wordLists = mysqlTable(
  'word_lists',
  {
    word: exactText('word').notNull(),
    block: int('block').notNull(),
    /** Places within the block, two bytes each. */
    places: bytesColumn('places').notNull(),
  },
  (table) => [primaryKey({ columns: [table.word, table.block] })],
);

const who = {
  personId: idOf<PersonId>('person_id'),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
};

export const acknowledgements = mysqlTable(
  'acknowledgements',
  { jobId: idOf<JobId>('job_id').notNull(), caution: varchar('caution', { length: 60 }).notNull(), ...who },
  (table) => [primaryKey({ columns: [table.jobId, table.caution] })],
);

export const partAccounts = mysqlTable(
  'part_accounts',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    state: oneOf('state', partStates).notNull(),
    note: longText('note').notNull(),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.partRef] })],
);

export const looks = mysqlTable(
  'looks',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    seen: oneOf('seen', sights).notNull(),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.partRef] })],
);

export const promiseMoves = mysqlTable(
  'promise_moves',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    number: int('number').notNull(),
    from: date('from_day', { mode: 'string' }).notNull(),
    to: date('to_day', { mode: 'string' }).notNull(),
    reason: longText('reason').notNull(),
    toldTo: shortText('told_to'),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
);

export const corrections = mysqlTable(
  'corrections',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    number: int('number').notNull(),
    what: oneOf('what', correctables).notNull(),
    from: longText('from_value').notNull(),
    to: longText('to_value').notNull(),
    reason: longText('reason').notNull(),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
);

export const stepsDone = mysqlTable(
  'steps_done',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    phase: oneOf('phase', stepPhases).notNull(),
    /** Counts up when a job comes back from test: what was recorded before stays. */
    round: int('round').notNull().default(1),
    stepId: varchar('step_id', { length: 80 }).notNull(),
    state: oneOf('state', stepStates).notNull().default('done'),
    data: json('data').notNull(),
    secondName: shortText('second_name'),
    secondId: idOf<PersonId>('second_id'),
    secondAt: momentColumn('second_at'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase, table.round, table.stepId] })],
);

export const answers = mysqlTable(
  'answers',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    phase: oneOf('phase', benchPhases).notNull(),
    round: int('round').notNull().default(1),
    actionId: varchar('action_id', { length: 80 }).notNull(),
    state: oneOf('state', answerStates).notNull().default('done'),
    typed: longText('typed').notNull(),
    value: decimal('value', { precision: 18, scale: 6 }),
    unit: varchar('unit', { length: 12 }).notNull().default(''),
    photoId: idOf<PhotoId>('photo_id'),
    data: json('data').notNull(),
    conceded: boolean('conceded').notNull().default(false),
    version: int('version').notNull().default(1),
    /** The tool or gauge that it was done with, to be found by. */
    tool: varchar('tool', { length: 20 }).generatedAlwaysAs(sql`json_value(\`data\`, '$.tool')`, { mode: 'stored' }),
    ...who,
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.phase, table.round, table.actionId] }),
    index('answers_tool').on(table.tool),
  ],
);

export const readings = mysqlTable(
  'readings',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    phase: oneOf('phase', phases).notNull(),
    pointId: varchar('point_id', { length: 60 }).notNull(),
    place: varchar('place', { length: 60 }).$type<Place>().notNull(),
    /** As left, the rebuild that it was read in; 0 for one from before readings had a round. */
    round: int('round').notNull().default(0),
    /** In the unit beside it. */
    value: decimal('value', { precision: 18, scale: 6 }).notNull(),
    unit: varchar('unit', { length: 12 }).notNull().default('mm'),
    typed: shortText('typed').notNull(),
    typedUnit: varchar('typed_unit', { length: 12 }).notNull(),
    typedDigits: int('typed_digits').notNull(),
    instrumentCode: varchar('instrument_code', { length: 20 }),
    uncertainty: decimal('uncertainty', { precision: 18, scale: 6 }),
    conceded: longText('conceded'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.phase, table.pointId, table.place, table.round] })],
);

export const findings = mysqlTable(
  'findings',
  {
    id: idOf<FindingId>('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    kind: oneOf('kind', findingKinds).notNull(),
    phase: oneOf('phase', phases).notNull().default('as-found'),
    round: int('round').notNull().default(0),
    pointId: varchar('point_id', { length: 60 }),
    actionId: varchar('action_id', { length: 80 }),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    words: longText('words').notNull(),
    plain: longText('plain').notNull(),
    proposed: varchar('proposed', { length: 20 }),
    verdict: varchar('verdict', { length: 20 }),
    overruledReason: longText('overruled_reason'),
    waivedReason: longText('waived_reason'),
    photoId: idOf<PhotoId>('photo_id'),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [index('findings_job').on(table.jobId)],
);

export const dispositions = mysqlTable(
  'dispositions',
  {
    findingId: idOf<FindingId>('finding_id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    action: oneOf('action', actions, 40).notNull(),
    reason: longText('reason').notNull(),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [index('dispositions_job').on(table.jobId)],
);

/** What people fill in as a whole about a job; what a body holds goes by its kind, see `core/record/sheet-bodies.ts`. */
export const sheets = mysqlTable(
  'sheets',
  {
    jobId: idOf<JobId>('job_id').notNull(),
    kind: oneOf('kind', sheetKinds).notNull(),
    key: varchar('sheet_key', { length: 40 }).notNull(),
    body: json('body').notNull(),
    version: int('version').notNull().default(1),
    ...who,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.kind, table.key] })],
);

export const photos = mysqlTable(
  'photos',
  {
    id: idOf<PhotoId>('id').primaryKey(),
    jobId: idOf<JobId>('job_id').notNull(),
    about: varchar('about', { length: 80 }).notNull(),
    caption: longText('caption').notNull(),
    width: int('width').notNull(),
    height: int('height').notNull(),
    /** SHA-256 of `bytes`. */
    fingerprint: varchar('fingerprint', { length: 64 }).notNull().default(''),
    bytes: bytesColumn('bytes').notNull(),
    thumb: bytesColumn('thumb').notNull(),
    ...who,
  },
  (table) => [index('photos_job').on(table.jobId)],
);

/** Closed jobs that were taken out into a file: what is still said of them here, and where they are. */
export const archivedJobs = mysqlTable(
  'archived_jobs',
  {
    tag: varchar('tag', { length: 20 }).$type<Tag>().primaryKey(),
    /** Of the job; named otherwise than in tables of jobs, since its rows are none of a job. */
    formerId: idOf<JobId>('former_id').notNull(),
    pumpId: idColumn('pump_id').notNull(),
    customerId: idColumn('customer_id').notNull(),
    version: int('version').notNull(),
    openedAt: momentColumn('opened_at').notNull(),
    closedAt: momentColumn('closed_at').notNull(),
    outcome: oneOf('outcome', outcomes).notNull(),
    /** Name of the file. */
    file: shortText('file').notNull(),
    /** Leaving: the file is being written, and the job is still here. */
    state: oneOf('state', ['leaving', 'archived'], 10).notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [
    uniqueIndex('archived_jobs_former').on(table.formerId),
    index('archived_jobs_pump').on(table.pumpId),
    index('archived_jobs_customer').on(table.customerId),
    index('archived_jobs_file').on(table.file),
  ],
);
