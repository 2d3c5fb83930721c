import { numberKey } from '../supply';
import { shareOut, type Claimant, type Handed, type OrderPiece, type ShopOrder } from './shop-order';

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
  /** The variant that was ordered, where its number has several. */
  readonly variant: string;
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
    const { number, elastomer, variant = '', quantity, sent, received, struck } = piece;
    const own = { listed: Math.max(0, sent - received), open: quantity - struck - received };
    const at = found.findIndex((one) => isSame(one, piece));
    const before = found[at];
    if (before) found[at] = { ...before, listed: before.listed + own.listed, open: before.open + own.open };
    else found.push({ number, elastomer, variant, ...own });
  }
  return found.filter(({ listed }) => listed > 0);
}

/** One job's part of a count. */
export interface JobCount {
  readonly tag: string;
  readonly partRef: string;
  /** As the job's line of the order has it. */
  readonly number: string;
  readonly counted: number;
  readonly wrong: number;
}

/** Of what was missed, what a job gets whose record holds the picture of it; then the others. */
const withFirst = (tag: string | null, claimants: readonly Claimant[]) =>
  [claimants.filter((one) => one.tag === tag), claimants.filter((one) => one.tag !== tag)] as const;

/**
 * Shares a count out: what is right to the jobs that were sent some, the most urgent first; what is wrong to those that
 * got less than they were sent, so that it is claimed where it is missed; the rest of what is right to the shelf.
 * @param pictured the job whose record holds a picture of what is wrong: it claims it before others
 * @param claimants jobs that were sent pieces, `open` being how many of those are not counted yet
 */
export function shareCount(
  { number, elastomer, counted, wrong }: PieceCount,
  claimants: readonly Claimant[],
  pictured: string | null = null,
): { readonly jobs: readonly JobCount[]; readonly shelf: number } {
  const right = shareOut({ number, elastomer, quantity: counted }, claimants);
  const of = (handed: readonly Handed[], one: Claimant) =>
    handed.find(({ tag, partRef, number: own }) => tag === one.tag && partRef === one.partRef && own === one.number)
      ?.quantity ?? 0;
  const rightOf = (one: Claimant) => of(right.handed, one);
  const missed = claimants.map((one) => ({ ...one, open: one.open - rightOf(one) }));
  const [own, others] = withFirst(pictured, missed);
  const first = shareOut({ number, elastomer, quantity: wrong }, own);
  const rest = shareOut({ number, elastomer, quantity: first.over }, others);
  const bad = [...first.handed, ...rest.handed];
  const wrongOf = (one: Claimant) => of(bad, one);
  const key = numberKey(number);
  // A job that nothing was sent to has no part in this count.
  const jobs = claimants
    .filter(({ open }) => open > 0)
    .filter((one) => numberKey(one.number) === key && (!one.elastomer || !elastomer || one.elastomer === elastomer))
    .map((one) => ({
      ...{ tag: one.tag, partRef: one.partRef, number: one.number },
      counted: rightOf(one),
      wrong: wrongOf(one),
    }));
  return { jobs, shelf: right.over };
}
