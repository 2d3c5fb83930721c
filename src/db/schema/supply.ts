import { boolean, decimal, index, int, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { idColumn, longText, momentColumn, shortText } from './columns';

/** Part numbers are compared by this key: letters and digits alone, in capitals; see `core/supply/numbers.ts`. */
const numberKey = (name: string) => varchar(name, { length: 60 });
const partNumber = (name: string) => varchar(name, { length: 60 });

/** Parts of units of the house that were taken, or may be taken, for other pumps: one row a part of a unit. */
export const donorParts = mysqlTable(
  'donor_parts',
  {
    /** The unit, by its tag, and the part of its family. */
    tag: varchar('tag', { length: 20 }).notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    familyId: varchar('family_id', { length: 20 }).notNull(),
    name: shortText('name').notNull(),
    number: partNumber('number').notNull(),
    numberKey: numberKey('number_key').notNull(),
    size: shortText('size').notNull(),
    look: longText('look').notNull(),
    wearPct: decimal('wear_pct', { precision: 7, scale: 1 }),
    tray: varchar('tray', { length: 20 }).notNull(),
    owner: shortText('owner').notNull(),
    /** The owner's say on it, or whose stock it is. */
    ownersWord: longText('owners_word').notNull(),
    /** The job that took it; null while it is free. */
    takenBy: varchar('taken_by', { length: 20 }),
    takenAt: momentColumn('taken_at'),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.tag, table.partRef] }),
    index('donor_parts_free').on(table.takenBy, table.numberKey),
    index('donor_parts_family').on(table.familyId, table.partRef),
  ],
);

export const suppliers = mysqlTable('suppliers', {
  id: idColumn('id').primaryKey(),
  name: shortText('name').notNull().unique('suppliers_name'),
  contact: shortText('contact').notNull(),
  email: shortText('email').notNull(),
  telephone: varchar('telephone', { length: 40 }).notNull(),
  currency: varchar('currency', { length: 3 }).notNull(),
  freightMinor: int('freight_minor').notNull(),
  /** The least that an order comes to; 0 for none. */
  minimumMinor: int('minimum_minor').notNull(),
  /** Until when an order leaves on the same day, such as 14:00, in the shop's zone. */
  cutOff: varchar('cut_off', { length: 5 }).notNull(),
  isActive: boolean('is_active').notNull().default(true),
  version: int('version').notNull().default(1),
});

/** Numbers that the shop knows: what took their place, and with what they interchange. */
export const catalogueNumbers = mysqlTable(
  'catalogue_numbers',
  {
    key: numberKey('number_key').primaryKey(),
    number: partNumber('number').notNull(),
    title: shortText('title').notNull(),
    elastomer: varchar('elastomer', { length: 40 }).notNull(),
    variant: shortText('variant').notNull(),
    /** Numbers of one group interchange. */
    interchangeGroup: varchar('interchange_group', { length: 60 }).notNull(),
    supersededByKey: numberKey('superseded_by_key').notNull(),
  },
  (table) => [
    index('catalogue_group').on(table.interchangeGroup),
    index('catalogue_superseded').on(table.supersededByKey),
  ],
);
