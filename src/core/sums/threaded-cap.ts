import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, lengthMm, notNegative, positive, show, SumRefusal, type WorkingStep } from './sum';

/** A threaded housing moves one pitch a turn; seen on its mark diameter a turn is π·D. */
interface Thread {
  readonly pitchMm: number;
  readonly markMm: number;
}

/**
 * Arc on the mark diameter for an axial way. `arc = π·D·way / pitch`. Inputs and output in mm, all > 0.
 * Source: geometry of the screw.
 * @example arcForWay({ wayMm: 0.2, pitchMm: 2, markMm: 100 }) // 31.41593
 */
export function arcForWay({ wayMm, pitchMm, markMm }: Thread & { readonly wayMm: number }): number {
  return (Math.PI * markMm * wayMm) / pitchMm;
}

const factor = z.strictObject({
  up_to_mm2_s: positive.max(1e7).optional(),
  up_to_c: finite.min(-200).max(1000).optional(),
  factor: positive.max(100),
});
const input = z.strictObject({
  clearance_mm: notNegative.max(100).optional(),
  arc_mm: notNegative.max(1e5).optional(),
  base_clearance_mm: positive.max(100).optional(),
  viscosity_mm2_s: positive.max(1e7).optional(),
  temperature_c: finite.min(-200).max(1000).optional(),
  factors: z.array(factor).max(50).optional(),
  pitch_mm: positive.max(100),
  mark_diameter_mm: lengthMm,
});
type Input = z.infer<typeof input>;
const result = z.object({ clearance_mm: z.number(), turn_deg: z.number(), arc_mm: z.number(), turns: z.number() });

/**
 * The factor of a family's table: of each kind the first whose bound is not passed; viscosity and temperature multiply.
 */
function factorOf({ viscosity_mm2_s, temperature_c, factors = [] }: Input): {
  readonly factor: number;
  readonly steps: readonly WorkingStep[];
} {
  const find = (value: number | undefined, bound: 'up_to_mm2_s' | 'up_to_c', what: string) => {
    const rows = factors
      .filter((row) => row[bound] !== undefined)
      .toSorted((one, other) => present(one[bound]) - present(other[bound]));
    if (value === undefined || !rows.length) return { factor: 1, steps: [] as WorkingStep[] };
    const row = rows.find((one) => value <= present(one[bound]) + 1e-9);
    if (!row)
      throw new SumRefusal(
        bound === 'up_to_c' ? 'temperature_c' : 'viscosity_mm2_s',
        `${value} is past the last row of the family's table (${present(rows.at(-1))[bound]})`,
      );
    return {
      factor: row.factor,
      steps: [{ what, put: `${value} is within ${row[bound]}`, outcome: `× ${show(row.factor)}`, source: 'family' }],
    };
  };
  const thick = find(viscosity_mm2_s, 'up_to_mm2_s', 'Factor for thick liquid');
  const hot = find(temperature_c, 'up_to_c', 'Factor for hot liquid');
  return { factor: thick.factor * hot.factor, steps: [...thick.steps, ...hot.steps] };
}

function clearanceOf(given: Input): { readonly clearance: number; readonly steps: readonly WorkingStep[] } {
  const ways = [given.clearance_mm, given.arc_mm, given.base_clearance_mm].filter((one) => one !== undefined);
  if (ways.length !== 1) throw new SumRefusal('clearance_mm', 'give exactly one of clearance, arc or base clearance');
  if (given.clearance_mm !== undefined) return { clearance: given.clearance_mm, steps: [] };
  if (given.arc_mm !== undefined)
    return {
      clearance: (given.arc_mm * given.pitch_mm) / (Math.PI * given.mark_diameter_mm),
      steps: [
        {
          what: 'Clearance of this arc',
          formula: 'arc · pitch / (π·D)',
          put: `${show(given.arc_mm, 2)} · ${show(given.pitch_mm, 3)} / (π · ${show(given.mark_diameter_mm, 2)})`,
          outcome: `${show((given.arc_mm * given.pitch_mm) / (Math.PI * given.mark_diameter_mm), 4)} mm`,
        },
      ],
    };
  const { factor: times, steps } = factorOf(given);
  return {
    clearance: present(given.base_clearance_mm) * times,
    steps: [
      ...steps,
      {
        what: 'Target',
        formula: 'base clearance × factors',
        put: `${show(present(given.base_clearance_mm), 3)} × ${show(times, 3)}`,
        outcome: `${show(present(given.base_clearance_mm) * times, 4)} mm`,
      },
    ],
  };
}

