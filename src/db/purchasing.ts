import { and, asc, desc, eq, getTableColumns, inArray, isNull, sql, lt } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { randomUUID } from 'node:crypto';
import * as z from 'zod';
import {
  datedByPlan,
  type CatalogueNumber,
  type CatalogueOffer,
  type CatalogueSupplier,
  type ShopOrder,
  type ShopOrderLine,
  type SourcedLine,
  type StockItem,
} from '@/core/purchasing';
import { ofProcess } from '@/core/of-process';
import { remembered } from '@/core/remembered';
import type { ShopOrderState, StockMoveKind } from '@/core/record';
import { numberKey } from '@/core/supply';
import type { RowOfColumns } from './child-rows';
import { fromJson, readAtOnce, type Connection, type Database } from './client';
import * as t from './schema';
import { query, readSteadyRows } from './written-once';

/** As many as a shop keeps in its catalogue at most; more would be a mistake of an import. */
const most = 20_000;

export async function listSuppliers(
  connection: Connection,
): Promise<readonly (CatalogueSupplier & { version: number })[]> {
  const rows = await connection.select().from(t.suppliers).orderBy(asc(t.suppliers.name)).limit(500);
  return rows.map((row) => ({ ...row, rate: Number(row.rate) }));
}

export async function addSupplier(connection: Connection, supplier: CatalogueSupplier): Promise<void> {
  await connection.insert(t.suppliers).values({ ...supplier, rate: String(supplier.rate) });
}

/** Changes a supplier as it was read; false where somebody else did first. */
export async function changeSupplier(
  connection: Connection,
  { id, ...supplier }: CatalogueSupplier,
  basedOn: number,
): Promise<boolean> {
  const [done] = await connection
    .update(t.suppliers)
    .set({ ...supplier, rate: String(supplier.rate), version: basedOn + 1 })
    .where(and(eq(t.suppliers.id, id), eq(t.suppliers.version, basedOn)));
  return done.affectedRows === 1;
}

/** One supplier is asked for what nobody offers: all others are no longer. */
export async function keepOneUsual(connection: Connection, id: string): Promise<void> {
  await connection
    .update(t.suppliers)
    .set({ isUsual: false })
    .where(sql`${t.suppliers.id} <> ${id}`);
}

const piecesSchema = z.array(z.object({ number: z.string(), elastomer: z.string(), quantity: z.number().int() }));

export async function listOffers(connection: Connection): Promise<readonly CatalogueOffer[]> {
  const rows = await connection.select().from(t.supplierOffers).orderBy(asc(t.supplierOffers.code)).limit(most);
  return rows.map(({ version: _version, ...row }) => ({ ...row, pieces: piecesSchema.parse(fromJson(row.pieces)) }));
}

/** Says that the catalogue is another one than before. */
async function changeCatalogue(connection: Connection): Promise<void> {
  await connection.update(t.shop).set({ catalogueVersion: randomUUID() });
}

interface Catalogue {
  readonly offers: readonly CatalogueOffer[];
  readonly numbers: readonly CatalogueNumber[];
}

/** Catalogues by their versions: the shop's, and what it was while somebody changed it. */
const catalogues = ofProcess('catalogues', () => new LRUCache<string, Catalogue>({ max: 3 }));

const readCatalogue = async (connection: Connection): Promise<Catalogue> => ({
  offers: await listOffers(connection),
  numbers: await listNumbers(connection),
});

/**
 * What suppliers offer, and the numbers, read once for a version of the catalogue (of the shop's row, read before):
 * thousands of rows that every look at the parts needs, and that change when a file is taken in. A transaction that finds
 * none reads for itself.
 */
export async function listCatalogue(
  { database, connection }: { readonly database: Database; readonly connection: Connection },
  version: string,
): Promise<Catalogue> {
  const known = catalogues.get(version);
  if (known) return known;
  if (connection !== database) return readCatalogue(connection);
  // As one moment and one node have it: else rows of another version might be kept under this one.
  return readAtOnce(database, async (moment) => {
    const [now] = await moment.select({ version: t.shop.catalogueVersion }).from(t.shop);
    const read = await readCatalogue(moment);
    if (now?.version) catalogues.set(now.version, read);
    return read;
  });
}

const chunked = <Row>(rows: readonly Row[], size = 500) =>
  Array.from({ length: Math.ceil(rows.length / size) }, (_, i) => rows.slice(i * size, (i + 1) * size));

