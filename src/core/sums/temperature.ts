import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, positive, show, SumRefusal, type Warning, type WorkingStep } from './sum';

const reading = z.strictObject({ at_min: finite.min(0).max(1e5), temperature_c: finite.min(-50).max(400) });
const input = z.strictObject({
  series: z.array(reading).min(2, 'two readings or more').max(5000),
  ambient_c: finite.min(-50).max(80),
  max_rise_k: positive.max(300).optional(),
  max_c: finite.min(0).max(400).optional(),
});
const result = z.object({
  last_c: z.number(),
  rise_k: z.number(),
  slope_k_10min: z.number().nullable(),
  steady: z.boolean(),
  end_c: z.number().nullable(),
  verdict: z.enum(['within', 'over', 'not yet steady']),
});
type Series = z.infer<typeof input>['series'];

/** Least-squares slope of the last minutes, K in ten minutes; null where they hold fewer than two moments. */
function slopeOf(series: Series, minutes: number): number | null {
  const last = present(series.at(-1)).at_min;
  const used = series.filter((one) => one.at_min >= last - minutes - 1e-9);
  const mean = (pick: (one: Series[number]) => number) => used.reduce((sum, one) => sum + pick(one), 0) / used.length;
  const [mx, my] = [mean((one) => one.at_min), mean((one) => one.temperature_c)];
  const square = used.reduce((sum, one) => sum + (one.at_min - mx) ** 2, 0);
  return square < 1e-9
    ? null
    : (10 * used.reduce((sum, one) => sum + (one.at_min - mx) * (one.temperature_c - my), 0)) / square;
}

/** End value of `T = Te − (Te − T0)·exp(−t/τ)`, by trying time constants and solving the rest by least squares. */
function endValueOf(series: Series): number | null {
  if (series.length < 4) return null;
  const span = present(series.at(-1)).at_min - present(series[0]).at_min;
  let best: { error: number; end: number } | null = null;
  for (let i = 0; i < 160; i++) {
    const tau = span * 0.05 * 1.032 ** i;
    const xs = series.map((one) => Math.exp(-(one.at_min - present(series[0]).at_min) / tau));
    const n = series.length;
    const [sx, sy] = [xs.reduce((a, b) => a + b, 0), series.reduce((a, one) => a + one.temperature_c, 0)];
    const sxx = xs.reduce((a, b) => a + b * b, 0);
    const sxy = xs.reduce((a, b, k) => a + b * present(series[k]).temperature_c, 0);
    const determinant = n * sxx - sx * sx;
    if (Math.abs(determinant) < 1e-12) continue;
    const slope = (n * sxy - sx * sy) / determinant;
    const end = (sy - slope * sx) / n;
    const error = series.reduce((sum, one, k) => sum + (end + slope * present(xs[k]) - one.temperature_c) ** 2, 0);
    if (!best || error < best.error) best = { error, end };
  }
  return best?.end ?? null;
}

type BearingTemperatureInput = z.infer<typeof input>;
function reckonBearingTemperature({ series, ambient_c, max_rise_k, max_c }: BearingTemperatureInput) {
  const wrong = series.findIndex((one, i) => i > 0 && one.at_min <= present(series[i - 1]).at_min);
  if (wrong > 0)
    throw new SumRefusal(
      `series.${wrong}.at_min`,
      `${present(series[wrong]).at_min} min does not come after the reading above it`,
    );
  const last = present(series.at(-1));
  const covers = last.at_min - present(series[0]).at_min >= 30 - 1e-9;
  const slope = slopeOf(series, 30);
  const steady = covers && slope !== null && Math.abs(slope) < 1;
  const end = endValueOf(series);
  const rise = last.temperature_c - ambient_c;
  const over = (value: number) =>
    (max_rise_k !== undefined && value - ambient_c > max_rise_k + 1e-9) ||
    (max_c !== undefined && value > max_c + 1e-9);
  const verdict = over(last.temperature_c) ? 'over' : steady ? 'within' : 'not yet steady';
  return {
    result: {
      last_c: last.temperature_c,
      rise_k: rise,
      slope_k_10min: slope,
      steady,
      end_c: end,
      verdict,
    } satisfies z.infer<typeof result>,
    covers,
    slope,
    steady,
    end,
    rise,
    verdict,
    last,
    over,
  };
}
type BearingTemperatureReckoned = ReturnType<typeof reckonBearingTemperature>;

