import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, lengthMm, limits, notNegative, positive, show, SumRefusal } from './sum';

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

/** Working length of a component seal from two distances to one reference face, and its compression against the window. Source: geometry. */
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

/** Packing sections in mm: whole and half millimetres from 3 to 25, eighths and sixteenths of an inch. Source: usual sizes of braided packing. */
const standardSections = [
  ...Array.from({ length: 45 }, (_, i) => 3 + i / 2),
  ...Array.from({ length: 15 }, (_, i) => Number((((i + 2) * 25.4) / 16).toFixed(5))).filter(
    (one) => one >= 3 && one <= 25.4,
  ),
];

const packingInput = z.strictObject({
  shaft_mm: lengthMm,
  bore_mm: lengthMm,
  depth_mm: lengthMm,
  lantern_mm: positive.max(1e4).optional(),
  port_from_bottom_mm: notNegative.max(1e4).optional(),
  gland_entry_mm: notNegative.max(1e4),
});
const packingResult = z.object({
  section_mm: z.number(),
  rings_below: z.number(),
  rings_above: z.number(),
  rings: z.number(),
  cut_length_mm: z.number(),
  joint_angles_deg: z.array(z.number()),
  standard_section_mm: z.number(),
  misfit_mm: z.number(),
  lantern_covers_port: z.boolean().optional(),
});

/** The split of rings that brings the lantern's middle nearest the port; without a port the lantern stands in the middle. */
function splitRings(
  rings: number,
  { section, lantern, port }: { readonly section: number; readonly lantern: number; readonly port: number },
): { readonly below: number; readonly off: number } {
  const off = (below: number) => Math.abs(below * section + lantern / 2 - port);
  const below = Array.from({ length: rings + 1 }, (_, i) => i).reduce(
    (best, one) => (off(one) < off(best) - 1e-9 ? one : best),
    0,
  );
  return { below, off: off(below) };
}

/** Rings of a stuffing box: section, number, split about the lantern, length to cut. Source: geometry; mean circumference π·(d + s). */
export const packing = defineSum<z.infer<typeof packingInput>, z.infer<typeof packingResult>>({
  id: 'packing',
  title: 'Packing of a stuffing box',
  ask: ['packing', 'how many rings', 'cut length', 'lantern', 'stuffing box'],
  input: packingInput,
  result: packingResult,
  example: {
    input: { shaft_mm: 50, bore_mm: 70, depth_mm: 80, lantern_mm: 20, port_from_bottom_mm: 30, gland_entry_mm: 10 },
    result: {
      section_mm: 10,
      rings_below: 2,
      rings_above: 3,
      rings: 5,
      cut_length_mm: 188.4956,
      lantern_covers_port: true,
    },
  },
  compute({ shaft_mm, bore_mm, depth_mm, lantern_mm = 0, port_from_bottom_mm, gland_entry_mm }) {
    if (bore_mm <= shaft_mm)
      throw new SumRefusal('bore_mm', `the bore ${bore_mm} mm is not larger than the shaft ${shaft_mm} mm`);
    const section = (bore_mm - shaft_mm) / 2;
    const room = depth_mm - gland_entry_mm - lantern_mm;
    const rings = Math.floor(room / section + 1e-9);
    if (rings < 1)
      throw new SumRefusal('depth_mm', `no ring of ${show(section, 2)} mm fits into ${show(Math.max(0, room), 2)} mm`);
    const port = port_from_bottom_mm ?? (rings * section + lantern_mm) / 2;
    const split = lantern_mm ? splitRings(rings, { section, lantern: lantern_mm, port }) : { below: rings, off: 0 };
    const standard = standardSections.reduce((best, one) =>
      Math.abs(one - section) < Math.abs(best - section) - 1e-12 ? one : best,
    );
    const covers = lantern_mm && port_from_bottom_mm !== undefined ? split.off <= lantern_mm / 2 + 1e-9 : undefined;
    const cut = Math.PI * (shaft_mm + section);
    return {
      result: {
        section_mm: section,
        rings_below: split.below,
        rings_above: rings - split.below,
        rings,
        cut_length_mm: cut,
        joint_angles_deg: Array.from({ length: rings }, (_, i) => (i * 120) % 360),
        standard_section_mm: standard,
        misfit_mm: Number((standard - section).toFixed(6)),
        ...(covers !== undefined && { lantern_covers_port: covers }),
      },
      working: [
        {
          what: 'Section',
          formula: '(bore − shaft) / 2',
          put: `(${show(bore_mm)} − ${show(shaft_mm)}) / 2 mm`,
          outcome: `${show(section, 2)} mm, nearest standard ${show(standard, 2)}`,
        },
        {
          what: 'Rings',
          formula: '(depth − gland entry − lantern) / section',
          put: `(${show(depth_mm)} − ${show(gland_entry_mm)} − ${show(lantern_mm)}) / ${show(section, 2)}`,
          outcome: `${rings}`,
        },
        ...(lantern_mm
          ? [
              {
                what: 'Split about the lantern',
                put: `port ${show(port)} mm from the bottom`,
                outcome: `${split.below} below, ${rings - split.below} above`,
              },
            ]
          : []),
        {
          what: 'Cut length',
          formula: 'π·(shaft + section)',
          put: `π · (${show(shaft_mm)} + ${show(section, 2)}) mm`,
          outcome: `${show(cut, 1)} mm`,
        },
      ],
      warnings: [
        ...(covers === false
          ? [
              {
                code: 'lantern-misses-port',
                sentence: 'The lantern does not stand under its port; check depth and rings.',
              },
            ]
          : []),
        ...(Math.abs(standard - section) > 0.25
          ? [
              {
                code: 'no-standard-section',
                sentence: 'No standard section is within a quarter of a millimetre; measure shaft and bore again.',
              },
            ]
          : []),
      ],
    };
  },
});

