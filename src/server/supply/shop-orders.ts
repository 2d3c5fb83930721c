import { supply } from '@/core/change';
import { acknowledgeOrderInput } from '@/core/change/inputs';
import { reason, refuse } from '@/core/change/decision';
import { elastomerOf, findPart } from '@/core/family';
import { dayInZone } from '@/core/lifecycle';
import { pieceId, type Claimant, type ShopOrder, type ShopOrderLine } from '@/core/purchasing';
import type { PurchaseOrder, Tag } from '@/core/record';
import { findShopOrder, listTagsOfOrders, readShop, saveShopOrder, type Connection } from '@/db';
import type { SupplierOrder } from '@/stand-ins';
import { changeTogether, type JobCommand } from '../change-job';
import type { Context } from '../context';
import { findJob, findRecord } from '../find-job';

/** An order as the supplier's desk reads it, piece by piece. */
export function asSupplierReads({ number, supplier, placedOn, lines }: ShopOrder): SupplierOrder {
  return {
    ...{ number, supplier, placedOn },
    lines: lines.flatMap(({ position, pieces, leadDays, priceMinor, saidPriceMinor }) =>
      pieces.map((piece, i) => ({
        ...{ lineId: pieceId(position, i), partNumber: piece.number, elastomer: piece.elastomer, leadDays },
        variant: piece.variant ?? '',
        ...{ quantity: piece.quantity - piece.struck, priceMinor: saidPriceMinor ?? priceMinor },
      })),
    ),
  };
}

/** The order of a number; refused where there is none. */
export async function orderOf(connection: Connection, number: string, isLocked = false): Promise<ShopOrder> {
  return (
    (await findShopOrder(connection, number, { isLocked })) ??
    refuse('not-found', reason('no-such-order', { order: number }))
  );
}

export const jobsOf = async (connection: Connection, number: string): Promise<readonly Tag[]> =>
  (await listTagsOfOrders(connection, [number])).map(({ tag }) => tag);

export async function todayOf({ now }: Pick<Context, 'now'>, connection: Connection): Promise<string> {
  return dayInZone(now().toISOString(), (await readShop(connection))?.zone ?? 'UTC');
}

/** The day that counts for an order: that of its last line. */
export const dueOf = ({ lines }: Pick<ShopOrder, 'lines'>) =>
  lines
    .flatMap(({ dueOn }) => (dueOn ? [dueOn] : []))
    .sort()
    .at(-1) ?? null;

/** A job's part of an order, with the days of its lines. */
export async function daysFor(connection: Connection, tag: Tag, { number, lines }: ShopOrder) {
  const record = await findRecord(connection, tag);
  const own = record.orders.find((one) => one.number === number);
  const dayOf = (bought: string) =>
    lines.find(({ pieces }) => pieces.some((piece) => piece.number === bought))?.dueOn ?? null;
  const days = (own?.lines ?? []).flatMap((line) => {
    const dueOn = dayOf(line.number);
    return dueOn ? [{ number: line.number, dueOn }] : [];
  });
  return {
    days,
    last:
      days
        .map(({ dueOn }) => dueOn)
        .sort()
        .at(-1) ?? null,
  };
}

export const said = (order: ShopOrder, { now, actor }: Context, words: string, by?: string): ShopOrder => {
  const name = by ?? (actor.kind === 'person' || actor.kind === 'service' ? actor.name : '');
  return { ...order, history: [...order.history, { at: now().toISOString(), by: name, words }] };
};

type Acknowledged = Awaited<ReturnType<Context['standIns']['supplier']['acknowledge']>>;

/** A line with the day and the price that the supplier acknowledged. */
function lineAcknowledged(line: ShopOrderLine, { dueOn, lines = [] }: Acknowledged): ShopOrderLine {
  const own = lines.filter(({ lineId }) => line.pieces.some((_, i) => pieceId(line.position, i) === lineId));
  const day =
    own
      .map((one) => one.dueOn)
      .sort()
      .at(-1) ?? dueOn;
  const priced = own.find(({ priceMinor }) => priceMinor !== undefined)?.priceMinor ?? null;
  return { ...line, dueOn: day, firstDueOn: line.firstDueOn ?? day, saidPriceMinor: priced };
}

const acknowledgeJob: JobCommand<'acknowledge-order', undefined, undefined> = {
  verb: 'acknowledge-order',
  decider: supply.acknowledgeOrder,
  prepare: () => ({ facts: undefined }),
};

/** Sends an order to its supplier and writes down what it acknowledges: days and prices, in every job that waits. */
export async function sendShopOrder(context: Context, number: string): Promise<void> {
  const order = await findShopOrder(context.database, number);
  if (!order || order.reference) return;
  const answer = await context.standIns.supplier.acknowledge(asSupplierReads(order));
  const service: Context = { ...context, actor: { kind: 'service', name: order.supplier } };
  await changeTogether(service, async ({ connection, change }) => {
    const locked = await orderOf(connection, number, true);
    if (locked.reference) return;
    const known = { ...locked, reference: answer.reference, state: 'acknowledged' as const };
    const after = { ...known, lines: known.lines.map((line) => lineAcknowledged(line, answer)) };
    await saveShopOrder(connection, after);
    for (const tag of await jobsOf(connection, number)) {
      const { days, last } = await daysFor(connection, tag, after);
      const raw = { tag, orderNumber: number, reference: answer.reference, dueOn: last ?? answer.dueOn, lines: days };
      await change(acknowledgeJob, { tag, command: acknowledgeOrderInput.parse(raw) });
    }
  });
}

/** Jobs that wait for pieces of an order, by what each may still be sent or counted. */
export async function claimantsOf(
  connection: Connection,
  number: string,
  openIn: (line: PurchaseOrder['lines'][number]) => number,
): Promise<readonly Claimant[]> {
  const tags = await jobsOf(connection, number);
  const jobs = await Promise.all(tags.map((tag) => findJob(connection, tag)));
  return jobs.flatMap(({ record, family }) => {
    const lines = record.orders.filter((one) => one.number === number).flatMap((one) => one.lines);
    return lines.map((line) => {
      const part = findPart(family, line.partRef);
      const elastomer = (part && elastomerOf(part, record.intake.elastomer)) ?? '';
      const { tag, promisedOn: neededBy } = record;
      return { tag, partRef: line.partRef, number: line.number, elastomer, open: openIn(line), neededBy };
    });
  });
}
