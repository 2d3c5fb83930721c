import * as z from 'zod';
import type { Standing } from '@/core/lifecycle';
import {
  effectOf,
  openOf,
  piecesToCount,
  reliabilityOf,
  totalOf,
  type Reliability,
  type ShopOrder,
} from '@/core/purchasing';
import { numberKey } from '@/core/supply';
import {
  listEndedOrders,
  listFreeDonors,
  listNumbers,
  listOffers,
  listOrderPhotos,
  listShopOrders,
  listStock,
  listStockMoves,
  listSupplyLines,
  listSuppliers,
  listTagsOfOrders,
} from '@/db';
import type { Context } from '../context';
import { withStandings } from '../standings';
import { planFingerprint, planOfAll } from '../supply/place-orders';
import { claimantsOf, dueOf, orderOf } from '../supply/shop-orders';
import { defineUseCase } from '../use-case';
import { dayIn } from './read-floor';

const desk = ['parts', 'coordinator', 'technician', 'inspector'] as const;

async function frameOf({ shopAtHand, now }: Context) {
  const shop = (await shopAtHand())?.shop;
  const zone = shop?.zone ?? 'UTC';
  return { zone, today: dayIn(zone, now()), currency: shop?.currency ?? 'EUR' };
}

type Row = Awaited<ReturnType<typeof listSupplyLines>>[number];

/** A line with what it does to its job's promise. */
function deskLine({ row, standing }: { readonly row: Row; readonly standing: Standing }, today: string) {
  const { line, maker, model, customer, promisedOn, station, hold } = row;
  const effect = effectOf(line, { remaining: standing.remaining, promisedOn, today });
  return { ...line, pump: `${maker} ${model}`.trim(), customer, promisedOn, station, isHeld: hold !== null, effect };
}

/** An order as a list shows it: what is open, when, for whom. */
export function orderShown(order: ShopOrder, jobs: readonly string[]) {
  const pieces = order.lines.flatMap((line) => line.pieces);
  return {
    ...{ number: order.number, supplier: order.supplier, state: order.state, placedOn: order.placedOn, jobs },
    ...{ dueOn: dueOf(order), currency: order.currency, ...totalOf(order) },
    open: pieces.reduce((sum, piece) => sum + openOf(piece), 0),
    toCount: piecesToCount(order).reduce((sum, { listed }) => sum + listed, 0),
    lines: order.lines.map(({ title, quantity }) => `${quantity} × ${title}`),
  };
}

async function openOrders({ database }: Context) {
  const orders = await listShopOrders(database, ['placed', 'acknowledged']);
  const tags = await listTagsOfOrders(
    database,
    orders.map(({ number }) => number),
  );
  return orders.map((order) =>
    orderShown(
      order,
      tags.filter(({ number }) => number === order.number).map(({ tag }) => tag),
    ),
  );
}

/** One desk for all jobs: what is to come, from where, when, what it stops and what it does to each promise. */
export const readPartsDesk = defineUseCase({
  verb: 'read-parts-desk',
  audience: desk,
  input: z.strictObject({}),
  async run(context) {
    const { today, currency } = await frameOf(context);
    const [{ rows, plan }, orders] = await Promise.all([planOfAll(context), openOrders(context)]);
    return {
      ...{ today, currency, orders },
      plan: { orders: plan.orders, takes: plan.takes.length, cannot: plan.cannot.map(({ name }) => name) },
      lines: (await withStandings(context.database, rows)).map((row) => deskLine(row, today)),
    };
  },
});

/** The buying plan over all open jobs, with the reason of its choice, and what waits for an answer apart. */
export const readBuyingPlan = defineUseCase({
  verb: 'read-buying-plan',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({}),
  async run(context) {
    const { today, currency } = await frameOf(context);
    const { rows, plan } = await planOfAll(context);
    const risked = rows.filter(({ line }) => line.isAtRisk && line.toBuy > 0);
    return {
      ...{ today, currency, plan, basedOn: planFingerprint(plan) },
      atRisk: (await withStandings(context.database, risked)).map((row) => deskLine(row, today)),
    };
  },
});

/** Open orders, and the newest that have ended. */
export const readOrders = defineUseCase({
  verb: 'read-orders',
  audience: desk,
  input: z.strictObject({}),
  async run(context) {
    const { today } = await frameOf(context);
    const ended = await listShopOrders(context.database, ['ended', 'cancelled'], 20);
    return { today, open: await openOrders(context), ended: ended.map((order) => orderShown(order, [])) };
  },
});

