import { languages } from '@/words';
import { present } from '@/core/present';
import { LRUCache } from 'lru-cache';
import { and, asc, count, desc, eq, getTableColumns, inArray, isNull, like, lt, notLike, or, sql } from 'drizzle-orm';
import * as z from 'zod';
import { compareVersions } from '@/core/family';
import { letterKinds } from '@/core/letters';
import { ofProcess } from '@/core/of-process';
import {
  lengthDisplays,
  matters,
  paperSizes,
  type JobId,
  type PersonId,
  type Role,
  type Tag,
  type Tool,
} from '@/core/record';
import { asJsonArray, decodeRow, type Columns } from './child-rows';
import { fromJson, rowsOf, type Connection } from './client';
import { likeText } from './like-text';
import { basisSchema } from './row-schemas';
import {
  contacts,
  customerLinks,
  customers,
  families,
  instruments,
  jobs,
  mails,
  people,
  quotes,
  sessions,
  shop,
  shopOrders,
  shopMark,
} from './schema';
import { query, readRows } from './written-once';

export const shopSettingsSchema = z.object({
  labourMinorPerHour: z.number().int(),
  machiningMinorPerHour: z.number().int(),
  testMinor: z.number().int(),
  freightMinor: z.number().int(),
  partsMarkupPct: z.number(),
  taxPct: z.number(),
  /** Other rates that a quote can be given, by name. */
  taxes: z.array(z.object({ name: z.string(), pct: z.number() })).default([]),
  warrantyMonths: z.number().int(),
  quoteValidDays: z.number().int(),
  /** What an hour of work costs the shop, for its margin; null where nobody said it. */
  wageMinorPerHour: z.number().int().nullable().default(null),
  /** After how many days without an answer a reminder is drafted. */
  reminderAfterDays: z.number().int().min(1).default(7),
  /** The shop's telephone, as the customer's page says it. */
  telephone: z.string().default(''),
  /** Lines of its address for the head of its papers; empty where the place says enough. */
  address: z.string().default(''),
  /** The sheet that its papers are printed on. */
  paperSize: z.enum(paperSizes).default('A4'),
  /** In which papers, letters and the customer's page are written. */
  language: z.enum(languages).default('en'),
  /** The shop's own words of letters to customers, where it has such. */
  letters: z.partialRecord(z.enum(letterKinds), z.object({ subject: z.string(), body: z.string() })).default({}),
  /** The schools that the shop follows where they are not the usual ones. */
  policies: z.partialRecord(z.enum(matters), z.string()).default({}),
  /** What repairs are held against; null for the usual figures. */
  basis: basisSchema.nullable().default(null),
  /** How lengths are shown, and what a length without a unit means. */
  lengthDisplay: z.enum(lengthDisplays).default('metric'),
});
export type ShopSettings = z.infer<typeof shopSettingsSchema>;

const theShop = query(getTableColumns(shop), 'from shop where shop.id = 1');

type ShopRow = typeof shop.$inferSelect;
const shopOf = (row: ShopRow) => ({ ...row, settings: shopSettingsSchema.parse(fromJson(row.settings)) });
export type Shop = ReturnType<typeof shopOf>;

export async function readShop(connection: Connection): Promise<Shop | null> {
  const [row] = await readRows(connection, theShop);
  return row ? shopOf(row) : null;
}

export async function createShop(
  connection: Connection,
  given: { name: string; place: string; zone: string; currency: string; settings: ShopSettings; firstTag: number },
) {
  await connection.insert(shop).values({
    id: 1,
    name: given.name,
    place: given.place,
    zone: given.zone,
    currency: given.currency,
    settings: given.settings,
    nextTag: given.firstTag,
    nextReport: 1,
    nextOrder: 1,
    nextFamily: 1,
  });
}

/** Keeps what the shop is called, where it is, and what it reckons in. */
export async function saveShopSign(
  connection: Connection,
  sign: { readonly name: string; readonly place: string; readonly currency: string },
): Promise<void> {
  await connection.update(shop).set(sign).where(eq(shop.id, 1));
}

