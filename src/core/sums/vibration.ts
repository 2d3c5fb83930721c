import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, notNegative, positive, show, SumRefusal } from './sum';

/** Borders A/B, B/C, C/D of RMS velocity, mm/s, in operation. Source: ISO 10816-7:2009, table A.1 (rotodynamic pumps). */
const borders = {
  I: { upTo200: [2.5, 4.0, 6.6], over200: [3.5, 5.0, 7.6] },
  II: { upTo200: [3.2, 5.1, 8.5], over200: [4.2, 6.1, 9.5] },
} as const;
/** Factory acceptance on the stand, RMS velocity in mm/s: preferred, then allowable operating range. Source: ISO 10816-7:2009, table A.2. */
const acceptanceLimits = {
  I: { upTo200: [2.5, 3.4], over200: [3.5, 4.4] },
  II: { upTo200: [3.2, 4.2], over200: [4.2, 5.2] },
} as const;

const input = z.strictObject({
  category: z.enum(['I', 'II']),
  power_kw: positive.max(1e6),
  use: z.enum(['condition', 'factory acceptance']).optional(),
  range: z.enum(['preferred', 'allowable']).optional(),
  readings: z
    .array(
      z.strictObject({
        place: z.string().trim().min(1).max(60),
        direction: z.enum(['horizontal', 'vertical', 'axial']),
        velocity_mm_s: notNegative.max(1000),
      }),
    )
    .min(1)
    .max(100),
});
const result = z.object({
  worst_mm_s: z.number(),
  worst_place: z.string(),
  zone: z.enum(['A', 'B', 'C', 'D']).optional(),
  limit_mm_s: z.number().optional(),
  verdict: z.enum(['pass', 'fail']).optional(),
  borders_mm_s: z.array(z.number()),
});
const zoneWords = {
  A: 'as of a new machine',
  B: 'unrestricted long-term operation',
  C: 'limited time until it can be put right',
  D: 'enough to do damage',
} as const;

/** Zone of vibration of a rotodynamic pump, or its factory acceptance. Source: ISO 10816-7:2009. */
export const vibration = defineSum<z.infer<typeof input>, z.infer<typeof result>>({
  id: 'vibration',
  title: 'Vibration zone',
  ask: ['vibration', 'mm/s', 'zone', 'rough running'],
  input,
  result,
  example: {
    input: {
      category: 'II',
      power_kw: 15,
      readings: [
        { place: 'drive-end bearing', direction: 'horizontal', velocity_mm_s: 3.6 },
        { place: 'drive-end bearing', direction: 'axial', velocity_mm_s: 1.9 },
      ],
    },
    result: { worst_mm_s: 3.6, zone: 'B' },
  },
  compute({ category, power_kw, use = 'condition', range = 'preferred', readings }) {
    const size = power_kw <= 200 ? 'upTo200' : 'over200';
    const worst = readings.reduce((top, one) => (one.velocity_mm_s > top.velocity_mm_s ? one : top));
    const place = `${worst.place}, ${worst.direction}`;
    const where = `category ${category}, power ${power_kw <= 200 ? 'up to' : 'over'} 200 kW`;
    const top = {
      what: 'Worst reading',
      put: `${readings.length} readings`,
      outcome: `${show(worst.velocity_mm_s, 2)} mm/s at ${place}`,
    };
    if (use === 'factory acceptance') {
      const limit = acceptanceLimits[category][size][range === 'preferred' ? 0 : 1];
      const verdict = worst.velocity_mm_s <= limit + 1e-9 ? ('pass' as const) : ('fail' as const);
      return {
        result: {
          worst_mm_s: worst.velocity_mm_s,
          worst_place: place,
          limit_mm_s: limit,
          verdict,
          borders_mm_s: [limit],
        },
        working: [
          top,
          {
            what: 'Limit for factory acceptance',
            put: `${where}, ${range} range`,
            outcome: `${limit} mm/s: ${verdict}`,
            source: 'ISO 10816-7:2009, table A.2',
          },
        ],
        warnings: [],
      };
    }
    const [ab, bc, cd] = borders[category][size];
    const v = worst.velocity_mm_s;
    const zone = v <= ab + 1e-9 ? 'A' : v <= bc + 1e-9 ? 'B' : v <= cd + 1e-9 ? 'C' : 'D';
    return {
      result: { worst_mm_s: v, worst_place: place, zone, borders_mm_s: [ab, bc, cd] },
      working: [
        top,
        {
          what: 'Zone',
          put: `${where}: borders ${ab} / ${bc} / ${cd} mm/s`,
          outcome: `${zone}, ${zoneWords[zone]}`,
          source: 'ISO 10816-7:2009, table A.1 (condition in operation)',
        },
      ],
      warnings:
        zone === 'D' ? [{ code: 'zone-d', sentence: 'Zone D: stop and find the cause before running on.' }] : [],
    };
  },
});

