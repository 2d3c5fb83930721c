import { present } from '../present';
import * as z from 'zod';
import { defineSum, finite, notNegative, positive, show, SumRefusal, type Warning, type WorkingStep } from './sum';

const atmosphere = 101.325; // kPa, standard atmosphere, ISO 2533
const input = z.strictObject({
  medium: z.enum(['gas', 'liquid']),
  start_kpa: positive.max(1e6),
  end_kpa: notNegative.max(1e6),
  start_c: finite.min(-50).max(200),
  end_c: finite.min(-50).max(200),
  volume_l: positive.max(1e6),
  minutes: positive.max(1e5),
  bulk_modulus_mpa: positive.max(1e5).optional(),
  expansion_per_k: notNegative.max(0.01).optional(),
  limit_ml_min: notNegative.max(1e6).optional(),
});
const result = z.object({
  corrected_end_kpa: z.number(),
  drop_kpa: z.number(),
  leak_ml_min: z.number(),
  verdict: z.enum(['tight', 'leaks']).optional(),
});

type LeakDecayInput = z.infer<typeof input>;
function reckonLeakDecay(given: LeakDecayInput) {
  const { medium, start_kpa, end_kpa, start_c, end_c, volume_l, minutes, limit_ml_min } = given;
  if (end_kpa > start_kpa * 1.5 + 10)
    throw new SumRefusal(
      'end_kpa',
      `${end_kpa} kPa at the end is far above the ${start_kpa} kPa at the start; are they changed over?`,
    );
  const modulus = (given.bulk_modulus_mpa ?? 2200) * 1000;
  const thermal = medium === 'liquid' ? modulus * (given.expansion_per_k ?? 2.1e-4) * (end_c - start_c) : 0;
  const corrected =
    medium === 'gas'
      ? ((end_kpa + atmosphere) * (start_c + 273.15)) / (end_c + 273.15) - atmosphere
      : end_kpa - thermal;
  const drop = start_kpa - corrected;
  const leak =
    medium === 'gas' ? (volume_l * 1000 * drop) / atmosphere / minutes : (volume_l * 1000 * drop) / modulus / minutes;
  const verdict =
    limit_ml_min === undefined ? undefined : leak <= limit_ml_min + 1e-9 ? ('tight' as const) : ('leaks' as const);
  return {
    result: { corrected_end_kpa: corrected, drop_kpa: drop, leak_ml_min: leak, ...(verdict && { verdict }) },
    corrected,
    drop,
    leak,
    verdict,
  };
}
type LeakDecayReckoned = ReturnType<typeof reckonLeakDecay>;

function leakDecayWorking(
  { medium, end_kpa, start_c, end_c, volume_l, minutes, limit_ml_min }: LeakDecayInput,
  { corrected, drop, leak, verdict }: LeakDecayReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'End pressure at the first temperature',
      formula: medium === 'gas' ? '(p2 + pa)·T1/T2 − pa' : 'p2 − K·β·ΔT',
      put: `${show(end_kpa, 2)} kPa, ${show(start_c, 1)} to ${show(end_c, 1)} °C`,
      outcome: `${show(corrected, 2)} kPa`,
    },
    { what: 'Drop', outcome: `${show(drop, 2)} kPa in ${show(minutes, 1)} min` },
    {
      what: 'Leak',
      formula: medium === 'gas' ? 'V·Δp / pa / t' : 'V·Δp / K / t',
      put: `V ${show(volume_l, 2)} L`,
      outcome: `${show(leak, 3)} mL a minute${verdict ? `, most ${show(present(limit_ml_min), 2)}: ${verdict}` : ''}`,
      source: 'EN 1779',
    },
  ];
}

function leakDecayWarnings(
  { medium, start_c, end_c }: LeakDecayInput,
  { drop }: LeakDecayReckoned,
): readonly Warning[] {
  return [
    ...(drop < 0
      ? [
          {
            code: 'rising',
            sentence: 'The corrected pressure rises; the temperature was not that of the whole content.',
          },
        ]
      : []),
    ...(medium === 'liquid' && Math.abs(end_c - start_c) > 0.2
      ? [
          {
            code: 'warmth-rules',
            sentence:
              'A full body of liquid changes about 460 kPa a kelvin: hold the temperature, or the test says little.',
          },
        ]
      : []),
  ];
}

/**
 * Leak by pressure decay, gauge pressures, corrected to the first temperature. Gas: `p/T` constant, leak as volume at
 * atmosphere a minute. Liquid: `ΔV = V·Δp/K`, with the thermal pressure `K·β·ΔT` taken out (rigid body).
 * Source: ideal gas law; compressibility of liquids; EN 1779 for the method.
 */
export const leakDecay = defineSum<LeakDecayInput, z.infer<typeof result>>({
  id: 'leak-decay',
  title: 'Leak by pressure decay',
  ask: ['leak test', 'pressure drop', 'tight', 'static test'],
  input,
  result,
  example: {
    input: {
      medium: 'gas',
      start_kpa: 200,
      end_kpa: 195,
      start_c: 20,
      end_c: 20,
      volume_l: 10,
      minutes: 5,
      limit_ml_min: 150,
    },
    result: { drop_kpa: 5, leak_ml_min: 98.6923, verdict: 'tight' },
  },
  compute(given) {
    const reckoned = reckonLeakDecay(given);
    return {
      result: reckoned.result,
      working: leakDecayWorking(given, reckoned),
      warnings: leakDecayWarnings(given, reckoned),
    };
  },
});
