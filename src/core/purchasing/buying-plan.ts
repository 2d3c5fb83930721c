import { addDays } from '../planning';
import { numberKey } from '../supply';
import type { OrderPlanInput, OrderPlanResult } from '../sums';
import {
  inShopMoney,
  keyOf,
  offersFor,
  orderTask,
  shelfTag,
  takeFromShelf,
  type BuyingAsked,
  type OfferFor,
  type ShelfTake,
  type Wanted,
} from './buying-task';
import type { CatalogueSupplier, OfferPiece, SupplyLine } from './catalogue';
import { interchangeOf, type Interchange } from './interchange';

/** One line of a planned order. */
export interface PlannedLine {
  /** Of the catalogue; null for what nobody offers and the usual supplier is asked for. */
  readonly offerId: string | null;
  readonly code: string;
  readonly kind: 'single' | 'kit';
  readonly title: string;
  readonly count: number;
  /** Of one, in the supplier's currency; null where the supplier has to say it. */
  readonly priceMinor: number | null;
  readonly leadDays: number;
  readonly dueOn: string;
  /** What is in all of it. */
  readonly pieces: readonly OfferPiece[];
}

/** Pieces of a planned order that a job gets, or the shelf where the tag is empty. */
export interface Share {
  readonly supplierId: string;
  readonly tag: string;
  readonly partRef: string;
  readonly name: string;
  /** As it is bought, which may be another number than the list's. */
  readonly number: string;
  readonly listedNumber: string;
  readonly elastomer: string;
  readonly quantity: number;
  readonly dueOn: string;
  readonly neededBy: string | null;
  readonly blocks: readonly string[];
}

export interface PlannedOrder {
  readonly supplierId: string;
  readonly supplier: string;
  readonly currency: string;
  readonly lines: readonly PlannedLine[];
  readonly shares: readonly Share[];
  /** In the supplier's currency; what has no price yet is left out. */
  readonly goodsMinor: number;
  readonly freightMinor: number;
  /** Goods and freight in the shop's money. */
  readonly shopMinor: number;
  /** The last day on which it can go out for all that it brings to be in time; null where nothing waits. */
  readonly orderBy: string | null;
  /** Shares that come after the day by which they are needed. */
  readonly late: number;
}

export interface BuyingPlan {
  readonly takes: readonly ShelfTake[];
  readonly orders: readonly PlannedOrder[];
  /** Parts that nobody offers and no usual supplier is named for. */
  readonly cannot: readonly SupplyLine[];
  readonly costMinor: number;
  readonly isProven: boolean;
  readonly boundMinor: number;
  /** What all would cost from one supplier alone, in the shop's money; null where it does not offer everything. */
  readonly alone: readonly { readonly supplier: string; readonly costMinor: number | null }[];
}

/** A piece that was bought, before it is given to whoever needs it. */
interface Pile {
  readonly supplierId: string;
  readonly number: string;
  readonly elastomer: string;
  readonly key: string;
  readonly dueOn: string;
  left: number;
}

const sumOf = (amounts: readonly number[]) => amounts.reduce((sum, one) => sum + one, 0);

interface Bought {
  readonly supplier: CatalogueSupplier;
  readonly lines: readonly PlannedLine[];
}

function pilesOf({ supplier, lines }: Bought, same: Interchange): Pile[] {
  return lines.flatMap(({ pieces, dueOn }) =>
    pieces.map(({ number, elastomer, quantity }) => ({
      ...{ supplierId: supplier.id, number, elastomer, dueOn, left: quantity },
      key: same(number),
    })),
  );
}

function shareOf({ line }: Wanted, pile: Pile, quantity: number): Share {
  const { tag, partRef, name, number: listedNumber, elastomer, neededBy, blocks } = line;
  const { supplierId, number, dueOn } = pile;
  return { supplierId, tag, partRef, name, number, listedNumber, elastomer, quantity, dueOn, neededBy, blocks };
}

/** Pieces of one number for one part come as one line, whichever packs they are out of, by the day of the last. */
function joined(shares: readonly Share[]): Share[] {
  const found = new Map<string, Share>();
  for (const share of shares) {
    const key = [share.supplierId, share.tag, share.partRef, share.number, share.elastomer].join('|');
    const before = found.get(key);
    const dueOn = before && before.dueOn > share.dueOn ? before.dueOn : share.dueOn;
    found.set(key, before ? { ...before, quantity: before.quantity + share.quantity, dueOn } : share);
  }
  return [...found.values()];
}

/** Gives what is bought to whoever needs it: what comes first to who needs it first; what is over goes on the shelf. */
function handOut(wanted: readonly Wanted[], piles: readonly Pile[], same: Interchange): Share[] {
  const soonest = piles.toSorted((a, b) => a.dueOn.localeCompare(b.dueOn));
  const shares = wanted.flatMap((one) => {
    let open = one.count;
    const key = same(one.line.number);
    return soonest.flatMap((pile) => {
      const isSame = pile.key === key;
      const fits = isSame && (!one.line.elastomer || !pile.elastomer || pile.elastomer === one.line.elastomer);
      const count = fits ? Math.min(open, pile.left) : 0;
      if (count <= 0) return [];
      open -= count;
      pile.left -= count;
      return [shareOf(one, pile, count)];
    });
  });
  const over = soonest.flatMap((pile) => {
    if (pile.left <= 0) return [];
    const { supplierId, number, elastomer, dueOn, left } = pile;
    const own = { supplierId, tag: shelfTag, partRef: numberKey(number), name: number, listedNumber: number };
    return [{ ...own, number, elastomer, quantity: left, dueOn, neededBy: null, blocks: [] }];
  });
  return joined([...shares, ...over]);
}

