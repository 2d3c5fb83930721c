import * as z from 'zod';
import type { ProgramRow, Solver } from './solver';
import { SumRefusal } from './sum';
import { givenBy, withoutSurplus, type Gives } from './surplus';

const name = z.string().trim().min(1).max(120);
const pieces = z.number().int('pieces come whole').min(1).max(1e5);
const money = z.number().int('money is in whole minor units').min(0).max(1e9);
const days = z.number().int('whole days').min(0).max(3650);
const need = z.strictObject({ id: name, part: name, qty: pieces, in_days: days.optional() });
const offer = z.strictObject({
  id: name,
  supplier: name,
  price: money,
  lead_days: days,
  gives: z
    .array(z.strictObject({ part: name, qty: pieces }))
    .min(1, 'an offer gives something')
    .max(200),
  least: pieces.optional(),
});
const supplier = z.strictObject({ id: name, freight: money.optional(), minimum: money.optional() });
export const orderPlanInput = z.strictObject({
  need: z.array(need).min(1, 'nothing is needed').max(800),
  offers: z.array(offer).max(800),
  suppliers: z.array(supplier).max(40),
});

const line = z.object({ id: z.string(), count: z.number() });
export const orderPlanResult = z.object({
  orders: z.array(
    z.object({ supplier: z.string(), lines: z.array(line), goods: z.number(), freight: z.number(), days: z.number() }),
  ),
  cost: z.number(),
  late: z.array(z.object({ id: z.string(), days_late: z.number() })),
  cannot: z.array(z.object({ part: z.string(), qty: z.number() })),
  left_over: z.array(z.object({ part: z.string(), qty: z.number() })),
  alone: z.array(z.object({ supplier: z.string(), cost: z.number().nullable() })),
  proven: z.boolean(),
  bound: z.number(),
});

export type OrderPlanInput = z.infer<typeof orderPlanInput>;
export type OrderPlanResult = z.infer<typeof orderPlanResult>;
type Input = OrderPlanInput;
type Result = OrderPlanResult;
type Offer = z.infer<typeof offer>;
type Supplier = z.infer<typeof supplier>;
type Amounts = ReadonlyMap<string, number>;

/** The whole sum may think for this long before it says that it has no proof. */
export const limitS = 2;
/** The comparison with one supplier alone may take this share of it. */
const limitAloneS = 0.25;

function addUp(rows: readonly { readonly part: string; readonly qty: number }[]): Amounts {
  const total = new Map<string, number>();
  for (const { part, qty } of rows) total.set(part, (total.get(part) ?? 0) + qty);
  return total;
}

/** What must be here of a part by a day: all that is needed until then. */
interface Demand {
  readonly part: string;
  readonly byDay: number;
  readonly qty: number;
}

/** The soonest that a part can be had; infinite where nobody offers it. */
function soonest(part: string, offers: readonly Offer[]): number {
  return offers.reduce(
    (best, { gives, lead_days }) => (gives.some((one) => one.part === part) ? Math.min(best, lead_days) : best),
    Infinity,
  );
}

/** Offers that can be bought: all but those of a supplier whose minimum stays out of reach, since it asks nothing for any. */
function withinReach({ offers, suppliers }: Pick<Input, 'offers' | 'suppliers'>): readonly Offer[] {
  const priced = new Set(offers.filter(({ price }) => price > 0).map((one) => one.supplier));
  const closed = new Set(suppliers.filter(({ id, minimum = 0 }) => minimum > 0 && !priced.has(id)).map(({ id }) => id));
  return offers.filter((one) => !closed.has(one.supplier));
}

interface Dated {
  readonly demands: readonly Demand[];
  readonly late: Result['late'];
  readonly cannot: Result['cannot'];
}