/** One order: its lines, what of its parcel is to be counted, and all that was said about it. */
export const readOrder = defineUseCase({
  verb: 'read-order',
  audience: desk,
  input: z.strictObject({ number: z.string().max(20) }),
  async run(context, { number }) {
    const { zone, today } = await frameOf(context);
    const order = await orderOf(context.database, number);
    const [tags, suppliers, photos] = await Promise.all([
      listTagsOfOrders(context.database, [number]),
      listSuppliers(context.database),
      listOrderPhotos(context.database, number),
    ]);
    const supplier = suppliers.find(({ id }) => id === order.supplierId) ?? null;
    const claimants = await claimantsOf(context.database, number, (line) => line.sent - line.received);
    const sentTo = claimants.filter(({ open }) => open > 0);
    return {
      ...{ zone, today, order, dueOn: dueOf(order), ...totalOf(order) },
      ...{ jobs: tags.map(({ tag }) => tag), toCount: piecesToCount(order), sentTo, photos },
      supplier: supplier && { name: supplier.name, email: supplier.email, telephone: supplier.telephone },
    };
  },
});

/** How each supplier kept the days that it named first. */
async function reliabilities({ database }: Context): Promise<ReadonlyMap<string, Reliability>> {
  const ended = await listEndedOrders(database);
  const ids = [...new Set(ended.map(({ supplierId }) => supplierId))];
  return new Map(ids.map((id) => [id, reliabilityOf(ended.filter(({ supplierId }) => supplierId === id))]));
}

const mostShown = 60;

/** Suppliers with how they keep their days; offers and numbers that some words are in. */
export const readCatalogue = defineUseCase({
  verb: 'read-catalogue',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ text: z.string().max(100).default('') }),
  async run(context, { text }) {
    const { database } = context;
    const [frame, suppliers, offers, numbers, kept] = await Promise.all([
      frameOf(context),
      listSuppliers(database),
      listOffers(database),
      listNumbers(database),
      reliabilities(context),
    ]);
    const words = text.trim().toLowerCase();
    const key = numberKey(text);
    const has = (given: string) =>
      given.toLowerCase().includes(words) || (key !== '' && numberKey(given).includes(key));
    const found = words
      ? offers.filter((offer) => [offer.code, offer.title, ...offer.pieces.map(({ number }) => number)].some(has))
      : [];
    return {
      ...frame,
      suppliers: suppliers.map((supplier) => ({
        ...supplier,
        offers: offers.filter(({ supplierId }) => supplierId === supplier.id).length,
        reliability: kept.get(supplier.id) ?? { ended: 0, onTime: 0, worstDays: 0 },
      })),
      ...{ text, counts: { offers: offers.length, numbers: numbers.length }, found: found.length },
      offers: found.slice(0, mostShown),
      numbers: words ? numbers.filter(({ number, title }) => [number, title].some(has)).slice(0, mostShown) : [],
    };
  },
});

/** The shelf: what lies where, for whom it is spoken, what it is worth, and what is tied up in open jobs. */
export const readShelf = defineUseCase({
  verb: 'read-shelf',
  audience: desk,
  input: z.strictObject({ number: z.string().max(60).default(''), elastomer: z.string().max(40).default('') }),
  async run(context, { number, elastomer }) {
    const { database } = context;
    const [frame, stock, rows, orders, moves] = await Promise.all([
      frameOf(context),
      listStock(database),
      listSupplyLines(database),
      listShopOrders(database, ['placed', 'acknowledged']),
      number ? listStockMoves(database, { number, elastomer }) : [],
    ]);
    const reservedOf = (item: (typeof stock)[number]) =>
      rows
        .filter(({ line }) => line.source === 'shelf' && numberKey(line.number) === numberKey(item.number))
        .filter(({ line }) => line.elastomer === item.elastomer)
        .reduce((sum, { line }) => sum + Math.max(0, line.ordered - line.received), 0);
    const onOrderMinor = orders.reduce((sum, order) => sum + Math.round(totalOf(order).totalMinor * order.rate), 0);
    return {
      ...frame,
      items: stock.map((item) => ({ ...item, reserved: reservedOf(item) })),
      moves: moves.map((move) => ({ ...move, at: move.at.toISOString() })),
      ...{ picked: number, pickedElastomer: elastomer, onOrderMinor },
      stockMinor: stock.reduce((sum, { quantity, unitCostMinor }) => sum + quantity * unitCostMinor, 0),
    };
  },
});

/** Donor stock that is free: by family, part, size and number, the least worn first. */
export const readDonorStock = defineUseCase({
  verb: 'read-donor-stock',
  audience: desk,
  input: z.strictObject({ family: z.string().max(20).default(''), text: z.string().max(100).default('') }),
  async run(context, { family, text }) {
    const all = await listFreeDonors(context.database, family ? { familyId: family } : {}, 500);
    const words = text.trim().toLowerCase();
    const key = numberKey(text);
    const hits = all.filter(
      ({ name, number, size, look, tag }) =>
        !words ||
        [name, size, look, tag].some((given) => given.toLowerCase().includes(words)) ||
        (key !== '' && numberKey(number).includes(key)),
    );
    return {
      ...{ family, text, families: [...new Set(all.map(({ familyId }) => familyId))].sort(), found: hits.length },
      parts: hits.slice(0, 200).map(({ at: _at, takenAt: _taken, wearPct, ...part }) => ({
        ...part,
        wearPct: wearPct === null ? null : Number(wearPct),
      })),
    };
  },
});
