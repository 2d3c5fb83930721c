import { numberKey } from '../supply';
import type { OrderPlanInput } from '../sums';
import type { CatalogueNumber, CatalogueOffer, CatalogueSupplier, StockItem, SupplyLine } from './catalogue';
import { interchangeOf, type Interchange } from './interchange';

/** Of whom something is bought for the shelf, in place of a job. */
export const shelfTag = '';

/** All that a buying plan depends on. */
export interface BuyingAsked {
  readonly lines: readonly SupplyLine[];
  readonly suppliers: readonly CatalogueSupplier[];
  readonly offers: readonly CatalogueOffer[];
  readonly numbers: readonly CatalogueNumber[];
  readonly stock: readonly StockItem[];
  /** ISO date in the shop's zone, and the time as HH:MM. */
  readonly today: string;
  readonly time: string;
}

/** A part that is taken from the shelf in place of being bought. */
export interface ShelfTake {
  readonly line: SupplyLine;
  readonly item: StockItem;
  readonly count: number;
}

/** What is to be bought of a line once the shelf has given what it has. */
export interface Wanted {
  readonly line: SupplyLine;
  readonly count: number;
}

/** An offer for one elastomer, where it is said on the order which. */
export interface OfferFor {
  readonly id: string;
  readonly offer: CatalogueOffer;
  readonly supplier: CatalogueSupplier;
  readonly elastomer: string;
  /** Days from today until it comes, with the day that is lost after the cut-off. */
  readonly days: number;
}

/** What two parts must have in common to stand for each other. */
export const keyOf = (same: Interchange, number: string, elastomer: string) => `${same(number)}|${elastomer}`;

const byUrgency = (one: SupplyLine, other: SupplyLine) =>
  (one.neededBy ?? '9999').localeCompare(other.neededBy ?? '9999') || one.tag.localeCompare(other.tag);

/** Fills lines from the shelf, the most urgent first; what lies there without a rubber named fits none that names one. */
export function takeFromShelf({ lines, stock, numbers }: Pick<BuyingAsked, 'lines' | 'stock' | 'numbers'>) {
  const same = interchangeOf(numbers);
  const left = new Map(stock.map((item) => [item, item.quantity]));
  const shelf = new Map<string, StockItem[]>();
  for (const item of stock) {
    const key = keyOf(same, item.number, item.elastomer);
    shelf.set(key, [...(shelf.get(key) ?? []), item]);
  }
  const takes: ShelfTake[] = [];
  const wanted: Wanted[] = [];
  for (const line of lines.toSorted(byUrgency)) {
    let open = line.toBuy;
    for (const item of shelf.get(keyOf(same, line.number, line.elastomer)) ?? []) {
      const count = Math.min(open, left.get(item) ?? 0);
      if (count <= 0) continue;
      takes.push({ line, item, count });
      left.set(item, (left.get(item) ?? 0) - count);
      open -= count;
    }
    if (open > 0) wanted.push({ line, count: open });
  }
  const refill = stock.flatMap((item) => {
    const missing = item.minimum - (left.get(item) ?? 0);
    return missing > 0 ? [{ line: shelfLine(item, missing), count: missing }] : [];
  });
  return { takes, wanted: [...wanted, ...refill] };
}

/** What the shelf is short of its minimum, as a line without a job. */
function shelfLine({ number, elastomer, title }: StockItem, count: number): SupplyLine {
  return {
    ...{ tag: shelfTag, partRef: numberKey(number), name: title, number, elastomer, quantity: count, ordered: 0 },
    ...{ received: 0, toBuy: count, leadDays: 0, dueOn: null, neededBy: null, blocks: [], isAtRisk: false },
  };
}

/** Offers that may be bought today, each for every elastomer in which its parts are wanted. */
export function offersFor(asked: BuyingAsked, wanted: readonly Wanted[]): readonly OfferFor[] {
  const { suppliers, offers, numbers, today, time } = asked;
  const same = interchangeOf(numbers);
  const active = new Map(suppliers.filter(({ isActive }) => isActive).map((one) => [one.id, one]));
  const current = offers.filter(({ validUntil }) => validUntil === null || validUntil >= today);
  const rubbers = new Map<string, Set<string>>();
  for (const { line } of wanted) {
    const own = rubbers.get(same(line.number)) ?? new Set();
    rubbers.set(same(line.number), line.elastomer ? own.add(line.elastomer) : own);
  }
  return current.flatMap((offer) => {
    const supplier = active.get(offer.supplierId);
    if (!supplier) return [];
    const open = offer.pieces.filter(({ elastomer }) => !elastomer);
    const elastomers = [...new Set(open.flatMap(({ number }) => [...(rubbers.get(same(number)) ?? [])]))];
    const isTomorrow = supplier.cutOff !== '' && time > supplier.cutOff;
    const days = offer.leadDays + (isTomorrow ? 1 : 0);
    const each = (elastomer: string) => ({ id: `${offer.id}|${elastomer}`, offer, supplier, elastomer, days });
    return elastomers.length ? elastomers.map(each) : [each('')];
  });
}

type Task = OrderPlanInput;

const daysBetween = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

/** In the shop's money, minor units. */
export const inShopMoney = (minor: number, { rate }: Pick<CatalogueSupplier, 'rate'>) => Math.round(minor * rate);

/** Whether a piece of an offer is of use: its part is wanted, in this elastomer or where none matters. */
function keysOf(one: OfferFor, same: Interchange, wantedKeys: ReadonlySet<string>) {
  return one.offer.pieces.flatMap(({ number, elastomer, quantity }) => {
    const rubber = elastomer || one.elastomer;
    const key = [keyOf(same, number, rubber), keyOf(same, number, '')].find((each) => wantedKeys.has(each));
    return key === undefined ? [] : [{ part: key, qty: quantity }];
  });
}

const needId = ({ tag, partRef }: SupplyLine) => `${tag} ${partRef}`;

/**
 * The task of `order-plan` for what is wanted; null where nothing is wanted or nobody offers any of it.
 * Prices are turned into the shop's money at each supplier's rate.
 */
export function orderTask(asked: BuyingAsked, wanted: readonly Wanted[], open: readonly OfferFor[]): Task | null {
  const same = interchangeOf(asked.numbers);
  const keys = new Set(wanted.map(({ line }) => keyOf(same, line.number, line.elastomer)));
  const offers = open.flatMap((one) => {
    const gives = keysOf(one, same, keys);
    if (!gives.length) return [];
    const price = inShopMoney(one.offer.priceMinor, one.supplier);
    return [{ id: one.id, supplier: one.supplier.id, price, lead_days: one.days, gives, least: one.offer.least }];
  });
  if (!wanted.length || !offers.length) return null;
  const used = new Set(offers.map(({ supplier }) => supplier));
  return {
    need: wanted.map(({ line, count }) => ({
      ...{ id: needId(line), part: keyOf(same, line.number, line.elastomer), qty: count },
      ...(line.neededBy !== null && { in_days: Math.max(0, daysBetween(asked.today, line.neededBy)) }),
    })),
    offers,
    suppliers: asked.suppliers
      .filter(({ id }) => used.has(id))
      .map((one) => ({
        id: one.id,
        freight: inShopMoney(one.freightMinor, one),
        minimum: inShopMoney(one.minimumMinor, one),
      })),
  };
}
