import { present } from '../present';
import * as z from 'zod';
import { evaluate, fitPolynomial, rootsWithin, type Polynomial } from './polynomial';
import { defineSum, finite, notNegative, positive, show, SumRefusal } from './sum';

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

const orderFor = (count: number) => (count <= 4 ? 2 : 3);
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

/** Curves of one pump beside each other: differences from the first at the same flows, best points, energy in a year. Source: least squares; ρ·g·Q·H. */
export const curveCompare = defineSum<z.infer<typeof compareInput>, z.infer<typeof compareResult>>({
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
  compute({ curves, density_kg_m3: density = 998.2, hours_per_year, duty_flow_m3h }) {
    const heads = curves.map((one, i) => fitted(one, (p) => p.head_m) ?? refuseCurve(i));
    const powers = curves.map((one) => fitted(one, (p) => p.power_kw));
    const from = Math.max(...curves.map((one) => Math.min(...one.points.map((p) => p.flow_m3h))));
    const to = Math.min(...curves.map((one) => Math.max(...one.points.map((p) => p.flow_m3h))));
    if (to <= from) throw new SumRefusal('curves', 'the curves share no range of flow');
    const flows = Array.from({ length: 5 }, (_, i) => from + ((to - from) * i) / 4);
    const clean = (value: number) => Number(value.toFixed(9)) + 0;
    const differences = curves.slice(1).map((one, k) => ({
      name: one.name,
      head_m: flows.map((q) => clean(evaluate(heads[k + 1]!, q) - evaluate(heads[0]!, q))),
      head_pct: flows.map((q) =>
        clean((100 * (evaluate(heads[k + 1]!, q) - evaluate(heads[0]!, q))) / evaluate(heads[0]!, q)),
      ),
      ...(powers[0] &&
        powers[k + 1] && { power_kw: flows.map((q) => clean(evaluate(powers[k + 1]!, q) - evaluate(powers[0]!, q))) }),
    }));
    const best = curves.flatMap((one, i) =>
      powers[i]
        ? [
            {
              name: one.name,
              ...bestOf(present(heads[i]), powers[i], {
                from: Math.min(...one.points.map((p) => p.flow_m3h)),
                to: Math.max(...one.points.map((p) => p.flow_m3h)),
                density,
              }),
            },
          ]
        : [],
    );
    const duty = duty_flow_m3h;
    // The same water is lifted: where a curve delivers more, it runs shorter in proportion.
    const energy =
      hours_per_year !== undefined && duty !== undefined && powers.every(Boolean)
        ? curves.map((one, i) => ({ name: one.name, kwh: evaluate(powers[i]!, duty) * hours_per_year }))
        : undefined;
    return {
      result: {
        flows_m3h: flows,
        differences,
        best,
        ...(energy && {
          energy_kwh_year: energy.map((one) => ({ ...one, more_than_first_kwh: one.kwh - present(energy[0]).kwh })),
        }),
      },
      working: [
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
      ],
      warnings: [],
    };
  },
});
function refuseCurve(i: number): never {
  throw new SumRefusal(`curves.${i}.points`, 'three different flows are the least for a curve');
}

const trimInput = z.strictObject({
  diameter_mm: positive.max(5000),
  points: z
    .array(z.strictObject({ flow_m3h: notNegative.max(1e6), head_m: notNegative.max(1e5) }))
    .min(3)
    .max(200),
  wanted: z.strictObject({ flow_m3h: positive.max(1e6), head_m: positive.max(1e5) }),
});
const trimResult = z.object({
  diameter_mm: z.number(),
  share_pct: z.number(),
  from_flow_m3h: z.number(),
  from_head_m: z.number(),
});

/**
 * Impeller diameter for a wanted duty. Flow and head both go with the square of the diameter, so that they move along
 * the line from the origin through the duty (H/Q constant): `D' = D·√(Q'/Q)`. Source: Gülich, Centrifugal Pumps, trimming
 * of radial impellers of constant outlet width.
 */