/** Whether anything was quoted or ordered yet: sums of two currencies are not added. */
export async function hasSums(connection: Connection): Promise<boolean> {
  const [quoted] = await connection.select({ id: quotes.id }).from(quotes).limit(1);
  const [ordered] = await connection.select({ number: shopOrders.number }).from(shopOrders).limit(1);
  return Boolean(quoted ?? ordered);
}

export async function saveShopSettings(connection: Connection, settings: ShopSettings): Promise<void> {
  await connection.update(shop).set({ settings }).where(eq(shop.id, 1));
}

/** Lets one at a time look for a pump's plate and write it; until the transaction ends. */
export async function lockPlates(connection: Connection): Promise<void> {
  await connection.select({ id: shop.id }).from(shop).where(eq(shop.id, 1)).for('update');
}

/** Takes the next number of a series; the row stays locked until the transaction ends. */
export async function takeNumber(
  connection: Connection,
  series: 'nextTag' | 'nextReport' | 'nextOrder' | 'nextFamily' | 'nextLot',
): Promise<number> {
  const [row] = await connection.select({ number: shop[series] }).from(shop).where(eq(shop.id, 1)).for('update');
  const number = present(row).number;
  await connection
    .update(shop)
    .set({ [series]: number + 1 })
    .where(eq(shop.id, 1));
  return number;
}

/** The next number of each series that a person may set. */
export const numberSeries = { tag: 'nextTag', report: 'nextReport', order: 'nextOrder', lot: 'nextLot' } as const;

/** Lets a series go on at another number where it still stands at one; false when a number was taken meanwhile. */
export async function setNextNumber(
  connection: Connection,
  series: keyof typeof numberSeries,
  { from, to }: { readonly from: number; readonly to: number },
): Promise<boolean> {
  const column = numberSeries[series];
  const [row] = await connection.select({ number: shop[column] }).from(shop).where(eq(shop.id, 1)).for('update');
  if (row?.number !== from) return false;
  await connection
    .update(shop)
    .set({ [column]: to })
    .where(eq(shop.id, 1));
  return true;
}

/** The shop's mark; null for none. */
export async function findMark(connection: Connection) {
  const [row] = await connection.select().from(shopMark).where(eq(shopMark.id, 1));
  return row ?? null;
}

/** Keeps a mark in place of the one before, or none. */
export async function saveMark(
  connection: Connection,
  mark: { readonly bytes: Buffer; readonly width: number; readonly height: number } | null,
): Promise<void> {
  await connection.delete(shopMark).where(eq(shopMark.id, 1));
  if (mark) await connection.insert(shopMark).values({ id: 1, ...mark });
}

const personColumns = {
  id: people.id,
  name: people.name,
  email: people.email,
  role: people.role,
  passwordHash: people.passwordHash,
  pinHash: people.pinHash,
  active: people.active,
};

export async function findPersonByEmail(connection: Connection, email: string) {
  const [row] = await connection.select(personColumns).from(people).where(eq(people.email, email));
  return row ?? null;
}

export async function findPerson(connection: Connection, id: PersonId) {
  const [row] = await connection.select(personColumns).from(people).where(eq(people.id, id));
  return row ?? null;
}

const activePeople = query(personColumns, 'from people where active order by name limit 500');

export async function listPeople(connection: Connection) {
  return readRows(connection, activePeople);
}

export async function countPeople(connection: Connection): Promise<number> {
  const [row] = await connection.select({ n: count() }).from(people);
  return present(row).n;
}

export async function addPerson(
  connection: Connection,
  person: {
    id: PersonId;
    name: string;
    email: string;
    role: Role;
    passwordHash: string;
    pinHash: string | null;
    createdAt: Date;
  },
) {
  await connection.insert(people).values(person);
}

export async function openSession(connection: Connection, session: typeof sessions.$inferInsert) {
  await connection.insert(sessions).values(session);
}

export async function endSession(connection: Connection, id: string, at: Date) {
  await connection.update(sessions).set({ endedAt: at }).where(eq(sessions.id, id));
}

const personOfSession = query(
  { ...personColumns, parkedAt: sessions.parkedAt, seenAt: sessions.seenAt },
  `from sessions inner join people on people.id = sessions.person_id
   where sessions.id = ? and sessions.ended_at is null and people.active`,
);

