import { present } from '../present';
import * as z from 'zod';
import { type Warning, type WorkingStep, defineSum, finite, notNegative, positive, show, SumRefusal } from './sum';

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

type BalanceInput = z.infer<typeof balanceInput>;
function reckonBalance({ grade_mm_s, mass_kg, speed_rpm, planes, a_mm, b_mm }: BalanceInput) {
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
    omega,
    specific,
    permissible,
    split,
  };
}
type BalanceReckoned = ReturnType<typeof reckonBalance>;

function balanceWorking(
  { grade_mm_s, mass_kg, planes, a_mm, b_mm }: BalanceInput,
  { omega, specific, permissible, split }: BalanceReckoned,
): readonly WorkingStep[] {
  return [
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
  ];
}

/**
 * Permissible residual unbalance. `e = G/ω`, `U = e·m`; two planes share it by their distances from the centre of mass.
 * Source: ISO 21940-11:2016, clauses 6 and 8.
 */
export const balance = defineSum<BalanceInput, z.infer<typeof balanceResult>>({
  id: 'balance',
  title: 'Permissible unbalance',
  ask: ['balance', 'G6.3', 'gram millimetres', 'unbalance'],
  input: balanceInput,
  result: balanceResult,
  example: {
    input: { grade_mm_s: 6.3, mass_kg: 20, speed_rpm: 2900, planes: 2, a_mm: 100, b_mm: 300 },
    result: { specific_um: 20.74502, permissible_gmm: 414.9005, plane_a_gmm: 311.1754, plane_b_gmm: 103.7251 },
  },
  compute(given) {
    const reckoned = reckonBalance(given);
    return { result: reckoned.result, working: balanceWorking(given, reckoned), warnings: [] };
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

type BalanceWeightInput = z.infer<typeof weightInput>;
function reckonBalanceWeight({ original, trial, response, trial_stays = false }: BalanceWeightInput) {
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
    trial_stays,
    change,
    influence,
    correction,
    changed,
  };
}
type BalanceWeightReckoned = ReturnType<typeof reckonBalanceWeight>;

function balanceWeightWorking(
  { trial }: BalanceWeightInput,
  { trial_stays, change, influence, correction }: BalanceWeightReckoned,
): readonly WorkingStep[] {
  return [
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
      formula: trial_stays ? '−R / influence, the trial weight stays' : '−O / influence, the trial weight comes off',
      outcome: `${show(sizeOf(correction), 2)} g at ${show(degOf(correction), 1)}°`,
      source: 'ISO 21940-13',
    },
  ];
}

function balanceWeightWarnings({ changed }: BalanceWeightReckoned): readonly Warning[] {
  return changed < 0.25
    ? [
        {
          code: 'small-response',
          sentence: 'The trial weight changed less than a quarter; the answer is uncertain, take a heavier one.',
        },
      ]
    : [];
}

/**
 * Correction in one plane by the influence of a trial weight: `C = (R − O)/T`, correction = −O/C. Source: influence
 * coefficient method, ISO 21940-13.
 */
export const balanceWeight = defineSum<BalanceWeightInput, z.infer<typeof weightResult>>({
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
  compute(given) {
    const reckoned = reckonBalanceWeight(given);
    return {
      result: reckoned.result,
      working: balanceWeightWorking(given, reckoned),
      warnings: balanceWeightWarnings(reckoned),
    };
  },
});
