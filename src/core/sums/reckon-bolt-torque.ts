import { present } from '../present';
import { show, SumRefusal, type Outcome, type WorkingStep } from './notebook';

/** ISO metric coarse pitch, mm. Source: ISO 261. */
export const coarsePitch: Readonly<Record<string, number>> = {
  M4: 0.7,
  M5: 0.8,
  M6: 1,
  M7: 1,
  M8: 1.25,
  M10: 1.5,
  M12: 1.75,
  M14: 2,
  M16: 2,
  M18: 2.5,
  M20: 2.5,
  M22: 2.5,
  M24: 3,
  M27: 3,
  M30: 3.5,
  M33: 3.5,
  M36: 4,
};

interface Strength {
  readonly mpa: (dMm: number) => number;
  readonly kind: string;
  readonly source: string;
  readonly maxMm: number;
}
const proof = (value: number, above16 = value): Strength => ({
  mpa: (d) => (d > 16 ? above16 : value),
  kind: 'proof stress',
  source: 'ISO 898-1',
  maxMm: 39,
});
const yieldOf = (value: number): Strength => ({
  mpa: () => value,
  kind: '0.2 % yield',
  source: 'ISO 3506-1',
  maxMm: 24,
});
export const strengths = {
  '4.6': proof(225),
  '5.8': proof(380),
  '8.8': proof(580, 600),
  '10.9': proof(830),
  '12.9': proof(970),
  'A2-70': yieldOf(450),
  'A4-70': yieldOf(450),
  'A4-80': yieldOf(600),
} as const;

export interface BoltTorqueInput {
  /** A name of the coarse series, or diameter and pitch. */
  readonly thread: string | { readonly d_mm: number; readonly pitch_mm: number };
  readonly grade: keyof typeof strengths;
  readonly preload_pct?: number | undefined;
  readonly nut_factor?: number | undefined;
}

export interface BoltTorqueResult {
  readonly stress_area_mm2: number;
  readonly preload_kn: number;
  readonly torque_nm: number;
}

/** Whether the standards' tables have this thread and this grade. */
export function isTabledBolt(bolt: {
  readonly thread: string;
  readonly grade: string;
}): bolt is { readonly thread: string; readonly grade: keyof typeof strengths } {
  return Object.hasOwn(coarsePitch, bolt.thread) && Object.hasOwn(strengths, bolt.grade);
}

/** Diameter and pitch of a thread, refused where one does not belong to the other. */
function threadOf({ thread, grade }: BoltTorqueInput): { readonly d: number; readonly pitch: number } {
  const d = typeof thread === 'string' ? Number(thread.slice(1)) : thread.d_mm;
  const pitch = typeof thread === 'string' ? present(coarsePitch[thread]) : thread.pitch_mm;
  if (pitch >= d / 2) throw new SumRefusal('thread.pitch_mm', `a pitch of ${pitch} mm does not belong to ${d} mm`);
  const { maxMm } = strengths[grade];
  if (d > maxMm) throw new SumRefusal('grade', `${grade} is tabled to M${maxMm}; ${d} mm is larger`);
  return { d, pitch };
}

function torqueOf(given: BoltTorqueInput) {
  const { d, pitch } = threadOf(given);
  const share = given.preload_pct ?? 75;
  const factor = given.nut_factor ?? 0.2;
  const stress = strengths[given.grade].mpa(d);
  const area = (Math.PI / 4) * (d - 0.938194 * pitch) ** 2;
  const preload = (area * stress * share) / 100 / 1000;
  return { d, pitch, share, factor, stress, area, preload, torque: factor * preload * d };
}

function boltWorking(given: BoltTorqueInput, bolt: ReturnType<typeof torqueOf>): readonly WorkingStep[] {
  const { d, pitch, share, factor, stress, area, preload, torque } = bolt;
  const { kind, source } = strengths[given.grade];
  return [
    {
      what: 'Stress area',
      formula: 'π/4 · (d − 0.938194·p)²',
      put: `d ${show(d)} mm, p ${show(pitch)} mm`,
      outcome: `${show(area, 1)} mm²`,
      source: 'ISO 898-1',
    },
    {
      what: 'Preload',
      formula: `As · ${kind} · share`,
      put: `${show(area, 1)} mm² · ${stress} MPa · ${show(share)} %`,
      outcome: `${show(preload, 1)} kN`,
      source,
    },
    {
      what: 'Torque',
      formula: 'T = K · F · d',
      put: `K ${factor} (${given.nut_factor === undefined ? 'dry, as made' : 'as given'}) · ${show(preload, 1)} kN · ${show(d)} mm`,
      outcome: `${show(torque, 1)} N·m`,
    },
  ];
}

/**
 * Tightening torque from preload. `As = π/4·(d − 0.938194·p)²`, `T = K·F·d`. Source: ISO 898-1 (stress area, proof),
 * ISO 3506-1 (yield of stainless).
 */
export function reckonBoltTorque(given: BoltTorqueInput): Outcome<BoltTorqueResult> {
  const bolt = torqueOf(given);
  return {
    result: { stress_area_mm2: bolt.area, preload_kn: bolt.preload, torque_nm: bolt.torque },
    working: boltWorking(given, bolt),
    warnings: given.grade.startsWith('A')
      ? [{ code: 'galling', sentence: 'Stainless threads gall: use a paste and put its nut factor in.' }]
      : [],
  };
}