export const trim = defineSum<z.infer<typeof trimInput>, z.infer<typeof trimResult>>({
  id: 'trim',
  title: 'Trim of an impeller',
  ask: ['trim', 'turn down the impeller', 'diameter for a duty'],
  input: trimInput,
  result: trimResult,
  example: {
    input: {
      diameter_mm: 200,
      points: [
        { flow_m3h: 0, head_m: 60 },
        { flow_m3h: 50, head_m: 55 },
        { flow_m3h: 100, head_m: 40 },
      ],
      wanted: { flow_m3h: 81, head_m: 32.4 },
    },
    result: { diameter_mm: 180, share_pct: 90, from_flow_m3h: 100, from_head_m: 40 },
  },
  compute({ diameter_mm, points, wanted }) {
    const distinct = new Set(points.map((p) => p.flow_m3h)).size;
    if (distinct < 3) throw new SumRefusal('points', 'three different flows are the least for a curve');
    const head = fitPolynomial(
      points.map((p) => p.flow_m3h),
      points.map((p) => p.head_m),
      Math.min(orderFor(points.length), distinct - 1),
    );
    if (!head) throw new SumRefusal('points', 'the flows lie too close together for a curve');
    const slope = wanted.head_m / wanted.flow_m3h;
    const most = Math.max(...points.map((p) => p.flow_m3h));
    const [flow] = rootsWithin((q) => evaluate(head, q) - slope * q, 1e-9, most * (1 + 1e-9)).toReversed();
    if (flow === undefined)
      throw new SumRefusal('wanted', 'the line from the origin through this duty does not meet the measured curve');
    const share = Math.sqrt(wanted.flow_m3h / flow);
    if (share > 1 + 1e-9)
      throw new SumRefusal(
        'wanted',
        'this duty lies above the curve of the full diameter; it cannot be had by trimming',
      );
    return {
      result: {
        diameter_mm: diameter_mm * share,
        share_pct: 100 * share,
        from_flow_m3h: flow,
        from_head_m: evaluate(head, flow),
      },
      working: [
        {
          what: 'Line from the origin through the duty',
          formula: 'H / Q constant',
          put: `${show(wanted.head_m, 2)} m at ${show(wanted.flow_m3h, 2)} m³/h`,
          outcome: `meets the curve at ${show(flow, 2)} m³/h`,
        },
        {
          what: 'Diameter',
          formula: "D' = D·√(Q'/Q)",
          put: `${show(diameter_mm, 1)} · √(${show(wanted.flow_m3h, 2)} / ${show(flow, 2)})`,
          outcome: `${show(diameter_mm * share, 1)} mm, ${show(100 * share, 1)} %`,
          source: 'Gülich, Centrifugal Pumps',
        },
      ],
      warnings: [
        ...(share < 0.8
          ? [
              {
                code: 'deep-trim',
                sentence: 'More than a fifth is taken off: efficiency falls and the rule no longer holds well.',
              },
            ]
          : []),
        {
          code: 'in-two-cuts',
          sentence: 'Take off two thirds first, test, then the rest: the rule takes off a little too much.',
        },
      ],
    };
  },
});

const npshInput = z.strictObject({
  surface_kpa_abs: notNegative.max(1e6),
  vapour_kpa_abs: notNegative.max(1e6),
  density_kg_m3: positive.max(25000),
  level_above_pump_m: finite.min(-1000).max(1000),
  friction_m: notNegative.max(1000),
  required_m: notNegative.max(1000).optional(),
  margin_m: notNegative.max(100).optional(),
});
const npshResult = z.object({
  available_m: z.number(),
  margin_m: z.number().optional(),
  verdict: z.enum(['enough', 'too little']).optional(),
});

/** Net positive suction head available. `NPSHA = (ps − pv)/(ρ·g) + z − hf`. Source: ISO 17769-1. */
export const npsh = defineSum<z.infer<typeof npshInput>, z.infer<typeof npshResult>>({
  id: 'npsh',
  title: 'Net positive suction head available',
  ask: ['npsh', 'cavitation', 'suction lift', 'why does it cavitate'],
  input: npshInput,
  result: npshResult,
  example: {
    input: {
      surface_kpa_abs: 101.325,
      vapour_kpa_abs: 2.339,
      density_kg_m3: 998.2,
      level_above_pump_m: -3,
      friction_m: 1,
      required_m: 4,
    },
    result: { available_m: 6.112, margin_m: 2.112, verdict: 'enough' },
  },
  compute(given) {
    const { surface_kpa_abs: surface, vapour_kpa_abs: vapour, density_kg_m3: density, margin_m = 0.5 } = given;
    const pressure = ((surface - vapour) * 1000) / (density * gravity);
    const available = pressure + given.level_above_pump_m - given.friction_m;
    const margin = given.required_m === undefined ? undefined : available - given.required_m;
    return {
      result: {
        available_m: available,
        ...(margin !== undefined && {
          margin_m: margin,
          verdict: margin >= margin_m - 1e-9 ? ('enough' as const) : ('too little' as const),
        }),
      },
      working: [
        {
          what: 'Pressure over vapour',
          formula: '(ps − pv) / (ρ·g)',
          put: `(${show(surface, 1)} − ${show(vapour, 2)}) kPa, ρ ${show(density, 1)} kg/m³`,
          outcome: `${show(pressure, 2)} m`,
        },
        {
          what: 'Available',
          formula: 'pressure head + level − friction',
          put: `${show(pressure, 2)} + ${show(given.level_above_pump_m, 2)} − ${show(given.friction_m, 2)} m`,
          outcome: `${show(available, 2)} m`,
          source: 'ISO 17769-1',
        },
        ...(margin === undefined
          ? []
          : [
              {
                what: 'Margin',
                put: `required ${show(present(given.required_m), 2)} m, wanted over it ${show(margin_m, 2)} m`,
                outcome: `${show(margin, 2)} m`,
              },
            ]),
      ],
      warnings:
        vapour >= surface
          ? [
              {
                code: 'boiling',
                sentence: 'The liquid boils at its surface: vapour pressure is not below the pressure there.',
              },
            ]
          : [],
    };
  },
});