/** End clearance set by turning a threaded housing back from zero. Source: geometry of the screw. */
export const endClearance = defineSum<Input, z.infer<typeof result>>({
  id: 'end-clearance',
  title: 'End clearance by turning the housing',
  ask: ['how far to turn', 'end clearance', 'arc', 'gear pump', 'turn back'],
  input,
  result,
  example: {
    input: { clearance_mm: 0.2, pitch_mm: 2, mark_diameter_mm: 100 },
    result: { clearance_mm: 0.2, turn_deg: 36, arc_mm: 31.4159, turns: 0.1 },
  },
  compute(given) {
    const { clearance, steps } = clearanceOf(given);
    const turns = clearance / given.pitch_mm;
    const arc = arcForWay({ wayMm: clearance, pitchMm: given.pitch_mm, markMm: given.mark_diameter_mm });
    return {
      result: { clearance_mm: clearance, turn_deg: 360 * turns, arc_mm: arc, turns },
      working: [
        ...steps,
        {
          what: 'Turn',
          formula: '360° · clearance / pitch',
          put: `360 · ${show(clearance, 4)} / ${show(given.pitch_mm, 3)}`,
          outcome: `${show(360 * turns, 1)}°`,
        },
        {
          what: 'Arc on the mark',
          formula: 'π·D · clearance / pitch',
          put: `π · ${show(given.mark_diameter_mm, 2)} · ${show(clearance, 4)} / ${show(given.pitch_mm, 3)} mm`,
          outcome: `${show(arc, 2)} mm`,
        },
      ],
      warnings:
        turns > 1
          ? [
              {
                code: 'more-than-a-turn',
                sentence: 'This is more than a full turn; count the turns and check with a dial.',
              },
            ]
          : [],
    };
  },
});

const preloadInput = z.strictObject({
  end_play_mm: finite.min(-5).max(5),
  pitch_mm: positive.max(100),
  mark_diameter_mm: lengthMm,
});
const preloadResult = z.object({
  way_mm: z.number(),
  direction: z.enum(['back', 'on', 'none']),
  turn_deg: z.number(),
  arc_mm: z.number(),
});

/**
 * End play (positive) or preload (negative) of tapered bearings by turning a threaded cap back or on from zero play.
 * Source: geometry of the screw.
 */
export const preloadArc = defineSum<z.infer<typeof preloadInput>, z.infer<typeof preloadResult>>({
  id: 'preload-arc',
  title: 'End play or preload of tapered bearings',
  ask: ['preload', 'end play', 'tapered bearings', 'turn the cap', 'how far to turn'],
  input: preloadInput,
  result: preloadResult,
  example: {
    input: { end_play_mm: 0.05, pitch_mm: 1.5, mark_diameter_mm: 120 },
    result: { way_mm: 0.05, direction: 'back', turn_deg: 12, arc_mm: 12.5664 },
  },
  compute({ end_play_mm, pitch_mm, mark_diameter_mm }) {
    const way = Math.abs(end_play_mm);
    const arc = arcForWay({ wayMm: way, pitchMm: pitch_mm, markMm: mark_diameter_mm });
    const direction = end_play_mm > 0 ? 'back' : end_play_mm < 0 ? 'on' : 'none';
    return {
      result: { way_mm: way, direction, turn_deg: (360 * way) / pitch_mm, arc_mm: arc },
      working: [
        {
          what: 'From zero play',
          put: end_play_mm < 0 ? `preload ${show(way, 3)} mm: turn on` : `end play ${show(way, 3)} mm: turn back`,
          outcome: `${show((360 * way) / pitch_mm, 1)}°`,
        },
        {
          what: 'Arc on the mark',
          formula: 'π·D · way / pitch',
          put: `π · ${show(mark_diameter_mm, 2)} · ${show(way, 4)} / ${show(pitch_mm, 3)} mm`,
          outcome: `${show(arc, 2)} mm`,
        },
      ],
      warnings:
        end_play_mm < 0
          ? [
              {
                code: 'preload',
                sentence:
                  'Preload is set with the bearings warm to the hand and turned while tightening; check the drag.',
              },
            ]
          : [],
    };
  },
});