/** Needs by part and day, each day's with those before it. What cannot come in time is asked for as soon as can be. */
function dateNeeds(needs: Input['need'], offers: readonly Offer[]): Dated {
  const soonestOf = new Map([...new Set(needs.map(({ part }) => part))].map((part) => [part, soonest(part, offers)]));
  const first = (part: string) => soonestOf.get(part) ?? Infinity;
  const offered = needs.filter(({ part }) => first(part) < Infinity);
  const late = offered.flatMap(({ id, part, in_days }) =>
    in_days !== undefined && in_days < first(part) ? [{ id, days_late: first(part) - in_days }] : [],
  );
  const dated = offered.map(({ part, qty, in_days }) => ({
    ...{ part, qty },
    byDay: Math.max(in_days ?? Infinity, first(part)),
  }));
  const demands = [...soonestOf.keys()].flatMap((part) => {
    const own = dated.filter((one) => one.part === part);
    const limits = [...new Set(own.map(({ byDay }) => byDay))].sort((a, b) => a - b);
    return limits.map((byDay) => ({
      ...{ part, byDay },
      qty: own.filter((one) => one.byDay <= byDay).reduce((sum, { qty }) => sum + qty, 0),
    }));
  });
  const cannot = [...addUp(needs.filter(({ part }) => first(part) === Infinity))].map(([part, qty]) => ({ part, qty }));
  return { demands, late, cannot };
}

/** As often as an offer can be of use: until it alone gives all that is needed, or reaches the supplier's minimum. */
function mostUseful(one: Offer, demands: readonly Demand[], minimum: number): number {
  const gives = addUp(one.gives);
  const covering = demands.map(({ part, qty }) => (gives.has(part) ? Math.ceil(qty / (gives.get(part) ?? 1)) : 0));
  const filling = one.price > 0 ? Math.ceil(minimum / one.price) : 0;
  return Math.max(one.least ?? 1, filling, ...covering);
}

interface Task {
  readonly offers: readonly Offer[];
  readonly suppliers: readonly Supplier[];
  readonly demands: readonly Demand[];
}

/**
 * The programme: a count for each offer, whether each supplier is written to, and whether an offer with a least count is
 * taken at all.
 */
function programOf({ offers, suppliers, demands }: Task) {
  const minimumOf = new Map(suppliers.map(({ id, minimum = 0 }) => [id, minimum]));
  const uppers = offers.map((one) => mostUseful(one, demands, minimumOf.get(one.supplier) ?? 0));
  const isUsed = (k: number) => offers.length + k;
  const withLeast = offers.flatMap(({ least = 1 }, i) => (least > 1 ? [{ i, least }] : []));
  const isTaken = (k: number) => offers.length + suppliers.length + k;
  const gives = offers.map((one) => addUp(one.gives));
  const rows: ProgramRow[] = demands.map(({ part, byDay, qty }) => {
    const columns = offers.flatMap((one, i) => (gives[i]?.has(part) && one.lead_days <= byDay ? [i] : []));
    // More than is wanted counts as what is wanted: a tighter programme with the same whole solutions.
    const values = columns.map((i) => Math.min(gives[i]?.get(part) ?? 0, qty));
    return { columns, values, least: qty, most: Infinity };
  });
  suppliers.forEach(({ id, minimum = 0 }, k) => {
    const own = offers.flatMap((one, i) => (one.supplier === id ? [i] : []));
    for (const i of own) rows.push({ columns: [isUsed(k), i], values: [uppers[i] ?? 0, -1], least: 0, most: Infinity });
    const prices = own.map((i) => offers[i]?.price ?? 0);
    if (minimum > 0)
      rows.push({ columns: [...own, isUsed(k)], values: [...prices, -minimum], least: 0, most: Infinity });
  });
  withLeast.forEach(({ i, least }, k) => {
    rows.push({ columns: [i, isTaken(k)], values: [1, -least], least: 0, most: Infinity });
    rows.push({ columns: [isTaken(k), i], values: [uppers[i] ?? 0, -1], least: 0, most: Infinity });
  });
  return {
    costs: [
      ...offers.map(({ price }) => price),
      ...suppliers.map(({ freight = 0 }) => freight),
      ...withLeast.map(() => 0),
    ],
    uppers: [...uppers, ...suppliers.map(() => 1), ...withLeast.map(() => 1)],
    rows,
    whole: true as const,
  };
}

