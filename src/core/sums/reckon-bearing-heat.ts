import { present } from '../present';
import { classLimits } from './iso-286-limits';
import { show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';

/**
 * The hottest that a bearing may be made for mounting, in °C: a sealed one for its grease and seals, an open one for
 * its cage and the structure of its steel. General practice; the maker's figure comes first.
 */
export const bearingHeatLimitsC = { sealed: 80, open: 110 } as const;

export interface BearingHeatInput {
  readonly bore_mm: number;
  readonly interference_um?: number | undefined;
  /** Tolerance class of the seat, such as k5; the worst interference is reckoned from it. */
  readonly shaft?: string | undefined;
  readonly mounting_clearance_um?: number | undefined;
  readonly ambient_c: number;
  readonly school: 'computed' | 'fixed' | 'rise';
  readonly fixed_c?: number | undefined;
  readonly rise_k?: number | undefined;
  readonly max_c?: number | undefined;
  readonly sealed?: boolean | undefined;
}

export interface BearingHeatResult {
  readonly rise_k: number;
  readonly temperature_c: number;
  readonly expansion_um: number;
  readonly clearance_at_temperature_um: number;
  readonly reachable: boolean;
}

const expansion = 12.0e-6; // 1/K, rolling bearing steel
/** Normal class lower deviation of the bearing bore, µm, by bore up to. Source: ISO 492, normal class. */
const boreTolerance: readonly (readonly [upToMm: number, um: number])[] = [
  [10, -8],
  [18, -8],
  [30, -10],
  [50, -12],
  [80, -15],
  [120, -20],
  [180, -25],
  [250, -30],
];

/** Lower deviation of a normal-class bearing bore, µm (upper is 0). Source: ISO 492. */
export function bearingBoreLowerUm(boreMm: number): number {
  return present(boreTolerance.find(([upTo]) => boreMm <= upTo))[1];
}

function interferenceOf(given: BearingHeatInput): { um: number; how: string } {
  if (given.interference_um !== undefined) return { um: given.interference_um, how: 'as given' };
  if (given.shaft === undefined)
    throw new SumRefusal('interference_um', 'neither interference nor shaft class is given');
  const { upperUm } = classLimits({ nominalMm: given.bore_mm, of: 'shaft', text: given.shaft });
  const lower = bearingBoreLowerUm(given.bore_mm);
  return {
    um: Math.max(0, upperUm - lower),
    how: `shaft ${given.shaft} upper ${show(upperUm, 1)} µm − bore lower ${show(lower, 1)} µm`,
  };
}

function asked(given: BearingHeatInput, neededRise: number): number {
  if (given.school === 'computed') return given.ambient_c + neededRise;
  if (given.school === 'fixed') {
    if (given.fixed_c === undefined) throw new SumRefusal('fixed_c', 'the school "fixed" needs its temperature');
    if (given.fixed_c < given.ambient_c) throw new SumRefusal('fixed_c', 'the fixed temperature lies below the room');
    return given.fixed_c;
  }
  if (given.rise_k === undefined) throw new SumRefusal('rise_k', 'the school "rise" needs its rise');
  return given.ambient_c + given.rise_k;
}

function heatOf(given: BearingHeatInput) {
  const interference = interferenceOf(given);
  const clearance = given.mounting_clearance_um ?? Math.max(20, given.bore_mm);
  const perKelvin = expansion * given.bore_mm * 1000;
  const neededRise = (interference.um + clearance) / perKelvin;
  const temperature = asked(given, neededRise);
  const rise = temperature - given.ambient_c;
  const limit = Math.min(given.max_c ?? bearingHeatLimitsC.open, given.sealed ? bearingHeatLimitsC.sealed : Infinity);
  const growth = rise * perKelvin;
  const left = growth - interference.um;
  const reachable = temperature <= limit + 1e-9 && left >= clearance - 1e-6;
  return { interference, clearance, neededRise, temperature, rise, limit, growth, left, reachable };
}
type Heat = ReturnType<typeof heatOf>;

function heatWorking(given: BearingHeatInput, heat: Heat): readonly WorkingStep[] {
  const { interference, clearance, neededRise, temperature, limit, growth, left, reachable } = heat;
  return [
    {
      what: 'Worst interference',
      put: interference.how,
      outcome: `${show(interference.um, 1)} µm`,
      source: 'ISO 286-1; ISO 492 normal class',
    },
    {
      what: 'Mounting clearance',
      ...(given.mounting_clearance_um === undefined && { formula: '1 µm per mm of bore, least 20 µm' }),
      outcome: `${show(clearance, 1)} µm`,
    },
    {
      what: 'Rise this fit needs',
      formula: 'ΔT = (interference + clearance) / (α · d)',
      put: `(${show(interference.um, 1)} + ${show(clearance, 1)}) µm / (12.0e-6 1/K · ${show(given.bore_mm)} mm)`,
      outcome: `${show(neededRise, 1)} K`,
    },
    {
      what: 'Temperature asked',
      put: `${given.school}, room ${show(given.ambient_c, 1)} °C`,
      outcome: `${show(temperature, 0)} °C`,
    },
    {
      what: 'Clearance at that temperature',
      formula: 'α·d·ΔT − interference',
      put: `${show(growth, 1)} − ${show(interference.um, 1)} µm`,
      outcome: `${show(left, 1)} µm`,
    },
    {
      what: 'Limit',
      put: given.sealed ? 'sealed or shielded' : 'open bearing',
      outcome: `${show(limit, 0)} °C: ${reachable ? 'reachable' : 'not reachable'}`,
    },
  ];
}

function heatWarnings({ temperature, limit, clearance, reachable }: Heat): readonly Warning[] {
  if (reachable) return [];
  const [code, why] =
    temperature > limit
      ? ['too-hot', `passes the limit of ${show(limit, 0)} °C`]
      : ['not-enough', `does not give ${show(clearance, 0)} µm of mounting clearance`];
  return [
    {
      code,
      sentence: `${show(temperature, 0)} °C ${why}: chill the shaft as well, or press with the force of the press-force sum.`,
    },
  ];
}

/**
 * Temperature at which a rolling bearing slides onto its seat. `ΔT = (interference + mounting clearance) / (α·d)`.
 * Source: thermal expansion; ISO 286-1 and ISO 492 for the worst interference.
 */
export function reckonBearingHeat(given: BearingHeatInput): Outcome<BearingHeatResult> {
  const heat = heatOf(given);
  return {
    result: {
      rise_k: heat.rise,
      temperature_c: heat.temperature,
      expansion_um: heat.growth,
      clearance_at_temperature_um: heat.left,
      reachable: heat.reachable,
    },
    working: heatWorking(given, heat),
    warnings: heatWarnings(heat),
  };
}