const dripInput = z
  .strictObject({
    drops_per_min: notNegative.max(1e5).optional(),
    ml_per_min: notNegative.max(1e5).optional(),
    window_ml_min: limits.optional(),
  })
  .refine((given) => (given.drops_per_min === undefined) !== (given.ml_per_min === undefined), {
    message: 'give exactly one of drops and millilitres',
    path: ['drops_per_min'],
  });
const dripResult = z.object({
  drops_per_min: z.number(),
  ml_per_min: z.number(),
  verdict: z.enum(['within', 'too little', 'too much']).optional(),
});

/** Drops a minute and millilitres a minute: 20 drops are 1 mL. Source: usual dropper convention. */
export const drip = defineSum<z.infer<typeof dripInput>, z.infer<typeof dripResult>>({
  id: 'drip',
  title: 'Drip of a packing',
  ask: ['drops', 'leakage', 'how much may it drip'],
  input: dripInput,
  result: dripResult,
  example: {
    input: { drops_per_min: 40, window_ml_min: { min: 1, max: 3 } },
    result: { ml_per_min: 2, verdict: 'within' },
  },
  compute({ drops_per_min, ml_per_min, window_ml_min }) {
    const ml = ml_per_min ?? present(drops_per_min) / 20;
    const verdict =
      window_ml_min &&
      (ml < window_ml_min.min - 1e-9
        ? ('too little' as const)
        : ml > window_ml_min.max + 1e-9
          ? ('too much' as const)
          : ('within' as const));
    return {
      result: { drops_per_min: ml * 20, ml_per_min: ml, ...(verdict && { verdict }) },
      working: [
        {
          what: 'Drip',
          formula: '20 drops = 1 mL',
          put: `${show(ml * 20, 1)} drops a minute`,
          outcome: `${show(ml, 2)} mL a minute`,
        },
        ...(verdict
          ? [
              {
                what: 'Verdict',
                put: `${show(window_ml_min.min, 2)} to ${show(window_ml_min.max, 2)} mL a minute`,
                outcome: verdict,
              },
            ]
          : [{ what: 'Window', outcome: 'none given' }]),
      ],
      warnings:
        ml === 0
          ? [{ code: 'dry', sentence: 'A packing that does not drip runs dry and burns: back off the gland.' }]
          : [],
    };
  },
});