function bearingTemperatureWorking(
  { max_rise_k, max_c }: BearingTemperatureInput,
  { covers, slope, steady, end, rise, verdict }: BearingTemperatureReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Slope over the last 30 minutes',
      formula: 'least squares',
      outcome: slope === null ? 'too few readings' : `${show(slope, 2)} K in 10 minutes`,
    },
    {
      what: 'Steady',
      formula: 'less than 1 K in 10 minutes over 30 minutes',
      outcome: steady ? 'yes' : covers ? 'no' : 'not yet 30 minutes',
    },
    {
      what: 'End value',
      formula: 'T = Te − (Te − T0)·exp(−t/τ)',
      outcome: end === null ? 'needs four readings' : `${show(end, 1)} °C`,
    },
    {
      what: 'Verdict',
      put:
        [max_rise_k !== undefined && `rise to ${show(max_rise_k)} K`, max_c !== undefined && `most ${show(max_c)} °C`]
          .filter(Boolean)
          .join(', ') || 'no limit given',
      outcome: `${show(rise, 1)} K above the room: ${verdict}`,
    },
  ];
}

function bearingTemperatureWarnings({ last, end, over }: BearingTemperatureReckoned): readonly Warning[] {
  return end !== null && !over(last.temperature_c) && over(end)
    ? [{ code: 'will-be-over', sentence: `It is heading for ${show(end, 0)} °C, past its limit.` }]
    : [];
}

/**
 * Bearing temperature of a run: steady when it rises less than 1 K in 10 minutes over the last 30. Source: usual
 * practice of running tests; first-order heating.
 */
export const bearingTemperature = defineSum<BearingTemperatureInput, z.infer<typeof result>>({
  id: 'bearing-temperature',
  title: 'Bearing temperature to steady state',
  ask: ['bearing temperature', 'steady', 'how hot will it get', 'run-in'],
  input,
  result,
  example: {
    input: {
      series: [
        { at_min: 0, temperature_c: 20 },
        { at_min: 10, temperature_c: 40 },
        { at_min: 20, temperature_c: 50 },
        { at_min: 30, temperature_c: 55 },
        { at_min: 40, temperature_c: 57.5 },
      ],
      ambient_c: 20,
      max_rise_k: 50,
    },
    result: { last_c: 57.5, rise_k: 37.5, steady: false, verdict: 'not yet steady' },
  },
  compute(given) {
    const reckoned = reckonBearingTemperature(given);
    return {
      result: reckoned.result,
      working: bearingTemperatureWorking(given, reckoned),
      warnings: bearingTemperatureWarnings(reckoned),
    };
  },
});

const insulationInput = z.strictObject({
  one_minute_mohm: positive.max(1e7),
  ten_minutes_mohm: positive.max(1e7).optional(),
  winding_c: finite.min(-40).max(200),
  least_mohm: positive.max(1e6).optional(),
  winding_ohm: z.array(positive.max(1e6)).length(3, 'three windings').optional(),
  most_unbalance_pct: positive.max(100).optional(),
});
const insulationResult = z.object({
  at_40c_mohm: z.number(),
  polarisation_index: z.number().optional(),
  winding_unbalance_pct: z.number().optional(),
  verdict: z.enum(['good', 'doubtful', 'bad']),
});

