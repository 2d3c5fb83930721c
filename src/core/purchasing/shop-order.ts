import { numberKey } from '../supply';
import type { OfferKind, ShopOrderState } from '../record';

/** What stands on a bag of a parcel. */
export interface Bag {
  readonly number: string;
  readonly elastomer: string;
  readonly variant: string;
  readonly lot: string;
}

/** Pieces of one number in a line of an order: all of it, what left the supplier, what was counted, what was struck off. */
export interface OrderPiece {
  readonly number: string;
  readonly elastomer: string;
  readonly quantity: number;
  readonly sent: number;
  readonly received: number;
  readonly struck: number;
  /** In which of its ways of being made it was ordered, where its number has several. */
  readonly variant?: string;
  /** Bags of the parcel that is not counted yet. */
  readonly bags?: readonly Bag[];
}

export interface ShopOrderLine {
  readonly position: number;
  readonly code: string;
  readonly kind: OfferKind;
  readonly title: string;
  readonly quantity: number;
  /** Of one, in the supplier's currency, minor units; null where the supplier has to say it. */
  readonly priceMinor: number | null;
  /** What the supplier acknowledged. */
  readonly saidPriceMinor: number | null;
  readonly leadDays: number;
  /** The day that was acknowledged first; reliability is reckoned against it. */
  readonly firstDueOn: string | null;
  readonly dueOn: string | null;
  readonly pieces: readonly OrderPiece[];
}

/** What was said about an order: by whom, when, in which words. */
export interface OrderSaid {
  readonly at: string;
  readonly by: string;
  readonly words: string;
}

/** An order as the supplier reads it: for one job, for several, for the shelf. */
export interface ShopOrder {
  readonly number: string;
  readonly supplierId: string;
  readonly supplier: string;
  readonly currency: string;
  /** How many of the shop's money one of theirs was when it was placed. */
  readonly rate: number;
  readonly freightMinor: number;
  readonly state: ShopOrderState;
  readonly reference: string | null;
  readonly placedOn: string;
  readonly endedOn: string | null;
  readonly history: readonly OrderSaid[];
  readonly personName: string;
  readonly at: string;
  readonly version: number;
  readonly lines: readonly ShopOrderLine[];
}

/** How a piece of an order is named to the supplier: its line, and its place in it. */
export const pieceId = (position: number, i: number) => `${position}/${i + 1}`;

/** How many of a line's packs stand after what was struck off: a pack of which any piece is left is sold whole. */
export function standingOf({ quantity, pieces }: Pick<ShopOrderLine, 'quantity' | 'pieces'>): number {
  const packs = pieces.map(({ quantity: all, struck }) => Math.ceil(((all - struck) * quantity) / Math.max(1, all)));
  return Math.max(0, ...packs);
}

/** What of a piece is still to come. */
export const openOf = ({ quantity, received, struck }: OrderPiece) => quantity - struck - received;
/** What of a piece has not left the supplier yet. */
export const unsentOf = ({ quantity, sent, struck }: OrderPiece) => quantity - struck - sent;

type Each = (piece: OrderPiece, id: string, line: ShopOrderLine) => OrderPiece;

/** The order with every piece as a function leaves it. */
export function withPieces(order: ShopOrder, each: Each): ShopOrder {
  const lines = order.lines.map((line) => ({
    ...line,
    pieces: line.pieces.map((piece, i) => each(piece, pieceId(line.position, i), line)),
  }));
  return { ...order, lines };
}

/** Pieces that were counted, and how many of the parcel's list are to be sent again. */
export interface Counted {
  readonly number: string;
  readonly elastomer: string;
  readonly right: number;
  readonly again: number;
}

/** One number may be two parts of a pump, such as its two bearings: what is counted of both is one pile. */
function summed(counts: readonly Counted[]) {
  const piles: { readonly key: string; readonly elastomer: string; right: number; again: number }[] = [];
  for (const { number, elastomer, right, again } of counts) {
    const key = numberKey(number);
    const pile = piles.find((one) => one.key === key && one.elastomer === elastomer);
    if (!pile) piles.push({ key, elastomer, right, again });
    else {
      pile.right += right;
      pile.again += again;
    }
  }
  return piles;
}