/** The person of a session that has not ended; null for any other. */
export async function findSessionPerson(connection: Connection, sessionId: string) {
  const [row] = await readRows(connection, personOfSession, [sessionId]);
  return row ?? null;
}

const customersWithContacts = (connection: Connection) =>
  connection
    .select({
      id: customers.id,
      name: customers.name,
      contactId: contacts.id,
      contactName: contacts.name,
      email: contacts.email,
      phone: contacts.phone,
    })
    .from(customers)
    .leftJoin(contacts, eq(contacts.customerId, customers.id))
    .orderBy(asc(customers.name));

/** Every customer, a row for each of its contacts. */
export async function listCustomers(connection: Connection) {
  return customersWithContacts(connection).where(isNull(customers.mergedInto));
}

/** Customers in whose name a text stands, those that begin with it first, each with its contacts. */
export async function findCustomersBy(
  connection: Connection,
  { text, limit }: { readonly text: string; readonly limit: number },
) {
  const part = likeText(text);
  const found = await connection
    .select({ id: customers.id })
    .from(customers)
    .where(and(isNull(customers.mergedInto), like(customers.name, `%${part}%`)))
    .orderBy(sql`${customers.name} not like ${`${part}%`}`, asc(customers.name))
    .limit(limit);
  if (!found.length) return [];
  const ids = found.map(({ id }) => id);
  const rows = await customersWithContacts(connection).where(inArray(customers.id, ids));
  return ids.map((id) => rows.filter((row) => row.id === id));
}

/** Names that are looked at for a spelling at most. */
const mostNear = 2000;

/** Names of customers in which one of some pieces stands, letters and digits alone compared: for a spelling. */
export async function listNamesWith(connection: Connection, pieces: readonly string[]): Promise<readonly string[]> {
  if (!pieces.length) return [];
  const bare = sql`regexp_replace(${customers.name}, '[^\\\\p{L}\\\\p{N}]', '')`;
  const rows = await connection
    .select({ name: customers.name })
    .from(customers)
    .where(and(isNull(customers.mergedInto), or(...pieces.map((piece) => sql`${bare} like ${`%${piece}%`}`))))
    .limit(mostNear);
  return rows.map(({ name }) => name);
}

/** A customer by their name; one that turned out to be another is that other. */
export async function findCustomerByName(connection: Connection, name: string) {
  const [row] = await connection.select().from(customers).where(eq(customers.name, name));
  if (!row?.mergedInto) return row ?? null;
  const [into] = await connection.select().from(customers).where(eq(customers.id, row.mergedInto));
  return into ?? row;
}

/** What was agreed with a customer for all their pumps; null where nothing was. */
export async function customerLimit(connection: Connection, customerId: string) {
  const [row] = await connection.select().from(customers).where(eq(customers.id, customerId));
  return row && row.riskLimitMinor > 0
    ? { limitMinor: row.riskLimitMinor, saidBy: `${row.riskLimitSaidBy}, for all their pumps` }
    : null;
}

export async function setCustomerLimit(
  connection: Connection,
  customerId: string,
  { limitMinor, saidBy }: { readonly limitMinor: number; readonly saidBy: string },
): Promise<void> {
  const limit = { riskLimitMinor: limitMinor, riskLimitSaidBy: saidBy };
  await connection.update(customers).set(limit).where(eq(customers.id, customerId));
}

/** Says that a customer is another one: it is offered no more, and its people are the other's. */
export async function mergeCustomer(connection: Connection, fromId: string, intoId: string): Promise<void> {
  await connection.update(customers).set({ mergedInto: intoId }).where(eq(customers.id, fromId));
  await connection.update(customers).set({ mergedInto: intoId }).where(eq(customers.mergedInto, fromId));
  await connection.update(contacts).set({ customerId: intoId }).where(eq(contacts.customerId, fromId));
}

/** The tags of all jobs of a customer. */
export async function listTagsOfCustomer(connection: Connection, customerId: string): Promise<readonly Tag[]> {
  const rows = await connection.select({ tag: jobs.tag }).from(jobs).where(eq(jobs.customerId, customerId));
  return rows.map(({ tag }) => tag);
}