/** Puts offers in, by supplier and code; one that is there already takes the new price, days and pieces. */
export async function putOffers(connection: Connection, offers: readonly CatalogueOffer[]): Promise<void> {
  const set = Object.fromEntries(
    (['kind', 'title', 'price_minor', 'lead_days', 'least', 'valid_until', 'pieces'] as const).map((name) => [
      name.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase()),
      sql`values(${sql.identifier(name)})`,
    ]),
  );
  for (const rows of chunked(offers))
    await connection
      .insert(t.supplierOffers)
      .values([...rows])
      .onDuplicateKeyUpdate({ set: { ...set, version: sql`${t.supplierOffers.version} + 1` } });
  await changeCatalogue(connection);
}

export async function listNumbers(connection: Connection): Promise<readonly CatalogueNumber[]> {
  const rows = await connection.select().from(t.catalogueNumbers).orderBy(asc(t.catalogueNumbers.key)).limit(most);
  const written = new Map(rows.map(({ key, number }) => [key, number]));
  return rows.map(({ key: _key, supersededByKey, ...row }) => ({
    ...row,
    supersededBy: supersededByKey ? (written.get(supersededByKey) ?? supersededByKey) : '',
  }));
}

/** Puts numbers in; one that is there already is written anew. */
export async function putNumbers(connection: Connection, numbers: readonly CatalogueNumber[]): Promise<void> {
  const set = {
    number: sql`values(number)`,
    title: sql`values(title)`,
    elastomer: sql`values(elastomer)`,
    variant: sql`values(variant)`,
    interchangeGroup: sql`values(interchange_group)`,
    supersededByKey: sql`values(superseded_by_key)`,
  };
  for (const rows of chunked(numbers))
    await connection
      .insert(t.catalogueNumbers)
      .values(
        rows.map(({ supersededBy, ...row }) => ({
          ...row,
          key: numberKey(row.number),
          supersededByKey: numberKey(supersededBy),
        })),
      )
      .onDuplicateKeyUpdate({ set });
  await changeCatalogue(connection);
}

export async function listStock(connection: Connection): Promise<readonly (StockItem & { version: number })[]> {
  const rows = await connection
    .select()
    .from(t.stockItems)
    .orderBy(asc(t.stockItems.bin), asc(t.stockItems.number))
    .limit(most);
  return rows.map(({ numberKey: _key, ...row }) => row);
}

const itemIs = ({ number, elastomer }: Pick<StockItem, 'number' | 'elastomer'>) =>
  and(eq(t.stockItems.numberKey, numberKey(number)), eq(t.stockItems.elastomer, elastomer));

/** What lies on the shelf of a number; locked, for whoever changes it. */
export async function lockStock(connection: Connection, item: Pick<StockItem, 'number' | 'elastomer'>) {
  const [row] = await connection.select().from(t.stockItems).where(itemIs(item)).for('update');
  return row ?? null;
}

export interface StockMove {
  readonly id: string;
  readonly number: string;
  readonly elastomer: string;
  readonly kind: StockMoveKind;
  readonly change: number;
  readonly after: number;
  readonly reference: string;
  readonly reason: string;
  readonly personName: string;
  readonly at: Date;
}

/** Writes how much lies on the shelf, and why it changed; the row is to be locked. */
export async function writeStock(connection: Connection, item: StockItem, move: StockMove): Promise<void> {
  const key = numberKey(item.number);
  await connection
    .insert(t.stockItems)
    .values({ ...item, numberKey: key })
    .onDuplicateKeyUpdate({
      set: {
        ...{ quantity: item.quantity, bin: item.bin, minimum: item.minimum, title: item.title },
        ...{ unitCostMinor: item.unitCostMinor, version: sql`${t.stockItems.version} + 1` },
      },
    });
  const { number: _number, ...row } = move;
  await connection.insert(t.stockMoves).values({ ...row, numberKey: key });
}

/** The newest changes of an item. */
export async function listStockMoves(
  connection: Connection,
  item: Pick<StockItem, 'number' | 'elastomer'>,
  limit = 30,
) {
  return connection
    .select()
    .from(t.stockMoves)
    .where(and(eq(t.stockMoves.numberKey, numberKey(item.number)), eq(t.stockMoves.elastomer, item.elastomer)))
    .orderBy(desc(t.stockMoves.at), desc(t.stockMoves.id))
    .limit(limit);
}

