import { present } from '../present';
import * as z from 'zod';
import { evaluate, fitPolynomial, orderFor, type Polynomial } from './polynomial';
import { type WorkingStep, defineSum, notNegative, positive, show, SumRefusal } from './sum';

const gravity = 9.80665;
const point = z.strictObject({
  flow_m3h: notNegative.max(1e6),
  head_m: notNegative.max(1e5),
  power_kw: positive.max(1e6).optional(),
});
const curve = z.strictObject({
  name: z.string().trim().min(1).max(40),
  points: z.array(point).min(3, 'a curve to compare needs three points').max(200),
});
const compareInput = z.strictObject({
  curves: z.array(curve).min(2, 'two curves or more').max(5),
  density_kg_m3: positive.max(25000).optional(),
  hours_per_year: notNegative.max(8784).optional(),
  duty_flow_m3h: positive.max(1e6).optional(),
});
const compareResult = z.object({
  flows_m3h: z.array(z.number()),
  differences: z.array(
    z.object({
      name: z.string(),
      head_m: z.array(z.number()),
      head_pct: z.array(z.number()),
      power_kw: z.array(z.number()).optional(),
    }),
  ),
  best: z.array(z.object({ name: z.string(), flow_m3h: z.number(), efficiency_pct: z.number(), head_m: z.number() })),
  energy_kwh_year: z.array(z.object({ name: z.string(), kwh: z.number(), more_than_first_kwh: z.number() })).optional(),
});
type Curve = z.infer<typeof curve>;

function fitted(one: Curve, valueOf: (p: Curve['points'][number]) => number | undefined): Polynomial | null {
  const used = one.points.filter((p) => valueOf(p) !== undefined);
  const distinct = new Set(used.map((p) => p.flow_m3h)).size;
  return distinct < 3
    ? null
    : fitPolynomial(
        used.map((p) => p.flow_m3h),
        used.map((p) => present(valueOf(p))),
        Math.min(orderFor(used.length), distinct - 1),
      );
}

/** Best efficiency between the ends of a measured curve, by a scan of the fitted head and power. */
function bestOf(
  head: Polynomial,
  power: Polynomial,
  { from, to, density }: { readonly from: number; readonly to: number; readonly density: number },
) {
  const efficiency = (flow: number) =>
    (100 * density * gravity * (flow / 3600) * evaluate(head, flow)) / 1000 / evaluate(power, flow);
  const flows = Array.from({ length: 401 }, (_, i) => from + ((to - from) * i) / 400);
  const flow = flows.reduce((best, one) => (efficiency(one) > efficiency(best) ? one : best), present(flows[0]));
  return { flow_m3h: flow, efficiency_pct: efficiency(flow), head_m: evaluate(head, flow) };
}

type CurveCompareInput = z.infer<typeof compareInput>;
/** Differences of the other curves from the first at the same flows. */
function differencesAt(
  flows: readonly number[],
  curves: readonly Curve[],
  fits: readonly { readonly head: Polynomial; readonly power: Polynomial | null }[],
) {
  const clean = (value: number) => Number(value.toFixed(9)) + 0;
  const first = present(fits[0]);
  return curves.slice(1).map((one, k) => {
    const { head, power } = present(fits[k + 1]);
    const apart = (q: number) => evaluate(head, q) - evaluate(first.head, q);
    const { power: firstPower } = first;
    return {
      name: one.name,
      head_m: flows.map((q) => clean(apart(q))),
      head_pct: flows.map((q) => clean((100 * apart(q)) / evaluate(first.head, q))),
      ...(firstPower && power && { power_kw: flows.map((q) => clean(evaluate(power, q) - evaluate(firstPower, q))) }),
    };
  });
}

const rangeOf = ({ points }: Curve) => {
  const flows = points.map((p) => p.flow_m3h);
  return { from: Math.min(...flows), to: Math.max(...flows) };
};

/**
 * What each curve takes in a year at one flow, and how much more than the first; undefined where a power is missing.
 */
