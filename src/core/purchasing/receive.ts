import { numberKey } from '../supply';
import { shareOut, type Claimant, type OrderPiece, type ShopOrder } from './shop-order';

/** What was counted of one number of an order. */
export interface PieceCount {
  readonly number: string;
  readonly elastomer: string;
  readonly counted: number;
  readonly wrong: number;
}

/** Pieces of a parcel that are to be counted, by number and elastomer, over all lines. */
export interface PieceToCount {
  readonly number: string;
  readonly elastomer: string;
  /** What the list says is in the box. */
  readonly listed: number;
  /** What may come in at most. */
  readonly open: number;
}

const isSame = (one: Pick<OrderPiece, 'number' | 'elastomer'>, other: Pick<OrderPiece, 'number' | 'elastomer'>) =>
  numberKey(one.number) === numberKey(other.number) && one.elastomer === other.elastomer;

/** What of an order has left the supplier and is not counted yet. */
export function piecesToCount({ lines }: Pick<ShopOrder, 'lines'>): readonly PieceToCount[] {
  const found: PieceToCount[] = [];
  for (const piece of lines.flatMap((line) => line.pieces)) {
    const { number, elastomer, quantity, sent, received, struck } = piece;
    const own = { listed: Math.max(0, sent - received), open: quantity - struck - received };
    const at = found.findIndex((one) => isSame(one, piece));
    const before = found[at];
    if (before) found[at] = { ...before, listed: before.listed + own.listed, open: before.open + own.open };
    else found.push({ number, elastomer, ...own });
  }
  return found.filter(({ listed }) => listed > 0);
}

/** One job's part of a count. */
export interface JobCount {
  readonly tag: string;
  readonly partRef: string;
  readonly counted: number;
  readonly wrong: number;
}

/**
 * Shares a count out: what is right to the jobs that were sent some, the most urgent first; what is wrong to those that
 * got less than they were sent, so that it is claimed where it is missed; the rest of what is right to the shelf.
 * @param claimants jobs that were sent pieces, `open` being how many of those are not counted yet
 */
export function shareCount(
  { number, elastomer, counted, wrong }: PieceCount,
  claimants: readonly Claimant[],
): { readonly jobs: readonly JobCount[]; readonly shelf: number } {
  const right = shareOut({ number, elastomer, quantity: counted }, claimants);
  const rightOf = (one: Claimant) =>
    right.handed.find(({ tag, partRef }) => tag === one.tag && partRef === one.partRef)?.quantity ?? 0;
  const missed = claimants.map((one) => ({ ...one, open: one.open - rightOf(one) }));
  const bad = shareOut({ number, elastomer, quantity: wrong }, missed);
  const wrongOf = (one: Claimant) =>
    bad.handed.find(({ tag, partRef }) => tag === one.tag && partRef === one.partRef)?.quantity ?? 0;
  const key = numberKey(number);
  // A job that nothing was sent to has no part in this count.
  const jobs = claimants
    .filter(({ open }) => open > 0)
    .filter((one) => numberKey(one.number) === key && (!one.elastomer || !elastomer || one.elastomer === elastomer))
    .map((one) => ({ tag: one.tag, partRef: one.partRef, counted: rightOf(one), wrong: wrongOf(one) }));
  return { jobs, shelf: right.over };
}
