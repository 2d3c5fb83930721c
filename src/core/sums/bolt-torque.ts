import * as z from 'zod';
import {
  coarsePitch,
  reckonBoltTorque,
  strengths,
  type BoltTorqueInput,
  type BoltTorqueResult,
} from './reckon-bolt-torque';
import { defineSum, positive } from './sum';

const input = z.strictObject({
  thread: z.union([
    z.enum(Object.keys(coarsePitch) as [string, ...string[]]),
    z.strictObject({
      d_mm: positive.max(36, 'threads are tabled to 36 mm').min(4, 'threads start at 4 mm'),
      pitch_mm: positive.max(6),
    }),
  ]),
  grade: z.enum(Object.keys(strengths) as [keyof typeof strengths, ...(keyof typeof strengths)[]]),
  preload_pct: positive.max(100, 'past the proof stress').optional(),
  nut_factor: positive.min(0.05).max(0.5).optional(),
});
const result = z.object({ stress_area_mm2: z.number(), preload_kn: z.number(), torque_nm: z.number() });

/** Tightening torque from preload, as `reckonBoltTorque`. */
export const boltTorque = defineSum<BoltTorqueInput, BoltTorqueResult>({
  id: 'bolt-torque',
  title: 'Tightening torque of a bolt',
  ask: ['how tight', 'torque', 'bolt', 'preload', 'M12', '8.8'],
  input,
  result,
  example: {
    input: { thread: 'M12', grade: '8.8' },
    result: { stress_area_mm2: 84.2666, preload_kn: 36.656, torque_nm: 87.9743 },
  },
  compute: reckonBoltTorque,
});