type InsulationInput = z.infer<typeof insulationInput>;
function reckonInsulation({
  one_minute_mohm,
  ten_minutes_mohm,
  winding_c,
  least_mohm = 5,
  winding_ohm,
  most_unbalance_pct = 3,
}: InsulationInput) {
  const corrected = one_minute_mohm * 0.5 ** ((40 - winding_c) / 10);
  const index = ten_minutes_mohm === undefined ? undefined : ten_minutes_mohm / one_minute_mohm;
  const mean = winding_ohm && winding_ohm.reduce((a, b) => a + b, 0) / 3;
  const unbalance =
    mean === undefined
      ? undefined
      : (100 * Math.max(...present(winding_ohm).map((one) => Math.abs(one - mean)))) / mean;
  // Above 5000 MΩ the index says nothing (IEEE 43, 12.2.2).
  const poorIndex = index !== undefined && index < 2 && one_minute_mohm <= 5000;
  const verdict =
    corrected < least_mohm || (unbalance ?? 0) > most_unbalance_pct + 1e-9 ? 'bad' : poorIndex ? 'doubtful' : 'good';
  return {
    result: {
      at_40c_mohm: corrected,
      ...(index !== undefined && { polarisation_index: index }),
      ...(unbalance !== undefined && { winding_unbalance_pct: Number(unbalance.toFixed(9)) }),
      verdict,
    } satisfies z.infer<typeof insulationResult>,
    least_mohm,
    most_unbalance_pct,
    corrected,
    index,
    unbalance,
    verdict,
  };
}
type InsulationReckoned = ReturnType<typeof reckonInsulation>;

function insulationWorking(
  { one_minute_mohm, winding_c }: InsulationInput,
  { least_mohm, most_unbalance_pct, corrected, index, unbalance, verdict }: InsulationReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'At 40 °C',
      formula: 'R · 0.5^((40 − T)/10)',
      put: `${show(one_minute_mohm, 1)} MΩ at ${show(winding_c, 1)} °C`,
      outcome: `${show(corrected, 1)} MΩ, least ${show(least_mohm)}`,
      source: 'IEEE 43-2013',
    },
    ...(index === undefined
      ? []
      : [{ what: 'Polarisation index', formula: '10 minutes / 1 minute', outcome: show(index, 2) }]),
    ...(unbalance === undefined
      ? []
      : [
          {
            what: 'Winding balance',
            formula: 'largest departure from the mean',
            outcome: `${show(unbalance, 2)} %, most ${show(most_unbalance_pct)} %`,
          },
        ]),
    { what: 'Verdict', outcome: verdict },
  ];
}

function insulationWarnings({ one_minute_mohm }: InsulationInput, { index }: InsulationReckoned): readonly Warning[] {
  return [
    { code: 'qualified', sentence: 'Qualified people only; discharge the winding after the test.' },
    ...(index !== undefined && one_minute_mohm > 5000
      ? [{ code: 'index-says-nothing', sentence: 'Above 5000 MΩ the polarisation index says nothing.' }]
      : []),
  ];
}

/**
 * Insulation resistance at 40 °C (halves every 10 K), polarisation index (10 minutes over 1 minute) and winding
 * balance.
 * Source: IEEE 43-2013: least 5 MΩ (random wound, below 1 kV), index 2.0 for thermal class B and above.
 */
export const insulation = defineSum<InsulationInput, z.infer<typeof insulationResult>>({
  id: 'insulation',
  title: 'Insulation of a winding',
  ask: ['insulation', 'megohm', 'polarisation index', 'winding resistance'],
  input: insulationInput,
  result: insulationResult,
  example: {
    input: { one_minute_mohm: 400, ten_minutes_mohm: 1000, winding_c: 20, winding_ohm: [2, 2.02, 1.98] },
    result: { at_40c_mohm: 100, polarisation_index: 2.5, winding_unbalance_pct: 1, verdict: 'good' },
  },
  compute(given) {
    const reckoned = reckonInsulation(given);
    return {
      result: reckoned.result,
      working: insulationWorking(given, reckoned),
      warnings: insulationWarnings(given, reckoned),
    };
  },
});