const balanceInput = z.strictObject({
  grade_mm_s: positive.max(4000),
  mass_kg: positive.max(1e6),
  speed_rpm: positive.max(1e6),
  planes: z.union([z.literal(1), z.literal(2)]),
  a_mm: positive.max(1e5).optional(),
  b_mm: positive.max(1e5).optional(),
});
const balanceResult = z.object({
  specific_um: z.number(),
  permissible_gmm: z.number(),
  plane_a_gmm: z.number().optional(),
  plane_b_gmm: z.number().optional(),
});

/** Permissible residual unbalance. `e = G/ω`, `U = e·m`; two planes share it by their distances from the centre of mass. Source: ISO 21940-11:2016, clauses 6 and 8. */
export const balance = defineSum<z.infer<typeof balanceInput>, z.infer<typeof balanceResult>>({
  id: 'balance',
  title: 'Permissible unbalance',
  ask: ['balance', 'G6.3', 'gram millimetres', 'unbalance'],
  input: balanceInput,
  result: balanceResult,
  example: {
    input: { grade_mm_s: 6.3, mass_kg: 20, speed_rpm: 2900, planes: 2, a_mm: 100, b_mm: 300 },
    result: { specific_um: 20.74502, permissible_gmm: 414.9005, plane_a_gmm: 311.1754, plane_b_gmm: 103.7251 },
  },
  compute({ grade_mm_s, mass_kg, speed_rpm, planes, a_mm, b_mm }) {
    const omega = (2 * Math.PI * speed_rpm) / 60;
    const specific = (1000 * grade_mm_s) / omega;
    const permissible = specific * mass_kg;
    if (planes === 2 && (a_mm === undefined || b_mm === undefined))
      throw new SumRefusal(
        a_mm === undefined ? 'a_mm' : 'b_mm',
        'two planes need their distances from the centre of mass',
      );
    const split =
      planes === 2
        ? {
            plane_a_gmm: (permissible * present(b_mm)) / (present(a_mm) + present(b_mm)),
            plane_b_gmm: (permissible * present(a_mm)) / (present(a_mm) + present(b_mm)),
          }
        : {};
    return {
      result: { specific_um: specific, permissible_gmm: permissible, ...split },
      working: [
        {
          what: 'Specific unbalance',
          formula: 'e = G / ω',
          put: `${show(grade_mm_s, 2)} mm/s / ${show(omega, 1)} 1/s`,
          outcome: `${show(specific, 2)} µm`,
          source: 'ISO 21940-11',
        },
        {
          what: 'Permissible',
          formula: 'U = e · m',
          put: `${show(specific, 2)} µm · ${show(mass_kg, 2)} kg`,
          outcome: `${show(permissible, 1)} g·mm`,
        },
        ...(planes === 2
          ? [
              {
                what: 'By plane',
                formula: 'A: U·b/(a+b), B: U·a/(a+b)',
                put: `a ${show(present(a_mm))}, b ${show(present(b_mm))} mm`,
                outcome: `${show(present(split.plane_a_gmm), 1)} and ${show(present(split.plane_b_gmm), 1)} g·mm`,
              },
            ]
          : []),
      ],
      warnings: [],
    };
  },
});

