import * as z from 'zod';
import { type Outcome, defineSum, notNegative, positive, show } from './sum';

/**
 * Borders A/B, B/C, C/D of RMS velocity, mm/s, in operation. Source: ISO 10816-7:2009, table A.1 (rotodynamic pumps).
 */
const borders = {
  I: { upTo200: [2.5, 4.0, 6.6], over200: [3.5, 5.0, 7.6] },
  II: { upTo200: [3.2, 5.1, 8.5], over200: [4.2, 6.1, 9.5] },
} as const;
/**
 * Factory acceptance on the stand, RMS velocity in mm/s: preferred, then allowable operating range. Source: ISO
 * 10816-7:2009, table A.2.
 */
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

type VibrationInput = z.infer<typeof input>;
type VibrationResult = z.infer<typeof result>;
type Size = 'upTo200' | 'over200';

/** The reading that decides, and in which table it is looked up. */
function worstVibration({ category, power_kw, readings }: VibrationInput) {
  const size: Size = power_kw <= 200 ? 'upTo200' : 'over200';
  const worst = readings.reduce((top, one) => (one.velocity_mm_s > top.velocity_mm_s ? one : top));
  const place = `${worst.place}, ${worst.direction}`;
  return {
    size,
    velocity: worst.velocity_mm_s,
    place,
    where: `category ${category}, power ${power_kw <= 200 ? 'up to' : 'over'} 200 kW`,
    top: {
      what: 'Worst reading',
      put: `${readings.length} readings`,
      outcome: `${show(worst.velocity_mm_s, 2)} mm/s at ${place}`,
    },
  };
}

function acceptVibration(given: VibrationInput): Outcome<VibrationResult> {
  const { size, velocity, place, where, top } = worstVibration(given);
  const range = given.range ?? 'preferred';
  const limit = acceptanceLimits[given.category][size][range === 'preferred' ? 0 : 1];
  const verdict = velocity <= limit + 1e-9 ? 'pass' : 'fail';
  return {
    result: { worst_mm_s: velocity, worst_place: place, limit_mm_s: limit, verdict, borders_mm_s: [limit] },
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

function zoneOfVibration(given: VibrationInput): Outcome<VibrationResult> {
  const { size, velocity, place, where, top } = worstVibration(given);
  const [ab, bc, cd] = borders[given.category][size];
  const zone = velocity <= ab + 1e-9 ? 'A' : velocity <= bc + 1e-9 ? 'B' : velocity <= cd + 1e-9 ? 'C' : 'D';
  return {
    result: { worst_mm_s: velocity, worst_place: place, zone, borders_mm_s: [ab, bc, cd] },
    working: [
      top,
      {
        what: 'Zone',
        put: `${where}: borders ${ab} / ${bc} / ${cd} mm/s`,
        outcome: `${zone}, ${zoneWords[zone]}`,
        source: 'ISO 10816-7:2009, table A.1 (condition in operation)',
      },
    ],
    warnings: zone === 'D' ? [{ code: 'zone-d', sentence: 'Zone D: stop and find the cause before running on.' }] : [],
  };
}

/** Zone of vibration of a rotodynamic pump, or its factory acceptance. Source: ISO 10816-7:2009. */
export const vibration = defineSum<VibrationInput, z.infer<typeof result>>({
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
  compute: (given) => (given.use === 'factory acceptance' ? acceptVibration(given) : zoneOfVibration(given)),
});
