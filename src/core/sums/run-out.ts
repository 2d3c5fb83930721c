import { present } from '../present';
import * as z from 'zod';
import { solve } from './linear-system';
import { defineSum, finite, meanOf, notNegative, show, type Warning, type WorkingStep } from './sum';

const input = z.strictObject({
  readings: z
    .array(z.strictObject({ angle_deg: finite.min(-360).max(720), value_mm: finite.max(1000) }))
    .min(2, 'run-out needs two readings or more')
    .max(720),
  limit_mm: notNegative.max(100).optional(),
});
const result = z.object({
  tir_mm: z.number(),
  eccentricity_mm: z.number(),
  high_spot_deg: z.number(),
  offset_mm: z.number().nullable(),
  offset_angle_deg: z.number().nullable(),
  roundness_left_mm: z.number().nullable(),
  verdict: z.enum(['within', 'over']).optional(),
});
type Dial = z.infer<typeof input>['readings'];

/**
 * First harmonic of dial readings round a shaft, by least squares on `m + a·cos θ + b·sin θ`; null where fewer than
 * three angles make it unsolvable. Source: Whitehouse, Handbook of Surface and Nanometrology, least-squares circle.
 */
function firstHarmonic(dial: Dial): { readonly mean: number; readonly a: number; readonly b: number } | null {
  const rows = dial.map(({ angle_deg, value_mm }) => {
    const angle = (angle_deg * Math.PI) / 180;
    return { basis: [1, Math.cos(angle), Math.sin(angle)] as const, value: value_mm };
  });
  const matrix = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) => rows.reduce((sum, row) => sum + present(row.basis[i]) * present(row.basis[j]), 0)),
  );
  const right = [0, 1, 2].map((i) => rows.reduce((sum, row) => sum + present(row.basis[i]) * row.value, 0));
  const solved = solve(matrix, right);
  return solved && { mean: present(solved[0]), a: present(solved[1]), b: present(solved[2]) };
}

type RunOutInput = z.infer<typeof input>;
function reckonRunOut({ readings, limit_mm }: RunOutInput) {
  const values = readings.map((reading) => reading.value_mm);
  const tir = Number((Math.max(...values) - Math.min(...values)).toFixed(9));
  const high = readings.reduce((best, reading) => (reading.value_mm > best.value_mm ? reading : best));
  const harmonic = firstHarmonic(readings);
  const rest = harmonic
    ? readings.map(
        ({ angle_deg, value_mm }) =>
          value_mm -
          harmonic.mean -
          harmonic.a * Math.cos((angle_deg * Math.PI) / 180) -
          harmonic.b * Math.sin((angle_deg * Math.PI) / 180),
      )
    : [];
  const roundness = harmonic && readings.length > 3 ? Number((Math.max(...rest) - Math.min(...rest)).toFixed(9)) : null;
  const offset = harmonic ? Math.hypot(harmonic.a, harmonic.b) : null;
  const verdict = limit_mm === undefined ? undefined : tir > limit_mm + 1e-9 ? ('over' as const) : ('within' as const);
  return {
    result: {
      tir_mm: tir,
      eccentricity_mm: tir / 2,
      high_spot_deg: ((high.angle_deg % 360) + 360) % 360,
      offset_mm: offset,
      offset_angle_deg:
        harmonic && present(offset) > 1e-12 ? ((Math.atan2(harmonic.b, harmonic.a) * 180) / Math.PI + 360) % 360 : null,
      roundness_left_mm: roundness,
      ...(verdict && { verdict }),
    },
    values,
    tir,
    roundness,
    offset,
    verdict,
  };
}
type RunOutReckoned = ReturnType<typeof reckonRunOut>;

function runOutWorking(
  { limit_mm }: RunOutInput,
  { values, tir, roundness, offset, verdict }: RunOutReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Total indicator reading',
      formula: 'largest − smallest',
      put: `${show(Math.max(...values), 4)} − ${show(Math.min(...values), 4)} mm`,
      outcome: `${show(tir, 4)} mm`,
      source: 'ISO 1101, circular run-out',
    },
    { what: 'Eccentricity', formula: 'half of it, for pure offset', outcome: `${show(tir / 2, 4)} mm` },
    { what: 'Mean reading', outcome: `${show(meanOf(values), 4)} mm` },
    {
      what: 'Offset by first harmonic',
      formula: 'least squares m + a·cos θ + b·sin θ',
      outcome: offset === null ? 'too few angles' : `${show(offset, 4)} mm`,
    },
    {
      what: 'Roundness left',
      formula: 'spread of what the harmonic does not explain',
      outcome: roundness === null ? 'needs four readings' : `${show(roundness, 4)} mm`,
    },
    ...(verdict ? [{ what: 'Verdict', put: `limit ${show(present(limit_mm), 4)} mm`, outcome: verdict }] : []),
  ];
}

function runOutWarnings({ readings }: RunOutInput): readonly Warning[] {
  return readings.length < 4
    ? [{ code: 'few-angles', sentence: 'Fewer than four angles; the high spot may lie between them.' }]
    : [];
}

/**
 * Total indicator reading round a shaft, the offset in it and the roundness left after it. Source: ISO 1101, circular
 * run-out.
 */
export const runOut = defineSum<RunOutInput, z.infer<typeof result>>({
  id: 'run-out',
  title: 'Run-out of a shaft',
  ask: ['bent shaft', 'dial', 'V-blocks', 'total indicator reading', 'TIR', 'eccentric', 'high spot'],
  input,
  result,
  example: {
    input: {
      readings: [
        { angle_deg: 0, value_mm: 0.04 },
        { angle_deg: 90, value_mm: 0.02 },
        { angle_deg: 180, value_mm: 0 },
        { angle_deg: 270, value_mm: 0.02 },
      ],
      limit_mm: 0.05,
    },
    result: { tir_mm: 0.04, eccentricity_mm: 0.02, high_spot_deg: 0, verdict: 'within' },
  },
  compute(given) {
    const reckoned = reckonRunOut(given);
    return { result: reckoned.result, working: runOutWorking(given, reckoned), warnings: runOutWarnings(given) };
  },
});