const vector = z.strictObject({ amplitude: notNegative.max(1e6), angle_deg: finite.min(-720).max(720) });
const weightInput = z.strictObject({
  original: vector,
  trial: z.strictObject({ mass_g: positive.max(1e6), angle_deg: finite.min(-720).max(720) }),
  response: vector,
  trial_stays: z.boolean().optional(),
});
const weightResult = z.object({
  mass_g: z.number(),
  angle_deg: z.number(),
  predicted_residual: z.number(),
  influence: z.object({ amplitude_per_g: z.number(), angle_deg: z.number() }),
});
type Complex = readonly [re: number, im: number];
const polar = (amplitude: number, deg: number): Complex => [
  amplitude * Math.cos((deg * Math.PI) / 180),
  amplitude * Math.sin((deg * Math.PI) / 180),
];
const minus = (one: Complex, other: Complex): Complex => [one[0] - other[0], one[1] - other[1]];
const times = (one: Complex, other: Complex): Complex => [
  one[0] * other[0] - one[1] * other[1],
  one[0] * other[1] + one[1] * other[0],
];
const over = (one: Complex, other: Complex): Complex => {
  const square = other[0] ** 2 + other[1] ** 2;
  return [(one[0] * other[0] + one[1] * other[1]) / square, (one[1] * other[0] - one[0] * other[1]) / square];
};
const sizeOf = (one: Complex) => Math.hypot(one[0], one[1]);
const degOf = (one: Complex) => ((((Math.atan2(one[1], one[0]) * 180) / Math.PI) % 360) + 360) % 360;

/** Correction in one plane by the influence of a trial weight: `C = (R − O)/T`, correction = −O/C. Source: influence coefficient method, ISO 21940-13. */
export const balanceWeight = defineSum<z.infer<typeof weightInput>, z.infer<typeof weightResult>>({
  id: 'balance-weight',
  title: 'Correction weight in one plane',
  ask: ['trial weight', 'correction mass', 'balance in place', 'where to put the weight'],
  input: weightInput,
  result: weightResult,
  example: {
    input: {
      original: { amplitude: 8, angle_deg: 0 },
      trial: { mass_g: 10, angle_deg: 0 },
      response: { amplitude: 4, angle_deg: 0 },
    },
    result: { mass_g: 20, angle_deg: 0, predicted_residual: 0 },
  },
  compute({ original, trial, response, trial_stays = false }) {
    const o = polar(original.amplitude, original.angle_deg);
    const r = polar(response.amplitude, response.angle_deg);
    const t = polar(trial.mass_g, trial.angle_deg);
    const change = minus(r, o);
    if (sizeOf(change) < 1e-9 * Math.max(1, original.amplitude))
      throw new SumRefusal('response', 'the trial weight changed nothing; take a heavier one or another place');
    const influence = over(change, t);
    const start = trial_stays ? r : o;
    const correction = over(minus([0, 0], start), influence);
    const left = [start[0] + times(influence, correction)[0], start[1] + times(influence, correction)[1]] as const;
    const residual = sizeOf(left) < 1e-9 ? 0 : sizeOf(left);
    const changed = sizeOf(change) / Math.max(1e-12, original.amplitude);
    return {
      result: {
        mass_g: sizeOf(correction),
        angle_deg: degOf(correction),
        predicted_residual: residual,
        influence: { amplitude_per_g: sizeOf(influence), angle_deg: degOf(influence) },
      },
      working: [
        {
          what: 'Effect of the trial weight',
          formula: 'R − O',
          outcome: `${show(sizeOf(change), 3)} at ${show(degOf(change), 1)}°`,
        },
        {
          what: 'Influence',
          formula: '(R − O) / T',
          put: `${show(trial.mass_g, 2)} g at ${show(trial.angle_deg, 1)}°`,
          outcome: `${show(sizeOf(influence), 4)} a gram at ${show(degOf(influence), 1)}°`,
        },
        {
          what: 'Correction',
          formula: trial_stays
            ? '−R / influence, the trial weight stays'
            : '−O / influence, the trial weight comes off',
          outcome: `${show(sizeOf(correction), 2)} g at ${show(degOf(correction), 1)}°`,
          source: 'ISO 21940-13',
        },
      ],
      warnings:
        changed < 0.25
          ? [
              {
                code: 'small-response',
                sentence: 'The trial weight changed less than a quarter; the answer is uncertain, take a heavier one.',
              },
            ]
          : [],
    };
  },
});