/** The order after a count: what is right is received, what was wrong or missing is taken as not sent. */
export function afterCount(order: ShopOrder, counts: readonly Counted[], today: string): ShopOrder {
  const left = summed(counts);
  const counted = withPieces(order, (piece) => {
    const own = left.find(
      ({ key, elastomer }) =>
        key === numberKey(piece.number) && (!elastomer || !piece.elastomer || elastomer === piece.elastomer),
    );
    if (!own) return piece;
    const right = Math.min(own.right, openOf(piece));
    const again = Math.min(own.again, Math.max(0, piece.sent - piece.received - right));
    own.right -= right;
    own.again -= again;
    return { ...piece, received: piece.received + right, sent: piece.sent - again, bags: [] };
  });
  return endedIfDone(counted, today);
}

/** An order of which nothing is to come any more has ended. */
export function endedIfDone(order: ShopOrder, today: string): ShopOrder {
  const pieces = order.lines.flatMap((line) => line.pieces);
  if (pieces.some((piece) => openOf(piece) > 0))
    return { ...order, state: order.reference ? 'acknowledged' : 'placed', endedOn: null };
  const isCancelled = pieces.every(({ received }) => received === 0);
  return { ...order, state: isCancelled ? 'cancelled' : 'ended', endedOn: today };
}

/** What an order comes to in the supplier's currency, minor units: goods that stand at the acknowledged price, and freight. */
export function totalOf(order: Pick<ShopOrder, 'lines' | 'freightMinor'>) {
  const goodsMinor = order.lines.reduce(
    (sum, line) => sum + standingOf(line) * (line.saidPriceMinor ?? line.priceMinor ?? 0),
    0,
  );
  return { goodsMinor, freightMinor: order.freightMinor, totalMinor: goodsMinor + order.freightMinor };
}

/** Somebody who waits for pieces of an order. */
export interface Claimant {
  readonly tag: string;
  readonly partRef: string;
  readonly number: string;
  readonly elastomer: string;
  /** How many it may still get. */
  readonly open: number;
  readonly neededBy: string;
}

export interface Handed {
  readonly tag: string;
  readonly partRef: string;
  /** As the job's line of the order has it. */
  readonly number: string;
  readonly quantity: number;
}

/** What of some pieces goes to which job, the most urgent first; what is over goes on the shelf. */
export function shareOut(
  { number, elastomer, quantity }: Pick<OrderPiece, 'number' | 'elastomer' | 'quantity'>,
  claimants: readonly Claimant[],
): { readonly handed: readonly Handed[]; readonly over: number } {
  let left = quantity;
  const key = numberKey(number);
  const own = claimants
    .filter((one) => numberKey(one.number) === key && (!one.elastomer || !elastomer || one.elastomer === elastomer))
    .toSorted((a, b) => a.neededBy.localeCompare(b.neededBy) || a.tag.localeCompare(b.tag));
  const handed = own.flatMap(({ tag, partRef, number: listed, open }) => {
    const count = Math.min(open, left);
    left -= count;
    return count > 0 ? [{ tag, partRef, number: listed, quantity: count }] : [];
  });
  return { handed, over: left };
}

/** How a supplier kept its first days, from orders that have ended. */
export interface Reliability {
  readonly ended: number;
  readonly onTime: number;
  /** The day late, of the latest one. */
  readonly worstDays: number;
}

interface EndedOrder {
  readonly firstDueOn: string | null;
  readonly endedOn: string | null;
}

/** How often what was ordered was complete by the day that was acknowledged first, and how late at worst. */
export function reliabilityOf(orders: readonly EndedOrder[]): Reliability {
  const late = orders.flatMap(({ firstDueOn, endedOn }) =>
    firstDueOn && endedOn ? [Math.max(0, Math.round((Date.parse(endedOn) - Date.parse(firstDueOn)) / 86_400_000))] : [],
  );
  return {
    ended: late.length,
    onTime: late.filter((days) => days === 0).length,
    worstDays: Math.max(0, ...late),
  };
}