function plannedLine({ offer, elastomer, days }: OfferFor, count: number, today: string): PlannedLine {
  const pieces = offer.pieces.map((piece) => ({
    ...{ number: piece.number, elastomer: piece.elastomer || elastomer },
    quantity: piece.quantity * count,
  }));
  const { id: offerId, code, kind, title, priceMinor, leadDays } = offer;
  return { offerId, code, kind, title, count, priceMinor, leadDays, dueOn: addDays(today, days), pieces };
}

/** Of one number that several wait for, all in one. */
function merged(wanted: readonly Wanted[]): readonly Wanted[] {
  const found: Wanted[] = [];
  for (const one of wanted) {
    const { number, elastomer } = one.line;
    const at = found.findIndex(({ line }) => line.number === number && line.elastomer === elastomer);
    const before = found[at];
    if (before) found[at] = { ...before, count: before.count + one.count };
    else found.push(one);
  }
  return found;
}

/** What nobody offers, asked of the usual supplier at a price that it has to say. */
function askedLine({ line, count }: Wanted, today: string): PlannedLine {
  const { number, elastomer, name, leadDays } = line;
  const pieces = [{ number, elastomer, quantity: count }];
  const dueOn = addDays(today, leadDays);
  return { offerId: null, code: number, kind: 'single', title: name, count, priceMinor: null, leadDays, dueOn, pieces };
}

interface Ordering extends Bought {
  readonly shares: readonly Share[];
}

/** The last day on which all lines of an order can go out for what they bring to be in time. */
function lastDayToOrder({ lines, shares }: Ordering, today: string): string | null {
  const days = shares.flatMap(({ number, neededBy, dueOn }) => {
    const line = lines.find((one) => one.dueOn === dueOn && one.pieces.some((piece) => piece.number === number));
    return neededBy && line ? [addDays(neededBy, -line.leadDays)] : [];
  });
  const first = days.sort()[0] ?? null;
  return first !== null && first < today ? today : first;
}

function orderOf(ordering: Ordering, today: string): PlannedOrder {
  const { supplier, lines, shares } = ordering;
  const goodsMinor = sumOf(lines.map(({ count, priceMinor }) => count * (priceMinor ?? 0)));
  const { id: supplierId, name, currency, freightMinor } = supplier;
  return {
    ...{ supplierId, supplier: name, currency, lines, shares, goodsMinor, freightMinor },
    shopMinor: inShopMoney(goodsMinor + freightMinor, supplier),
    orderBy: lastDayToOrder(ordering, today),
    late: shares.filter(({ neededBy, dueOn }) => neededBy !== null && dueOn > neededBy).length,
  };
}

/** What a plan is drawn up from, and what the solver is asked. */
export interface BuyingTask {
  readonly takes: readonly ShelfTake[];
  readonly wanted: readonly Wanted[];
  readonly open: readonly OfferFor[];
  /** For the sum `order-plan`; null where there is nothing to choose from. */
  readonly sum: OrderPlanInput | null;
}

/**
 * The task of a buying plan: the shelf gives what it has, the rest of all jobs is asked of all offers at once.
 * What is wanted before an answer is no part of it.
 */
export function buyingTask(asked: BuyingAsked): BuyingTask {
  const { takes, wanted } = takeFromShelf(asked);
  const open = offersFor(asked, wanted);
  return { takes, wanted, open, sum: orderTask(asked, wanted, open) };
}

/** The plan that a solved task comes to: who is written to for what, who gets it, when, and what it costs. */
export function buyingPlan(asked: BuyingAsked, task: BuyingTask, solved: OrderPlanResult | null): BuyingPlan {
  const same = interchangeOf(asked.numbers);
  const offered = new Set(task.sum?.offers.flatMap(({ gives }) => gives.map(({ part }) => part)) ?? []);
  const isOffered = ({ line }: Wanted) => offered.has(keyOf(same, line.number, line.elastomer));
  const unoffered = task.wanted.filter((one) => !isOffered(one));
  const usual = asked.suppliers.find((one) => one.isUsual && one.isActive);
  const bought = asked.suppliers.map((supplier): Bought => {
    const chosen = solved?.orders.find((one) => one.supplier === supplier.id)?.lines ?? [];
    const known = chosen.flatMap(({ id, count }) => {
      const one = task.open.find((open) => open.id === id);
      return one ? [plannedLine(one, count, asked.today)] : [];
    });
    const open = supplier === usual ? merged(unoffered).map((one) => askedLine(one, asked.today)) : [];
    return { supplier, lines: [...known, ...open] };
  });
  const shares = handOut(
    task.wanted,
    bought.flatMap((one) => pilesOf(one, same)),
    same,
  );
  const orders = bought
    .filter(({ lines }) => lines.length > 0)
    .map((one) =>
      orderOf({ ...one, shares: shares.filter(({ supplierId }) => supplierId === one.supplier.id) }, asked.today),
    );
  const nameOf = new Map(asked.suppliers.map(({ id, name }) => [id, name]));
  return {
    ...{ takes: task.takes, orders, cannot: usual ? [] : unoffered.map(({ line }) => line) },
    costMinor: sumOf(orders.map(({ shopMinor }) => shopMinor)),
    ...{ isProven: solved?.proven ?? true, boundMinor: solved?.bound ?? 0 },
    alone: (solved?.alone ?? []).map(({ supplier, cost }) => ({
      supplier: nameOf.get(supplier) ?? supplier,
      costMinor: cost,
    })),
  };
}
