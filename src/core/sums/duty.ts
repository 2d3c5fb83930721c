import * as z from 'zod';
import { reckonDuty, type DutyInput, type DutyResult } from './reckon-duty';
import { defineSum, finite, notNegative, positive } from './sum';

const input = z.strictObject({
  suction_kpa: finite.min(-101.325, 'below absolute vacuum').max(1e6),
  discharge_kpa: finite.min(-101.325, 'below absolute vacuum').max(1e6),
  suction_elevation_m: finite.min(-1000).max(1000).optional(),
  discharge_elevation_m: finite.min(-1000).max(1000).optional(),
  suction_pipe_mm: positive.max(5000),
  discharge_pipe_mm: positive.max(5000),
  flow_m3h: notNegative.max(1e6),
  speed_rpm: positive.max(1e5),
  rated_speed_rpm: positive.max(1e5).optional(),
  power_in_kw: positive.max(1e6).optional(),
  motor_efficiency_pct: positive.max(100).optional(),
  density_kg_m3: positive.max(25000),
});
const corrected = z.object({ flow_m3h: z.number(), head_m: z.number(), power_kw: z.number().optional() });
const result = z.object({
  head_m: z.number(),
  suction_velocity_head_m: z.number(),
  discharge_velocity_head_m: z.number(),
  hydraulic_power_kw: z.number(),
  shaft_power_kw: z.number().optional(),
  efficiency_pct: z.number().optional(),
  at_rated_speed: corrected.optional(),
});

/** Duty at one point of the stand, as `reckonDuty`. */
export const duty = defineSum<DutyInput, DutyResult>({
  id: 'duty',
  title: 'Duty from stand readings',
  ask: ['total head', 'efficiency', 'affinity laws', 'pressure to head', 'hydraulic power'],
  input,
  result,
  example: {
    input: {
      suction_kpa: 0,
      discharge_kpa: 294.1995,
      suction_pipe_mm: 80,
      discharge_pipe_mm: 80,
      flow_m3h: 36,
      speed_rpm: 2900,
      density_kg_m3: 1000,
    },
    result: { suction_velocity_head_m: 0.2018 },
  },
  compute: reckonDuty,
});