export async function addCustomer(connection: Connection, customer: { id: string; name: string; createdAt: Date }) {
  await connection.insert(customers).values(customer);
}

/** The contact of a customer that is known under this very name, address and telephone. */
export async function findContact(
  connection: Connection,
  customerId: string,
  { name, email, phone }: { readonly name: string; readonly email: string; readonly phone: string },
) {
  const { customerId: owner, ...own } = getTableColumns(contacts);
  const isSame = and(eq(owner, customerId), eq(own.email, email), eq(own.name, name), eq(own.phone, phone));
  const [row] = await connection.select().from(contacts).where(isSame);
  return row ?? null;
}

export async function addContact(
  connection: Connection,
  contact: { id: string; customerId: string; name: string; email: string; phone: string },
) {
  await connection.insert(contacts).values(contact);
}

function toolOf({ code, kind, unit, uncertainty, rangeLow, rangeHigh, dueOn }: typeof instruments.$inferSelect): Tool {
  const number = (text: string | null) => (text === null ? null : Number(text));
  return {
    ...{ code, kind, unit, dueOn },
    uncertainty: number(uncertainty),
    rangeLow: number(rangeLow),
    rangeHigh: number(rangeHigh),
  };
}

const fromInstruments = 'from instruments order by instruments.code limit 500';

const allInstruments = query(getTableColumns(instruments), fromInstruments);

export async function listInstruments(connection: Connection): Promise<readonly Tool[]> {
  return (await readRows(connection, allInstruments)).map(toolOf);
}

const shopColumns = getTableColumns(shop);
const toolColumns = getTableColumns(instruments);
const colleagueColumns = { id: people.id, name: people.name, role: people.role, pinHash: people.pinHash };
/** Of a PIN only that there is one: nobody needs its hash who draws a page. */
const colleague = "json_array(people.id, people.name, people.role, if(people.pin_hash is null, null, 'set'))";
/**
 * As text, not as JSON that the driver would read each time, and in no order: to put rows in order and into one list took
 * the database half of its time.
 */
const shopAtHand = sql.raw(`select 'shop' as kind, concat(${asJsonArray(shopColumns)}) as body from shop where id = 1
 union all select 'tool', concat(${asJsonArray(toolColumns)}) from instruments
 union all select 'person', concat(${colleague}) from people where active`);

/** Somebody who works here. */
export interface Colleague {
  readonly id: PersonId;
  readonly name: string;
  readonly role: Role;
  readonly hasPin: boolean;
}

/** What every page and every entry at the bench asks of the shop. */
export interface ShopAtHand {
  readonly shop: Shop;
  readonly tools: readonly Tool[];
  /** Who works here, by name. */
  readonly people: readonly Colleague[];
}
/** Shops as they were read last, by their text: to read one anew took longer than to ask for it. */
const shopsRead = ofProcess('shops', () => new LRUCache<string, ShopAtHand>({ max: 4 }));

interface KindOfRow {
  readonly kind: 'shop' | 'tool' | 'person';
  readonly body: string;
}

const rowsIn = <Own extends Columns>(columns: Own, rows: readonly KindOfRow[], own: KindOfRow['kind']) =>
  rows.filter(({ kind }) => kind === own).map(({ body }) => present(decodeRow(columns, body)));

function shopIn(rows: readonly KindOfRow[]): ShopAtHand | null {
  const [found] = rowsIn(shopColumns, rows, 'shop');
  if (!found) return null;
  const hands = rowsIn(colleagueColumns, rows, 'person').toSorted((a, b) => a.name.localeCompare(b.name, 'en'));
  return {
    shop: shopOf(found),
    tools: rowsIn(toolColumns, rows, 'tool')
      .map(toolOf)
      .toSorted((a, b) => a.code.localeCompare(b.code, 'en')),
    people: hands.map(({ pinHash, ...person }) => ({ ...person, hasPin: pinHash !== null })),
  };
}

/** The shop, its instruments and its people, in one statement. Null before there is a shop. */
export async function readShopAtHand(connection: Connection): Promise<ShopAtHand | null> {
  const rows = await rowsOf<KindOfRow>(connection, shopAtHand);
  const text = rows.map(({ kind, body }) => `${kind} ${body}`).join();
  const read = shopsRead.get(text) ?? shopIn(rows);
  if (read) shopsRead.set(text, read);
  return read;
}

