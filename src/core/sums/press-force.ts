import * as z from 'zod';
import { defineSum, lengthMm, notNegative, positive, show, SumRefusal, type Warning, type WorkingStep } from './sum';

const material = z.strictObject({ e_gpa: positive.max(1000), nu: positive.max(0.5) });
const steel = { e_gpa: 210, nu: 0.3 };
const input = z.strictObject({
  diameter_mm: lengthMm,
  length_mm: lengthMm,
  interference_um: notNegative.max(1e5),
  hub_outer_mm: lengthMm,
  shaft_bore_mm: notNegative.max(1e5).optional(),
  friction: positive.max(1).optional(),
  hub: material.optional(),
  shaft: material.optional(),
});
const result = z.object({ pressure_mpa: z.number(), force_kn: z.number(), hub_stress_mpa: z.number() });

type PressForceInput = z.infer<typeof input>;
function reckonPressForce({
  diameter_mm: d,
  length_mm: length,
  interference_um,
  hub_outer_mm: outer,
  shaft_bore_mm: bore = 0,
  friction = 0.12,
  hub = steel,
  shaft = steel,
}: PressForceInput) {
  if (outer <= d)
    throw new SumRefusal('hub_outer_mm', `the hub's outside ${outer} mm is not larger than the fit's ${d} mm`);
  if (bore >= d)
    throw new SumRefusal('shaft_bore_mm', `the shaft's bore ${bore} mm is not smaller than the fit's ${d} mm`);
  const q = (d / outer) ** 2;
  const hollow = (bore / d) ** 2;
  const hubPart = ((1 + q) / (1 - q) + hub.nu) / (hub.e_gpa * 1000);
  const shaftPart = ((1 + hollow) / (1 - hollow) - shaft.nu) / (shaft.e_gpa * 1000);
  const pressure = interference_um / 1000 / (d * (hubPart + shaftPart));
  const force = (friction * pressure * Math.PI * d * length) / 1000;
  const stress = (pressure * (1 + q)) / (1 - q);
  return {
    result: { pressure_mpa: pressure, force_kn: force, hub_stress_mpa: stress },
    pressure,
    force,
    stress,
    bore,
    friction,
  };
}
type PressForceReckoned = ReturnType<typeof reckonPressForce>;

function pressForceWorking(
  { diameter_mm: d, length_mm: length, interference_um, hub_outer_mm: outer }: PressForceInput,
  { pressure, force, stress, bore, friction }: PressForceReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Pressure in the fit',
      formula: 'p = δ / (d·(Ch/Eh + Cs/Es))',
      put: `δ ${show(interference_um, 1)} µm, d ${show(d)} mm, D ${show(outer)} mm, bore ${show(bore)} mm`,
      outcome: `${show(pressure, 1)} MPa`,
      source: 'Lamé; DIN 7190',
    },
    {
      what: 'Force',
      formula: 'F = µ·p·π·d·L',
      put: `µ ${friction}, L ${show(length)} mm`,
      outcome: `${show(force, 1)} kN`,
    },
    {
      what: 'Tangential stress in the hub',
      formula: 'p·(1 + q)/(1 − q), q = (d/D)²',
      outcome: `${show(stress, 0)} MPa`,
    },
  ];
}

function pressForceWarnings({ stress }: PressForceReckoned): readonly Warning[] {
  return stress > 200
    ? [
        {
          code: 'hub-stress',
          sentence: `The hub is stressed to ${show(stress, 0)} MPa; compare with the yield of its material before pressing.`,
        },
      ]
    : [];
}

/**
 * Force to press an interference fit. Lamé: `p = δ / (d·(Ch/Eh + Cs/Es))`, `F = µ·p·π·d·L`.
 * Source: Niemann, Machine Elements, cylindrical interference fits (DIN 7190).
 */
export const pressForce = defineSum<PressForceInput, z.infer<typeof result>>({
  id: 'press-force',
  title: 'Force to press an interference fit',
  ask: ['press', 'how many tonnes', 'bushing', 'interference', 'push out a bearing'],
  input,
  result,
  example: {
    input: { diameter_mm: 50, length_mm: 40, interference_um: 30, hub_outer_mm: 100 },
    result: { pressure_mpa: 47.25, force_kn: 35.626, hub_stress_mpa: 78.75 },
  },
  compute(given) {
    const reckoned = reckonPressForce(given);
    return {
      result: reckoned.result,
      working: pressForceWorking(given, reckoned),
      warnings: pressForceWarnings(reckoned),
    };
  },
});
