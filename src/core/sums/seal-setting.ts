import * as z from 'zod';
import { defineSum, finite, lengthMm, limits, show, SumRefusal } from './sum';

const settingInput = z.strictObject({
  reference_to_seat_mm: finite.min(-1e4).max(1e4),
  reference_to_collar_mm: finite.min(-1e4).max(1e4),
  free_length_mm: lengthMm,
  compression_mm: limits,
});
const settingResult = z.object({
  working_length_mm: z.number(),
  compression_mm: z.number(),
  move_mm: z.number(),
  verdict: z.enum(['within', 'under', 'over']),
});

/**
 * Working length of a component seal from two distances to one reference face, and its compression against the window.
 * Source: geometry.
 */
export const sealSetting = defineSum<z.infer<typeof settingInput>, z.infer<typeof settingResult>>({
  id: 'seal-setting',
  title: 'Setting length of a seal',
  ask: ['seal setting', 'collar', 'compression', 'spring length', 'working length'],
  input: settingInput,
  result: settingResult,
  example: {
    input: {
      reference_to_seat_mm: 48,
      reference_to_collar_mm: 12,
      free_length_mm: 40,
      compression_mm: { min: 3, max: 5 },
    },
    result: { working_length_mm: 36, compression_mm: 4, move_mm: 0, verdict: 'within' },
  },
  compute({ reference_to_seat_mm, reference_to_collar_mm, free_length_mm, compression_mm: window }) {
    const length = Math.abs(reference_to_seat_mm - reference_to_collar_mm);
    if (length === 0) throw new SumRefusal('reference_to_collar_mm', 'seat and collar stand at the same place');
    const compression = Number((free_length_mm - length).toFixed(9));
    const verdict = compression < window.min - 1e-9 ? 'under' : compression > window.max + 1e-9 ? 'over' : 'within';
    const move = verdict === 'under' ? window.min - compression : verdict === 'over' ? window.max - compression : 0;
    return {
      result: { working_length_mm: length, compression_mm: compression, move_mm: move, verdict },
      working: [
        {
          what: 'Working length',
          formula: 'seat − collar, from one reference face',
          put: `${show(reference_to_seat_mm)} − ${show(reference_to_collar_mm)} mm`,
          outcome: `${show(length)} mm`,
        },
        {
          what: 'Compression',
          formula: 'free length − working length',
          put: `${show(free_length_mm)} − ${show(length)} mm`,
          outcome: `${show(compression)} mm, window ${show(window.min)} to ${show(window.max)}`,
        },
        {
          what: 'Verdict',
          outcome:
            verdict === 'within'
              ? verdict
              : `${verdict}: move the collar ${show(Math.abs(move))} mm ${move > 0 ? 'towards' : 'away from'} the seat`,
        },
      ],
      warnings:
        compression < 0
          ? [{ code: 'not-closed', sentence: 'The seal is not compressed at all: its faces stand apart.' }]
          : [],
    };
  },
});
