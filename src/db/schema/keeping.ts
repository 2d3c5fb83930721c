import { bigint, index, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { idColumn, longText, momentColumn, shortText } from './columns';

/** What only one copy at a time may do; a lease that was not renewed in time is anybody's. */
export const leases = mysqlTable('leases', {
  name: varchar('name', { length: 40 }).primaryKey(),
  /** Machine and process of whoever has it. */
  holder: varchar('holder', { length: 120 }).notNull(),
  since: momentColumn('since').notNull(),
  until: momentColumn('until').notNull(),
});

/** Backups that were made or tried. */
export const backups = mysqlTable(
  'backups',
  {
    id: idColumn('id').primaryKey(),
    startedAt: momentColumn('started_at').notNull(),
    /** Null where it failed. */
    finishedAt: momentColumn('finished_at'),
    /** Where it lies, as the copy that made it sees it. */
    file: varchar('file', { length: 500 }).notNull(),
    bytes: bigint('bytes', { mode: 'number' }).notNull().default(0),
    jobs: int('jobs').notNull().default(0),
    pictures: int('pictures').notNull().default(0),
    /** Who asked for it; “Puddlestone” for the nightly one. */
    askedBy: shortText('asked_by').notNull(),
    /** Why there is none, in words. */
    failure: longText('failure'),
  },
  (table) => [index('backups_started').on(table.startedAt)],
);
