import * as z from 'zod';
import {
  reckonRunningClearance,
  type RunningClearanceInput,
  type RunningClearanceResult,
} from './reckon-running-clearance';
import { defineSum, lengthMm, limits, notNegative, positive } from './sum';

const sizes = z.array(lengthMm).min(1, 'no reading given').max(1000);
const input = z.strictObject({
  bore_mm: sizes,
  journal_mm: sizes,
  design_um: limits.refine((band) => band.max > 0, {
    message: 'the design clearance must be more than 0',
    path: ['max'],
  }),
  limit_um: positive.max(1e6),
  length_mm: positive.max(1e4).optional(),
  head_m: notNegative.max(1e5).optional(),
  density_kg_m3: positive.max(25000).optional(),
  friction_factor: positive.max(10).optional(),
  flow_m3h: positive.max(1e6).optional(),
  power_kw: notNegative.max(1e6).optional(),
  hours_per_year: notNegative.max(8784, 'a year has 8784 hours at most').optional(),
  price_per_kwh: notNegative.max(1000).optional(),
});
const result = z.object({
  mean_um: z.number(),
  min_um: z.number(),
  max_um: z.number(),
  ratio_to_design: z.number(),
  verdict: z.enum(['new', 'reuse', 'tight', 'out']),
  leakage_m3h: z.number().optional(),
  extra_leakage_m3h: z.number().optional(),
  extra_energy_kwh_year: z.number().optional(),
  extra_cost_year: z.number().optional(),
});

/** Clearance between the two actual parts, as `reckonRunningClearance`. */
export const runningClearance = defineSum<RunningClearanceInput, RunningClearanceResult>({
  id: 'running-clearance',
  title: 'Running clearance of a ring, bushing or sleeve',
  ask: ['wear ring', 'clearance', 'bushing', 'leakage', 'how much does it cost', 'ring and hub'],
  input,
  result,
  example: {
    input: { bore_mm: [100.4, 100.42], journal_mm: [100.0, 99.98], design_um: { min: 300, max: 380 }, limit_um: 760 },
    result: { mean_um: 420, min_um: 400, max_um: 440, verdict: 'reuse' },
  },
  compute: reckonRunningClearance,
});
