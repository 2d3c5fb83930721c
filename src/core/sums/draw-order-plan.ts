import type { OrderPlanInput } from './reckon-order-plan';

interface Size {
  readonly seed: number;
  readonly needs: number;
  readonly offers: number;
  readonly suppliers: number;
}

/** Whole numbers below a limit, the same ones for the same seed (a linear congruence with the constants of C99). */
function drawer(seed: number) {
  let state = seed;
  return (below: number) => {
    state = (state * 1103515245 + 12345) % 2 ** 31;
    return Math.floor((state / 2 ** 31) * below);
  };
}

/**
 * A buying task of a shop's usual kind for tests and benchmarks: every part is offered alone by somebody, the other
 * offers are kits of two to five parts; days, prices, freight and minimum are drawn.
 */
export function drawOrderPlan({ seed, needs, offers, suppliers }: Size): OrderPlanInput {
  const draw = drawer(seed);
  const parts = Math.min(offers - 10, Math.ceil(needs * 0.7));
  const supplierOf = () => `supplier ${draw(suppliers) + 1}`;
  const value = Array.from({ length: parts }, () => 500 + draw(20_000));
  const single = (i: number) => ({
    ...{ id: `single ${i + 1}`, supplier: supplierOf(), price: value[i] ?? 0, lead_days: 1 + draw(20) },
    gives: [{ part: `part ${i + 1}`, qty: 1 }],
  });
  const kit = (i: number) => {
    const first = draw(parts);
    const of = [...new Set(Array.from({ length: 2 + draw(4) }, (_, k) => (first + k * 3) % parts))];
    const gives = of.map((k) => ({ part: `part ${k + 1}`, qty: 1 + draw(2) }));
    const full = of.reduce((sum, k, at) => sum + (value[k] ?? 0) * (gives[at]?.qty ?? 1), 0);
    const price = Math.round((full * (70 + draw(35))) / 100);
    return { id: `kit ${i + 1}`, supplier: supplierOf(), price, lead_days: 2 + draw(15), gives };
  };
  return {
    need: Array.from({ length: needs }, (_, i) => ({
      ...{ id: `need ${i + 1}`, part: `part ${draw(parts) + 1}`, qty: 1 + draw(3), in_days: 3 + draw(40) },
    })),
    offers: [
      ...Array.from({ length: parts }, (_, i) => single(i)),
      ...Array.from({ length: offers - parts }, (_, i) => kit(i)),
    ],
    suppliers: Array.from({ length: suppliers }, (_, i) => ({
      ...{ id: `supplier ${i + 1}`, freight: 900 + draw(3000), minimum: draw(2) * 5000 },
    })),
  };
}