interface Bought {
  readonly counts: readonly number[];
  readonly cost: number;
  readonly proven: boolean;
  readonly bound: number;
}

function costOf({ offers, suppliers }: Task, counts: readonly number[]): number {
  const used = new Set(offers.flatMap((one, i) => (counts[i] ? [one.supplier] : [])));
  const freight = suppliers.reduce((sum, one) => sum + (used.has(one.id) ? (one.freight ?? 0) : 0), 0);
  return offers.reduce((sum, { price }, i) => sum + price * (counts[i] ?? 0), freight);
}

/** What a piece of each offer gives to the demands that it comes in time for. */
function givesOf({ offers, demands }: Task): readonly Gives[] {
  return offers.map(({ gives, lead_days }) => {
    const amounts = addUp(gives);
    return demands.flatMap(({ part, byDay }, d): [number, number][] => {
      const qty = amounts.get(part);
      return qty !== undefined && lead_days <= byDay ? [[d, qty]] : [];
    });
  });
}

const goodsOf = (offers: readonly Offer[], counts: readonly number[], house: string) =>
  offers.reduce((sum, one, i) => sum + (one.supplier === house ? one.price * (counts[i] ?? 0) : 0), 0);

const isUsed = (offers: readonly Offer[], counts: readonly number[], house: string) =>
  offers.some((one, i) => one.supplier === house && (counts[i] ?? 0) > 0);

/** Whether counts give all that is asked, reach every least count and every minimum. */
function holds({ offers, suppliers, demands }: Task, gives: readonly Gives[], counts: readonly number[]): boolean {
  const given = givenBy(gives, counts, demands.length);
  return (
    demands.every(({ qty }, d) => (given[d] ?? 0) >= qty) &&
    suppliers.every(({ id, minimum = 0 }) => !isUsed(offers, counts, id) || goodsOf(offers, counts, id) >= minimum) &&
    offers.every(({ least = 1 }, i) => !counts[i] || counts[i] >= least)
  );
}

/** Takes back what is of no use after all, dearest first; least counts and minimums that are reached stay so. */
function trimmed({ offers, suppliers, demands }: Task, gives: readonly Gives[], counts: readonly number[]): number[] {
  const minimumOf = new Map(suppliers.map(({ id, minimum = 0 }) => [id, minimum]));
  const mayTake = (i: number, most: number, kept: readonly number[]) => {
    const { price, supplier: house, least = 1 } = offers[i] ?? { price: 0, supplier: '', least: 1 };
    const count = kept[i] ?? 0;
    const minimum = minimumOf.get(house) ?? 0;
    // Where nothing else is bought of a house, to buy nothing of it is allowed.
    if (most === count && !isUsed(offers, kept.with(i, 0), house)) return count;
    const over = goodsOf(offers, kept, house) - minimum;
    const byMinimum = minimum > 0 && price > 0 ? Math.max(0, Math.floor(over / price)) : most;
    const taken = Math.min(most, byMinimum);
    return count - taken > 0 && count - taken < least ? Math.max(0, count - least) : taken;
  };
  const prices = offers.map(({ price }) => price);
  return withoutSurplus({ gives, prices, counts, wanted: demands.map(({ qty }) => qty), mayTake });
}