const slipInput = z.strictObject({
  displacement_cm3: positive.max(1e7),
  speed_rpm: positive.max(1e5),
  flow_m3h: notNegative.max(1e6),
  pressure_kpa: positive.max(1e6),
  viscosity_mm2_s: positive.max(1e7).optional(),
  least_efficiency_pct: positive.max(100).optional(),
  other: z.strictObject({ pressure_kpa: positive.max(1e6), viscosity_mm2_s: positive.max(1e7).optional() }).optional(),
});
const slipResult = z.object({
  theoretical_m3h: z.number(),
  slip_m3h: z.number(),
  volumetric_efficiency_pct: z.number(),
  verdict: z.enum(['pass', 'fail']).optional(),
  other_slip_m3h: z.number().optional(),
  other_flow_m3h: z.number().optional(),
});

/**
 * Slip of a positive displacement pump. `Qt = V·n`, slip = Qt − Q. At another pressure or viscosity slip goes with
 * pressure and against viscosity (laminar gap flow, Hagen and Poiseuille). Source: ISO 17769-1; laminar annular gap.
 */
export const pdSlip = defineSum<z.infer<typeof slipInput>, z.infer<typeof slipResult>>({
  id: 'pd-slip',
  title: 'Slip of a displacement pump',
  ask: ['slip', 'gear pump', 'volumetric efficiency', 'lobe', 'screw'],
  input: slipInput,
  result: slipResult,
  example: {
    input: {
      displacement_cm3: 500,
      speed_rpm: 400,
      flow_m3h: 10.8,
      pressure_kpa: 600,
      viscosity_mm2_s: 100,
      least_efficiency_pct: 85,
      other: { pressure_kpa: 1200, viscosity_mm2_s: 200 },
    },
    result: {
      theoretical_m3h: 12,
      slip_m3h: 1.2,
      volumetric_efficiency_pct: 90,
      verdict: 'pass',
      other_slip_m3h: 1.2,
      other_flow_m3h: 10.8,
    },
  },
  compute(given) {
    const theoretical = (given.displacement_cm3 * given.speed_rpm * 60) / 1e6;
    const slip = theoretical - given.flow_m3h;
    if (slip < -0.02 * theoretical)
      throw new SumRefusal(
        'flow_m3h',
        `${given.flow_m3h} m³/h is more than the ${show(theoretical, 2)} m³/h that this displacement moves`,
      );
    const efficiency = (100 * given.flow_m3h) / theoretical;
    const verdict =
      given.least_efficiency_pct === undefined
        ? undefined
        : efficiency >= given.least_efficiency_pct - 1e-9
          ? ('pass' as const)
          : ('fail' as const);
    if (given.other?.viscosity_mm2_s !== undefined && given.viscosity_mm2_s === undefined)
      throw new SumRefusal('viscosity_mm2_s', 'the viscosity at the test is needed to reckon another');
    const thin =
      given.other?.viscosity_mm2_s === undefined ? 1 : present(given.viscosity_mm2_s) / given.other.viscosity_mm2_s;
    const otherSlip = given.other && Math.max(0, slip) * (given.other.pressure_kpa / given.pressure_kpa) * thin;
    return {
      result: {
        theoretical_m3h: theoretical,
        slip_m3h: slip,
        volumetric_efficiency_pct: efficiency,
        ...(verdict && { verdict }),
        ...(otherSlip !== undefined && {
          other_slip_m3h: otherSlip,
          other_flow_m3h: Math.max(0, theoretical - otherSlip),
        }),
      },
      working: [
        {
          what: 'Theoretical flow',
          formula: 'V · n',
          put: `${show(given.displacement_cm3, 1)} cm³ · ${show(given.speed_rpm)} 1/min`,
          outcome: `${show(theoretical, 3)} m³/h`,
        },
        {
          what: 'Slip',
          formula: 'Qt − Q',
          put: `${show(theoretical, 3)} − ${show(given.flow_m3h, 3)}`,
          outcome: `${show(slip, 3)} m³/h`,
        },
        { what: 'Volumetric efficiency', outcome: `${show(efficiency, 1)} %${verdict ? `: ${verdict}` : ''}` },
        ...(otherSlip === undefined
          ? []
          : [
              {
                what: 'Slip elsewhere',
                formula: 'slip · p2/p1 · ν1/ν2',
                outcome: `${show(otherSlip, 3)} m³/h`,
                source: 'laminar gap flow',
              },
            ]),
      ],
      warnings:
        otherSlip !== undefined && otherSlip > theoretical
          ? [{ code: 'all-slips', sentence: 'Everything slips back there: the pump would deliver nothing.' }]
          : [],
    };
  },
});
