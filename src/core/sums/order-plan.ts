import {
  limitS,
  orderPlanInput,
  orderPlanResult,
  reckonOrderPlan,
  type OrderPlanInput,
  type OrderPlanResult,
} from './reckon-order-plan';
import { solverOf } from './solver';
import { defineSum, type Warning, type WorkingStep } from './sum';

function workingOf(
  given: OrderPlanInput,
  { orders, alone, cost, proven, bound }: OrderPlanResult,
): readonly WorkingStep[] {
  const priceOf = new Map(given.offers.map(({ id, price }) => [id, price]));
  const minimumOf = new Map(given.suppliers.map(({ id, minimum = 0 }) => [id, minimum]));
  return [
    {
      what: 'Needed',
      put: `${given.need.length} needs, ${given.offers.length} offers`,
      outcome: `${given.suppliers.length} suppliers`,
    },
    ...orders.map(({ supplier: id, lines, goods, freight }) => ({
      what: id,
      formula: 'Σ count · price + freight',
      put: `${lines.map((one) => `${one.count} · ${priceOf.get(one.id) ?? 0}`).join(' + ')} + ${freight}`,
      outcome: `${goods + freight}${minimumOf.get(id) ? `, goods at least ${minimumOf.get(id)}` : ''}`,
    })),
    {
      what: 'Together',
      put: proven ? 'no other choice costs less' : `no choice costs less than ${bound}`,
      outcome: `${cost} minor units`,
      source: 'integer programming, exact',
    },
    ...alone.map((one) => ({
      what: `From ${one.supplier} alone`,
      outcome: one.cost === null ? 'does not give all of it in time' : `${one.cost} minor units`,
    })),
  ];
}

function warningsOf({ late, cannot, proven, bound, cost }: OrderPlanResult): readonly Warning[] {
  const warn = (isSo: boolean, code: string, sentence: string) => (isSo ? [{ code, sentence }] : []);
  const lateWords = late.map(({ id, days_late }) => `${id} by ${days_late} days`).join(', ');
  const missing = cannot.map(({ part, qty }) => `${qty} × ${part}`).join(', ');
  return [
    ...warn(cannot.length > 0, 'cannot', `Nobody offers ${missing}.`),
    ...warn(late.length > 0, 'late', `Even the soonest offer is late: ${lateWords}.`),
    ...warn(
      !proven,
      'not-proven',
      `The best found in ${limitS} seconds; the cheapest lies between ${bound} and ${cost}.`,
    ),
  ];
}

/**
 * Which offers to buy from whom: all needs of all jobs at once, each by its day, at the least sum of prices and freight,
 * with every supplier's minimum and every offer's least count. Prices are whole minor units of one currency; days count
 * from the order. What cannot come in time is taken as soon as it can be had and said to be late; what nobody offers
 * stands in `cannot`. Beside it what each supplier alone would cost, so that the choice shows its reason.
 * Source: integer programming (facility location with covering constraints).
 */
export const orderPlan = defineSum<OrderPlanInput, OrderPlanResult>({
  id: 'order-plan',
  title: 'Whom to buy from: cheapest orders in time',
  ask: ['buying plan', 'whom to order from', 'freight', 'minimum order', 'suppliers'],
  needsSolver: true,
  input: orderPlanInput,
  result: orderPlanResult,
  example: {
    input: {
      need: [
        { id: 'P-0001 face', part: 'face', qty: 1, in_days: 10 },
        { id: 'P-0002 face', part: 'face', qty: 1, in_days: 3 },
        { id: 'P-0001 ring', part: 'ring', qty: 2 },
      ],
      offers: [
        { id: 'slow face', supplier: 'North', price: 700, lead_days: 8, gives: [{ part: 'face', qty: 1 }] },
        { id: 'quick face', supplier: 'South', price: 900, lead_days: 2, gives: [{ part: 'face', qty: 1 }] },
        { id: 'ring', supplier: 'South', price: 100, lead_days: 2, gives: [{ part: 'ring', qty: 1 }] },
      ],
      suppliers: [
        { id: 'North', freight: 300 },
        { id: 'South', freight: 250 },
      ],
    },
    // By hand: one face must come from South within 3 days. The other costs 700 + 300 from North, 900 from South.
    result: {
      orders: [
        {
          supplier: 'South',
          lines: [
            { id: 'quick face', count: 2 },
            { id: 'ring', count: 2 },
          ],
          goods: 2000,
          freight: 250,
          days: 2,
        },
      ],
      cost: 2250,
      late: [],
      cannot: [],
      left_over: [],
      alone: [
        { supplier: 'North', cost: null },
        { supplier: 'South', cost: 2250 },
      ],
      proven: true,
      bound: 2250,
    },
  },
  compute(given, solver) {
    const found = reckonOrderPlan(given, solverOf(solver, 'order-plan'));
    return { result: found, working: workingOf(given, found), warnings: warningsOf(found) };
  },
});
