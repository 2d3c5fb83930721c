import * as z from 'zod';
import { reckonPdSlip, type PdSlipInput, type PdSlipResult } from './reckon-pd-slip';
import { defineSum, notNegative, positive } from './sum';

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

/** Slip of a positive displacement pump, as `reckonPdSlip`. */
export const pdSlip = defineSum<PdSlipInput, PdSlipResult>({
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
  compute: reckonPdSlip,
});
