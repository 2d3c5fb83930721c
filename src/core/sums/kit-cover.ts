import * as z from 'zod';
import { defineSum, SumRefusal, type Warning, type WorkingStep } from './sum';
import { solverOf, type Solver } from './solver';
import { givenBy, withoutSurplus } from './surplus';

const partName = z.string().trim().min(1).max(80);
const amount = z.number().int('pieces come whole').min(1).max(1e5);
const offer = z.strictObject({
  id: partName,
  price: z.number().int('money is in whole minor units').min(0).max(1e9),
  lead_days: z.number().int().min(0).max(3650),
  gives: z
    .array(z.strictObject({ part: partName, qty: amount }))
    .min(1, 'an offer gives something')
    .max(200),
  max: z.number().int().min(0).max(1e5).optional(),
});
const input = z.strictObject({
  need: z
    .array(z.strictObject({ part: partName, qty: amount }))
    .min(1, 'nothing is needed')
    .max(400),
  offers: z.array(offer).max(400),
  latest_days: z.number().int().min(0).max(3650).optional(),
});
type Offer = z.infer<typeof offer>;
const counted = z.array(z.object({ part: z.string(), qty: z.number() }));
const result = z.object({
  chosen: z.array(z.object({ id: z.string(), count: z.number() })),
  cost: z.number(),
  left_over: counted,
  cannot: counted,
  by_lead_days: z.array(z.object({ lead_days: z.number(), cost: z.number() })),
  proven: z.boolean(),
  bound: z.number(),
});

/** The whole sum may think for this long before it says that it has no proof. */
const limitS = 2;
type Amounts = ReadonlyMap<string, number>;

function addUp(lines: readonly { readonly part: string; readonly qty: number }[]): Amounts {
  const total = new Map<string, number>();
  for (const { part, qty } of lines) total.set(part, (total.get(part) ?? 0) + qty);
  return total;
}

/** What can be had of each part at most, if every offer is taken as often as it may. */
function within(need: Amounts, offers: readonly Offer[]): Amounts {
  const most = new Map<string, number>();
  for (const one of offers)
    if (one.max !== 0)
      for (const { part, qty } of one.gives) most.set(part, (most.get(part) ?? 0) + (one.max ?? Infinity) * qty);
  return new Map([...need].map(([part, qty]) => [part, Math.min(qty, most.get(part) ?? 0)]));
}

function mostUseful(one: Offer, wanted: Amounts): number {
  return Math.min(
    one.max ?? Infinity,
    [...addUp(one.gives)].reduce((most, [part, qty]) => Math.max(most, Math.ceil((wanted.get(part) ?? 0) / qty)), 0),
  );
}

const costOf = (offers: readonly Offer[], counts: readonly number[]) =>
  offers.reduce((sum, one, i) => sum + one.price * counts[i]!, 0);

interface Cover {
  readonly counts: readonly number[];
  readonly cost: number;
  readonly proven: boolean;
  readonly bound: number;
}