function cheapest(task: Task, solver: Solver, secondsLeft: number): Bought {
  const program = programOf(task);
  if (!task.demands.length) return { counts: task.offers.map(() => 0), cost: 0, proven: true, bound: 0 };
  const solution = solver.solve({ ...program, limitS: Math.max(0.05, secondsLeft) });
  const found = solution.values?.slice(0, task.offers.length);
  const gives = givesOf(task);
  const isSound = found !== undefined && holds(task, gives, found);
  const counts = trimmed(task, gives, isSound ? found : program.uppers.slice(0, task.offers.length));
  const cost = costOf(task, counts);
  const bound = Math.max(0, Math.ceil(solution.bound - 1e-6 * Math.max(1, Math.abs(solution.bound))));
  const proven = isSound && (solution.proven || bound >= cost);
  return { counts, cost, proven, bound: proven ? cost : Math.min(bound, cost) };
}

/** What all would cost from one supplier alone; null where it does not offer everything. */
function aloneAt(id: string, { need: needs, offers, suppliers }: Input, solver: Solver): number | null {
  const own = withinReach({ offers, suppliers }).filter((one) => one.supplier === id);
  const { demands, cannot } = dateNeeds(needs, own);
  if (cannot.length) return null;
  const task = { demands, offers: own, suppliers: suppliers.filter((one) => one.id === id) };
  const bought = cheapest(task, solver, limitAloneS);
  return bought.proven ? bought.cost : null;
}

function assertSound({ need: needs, offers, suppliers }: Input): void {
  const firstTwice = (ids: readonly string[]) => ids.find((id, i) => ids.indexOf(id) !== i);
  const twin = firstTwice(offers.map(({ id }) => id));
  if (twin !== undefined) throw new SumRefusal('offers', `two offers are called “${twin}”`);
  const sameNeed = firstTwice(needs.map(({ id }) => id));
  if (sameNeed !== undefined) throw new SumRefusal('need', `two needs are called “${sameNeed}”`);
  const sameHouse = firstTwice(suppliers.map(({ id }) => id));
  if (sameHouse !== undefined) throw new SumRefusal('suppliers', `two suppliers are called “${sameHouse}”`);
  const known = new Set(suppliers.map(({ id }) => id));
  const stray = offers.find((one) => !known.has(one.supplier));
  if (stray) throw new SumRefusal('offers', `“${stray.id}” is of “${stray.supplier}”, who is not among the suppliers`);
}

function ordersOf({ offers, suppliers }: Task, counts: readonly number[]): Result['orders'] {
  return suppliers.flatMap(({ id, freight = 0 }) => {
    const lines = offers.flatMap((one, i) =>
      one.supplier === id && counts[i] ? [{ offer: one, id: one.id, count: counts[i] }] : [],
    );
    if (!lines.length) return [];
    const goods = lines.reduce((sum, { offer: { price }, count }) => sum + price * count, 0);
    const latest = Math.max(...lines.map(({ offer: { lead_days } }) => lead_days));
    return [
      { supplier: id, lines: lines.map(({ id: own, count }) => ({ id: own, count })), goods, freight, days: latest },
    ];
  });
}

/** The cheapest orders for all needs; see the sum. Throws SumRefusal for names that are met twice or are not known. */
export function reckonOrderPlan(given: Input, solver: Solver): Result {
  assertSound(given);
  const started = solver.nowS();
  const offers = withinReach(given);
  const { demands, late, cannot } = dateNeeds(given.need, offers);
  const task: Task = { offers, suppliers: given.suppliers, demands };
  const bought = cheapest(task, solver, limitS - (solver.nowS() - started));
  const got = addUp(
    offers.flatMap(({ gives }, i) => gives.map(({ part, qty }) => ({ part, qty: qty * (bought.counts[i] ?? 0) }))),
  );
  const wanted = addUp(given.need);
  const left = [...got].flatMap(([part, qty]) => {
    const over = qty - (wanted.get(part) ?? 0);
    return over > 0 ? [{ part, qty: over }] : [];
  });
  const { cost, proven, bound } = bought;
  const alone = given.suppliers.map(({ id }) => ({ supplier: id, cost: aloneAt(id, given, solver) }));
  return { orders: ordersOf(task, bought.counts), cost, late, cannot, left_over: left, alone, proven, bound };
}