function energyAt(
  { curves, hours_per_year: hours, duty_flow_m3h: flow }: CurveCompareInput,
  powers: readonly (Polynomial | null)[],
) {
  if (hours === undefined || flow === undefined) return undefined;
  const kwh = powers.flatMap((power) => (power ? [evaluate(power, flow) * hours] : []));
  if (kwh.length < curves.length) return undefined;
  return curves.map(({ name }, i) => ({
    name,
    kwh: present(kwh[i]),
    more_than_first_kwh: present(kwh[i]) - present(kwh[0]),
  }));
}

function reckonCurveCompare(given: CurveCompareInput) {
  const { curves, density_kg_m3: density = 998.2 } = given;
  const fits = curves.map((one, i) => ({
    head: fitted(one, (p) => p.head_m) ?? refuseCurve(i),
    power: fitted(one, (p) => p.power_kw),
  }));
  const ranges = curves.map(rangeOf);
  const from = Math.max(...ranges.map((range) => range.from));
  const to = Math.min(...ranges.map((range) => range.to));
  if (to <= from) throw new SumRefusal('curves', 'the curves share no range of flow');
  const flows = Array.from({ length: 5 }, (_, i) => from + ((to - from) * i) / 4);
  const best = curves.flatMap((one, i) => {
    const { head, power } = present(fits[i]);
    return power ? [{ name: one.name, ...bestOf(head, power, { ...present(ranges[i]), density }) }] : [];
  });
  const energy = energyAt(
    given,
    fits.map((one) => one.power),
  );
  const differences = differencesAt(flows, curves, fits);
  return {
    result: { flows_m3h: flows, differences, best, ...(energy && { energy_kwh_year: energy }) },
    from,
    to,
    differences,
    best,
  };
}
type CurveCompareReckoned = ReturnType<typeof reckonCurveCompare>;

function curveCompareWorking(
  { curves }: CurveCompareInput,
  { from, to, differences, best }: CurveCompareReckoned,
): readonly WorkingStep[] {
  return [
    { what: 'Common range of flow', outcome: `${show(from, 1)} to ${show(to, 1)} m³/h` },
    ...differences.map((one) => ({
      what: `${one.name} against ${present(curves[0]).name}`,
      formula: 'difference of the fitted heads at the same flow',
      outcome: `${one.head_m.map((value) => show(value, 2)).join(', ')} m`,
    })),
    ...best.map((one) => ({
      what: `Best point, ${one.name}`,
      outcome: `${show(one.efficiency_pct, 1)} % at ${show(one.flow_m3h, 1)} m³/h`,
    })),
  ];
}

/**
 * Curves of one pump beside each other: differences from the first at the same flows, best points, energy in a year.
 * Source: least squares; ρ·g·Q·H.
 */
export const curveCompare = defineSum<CurveCompareInput, z.infer<typeof compareResult>>({
  id: 'curve-compare',
  title: 'Curves beside each other',
  ask: ['as received', 'as left', 'last time', 'compare curves', 'what did the repair bring'],
  input: compareInput,
  result: compareResult,
  example: {
    input: {
      curves: [
        {
          name: 'as received',
          points: [
            { flow_m3h: 0, head_m: 40 },
            { flow_m3h: 50, head_m: 35 },
            { flow_m3h: 100, head_m: 20 },
          ],
        },
        {
          name: 'as left',
          points: [
            { flow_m3h: 0, head_m: 44 },
            { flow_m3h: 50, head_m: 39 },
            { flow_m3h: 100, head_m: 24 },
          ],
        },
      ],
    },
    result: { flows_m3h: [0, 25, 50, 75, 100], differences: [{ name: 'as left', head_m: [4, 4, 4, 4, 4] }] as never },
  },
  compute(given) {
    const reckoned = reckonCurveCompare(given);
    return { result: reckoned.result, working: curveCompareWorking(given, reckoned), warnings: [] };
  },
});
function refuseCurve(i: number): never {
  throw new SumRefusal(`curves.${i}.points`, 'three different flows are the least for a curve');
}
