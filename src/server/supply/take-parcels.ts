import type { CommandOf } from '@/contract';
import { supply } from '@/core/change';
import { reason, refuse } from '@/core/change/decision';
import { pieceId, shareOut, unsentOf, withPieces, type Claimant, type ShopOrder } from '@/core/purchasing';
import { saveShopOrder } from '@/db';
import { changeTogether, type JobCommand, type Together } from '../change-job';
import type { Context } from '../context';
import { findRecord } from '../find-job';
import { forVerb } from '../use-case';
import { asSupplierReads, claimantsOf, dueOf, jobsOf, orderOf, said } from './shop-orders';

const parcelJob = (facts: supply.Parcel): JobCommand<'take-parcel', supply.Parcel, undefined> => ({
  verb: 'take-parcel',
  decider: supply.takeParcel,
  prepare: () => ({ facts }),
});

interface ParcelTaken {
  /** By job and part. */
  readonly shares: readonly { readonly tag: string; readonly partRef: string; readonly quantity: number }[];
  readonly restOn: string | null;
}

/** Tells each job what of a parcel is for it, and the day of the rest. */
async function tellJobs(
  { connection, change }: Together,
  order: ShopOrder,
  { shares, restOn }: ParcelTaken,
): Promise<void> {
  for (const tag of await jobsOf(connection, order.number)) {
    const own = shares.filter((one) => one.tag === tag);
    const record = await findRecord(connection, tag);
    const mine = record.orders.find(({ number }) => number === order.number);
    const waits = mine?.lines.some((line) => line.sent < line.quantity) ?? false;
    if (!own.length && !(restOn && waits)) continue;
    const sentBefore: Record<string, number> = {};
    for (const { partRef, sent } of mine?.lines ?? []) sentBefore[partRef] = (sentBefore[partRef] ?? 0) + sent;
    // Pieces of one part may lie in two bags.
    const sums = new Map<string, number>();
    for (const { partRef, quantity } of own) sums.set(partRef, (sums.get(partRef) ?? 0) + quantity);
    const lines = [...sums].map(([lineId, quantity]) => ({ lineId, quantity }));
    const command = { tag, orderNumber: order.number };
    await change(parcelJob({ lines, restOn: waits ? restOn : null, sentBefore }), { tag, command });
  }
}

type Parcel = Awaited<ReturnType<Context['standIns']['supplier']['parcelBy']>>;

/** The order after a parcel, and what of the parcel is for which job. */
function sharedOut(order: ShopOrder, parcel: Parcel, claimants: readonly Claimant[]) {
  const left = claimants.map((one) => ({ ...one }));
  const shares: ParcelTaken['shares'][number][] = [];
  const after = withPieces(order, (piece, id) => {
    const line = parcel.lines.find(({ lineId }) => lineId === id);
    const quantity = Math.min(line?.quantity ?? 0, unsentOf(piece));
    for (const one of shareOut({ ...piece, quantity }, left).handed) {
      shares.push(one);
      const own = left.find(
        ({ tag, partRef, number }) => tag === one.tag && partRef === one.partRef && number === one.number,
      );
      if (own) own.open -= one.quantity;
    }
    const bags = line?.marked && quantity > 0 ? [...(piece.bags ?? []), line.marked] : piece.bags;
    return { ...piece, sent: piece.sent + quantity, ...(bags && { bags }) };
  });
  return { shares, after };
}

/** Lines of which something has not left yet come on a later day. */
function withRestOn(order: ShopOrder, restOn: string | null): ShopOrder {
  if (!restOn) return order;
  const lines = order.lines.map((line) => {
    const isLater = (line.dueOn ?? '') < restOn && line.pieces.some((piece) => unsentOf(piece) > 0);
    return isLater ? { ...line, dueOn: restOn } : line;
  });
  return { ...order, lines };
}

/** What the supplier says is on its way, or on which later day. */
async function askParcel(context: Context, order: ShopOrder): Promise<Parcel> {
  const due = dueOf(order);
  if (!due) return refuse('wrong-state', reason('nothing-on-its-way', { order: order.number }));
  const sentBefore = Object.fromEntries(
    order.lines.flatMap(({ position, pieces }) => pieces.map((piece, i) => [pieceId(position, i), piece.sent])),
  );
  const parcel = await context.standIns.supplier.parcelBy({ ...asSupplierReads(order), sentBefore }, due);
  if (!parcel.lines.length && !parcel.restOn)
    refuse('wrong-state', reason('nothing-on-its-way', { order: order.number }));
  return parcel;
}

/** A parcel of an order, or a new day for it: what its list says is shared out to the jobs that wait. */
async function takeParcelOf(context: Context, number: string): Promise<ParcelTaken & Pick<Parcel, 'lines'>> {
  const order = await orderOf(context.database, number);
  const parcel = await askParcel(context, order);
  const { restOn, lines } = parcel;
  return changeTogether(context, async (together) => {
    const { connection } = together;
    const locked = await orderOf(connection, number, true);
    if (locked.version !== order.version) refuse('changed-meanwhile', reason('order-moved', { order: number }));
    const claimants = await claimantsOf(connection, number, (line) => line.quantity - line.sent);
    const { shares, after } = sharedOut(locked, parcel, claimants);
    const moved = withRestOn(after, restOn);
    const isPutOff = restOn !== null && !lines.length;
    await saveShopOrder(connection, isPutOff ? said(moved, context, `Moved to ${restOn}.`, locked.supplier) : moved);
    await tellJobs(together, moved, { shares, restOn });
    return { shares, restOn, lines };
  });
}

/** From a job: the parcel of one of its orders, which may bring parts for other jobs too. */
export const takeJobParcel = forVerb('take-parcel', async (context, { tag, orderNumber }: CommandOf<'take-parcel'>) => {
  supply.orderNumbered(await findRecord(context.database, tag), orderNumber);
  const { shares, restOn } = await takeParcelOf(context, orderNumber);
  const lines = shares.filter((one) => one.tag === tag).map(({ partRef, quantity }) => ({ lineId: partRef, quantity }));
  const { version } = await findRecord(context.database, tag);
  return { lines, restOn, version };
});

/** From the desk of all jobs. */
export const takeOrderParcel = forVerb('take-order-parcel', async (context, { number }) => {
  const { lines, restOn } = await takeParcelOf(context, number);
  return { lines: lines.map(({ lineId, quantity }) => ({ lineId, quantity })), restOn };
});
