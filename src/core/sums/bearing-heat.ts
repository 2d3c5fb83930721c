import * as z from 'zod';
import { reckonBearingHeat, type BearingHeatInput, type BearingHeatResult } from './reckon-bearing-heat';
import { defineSum, finite, notNegative, positive } from './sum';

const input = z.strictObject({
  bore_mm: positive.max(250, 'bearing bores are tabled to 250 mm'),
  interference_um: notNegative.max(1000).optional(),
  shaft: z
    .string()
    .regex(/^(h|j|js|k|m|n|p|r|s)([5-9])$/, 'a shaft class for a bearing seat, such as k5')
    .optional(),
  mounting_clearance_um: notNegative.max(5000).optional(),
  ambient_c: finite.min(-60).max(80),
  school: z.enum(['computed', 'fixed', 'rise']),
  fixed_c: finite.min(-60).max(500).optional(),
  rise_k: positive.max(500).optional(),
  max_c: finite.min(20).max(300).optional(),
  sealed: z.boolean().optional(),
});
const result = z.object({
  rise_k: z.number(),
  temperature_c: z.number(),
  expansion_um: z.number(),
  clearance_at_temperature_um: z.number(),
  reachable: z.boolean(),
});

/** Temperature at which a rolling bearing slides onto its seat, as `reckonBearingHeat`. */
export const bearingHeat = defineSum<BearingHeatInput, BearingHeatResult>({
  id: 'bearing-heat',
  title: 'How hot to make a bearing',
  ask: ['how hot', 'heat a bearing', 'induction heater', 'shrink fit', 'temperature'],
  input,
  result,
  example: {
    input: { bore_mm: 45, shaft: 'k5', mounting_clearance_um: 20, ambient_c: 20, school: 'computed' },
    result: { temperature_c: 103.3333, expansion_um: 45, reachable: true },
  },
  compute: reckonBearingHeat,
});
