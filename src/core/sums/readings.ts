import * as z from 'zod';
import { reckonReadings, type ReadingsInput, type ReadingsResult } from './reckon-readings';
import { defineSum, finite, notNegative, sizeLimits } from './sum';

const input = z.strictObject({
  new_mm: sizeLimits,
  reuse_mm: z.strictObject({ min: notNegative.optional(), max: notNegative.optional() }),
  readings: z
    .array(
      z.strictObject({
        plane: z.string().min(1).max(40),
        angle_deg: finite.min(-360).max(720),
        value_mm: notNegative.max(1e5, 'is longer than 100 m'),
      }),
    )
    .min(1, 'no reading given')
    .max(5000),
  uncertainty_um: notNegative.max(1e5).optional(),
  guard: z.boolean().optional(),
});
const result = z.object({
  count: z.number(),
  mean_mm: z.number(),
  min_mm: z.number(),
  max_mm: z.number(),
  out_of_round_um: z.number(),
  taper_um: z.number(),
  worst_mm: z.number(),
  wear_um: z.number(),
  wear_used_pct: z.number(),
  verdict: z.enum(['new', 'reuse', 'near', 'out']),
});

/** Readings of one feature against its limits, as `reckonReadings`. */
export const readings = defineSum<ReadingsInput, ReadingsResult>({
  id: 'readings',
  title: 'Readings against new and reuse limits',
  ask: ['worn', 'within limits', 'out of round', 'taper', 'micrometer', 'verdict'],
  input,
  result,
  example: {
    input: {
      new_mm: { min: 45.002, max: 45.013 },
      reuse_mm: { min: 44.998 },
      readings: [
        { plane: 'A', angle_deg: 0, value_mm: 45.003 },
        { plane: 'A', angle_deg: 90, value_mm: 45.001 },
        { plane: 'B', angle_deg: 0, value_mm: 45.0 },
        { plane: 'B', angle_deg: 90, value_mm: 45.002 },
      ],
      uncertainty_um: 1.5,
      guard: true,
    },
    result: { count: 4, worst_mm: 45.0, wear_um: 2, wear_used_pct: 50, verdict: 'reuse' },
  },
  compute: reckonReadings,
});
