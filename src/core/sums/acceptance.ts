import * as z from 'zod';
import { gradeNames } from './acceptance-grades';
import { reckonAcceptance, type AcceptanceInput, type AcceptanceResult } from './reckon-acceptance';
import { defineSum, notNegative, positive } from './sum';

const point = z.strictObject({
  flow_m3h: notNegative.max(1e6),
  head_m: notNegative.max(1e5),
  power_kw: positive.max(1e6).optional(),
  efficiency_pct: notNegative.max(100).optional(),
});
const input = z.strictObject({
  guarantee: z.strictObject({
    flow_m3h: positive.max(1e6),
    head_m: positive.max(1e5),
    efficiency_pct: positive.max(100).optional(),
    power_kw: positive.max(1e6).optional(),
  }),
  grade: z.enum(gradeNames),
  points: z.array(point).min(2, 'fewer than 2 points make no curve').max(200),
});
const verdict = z.enum(['pass', 'fail']);
const result = z.object({
  curve: z.object({ order: z.number(), coefficients: z.array(z.number()) }),
  head_at_guaranteed_flow_m: z.number(),
  flow_at_guaranteed_head_m3h: z.number().nullable(),
  head_deviation_pct: z.number(),
  flow_deviation_pct: z.number().nullable(),
  efficiency_pct: z.number().optional(),
  power_kw: z.number().optional(),
  verdicts: z.object({ flow_head: verdict, efficiency: verdict.optional(), power: verdict.optional() }),
  band: z.object({
    flow_m3h: z.object({ min: z.number(), max: z.number() }),
    head_m: z.object({ min: z.number(), max: z.number() }),
    efficiency_min_pct: z.number().optional(),
    power_max_kw: z.number().optional(),
  }),
});

/** Acceptance of a measured curve against a guarantee, as `reckonAcceptance`. */
export const acceptance = defineSum<AcceptanceInput, AcceptanceResult>({
  id: 'acceptance',
  title: 'Acceptance of a pump curve',
  ask: ['test stand', 'guarantee point', 'grade 2B', 'tolerance', 'does it pass', 'curve'],
  input,
  result,
  example: {
    input: {
      guarantee: { flow_m3h: 100, head_m: 40 },
      grade: '2B',
      points: [
        { flow_m3h: 80, head_m: 44 },
        { flow_m3h: 120, head_m: 36 },
      ],
    },
    result: {
      head_at_guaranteed_flow_m: 40,
      flow_at_guaranteed_head_m3h: 100,
      head_deviation_pct: 0,
      flow_deviation_pct: 0,
      verdicts: { flow_head: 'pass' },
    },
  },
  compute: reckonAcceptance,
});