function cheapestCover(offers: readonly Offer[], wanted: Amounts, solver: Solver, secondsLeft: number): Cover {
  const parts = [...wanted].filter(([, qty]) => qty > 0);
  if (!parts.length) return { counts: offers.map(() => 0), cost: 0, proven: true, bound: 0 };
  const gives = offers.map((one) => addUp(one.gives));
  const uppers = offers.map((one) => mostUseful(one, wanted));
  const columns = offers.map((_, i) => i);
  const rows = parts.map(([part, qty]) => {
    const having = columns.filter((i) => gives[i]!.has(part));
    // More than is wanted of one part counts as what is wanted: a tighter programme with the same whole solutions.
    return {
      columns: having,
      values: having.map((i) => Math.min(gives[i]!.get(part)!, qty)),
      least: qty,
      most: Infinity,
    };
  });
  const solution = solver.solve({
    costs: offers.map((one) => one.price),
    uppers,
    rows,
    whole: true,
    limitS: Math.max(0.05, secondsLeft),
  });
  const amounts = parts.map(([, qty]) => qty);
  const places = new Map(parts.map(([part], i) => [part, i]));
  const givesTo = gives.map((own) =>
    [...own].flatMap(([part, qty]): [number, number][] => (places.has(part) ? [[places.get(part)!, qty]] : [])),
  );
  const { values } = solution;
  const isSound = values !== null && givenBy(givesTo, values, parts.length).every((qty, i) => qty >= amounts[i]!);
  const prices = offers.map((one) => one.price);
  const counts = isSound ? values : uppers;
  const found = withoutSurplus({ gives: givesTo, prices, counts, wanted: amounts });
  const cost = costOf(offers, found);
  const bound = Math.max(0, Math.ceil(solution.bound - 1e-6 * Math.max(1, Math.abs(solution.bound))));
  const proven = solution.proven && isSound;
  return { counts: found, cost, proven: proven || bound >= cost, bound: proven ? cost : Math.min(bound, cost) };
}

/** What the offers that are bought give beyond the need. */
function leftOver(bought: readonly { readonly offer: Offer; readonly count: number }[], needed: Amounts) {
  const got = addUp(
    bought.flatMap(({ offer, count }) => offer.gives.map(({ part, qty }) => ({ part, qty: qty * count }))),
  );
  return [...got].flatMap(([part, qty]) => {
    const left = qty - (needed.get(part) ?? 0);
    return left > 0 ? [{ part, qty: left }] : [];
  });
}

type KitCoverInput = z.infer<typeof input>;
function reckonKitCover({ need, offers: all, latest_days }: KitCoverInput, given: Solver | undefined) {
  const solver = solverOf(given, 'kit-cover');
  const ids = all.map((one) => one.id);
  const twin = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twin !== undefined) throw new SumRefusal('offers', `two offers are called “${twin}”`);
  const started = solver.nowS();
  const secondsLeft = () => limitS - (solver.nowS() - started);
  const needed = addUp(need);
  const offers = all.filter((one) => latest_days === undefined || one.lead_days <= latest_days);
  const wanted = within(needed, offers);
  const best = cheapestCover(offers, wanted, solver, secondsLeft());
  const byLead = eachLeadTime(offers, wanted, best, solver, secondsLeft);
  const bought = offers.flatMap((one, i) => (best.counts[i]! > 0 ? [{ offer: one, count: best.counts[i]! }] : []));
  const chosen = bought.map(({ offer, count }) => ({ id: offer.id, count }));
  const cannot = [...needed].flatMap(([part, qty]) =>
    wanted.get(part)! < qty ? [{ part, qty: qty - wanted.get(part)! }] : [],
  );
  return {
    result: {
      chosen,
      cost: best.cost,
      left_over: leftOver(bought, needed),
      cannot,
      by_lead_days: byLead.list,
      proven: best.proven,
      bound: best.bound,
    },
    needed,
    offers,
    best,
    byLead,
    chosen,
    cannot,
  };
}
type KitCoverReckoned = ReturnType<typeof reckonKitCover>;

function kitCoverWorking(
  { latest_days }: KitCoverInput,
  { needed, offers, best, byLead, chosen }: KitCoverReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Needed',
      put: `${needed.size} parts, ${offers.length} offers${latest_days === undefined ? '' : ` within ${latest_days} days`}`,
      outcome:
        [...needed]
          .slice(0, 12)
          .map(([part, qty]) => `${qty} × ${part}`)
          .join(', ') + (needed.size > 12 ? ' …' : ''),
    },
    ...chosen.map((one) => ({
      what: one.id,
      formula: 'count · price',
      put: `${one.count} · ${offers.find((other) => other.id === one.id)!.price}`,
      outcome: String(one.count * offers.find((other) => other.id === one.id)!.price),
    })),
    {
      what: 'Together',
      put: best.proven ? 'no other choice costs less' : `no choice costs less than ${best.bound}`,
      outcome: `${best.cost} minor units`,
      source: 'integer programming, exact',
    },
    ...byLead.list.map((one) => ({ what: `All within ${one.lead_days} days`, outcome: `${one.cost} minor units` })),
  ];
}

