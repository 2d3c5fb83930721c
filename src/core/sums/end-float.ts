import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, limits, meanOf, notNegative, show } from './sum';

const depths = z.array(finite).min(1, 'no reading given').max(100);
const input = z.strictObject({
  down_mm: depths,
  up_mm: depths,
  limit_mm: limits,
  repeat_um: notNegative.max(1e6).optional(),
});
const result = z.object({
  down_mm: z.number(),
  up_mm: z.number(),
  float_mm: z.number(),
  verdict: z.enum(['within', 'under', 'over']),
  repeatable: z.boolean().nullable(),
});

/** End float from depths read at the coupling face with the shaft down and up. Source: geometry. */
export const endFloat = defineSum<z.infer<typeof input>, z.infer<typeof result>>({
  id: 'end-float',
  title: 'End float of a shaft',
  ask: ['shaft up and down', 'axial play', 'float', 'coupling depth'],
  input,
  result,
  example: {
    input: { down_mm: [52.4, 52.42], up_mm: [49.9, 49.92], limit_mm: { min: 2, max: 3 } },
    result: { float_mm: 2.5, verdict: 'within', repeatable: true },
  },
  compute({ down_mm, up_mm, limit_mm, repeat_um = 50 }) {
    const down = meanOf(down_mm);
    const up = meanOf(up_mm);
    const float = Number(Math.abs(down - up).toFixed(9));
    const spreads = [down_mm, up_mm]
      .filter((series) => series.length > 1)
      .map((series) => (Math.max(...series) - Math.min(...series)) * 1000);
    const worstSpread = spreads.length ? Math.max(...spreads) : null;
    const repeatable = worstSpread === null ? null : worstSpread <= repeat_um + 1e-6;
    const verdict = float < limit_mm.min - 1e-9 ? 'under' : float > limit_mm.max + 1e-9 ? 'over' : 'within';
    return {
      result: { down_mm: down, up_mm: up, float_mm: float, verdict, repeatable },
      working: [
        {
          what: 'Float',
          formula: 'down − up, in size',
          put: `${show(down)} − ${show(up)} mm`,
          outcome: `${show(float)} mm`,
        },
        { what: 'Verdict', put: `${show(limit_mm.min)} to ${show(limit_mm.max)} mm`, outcome: verdict },
        {
          what: 'Repeats',
          formula: 'largest spread within a series',
          put: `allowed ${show(repeat_um, 0)} µm`,
          outcome: worstSpread === null ? 'single reading' : `${show(worstSpread, 0)} µm`,
        },
      ],
      warnings:
        repeatable === false
          ? [
              {
                code: 'not-repeatable',
                sentence: `Repeats differ by ${show(present(worstSpread), 0)} µm; seat the shaft again and read once more.`,
              },
            ]
          : [],
    };
  },
});