/** Puts what of a job is to come in place of what stood there. */
export async function replaceSupplyLines(
  connection: Connection,
  tag: string,
  lines: readonly SourcedLine[],
): Promise<void> {
  await connection.delete(t.supplyLines).where(eq(t.supplyLines.tag, tag));
  if (!lines.length) return;
  await connection
    .insert(t.supplyLines)
    .values(lines.map((line) => ({ ...line, numberKey: numberKey(line.number), blocks: [...line.blocks] })));
}

const blocksSchema = z.array(z.string());

const { numberKey: _key, ...lineColumns } = getTableColumns(t.supplyLines);
const linesOfDesk = query(
  {
    ...lineColumns,
    ...{ id: t.jobs.id, shownHash: t.jobs.shownHash },
    ...{ promisedOn: t.jobs.promisedOn, station: t.jobs.station, hold: t.jobs.hold },
    ...{ maker: t.pumps.maker, model: t.pumps.model, customer: t.customers.name },
    ...{ goesOn: t.plannedPumps.goesOn, isByHands: t.plannedPumps.isByHands },
  },
  `from supply_lines inner join jobs on jobs.tag = supply_lines.tag inner join pumps on pumps.id = jobs.pump_id
   inner join customers on customers.id = jobs.customer_id left join planned_pumps on planned_pumps.tag = supply_lines.tag
   where jobs.closed_at is null order by supply_lines.needed_by, supply_lines.tag, supply_lines.part_ref limit ?`,
);

type DeskRow = RowOfColumns<(typeof linesOfDesk)['columns']>;
const lineOfDesk = remembered(
  ({
    id,
    shownHash,
    promisedOn,
    station,
    hold,
    maker,
    model,
    customer,
    goesOn,
    isByHands,
    blocks,
    ...line
  }: DeskRow) => ({
    ...{ id, shownHash, promisedOn, station, hold: fromJson(hold), maker, model, customer },
    line: datedByPlan({ ...line, blocks: blocksSchema.parse(fromJson(blocks)) }, { goesOn, isByHands }),
  }),
);

/** What is to come or to be arranged over all open jobs, the most urgent first, with what the desk says of each job. */
export async function listSupplyLines(connection: Connection, limit = 5000) {
  const rows = await readSteadyRows(connection, linesOfDesk, [limit]);
  return rows.map((row) => lineOfDesk(row));
}

/** Pieces of a number that other jobs have spoken for and not taken from the shelf yet. */
export async function countReserved(
  connection: Connection,
  { number, elastomer }: Pick<StockItem, 'number' | 'elastomer'>,
  tag: string,
): Promise<number> {
  const [row] = await connection
    .select({ sum: sql<string>`coalesce(sum(greatest(0, ${t.supplyLines.ordered} - ${t.supplyLines.received})), 0)` })
    .from(t.supplyLines)
    .where(
      and(
        eq(t.supplyLines.numberKey, numberKey(number)),
        eq(t.supplyLines.elastomer, elastomer),
        eq(t.supplyLines.source, 'shelf'),
        sql`${t.supplyLines.tag} <> ${tag}`,
      ),
    );
  return Number(row?.sum ?? 0);
}

export async function hasSupplyLines(connection: Connection): Promise<boolean> {
  return (await connection.select({ tag: t.supplyLines.tag }).from(t.supplyLines).limit(1)).length > 0;
}

/** Jobs that have an order, whose supply lines may have to be reckoned. */
export async function listTagsWithQuotes(connection: Connection): Promise<readonly string[]> {
  const rows = await connection
    .selectDistinct({ tag: t.jobs.tag })
    .from(t.jobs)
    .innerJoin(t.quotes, eq(t.quotes.jobId, t.jobs.id))
    .where(isNull(t.jobs.closedAt));
  return rows.map(({ tag }) => tag);
}

const orderPieceSchema = z.array(
  z.object({
    ...{ number: z.string(), elastomer: z.string(), quantity: z.number().int() },
    ...{ sent: z.number().int(), received: z.number().int(), struck: z.number().int() },
    variant: z.string().default(''),
    bags: z
      .array(z.object({ number: z.string(), elastomer: z.string(), variant: z.string(), lot: z.string() }))
      .default([]),
  }),
);
const historySchema = z.array(z.object({ at: z.string(), by: z.string(), words: z.string() }));

type OrderRow = typeof t.shopOrders.$inferSelect;
type LineRow = typeof t.shopOrderLines.$inferSelect;

