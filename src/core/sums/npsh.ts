import { present } from '../present';
import * as z from 'zod';
import { type Warning, type WorkingStep, defineSum, finite, notNegative, positive, show } from './sum';

const gravity = 9.80665;

const npshInput = z.strictObject({
  surface_kpa_abs: notNegative.max(1e6),
  vapour_kpa_abs: notNegative.max(1e6),
  density_kg_m3: positive.max(25000),
  level_above_pump_m: finite.min(-1000).max(1000),
  friction_m: notNegative.max(1000),
  required_m: notNegative.max(1000).optional(),
  margin_m: notNegative.max(100).optional(),
});
const npshResult = z.object({
  available_m: z.number(),
  margin_m: z.number().optional(),
  verdict: z.enum(['enough', 'too little']).optional(),
});

type NpshInput = z.infer<typeof npshInput>;
function reckonNpsh(given: NpshInput) {
  const { surface_kpa_abs: surface, vapour_kpa_abs: vapour, density_kg_m3: density, margin_m = 0.5 } = given;
  const pressure = ((surface - vapour) * 1000) / (density * gravity);
  const available = pressure + given.level_above_pump_m - given.friction_m;
  const margin = given.required_m === undefined ? undefined : available - given.required_m;
  return {
    result: {
      available_m: available,
      ...(margin !== undefined && {
        margin_m: margin,
        verdict: margin >= margin_m - 1e-9 ? ('enough' as const) : ('too little' as const),
      }),
    },
    margin_m,
    pressure,
    available,
    margin,
  };
}
type NpshReckoned = ReturnType<typeof reckonNpsh>;

function npshWorking(
  given: NpshInput,
  { margin_m, pressure, available, margin }: NpshReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Pressure over vapour',
      formula: '(ps − pv) / (ρ·g)',
      put: `(${show(given.surface_kpa_abs, 1)} − ${show(given.vapour_kpa_abs, 2)}) kPa, ρ ${show(given.density_kg_m3, 1)} kg/m³`,
      outcome: `${show(pressure, 2)} m`,
    },
    {
      what: 'Available',
      formula: 'pressure head + level − friction',
      put: `${show(pressure, 2)} + ${show(given.level_above_pump_m, 2)} − ${show(given.friction_m, 2)} m`,
      outcome: `${show(available, 2)} m`,
      source: 'ISO 17769-1',
    },
    ...(margin === undefined
      ? []
      : [
          {
            what: 'Margin',
            put: `required ${show(present(given.required_m), 2)} m, wanted over it ${show(margin_m, 2)} m`,
            outcome: `${show(margin, 2)} m`,
          },
        ]),
  ];
}

function npshWarnings({ surface_kpa_abs: surface, vapour_kpa_abs: vapour }: NpshInput): readonly Warning[] {
  return vapour >= surface
    ? [
        {
          code: 'boiling',
          sentence: 'The liquid boils at its surface: vapour pressure is not below the pressure there.',
        },
      ]
    : [];
}

/** Net positive suction head available. `NPSHA = (ps − pv)/(ρ·g) + z − hf`. Source: ISO 17769-1. */
export const npsh = defineSum<NpshInput, z.infer<typeof npshResult>>({
  id: 'npsh',
  title: 'Net positive suction head available',
  ask: ['npsh', 'cavitation', 'suction lift', 'why does it cavitate'],
  input: npshInput,
  result: npshResult,
  example: {
    input: {
      surface_kpa_abs: 101.325,
      vapour_kpa_abs: 2.339,
      density_kg_m3: 998.2,
      level_above_pump_m: -3,
      friction_m: 1,
      required_m: 4,
    },
    result: { available_m: 6.112, margin_m: 2.112, verdict: 'enough' },
  },
  compute(given) {
    const reckoned = reckonNpsh(given);
    return { result: reckoned.result, working: npshWorking(given, reckoned), warnings: npshWarnings(given) };
  },
});
