import { present } from '../present';
import * as z from 'zod';
import {
  type Warning,
  type WorkingStep,
  defineSum,
  finite,
  limits,
  notNegative,
  positive,
  show,
  SumRefusal,
} from './sum';

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

type GlandLogInput = z.infer<typeof logInput>;
function reckonGlandLog({ entries, window_drops_min, wait_min, step_deg, max_c }: GlandLogInput) {
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
    } satisfies z.infer<typeof logResult>,
    last,
    waited,
    slope,
    next,
    hot,
  };
}
type GlandLogReckoned = ReturnType<typeof reckonGlandLog>;

function glandLogWorking(
  { window_drops_min, wait_min, step_deg, max_c }: GlandLogInput,
  { last, waited, slope, next }: GlandLogReckoned,
): readonly WorkingStep[] {
  return [
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
        next === 'tighten' ? `tighten ${show(step_deg)}°` : next === 'back off' ? `back off ${show(step_deg)}°` : next,
    },
  ];
}

function glandLogWarnings({ hot, next }: GlandLogReckoned): readonly Warning[] {
  return next === 'back off'
    ? [
        {
          code: hot ? 'hot' : 'too-dry',
          sentence: hot
            ? 'The gland warms towards its limit: back off and let it drip.'
            : 'It drips too little: back off, never stop the drip.',
        },
      ]
    : [];
}

/**
 * The next step at a gland from its log of turns, waits, temperature and drip. Source: running-in practice of soft
 * packing; small steps with waiting between.
 */
export const glandLog = defineSum<GlandLogInput, z.infer<typeof logResult>>({
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
  compute(given) {
    const reckoned = reckonGlandLog(given);
    return { result: reckoned.result, working: glandLogWorking(given, reckoned), warnings: glandLogWarnings(reckoned) };
  },
});