function kitCoverWarnings({ best, byLead, cannot }: KitCoverReckoned): readonly Warning[] {
  return [
    ...(cannot.length
      ? [
          {
            code: 'cannot',
            sentence: `Not to be had in full: ${cannot.map(({ part, qty }) => `${qty} × ${part}`).join(', ')}.`,
          },
        ]
      : []),
    ...(best.proven
      ? []
      : [
          {
            code: 'not-proven',
            sentence: `The best found in ${limitS} seconds; the cheapest lies between ${best.bound} and ${best.cost}.`,
          },
        ]),
    ...(byLead.isWhole
      ? []
      : [
          {
            code: 'lead-times-not-proven',
            sentence: 'Time was up before every lead time was proven; its cost may be a little lower than shown.',
          },
        ]),
  ];
}

/**
 * Kit or single: the cheapest set of offers that gives all that is needed, by integer programming. Prices are whole
 * minor units; of a part that cannot be had in full, what can be had is taken. Where the proof takes longer than two
 * seconds, the best found, its lower bound and a warning. Also the cheapest for each lead time that brings as much.
 */
export const kitCover = defineSum<KitCoverInput, z.infer<typeof result>>({
  id: 'kit-cover',
  title: 'Kit or single: cheapest set of offers',
  ask: ['kit or single', 'cheapest', 'which kit', 'order', 'parts'],
  needsSolver: true,
  input,
  result,
  example: {
    input: {
      need: [
        { part: 'face', qty: 1 },
        { part: 'o-ring', qty: 3 },
      ],
      offers: [
        {
          id: 'kit',
          price: 900,
          lead_days: 5,
          gives: [
            { part: 'face', qty: 1 },
            { part: 'o-ring', qty: 2 },
          ],
        },
        { id: 'face alone', price: 700, lead_days: 2, gives: [{ part: 'face', qty: 1 }] },
        { id: 'o-ring alone', price: 120, lead_days: 2, gives: [{ part: 'o-ring', qty: 1 }] },
      ],
    },
    result: {
      chosen: [
        { id: 'kit', count: 1 },
        { id: 'o-ring alone', count: 1 },
      ],
      cost: 1020,
      left_over: [],
      cannot: [],
      by_lead_days: [
        { lead_days: 2, cost: 1060 },
        { lead_days: 5, cost: 1020 },
      ],
      proven: true,
      bound: 1020,
    },
  },
  compute(given, solver) {
    const reckoned = reckonKitCover(given, solver);
    return { result: reckoned.result, working: kitCoverWorking(given, reckoned), warnings: kitCoverWarnings(reckoned) };
  },
});

/** The cheapest cost by lead time, longest first: a choice that comes earlier anyway serves the shorter times too. */
function eachLeadTime(
  offers: readonly Offer[],
  wanted: Amounts,
  best: Cover,
  solver: Solver,
  secondsLeft: () => number,
) {
  const days = [...new Set(offers.map((one) => one.lead_days))].toSorted((a, b) => b - a);
  const list: { lead_days: number; cost: number }[] = [];
  let isWhole = true;
  let own = offers;
  let cover = best;
  for (const day of days) {
    const latest = Math.max(0, ...own.map((one, i) => (cover.counts[i]! > 0 ? one.lead_days : 0)));
    if (latest > day) {
      own = offers.filter((one) => one.lead_days <= day);
      const had = within(wanted, own);
      if ([...wanted].some(([part, qty]) => had.get(part)! < qty)) break;
      cover = cheapestCover(own, wanted, solver, secondsLeft());
      isWhole &&= cover.proven;
    }
    list.push({ lead_days: day, cost: cover.cost });
  }
  return { list: list.toReversed(), isWhole };
}