export async function findInstrument(connection: Connection, code: string) {
  const [row] = await connection.select().from(instruments).where(eq(instruments.code, code));
  return row ? toolOf(row) : null;
}

export async function addInstrument(
  connection: Connection,
  { id, code, kind, unit, dueOn, ...figures }: Tool & { readonly id: string },
) {
  const text = (value: number | null) => (value === null ? null : String(value));
  const { uncertainty, rangeLow, rangeHigh } = figures;
  await connection.insert(instruments).values({
    ...{ id, code, kind, unit, dueOn },
    uncertainty: text(uncertainty),
    rangeLow: text(rangeLow),
    rangeHigh: text(rangeHigh),
  });
}

export async function storeFamily(connection: Connection, family: { id: string; version: string; body: unknown }) {
  await connection
    .insert(families)
    .values(family)
    .onDuplicateKeyUpdate({ set: { id: family.id } });
}

/** Stores a new version of a family; one that is there already meets the primary key. */
export async function addFamily(
  connection: Connection,
  family: { readonly id: string; readonly version: string; readonly body: unknown },
): Promise<void> {
  await connection.insert(families).values(family);
}

export async function isFamilyKnown(connection: Connection, id: string): Promise<boolean> {
  const [row] = await connection.select({ id: families.id }).from(families).where(eq(families.id, id)).limit(1);
  return row !== undefined;
}

export async function loadFamilyBody(connection: Connection, id: string, version: string): Promise<unknown> {
  const [row] = await connection
    .select({ body: families.body })
    .from(families)
    .where(and(eq(families.id, id), eq(families.version, version)));
  return row ? fromJson(row.body) : null;
}

/** The newest version of each of the shop's own families, as they were stored. */
export async function listShopFamilies(connection: Connection): Promise<readonly unknown[]> {
  const rows = await connection
    .select({ id: families.id, version: families.version, body: families.body })
    .from(families)
    .where(and(like(families.id, 'S%'), notLike(families.version, '%+%')));
  const newest = new Map<string, (typeof rows)[number]>();
  for (const row of rows)
    if (!newest.has(row.id) || compareVersions(row.version, present(newest.get(row.id)).version) > 0)
      newest.set(row.id, row);
  return [...newest.values()].map((row) => fromJson(row.body));
}

export async function addMail(connection: Connection, mail: typeof mails.$inferInsert) {
  await connection
    .insert(mails)
    .values(mail)
    .onDuplicateKeyUpdate({ set: { id: mail.id } });
}

const mailColumns = {
  id: mails.id,
  jobId: mails.jobId,
  to: mails.to,
  subject: mails.subject,
  body: mails.body,
  attachmentName: mails.attachmentName,
  sentAt: mails.sentAt,
};

/** The outbox, newest first, a page at a time by key. */
export async function listMails(connection: Connection, before: { sentAt: Date; id: string } | null, limit: number) {
  return connection
    .select(mailColumns)
    .from(mails)
    .where(
      before
        ? or(lt(mails.sentAt, before.sentAt), and(eq(mails.sentAt, before.sentAt), lt(mails.id, before.id)))
        : undefined,
    )
    .orderBy(desc(mails.sentAt), desc(mails.id))
    .limit(limit);
}

/** What went out by mail about a job, newest first. */
export async function listMailsOfJob(connection: Connection, jobId: JobId, limit: number) {
  return connection
    .select(mailColumns)
    .from(mails)
    .where(eq(mails.jobId, jobId))
    .orderBy(desc(mails.sentAt), desc(mails.id))
    .limit(limit);
}

export async function findMailAttachment(connection: Connection, id: string) {
  const [row] = await connection
    .select({ name: mails.attachmentName, bytes: mails.attachment })
    .from(mails)
    .where(eq(mails.id, id));
  return row?.bytes ? { name: present(row.name), bytes: row.bytes } : null;
}

export async function findCustomerLink(connection: Connection, tokenHash: string) {
  const [row] = await connection.select().from(customerLinks).where(eq(customerLinks.tokenHash, tokenHash));
  return row ?? null;
}
