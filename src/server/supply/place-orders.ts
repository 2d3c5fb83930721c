import { supply } from '@/core/change';
import { reason, refuse } from '@/core/change/decision';
import { canonical, standingOf, writeOrderNumber } from '@/core/lifecycle';
import {
  datedByPlan,
  shelfTag,
  supplyLinesOf,
  type BuyingPlan,
  type PlannedOrder,
  type ShopOrder,
} from '@/core/purchasing';
import { asId, type Tag } from '@/core/record';
import { numberKey } from '@/core/supply';
import type { CommandOf } from '@/contract';
import { addOutbox, addShopOrder, findPlannedPump, listSupplyLines, takeNumber, sha256, type Connection } from '@/db';
import { changeTogether, type JobCommand, type Together } from '../change-job';
import type { Context } from '../context';
import { findJob } from '../find-job';
import { forVerb } from '../use-case';
import { catalogueNow, drawUpPlan } from './catalogue-facts';

const nameOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.name : 'Puddlestone');

/** What the catalogue said when a plan was drawn up. */
interface Terms {
  readonly today: string;
  readonly rates: ReadonlyMap<string, number>;
  /** By the key of a number: in which of its ways of being made the shop wants it. */
  readonly variants: ReadonlyMap<string, string>;
}

interface Placed {
  readonly number: string;
  readonly planned: PlannedOrder;
}

/** A planned order as it is placed: a number, its lines, nothing sent yet. */
function asPlaced(context: Context, { number, planned }: Placed, { today, rates, variants }: Terms): ShopOrder {
  const { supplierId, supplier, currency, freightMinor } = planned;
  const rate = rates.get(supplierId) ?? 1;
  const at = context.now().toISOString();
  return {
    ...{ number, supplierId, supplier, currency, rate, freightMinor, state: 'placed', reference: null, at },
    ...{ placedOn: today, endedOn: null, history: [], personName: nameOf(context), version: 1 },
    lines: planned.lines.map(({ code, kind, title, count, priceMinor, leadDays, pieces }, i) => ({
      ...{ position: i + 1, code, kind, title, quantity: count, priceMinor, saidPriceMinor: null, leadDays },
      ...{ firstDueOn: null, dueOn: null },
      pieces: pieces.map((piece) => {
        const variant = variants.get(numberKey(piece.number)) ?? '';
        return { ...piece, sent: 0, received: 0, struck: 0, variant };
      }),
    })),
  };
}

/** Gives planned orders their numbers, writes them, and has them sent after the commit. */
async function place(
  context: Context,
  { connection, follow }: Together,
  plan: readonly PlannedOrder[],
  terms: Terms,
): Promise<readonly Placed[]> {
  const placed: Placed[] = [];
  for (const planned of plan) {
    const number = writeOrderNumber(await takeNumber(connection, 'nextOrder'));
    await addShopOrder(connection, asPlaced(context, { number, planned }, terms));
    const row = { id: context.newId(), item: { kind: 'place-order' as const, number }, at: context.now() };
    follow(await addOutbox(connection, row));
    placed.push({ number, planned });
  }
  return placed;
}

/** What of placed orders is for a job. */
function factsFor(tag: string, placed: readonly Placed[]): supply.OrderFacts {
  const orders = placed.flatMap(({ number, planned: { supplier, shares } }) => {
    const own = shares.filter((share) => share.tag === tag);
    if (!own.length) return [];
    return [
      {
        number,
        supplier,
        shares: own.map(({ partRef, number: bought, quantity }) => ({ partRef, number: bought, quantity })),
      },
    ];
  });
  return { orders };
}

const orderJob = (placed: readonly Placed[], tag: string): JobCommand<'order-parts', supply.OrderFacts, undefined> => ({
  verb: 'order-parts',
  decider: supply.orderParts,
  prepare: () => ({ facts: factsFor(tag, placed) }),
});

const termsOf = ({ today, suppliers, numbers }: Awaited<ReturnType<typeof catalogueNow>>): Terms => ({
  today,
  variants: new Map(numbers.map(({ number, variant }) => [numberKey(number), variant])),
  rates: new Map(suppliers.map(({ id, rate }) => [id, rate])),
});

/** Orders all that one job needs, or at risk what is advised for it: the cheapest offers for it alone. */
export const orderForJob = forVerb('order-parts', async (context, command: CommandOf<'order-parts'>) => {
  const { record, family } = await findJob(context.database, command.tag);
  const catalogue = await catalogueNow(context);
  const isAtRisk = command.atRisk !== null;
  const planned = await findPlannedPump(context.database, command.tag);
  const lines = supplyLinesOf({ record, family, standing: standingOf(record, family) })
    .filter((line) => line.isAtRisk === isAtRisk && line.toBuy > 0)
    .map((line) => datedByPlan({ ...line, isAtRisk: false }, planned));
  // What lies on the shelf is taken by a choice of its own.
  const plan = await drawUpPlan({ ...catalogue, stock: [] }, lines);
  if (!plan.orders.length && plan.cannot.length)
    refuse('wrong-state', reason('nobody-offers', { parts: plan.cannot.map(({ name }) => name) }));
  return changeTogether(context, async (together) => {
    const placed = await place(context, together, plan.orders, termsOf(catalogue));
    return together.change(orderJob(placed, command.tag), { tag: command.tag, command });
  });
});

/**
 * What a plan orders, as one short text: who presses has seen just this. By when it is needed is no part of it: that moves
 * with the plan of the shop while the orders stay the same.
 */
export function planFingerprint({ orders }: Pick<BuyingPlan, 'orders'>): string {
  const ordered = orders.map(({ shares, late: _late, orderBy: _by, ...order }) => ({
    ...order,
    shares: shares.map(({ neededBy: _needed, ...share }) => share),
  }));
  return sha256(canonical(ordered)).slice(0, 16);
}

/** The buying plan over all open jobs, without what waits for an answer. */
export async function planOfAll(context: Context, connection: Connection = context.database) {
  const catalogue = await catalogueNow(context, connection);
  const rows = await listSupplyLines(connection);
  const open = rows
    .filter(({ line, hold }) => line.toBuy > 0 && !line.isAtRisk && hold === null)
    .map(({ line }) => line);
  return { rows, catalogue, plan: await drawUpPlan(catalogue, open) };
}

/** Places the orders of the plan that was seen, or those of some suppliers; one of them for several jobs. */
export const placeOrders = forVerb('place-orders', async (context, { basedOn, supplierIds }) => {
  const { plan, catalogue } = await planOfAll(context);
  if (planFingerprint(plan) !== basedOn) refuse('changed-meanwhile', reason('plan-moved'));
  const chosen = plan.orders.filter(({ supplierId }) => supplierIds.includes(supplierId));
  if (!chosen.length) refuse('wrong-state', reason('all-ordered'));
  return changeTogether(context, async (together) => {
    const placed = await place(context, together, chosen, termsOf(catalogue));
    const tags = [...new Set(chosen.flatMap(({ shares }) => shares.map(({ tag }) => tag)))].filter(
      (tag) => tag !== shelfTag,
    );
    for (const tag of tags.map((one) => asId<Tag>(one)))
      await together.change(orderJob(placed, tag), { tag, command: { tag, atRisk: null } });
    return { numbers: placed.map(({ number }) => number), jobs: tags.length };
  });
});
