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
import { bigText, idColumn, longText, momentColumn, oneOf, shortText } from './columns';

/** Hours of hands and places, week by week, and the days on which nobody is there. */
export const workCalendars = mysqlTable('work_calendars', {
  id: idColumn('id').primaryKey(),
  name: shortText('name').notNull(),
  weekly: json('weekly').notNull(),
  closed: json('closed').notNull(),
  version: int('version').notNull().default(1),
});

/**
 * Places; and of people what is other than usual for their role: skills, hours. A person without a row has the skills of
 * the role and the first calendar.
 */
export const planResources = mysqlTable('plan_resources', {
  /** Of a person: the person's. */
  id: idColumn('id').primaryKey(),
  name: shortText('name').notNull(),
  kind: oneOf('kind', ['hand', 'place'], 10).notNull(),
  skills: json('skills').notNull(),
  /** Null: always open. */
  calendarId: varchar('calendar_id', { length: 36 }),
  isActive: boolean('is_active').notNull().default(true),
  version: int('version').notNull().default(1),
});

/** Days on which a hand or a place is away. */
export const absences = mysqlTable(
  'absences',
  {
    id: idColumn('id').primaryKey(),
    resourceId: idColumn('resource_id').notNull(),
    fromDay: date('from_day', { mode: 'string' }).notNull(),
    toDay: date('to_day', { mode: 'string' }).notNull(),
    reason: longText('reason').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('absences_to').on(table.toDay)],
);

/** A hand or a day that somebody wants for an operation of a job. */
export const planWishes = mysqlTable(
  'plan_wishes',
  {
    id: idColumn('id').primaryKey(),
    tag: varchar('tag', { length: 20 }).notNull(),
    operation: varchar('operation', { length: 80 }).notNull(),
    resourceId: varchar('resource_id', { length: 36 }),
    notBefore: date('not_before', { mode: 'string' }),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [uniqueIndex('plan_wishes_operation').on(table.tag, table.operation)],
);

/** How much a late day of a job weighs, where it is not one. */
export const planWeights = mysqlTable('plan_weights', {
  tag: varchar('tag', { length: 20 }).primaryKey(),
  weight: decimal('weight', { precision: 8, scale: 2 }).notNull(),
  reason: longText('reason').notNull(),
  personName: shortText('person_name').notNull(),
  at: momentColumn('at').notNull(),
});

/** The plan that stands, as it was drawn up last: one row. A view, made anew from what it is made of. */
export const keptPlans = mysqlTable('kept_plans', {
  id: varchar('id', { length: 10 }).primaryKey(),
  /** Fingerprint of what it was made of. */
  madeOf: varchar('made_of', { length: 64 }).notNull(),
  plan: bigText('plan').notNull(),
  version: int('version').notNull(),
  at: momentColumn('at').notNull(),
});

/** When each pump is ready by the plan that stands. */
export const plannedPumps = mysqlTable('planned_pumps', {
  tag: varchar('tag', { length: 20 }).primaryKey(),
  plannedOn: date('planned_on', { mode: 'string' }).notNull(),
  early: date('early', { mode: 'string' }).notNull(),
  likely: date('likely', { mode: 'string' }).notNull(),
  late: date('late', { mode: 'string' }).notNull(),
  /** Of 100 runs, how many keep the promise. */
  keptPct: int('kept_pct').notNull(),
  /** What limits it, in words. */
  limitWords: shortText('limit_words').notNull(),
  /** When the work goes on that waits for parts; null where none waits. */
  goesOn: date('goes_on', { mode: 'string' }),
  /** Whether it is hands that it waits for then, not parts. */
  isByHands: boolean('is_by_hands').notNull(),
});

/** What the plan of a past day says of a pump that is ready since, and when it was: the plan held against what came. */
export const backTests = mysqlTable(
  'back_tests',
  {
    tag: varchar('tag', { length: 20 }).notNull(),
    /** Of which moment the plan is: when it came in, or when the customer answered. */
    moment: varchar('moment', { length: 10 }).notNull(),
    /** The day at each chance. */
    said: json('said').notNull(),
    readyOn: date('ready_on', { mode: 'string' }).notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.tag, table.moment] })],
);

/** Pieces of work as the bench took them, or as they were written down; what was corrected keeps what it was. */
export const workedSpans = mysqlTable(
  'worked_spans',
  {
    id: idColumn('id').primaryKey(),
    tag: varchar('tag', { length: 20 }).notNull(),
    station: varchar('station', { length: 20 }).notNull(),
    personId: idColumn('person_id').notNull(),
    personName: shortText('person_name').notNull(),
    startedAt: momentColumn('started_at').notNull(),
    endedAt: momentColumn('ended_at').notNull(),
    seconds: int('seconds').notNull(),
    /** What the bench had taken, where somebody corrected it. */
    takenSeconds: int('taken_seconds'),
    reason: longText('reason').notNull(),
    correctedBy: shortText('corrected_by'),
    version: int('version').notNull().default(1),
  },
  (table) => [index('worked_spans_tag').on(table.tag), index('worked_spans_person').on(table.personId, table.endedAt)],
);

/** Links under which a calendar reads somebody's work, or what comes and goes; each can be ended. */
export const calendarFeeds = mysqlTable(
  'calendar_feeds',
  {
    id: idColumn('id').primaryKey(),
    /** A hand or place of the plan, or `deliveries`. */
    subject: varchar('subject', { length: 36 }).notNull(),
    tokenHash: varchar('token_hash', { length: 64 }).notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    endedAt: momentColumn('ended_at'),
  },
  (table) => [
    uniqueIndex('calendar_feeds_token').on(table.tokenHash),
    index('calendar_feeds_subject').on(table.subject),
  ],
);