const logInput = z.strictObject({
  entries: z
    .array(
      z.strictObject({
        at_min: notNegative.max(1e6),
        turn_deg: finite.min(-720).max(720),
        temperature_c: finite.min(-50).max(400),
        drops_per_min: notNegative.max(1e5),
      }),
    )
    .min(1)
    .max(500),
  window_drops_min: limits,
  wait_min: positive.max(1440),
  step_deg: positive.max(360),
  max_c: finite.min(0).max(400),
});
const logResult = z.object({
  next: z.enum(['wait', 'tighten', 'leave', 'back off']),
  turn_deg: z.number(),
  wait_left_min: z.number(),
  total_turn_deg: z.number(),
  temperature_slope_c_min: z.number().nullable(),
});

/** The next step at a gland from its log of turns, waits, temperature and drip. Source: running-in practice of soft packing; small steps with waiting between. */
export const glandLog = defineSum<z.infer<typeof logInput>, z.infer<typeof logResult>>({
  id: 'gland-log',
  title: 'Running in a gland',
  ask: ['gland', 'packing run-in', 'tighten the gland', 'back off'],
  input: logInput,
  result: logResult,
  example: {
    input: {
      entries: [
        { at_min: 0, turn_deg: 0, temperature_c: 22, drops_per_min: 200 },
        { at_min: 10, turn_deg: 30, temperature_c: 25, drops_per_min: 120 },
        { at_min: 20, turn_deg: 0, temperature_c: 26, drops_per_min: 110 },
      ],
      window_drops_min: { min: 20, max: 60 },
      wait_min: 10,
      step_deg: 30,
      max_c: 60,
    },
    result: { next: 'tighten', turn_deg: 30, wait_left_min: 0, total_turn_deg: 30 },
  },
  compute({ entries, window_drops_min, wait_min, step_deg, max_c }) {
    const wrong = entries.findIndex((entry, i) => i > 0 && entry.at_min < present(entries[i - 1]).at_min);
    if (wrong > 0)
      throw new SumRefusal(
        `entries.${wrong}.at_min`,
        `${present(entries[wrong]).at_min} min lies before the entry above it`,
      );
    const last = present(entries.at(-1));
    const before = entries.at(-2);
    const turned = entries.findLast((entry) => entry.turn_deg !== 0);
    const waited = turned ? last.at_min - turned.at_min : Infinity;
    const slope =
      before && last.at_min > before.at_min
        ? (last.temperature_c - before.temperature_c) / (last.at_min - before.at_min)
        : null;
    const hot = last.temperature_c >= max_c || (slope !== null && slope * wait_min + last.temperature_c > max_c);
    const next =
      hot || last.drops_per_min < window_drops_min.min
        ? 'back off'
        : last.drops_per_min <= window_drops_min.max
          ? 'leave'
          : waited < wait_min - 1e-9
            ? 'wait'
            : 'tighten';
    const turn = next === 'tighten' ? step_deg : next === 'back off' ? -step_deg : 0;
    return {
      result: {
        next,
        turn_deg: turn,
        wait_left_min: next === 'wait' ? wait_min - waited : 0,
        total_turn_deg: entries.reduce((sum, entry) => sum + entry.turn_deg, 0),
        temperature_slope_c_min: slope,
      },
      working: [
        {
          what: 'Drip now',
          put: `window ${show(window_drops_min.min)} to ${show(window_drops_min.max)}`,
          outcome: `${show(last.drops_per_min)} drops a minute`,
        },
        {
          what: 'Temperature',
          put: slope === null ? 'one reading' : `${show(slope, 2)} K a minute`,
          outcome: `${show(last.temperature_c, 1)} °C, most ${show(max_c)} °C`,
        },
        {
          what: 'Since the last turn',
          put: `wait ${show(wait_min)} min`,
          outcome: Number.isFinite(waited) ? `${show(waited)} min` : 'not turned yet',
        },
        {
          what: 'Next',
          outcome:
            next === 'tighten'
              ? `tighten ${show(step_deg)}°`
              : next === 'back off'
                ? `back off ${show(step_deg)}°`
                : next,
        },
      ],
      warnings:
        next === 'back off'
          ? [
              {
                code: hot ? 'hot' : 'too-dry',
                sentence: hot
                  ? 'The gland warms towards its limit: back off and let it drip.'
                  : 'It drips too little: back off, never stop the drip.',
              },
            ]
          : [],
    };
  },
});
