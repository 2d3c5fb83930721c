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
import { offerKinds, shopOrderStates, stockMoveKinds, supplySources, type PhotoId } from '@/core/record';
import { bytesColumn, idColumn, idOf, longText, momentColumn, oneOf, shortText } from './columns';

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
  /** How many of the shop's money one of theirs is. */
  rate: decimal('rate', { precision: 14, scale: 6 }).notNull().default('1'),
  /** Who is asked for what nobody offers. */
  isUsual: boolean('is_usual').notNull().default(false),
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

/** What a supplier offers: a part by itself or in a pack, or a kit of several. */
export const supplierOffers = mysqlTable(
  'supplier_offers',
  {
    id: idColumn('id').primaryKey(),
    supplierId: idColumn('supplier_id').notNull(),
    /** By which it is ordered. */
    code: varchar('code', { length: 60 }).notNull(),
    kind: oneOf('kind', offerKinds, 10).notNull(),
    title: shortText('title').notNull(),
    /** In the supplier's currency. */
    priceMinor: int('price_minor').notNull(),
    leadDays: int('lead_days').notNull(),
    /** The fewest that are sold at once. */
    least: int('least').notNull().default(1),
    validUntil: date('valid_until', { mode: 'string' }),
    /** What is in one of it. */
    pieces: json('pieces').notNull(),
    version: int('version').notNull().default(1),
  },
  (table) => [uniqueIndex('supplier_offers_code').on(table.supplierId, table.code)],
);

/** What lies on the shelf, by number and elastomer. */
export const stockItems = mysqlTable(
  'stock_items',
  {
    numberKey: numberKey('number_key').notNull(),
    elastomer: varchar('elastomer', { length: 40 }).notNull(),
    number: partNumber('number').notNull(),
    title: shortText('title').notNull(),
    bin: varchar('bin', { length: 20 }).notNull(),
    quantity: int('quantity').notNull(),
    /** The fewest that should lie there. */
    minimum: int('minimum').notNull().default(0),
    /** What one of them cost, in the shop's money. */
    unitCostMinor: int('unit_cost_minor').notNull().default(0),
    version: int('version').notNull().default(1),
  },
  (table) => [primaryKey({ columns: [table.numberKey, table.elastomer] })],
);

/** Every change of what lies on the shelf. */
export const stockMoves = mysqlTable(
  'stock_moves',
  {
    id: idColumn('id').primaryKey(),
    numberKey: numberKey('number_key').notNull(),
    elastomer: varchar('elastomer', { length: 40 }).notNull(),
    kind: oneOf('kind', stockMoveKinds, 12).notNull(),
    change: int('quantity_change').notNull(),
    after: int('quantity_after').notNull(),
    /** The job, or the order, that it was for or came by. */
    reference: varchar('reference', { length: 30 }).notNull(),
    reason: longText('reason').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('stock_moves_item').on(table.numberKey, table.elastomer, table.at)],
);

/** An order as the supplier reads it, for one job, for several, and for the shelf. */
export const shopOrders = mysqlTable(
  'shop_orders',
  {
    number: varchar('number', { length: 20 }).primaryKey(),
    supplierId: idColumn('supplier_id').notNull(),
    supplier: shortText('supplier').notNull(),
    currency: varchar('currency', { length: 3 }).notNull(),
    rate: decimal('rate', { precision: 14, scale: 6 }).notNull(),
    freightMinor: int('freight_minor').notNull(),
    state: oneOf('state', shopOrderStates, 14).notNull(),
    reference: shortText('reference'),
    placedOn: date('placed_on', { mode: 'string' }).notNull(),
    /** When its last piece was counted or struck off. */
    endedOn: date('ended_on', { mode: 'string' }),
    /** What was said about it, oldest first. */
    history: json('history').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
    version: int('version').notNull().default(1),
  },
  (table) => [
    index('shop_orders_state').on(table.state, table.number),
    index('shop_orders_supplier').on(table.supplierId),
  ],
);

/** Pictures of what came wrong and no job waited for; those of a job's own parts are in its record. */
export const orderPhotos = mysqlTable(
  'order_photos',
  {
    id: idOf<PhotoId>('id').primaryKey(),
    orderNumber: varchar('order_number', { length: 20 }).notNull(),
    piece: varchar('piece', { length: 60 }).notNull(),
    caption: longText('caption').notNull(),
    width: int('width').notNull(),
    height: int('height').notNull(),
    /** SHA-256 of `bytes`. */
    fingerprint: varchar('fingerprint', { length: 64 }).notNull(),
    bytes: bytesColumn('bytes').notNull(),
    thumb: bytesColumn('thumb').notNull(),
    personName: shortText('person_name').notNull(),
    at: momentColumn('at').notNull(),
  },
  (table) => [index('order_photos_order').on(table.orderNumber, table.at)],
);

export const shopOrderLines = mysqlTable(
  'shop_order_lines',
  {
    orderNumber: varchar('order_number', { length: 20 }).notNull(),
    position: int('position').notNull(),
    code: varchar('code', { length: 60 }).notNull(),
    kind: oneOf('kind', offerKinds, 10).notNull(),
    title: shortText('title').notNull(),
    quantity: int('quantity').notNull(),
    /** Of one, in the supplier's currency; null where the supplier has to say it. */
    priceMinor: int('price_minor'),
    /** What the supplier acknowledged in its place. */
    saidPriceMinor: int('said_price_minor'),
    leadDays: int('lead_days').notNull(),
    /** The day that was acknowledged first, and the one that counts now. */
    firstDueOn: date('first_due_on', { mode: 'string' }),
    dueOn: date('due_on', { mode: 'string' }),
    /** What is in all of it: number, elastomer, pieces, how many left the supplier, were counted, were struck off. */
    pieces: json('pieces').notNull(),
  },
  (table) => [primaryKey({ columns: [table.orderNumber, table.position] })],
);

/** What of open jobs is still to come or to be arranged; reckoned anew at every change of a job. */
export const supplyLines = mysqlTable(
  'supply_lines',
  {
    tag: varchar('tag', { length: 20 }).notNull(),
    partRef: varchar('part_ref', { length: 60 }).notNull(),
    name: shortText('name').notNull(),
    number: partNumber('number').notNull(),
    numberKey: numberKey('number_key').notNull(),
    elastomer: varchar('elastomer', { length: 40 }).notNull(),
    source: oneOf('source', supplySources).notNull(),
    quantity: int('quantity').notNull(),
    ordered: int('ordered').notNull(),
    received: int('received').notNull(),
    /** How many are still to be bought. */
    toBuy: int('to_buy').notNull(),
    leadDays: int('lead_days').notNull(),
    dueOn: date('due_on', { mode: 'string' }),
    /** The last day on which it may come for the promise to hold; null without a promise. */
    neededBy: date('needed_by', { mode: 'string' }),
    /** Steps that wait for it. */
    blocks: json('blocks').notNull(),
    /** Wanted before the customer has answered. */
    isAtRisk: boolean('is_at_risk').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.tag, table.partRef, table.isAtRisk] }),
    index('supply_lines_number').on(table.numberKey, table.elastomer),
  ],
);