function orderFrom({ at, history, rate, ...row }: OrderRow, lines: readonly LineRow[]): ShopOrder {
  return {
    ...{ ...row, at: at.toISOString(), rate: Number(rate), history: historySchema.parse(fromJson(history)) },
    lines: lines
      .filter(({ orderNumber }) => orderNumber === row.number)
      .map(({ orderNumber: _number, ...line }) => ({ ...line, pieces: orderPieceSchema.parse(fromJson(line.pieces)) })),
  };
}

const lineRow = (orderNumber: string, line: ShopOrderLine) => ({ ...line, orderNumber, pieces: [...line.pieces] });

export async function addShopOrder(connection: Connection, order: ShopOrder): Promise<void> {
  const { lines, ...head } = order;
  await connection
    .insert(t.shopOrders)
    .values({ ...head, at: new Date(head.at), rate: String(head.rate), history: [...head.history] });
  await connection.insert(t.shopOrderLines).values(lines.map((line) => lineRow(order.number, line)));
}

/** An order by its number; locked where it is to be changed. */
export async function findShopOrder(
  connection: Connection,
  number: string,
  { isLocked = false } = {},
): Promise<ShopOrder | null> {
  const asked = connection.select().from(t.shopOrders).where(eq(t.shopOrders.number, number));
  const [row] = await (isLocked ? asked.for('update') : asked);
  if (!row) return null;
  const lines = await connection
    .select()
    .from(t.shopOrderLines)
    .where(eq(t.shopOrderLines.orderNumber, number))
    .orderBy(asc(t.shopOrderLines.position));
  return orderFrom(row, lines);
}

/** Writes an order that was locked, whole. */
export async function saveShopOrder(connection: Connection, order: ShopOrder): Promise<void> {
  const { lines, number, ...head } = order;
  await connection
    .update(t.shopOrders)
    .set({
      ...{ state: head.state, reference: head.reference, endedOn: head.endedOn, history: [...head.history] },
      version: sql`${t.shopOrders.version} + 1`,
    })
    .where(eq(t.shopOrders.number, number));
  for (const line of lines)
    await connection
      .update(t.shopOrderLines)
      .set({
        quantity: line.quantity,
        saidPriceMinor: line.saidPriceMinor,
        firstDueOn: line.firstDueOn,
        dueOn: line.dueOn,
        pieces: [...line.pieces],
      })
      .where(and(eq(t.shopOrderLines.orderNumber, number), eq(t.shopOrderLines.position, line.position)));
}

/** Orders in some states, the newest first. */
export async function listShopOrders(
  connection: Connection,
  states: readonly ShopOrderState[],
  limit = 200,
): Promise<readonly ShopOrder[]> {
  const rows = await connection
    .select()
    .from(t.shopOrders)
    .where(inArray(t.shopOrders.state, [...states]))
    .orderBy(desc(t.shopOrders.number))
    .limit(limit);
  if (!rows.length) return [];
  const numbers = rows.map(({ number }) => number);
  const lines = await connection
    .select()
    .from(t.shopOrderLines)
    .where(inArray(t.shopOrderLines.orderNumber, numbers))
    .orderBy(asc(t.shopOrderLines.position));
  return rows.map((row) => orderFrom(row, lines));
}

/** Jobs that have a part of each of some orders. */
export async function listTagsOfOrders(connection: Connection, numbers: readonly string[]) {
  if (!numbers.length) return [];
  return connection
    .select({ number: t.purchaseOrders.number, tag: t.jobs.tag })
    .from(t.purchaseOrders)
    .innerJoin(t.jobs, eq(t.jobs.id, t.purchaseOrders.jobId))
    .where(inArray(t.purchaseOrders.number, [...numbers]))
    .orderBy(asc(t.jobs.tag), asc(t.purchaseOrders.number));
}

/** Orders that have ended, for how suppliers keep their days. */
export async function listEndedOrders(connection: Connection, before?: string, limit = 2000) {
  return connection
    .select({
      ...{ supplierId: t.shopOrders.supplierId, supplier: t.shopOrders.supplier },
      ...{ placedOn: t.shopOrders.placedOn, endedOn: t.shopOrders.endedOn },
      firstDueOn: sql<string | null>`max(${t.shopOrderLines.firstDueOn})`,
    })
    .from(t.shopOrders)
    .innerJoin(t.shopOrderLines, eq(t.shopOrderLines.orderNumber, t.shopOrders.number))
    .where(and(eq(t.shopOrders.state, 'ended'), before === undefined ? undefined : lt(t.shopOrders.endedOn, before)))
    .groupBy(t.shopOrders.number)
    .orderBy(desc(t.shopOrders.number))
    .limit(limit);
}
