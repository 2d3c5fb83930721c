import { present } from '../present';
import { inNumbers, show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';

const gravity = 9.80665;

export interface DutyInput {
  readonly suction_kpa: number;
  readonly discharge_kpa: number;
  readonly suction_elevation_m?: number | undefined;
  readonly discharge_elevation_m?: number | undefined;
  readonly suction_pipe_mm: number;
  readonly discharge_pipe_mm: number;
  readonly flow_m3h: number;
  readonly speed_rpm: number;
  readonly rated_speed_rpm?: number | undefined;
  readonly power_in_kw?: number | undefined;
  readonly motor_efficiency_pct?: number | undefined;
  readonly density_kg_m3: number;
}

export interface DutyResult {
  readonly head_m: number;
  readonly suction_velocity_head_m: number;
  readonly discharge_velocity_head_m: number;
  readonly hydraulic_power_kw: number;
  readonly shaft_power_kw?: number | undefined;
  readonly efficiency_pct?: number | undefined;
  readonly at_rated_speed?:
    { readonly flow_m3h: number; readonly head_m: number; readonly power_kw?: number | undefined } | undefined;
}

function velocityHead(flowM3h: number, pipeMm: number): number {
  const velocity = flowM3h / 3600 / ((Math.PI / 4) * (pipeMm / 1000) ** 2);
  return velocity ** 2 / (2 * gravity);
}

/** Total head and what it is made of, m. */
function headsOf(given: DutyInput) {
  const suction = velocityHead(given.flow_m3h, given.suction_pipe_mm);
  const discharge = velocityHead(given.flow_m3h, given.discharge_pipe_mm);
  const pressure = ((given.discharge_kpa - given.suction_kpa) * 1000) / (given.density_kg_m3 * gravity);
  const lift = (given.discharge_elevation_m ?? 0) - (given.suction_elevation_m ?? 0);
  return { suction, discharge, pressure, lift, total: pressure + lift + discharge - suction };
}

function powersOf(given: DutyInput) {
  const { flow_m3h, density_kg_m3, speed_rpm, rated_speed_rpm } = given;
  if (given.motor_efficiency_pct !== undefined && given.power_in_kw === undefined)
    throw new SumRefusal('power_in_kw', 'a motor efficiency without the power taken in');
  const heads = headsOf(given);
  const head = heads.total;
  const hydraulic = (density_kg_m3 * gravity * (flow_m3h / 3600) * head) / 1000;
  const shaft =
    given.power_in_kw === undefined ? undefined : (given.power_in_kw * (given.motor_efficiency_pct ?? 100)) / 100;
  const k = rated_speed_rpm === undefined ? undefined : rated_speed_rpm / speed_rpm;
  const result = {
    head_m: head,
    suction_velocity_head_m: heads.suction,
    discharge_velocity_head_m: heads.discharge,
    hydraulic_power_kw: hydraulic,
    ...(shaft !== undefined && { shaft_power_kw: shaft, efficiency_pct: (100 * hydraulic) / shaft }),
    ...(k !== undefined && {
      at_rated_speed: {
        flow_m3h: flow_m3h * k,
        head_m: head * k ** 2,
        ...(shaft !== undefined && { power_kw: shaft * k ** 3 }),
      },
    }),
  };
  return { result, heads };
}
type DutyReckoned = ReturnType<typeof powersOf>;

function headWorking(given: DutyInput, heads: DutyReckoned['heads']): readonly WorkingStep[] {
  return [
    {
      what: 'Pressure head',
      formula: '(p2 − p1) / (ρ·g)',
      put: `(${show(given.discharge_kpa, 1)} − ${show(given.suction_kpa, 1)}) kPa, ρ ${show(given.density_kg_m3, 1)} kg/m³`,
      outcome: `${show(heads.pressure, 2)} m`,
    },
    {
      what: 'Velocity heads',
      formula: 'v² / (2·g)',
      put: `pipes ${show(given.suction_pipe_mm)} and ${show(given.discharge_pipe_mm)} mm, ${show(given.flow_m3h, 2)} m³/h`,
      outcome: `${show(heads.suction)} and ${show(heads.discharge)} m`,
    },
    {
      what: 'Total head',
      formula: 'pressure head + (z2 − z1) + (v2² − v1²)/(2·g)',
      put: `${show(heads.pressure, 2)} + ${show(heads.lift, 2)} + ${show(heads.discharge - heads.suction)} m`,
      outcome: `${show(heads.total, 2)} m`,
      source: 'ISO 9906:2012',
    },
  ];
}

function dutyWorking(given: DutyInput, { result, heads }: DutyReckoned): readonly WorkingStep[] {
  const { hydraulic_power_kw: hydraulic, shaft_power_kw: shaft, efficiency_pct, at_rated_speed: atRated } = result;
  const efficiency = efficiency_pct !== undefined && {
    what: 'Pump efficiency',
    formula: 'hydraulic / shaft power',
    put: `${show(hydraulic, 3)} / ${show(present(shaft), 3)} kW`,
    outcome: `${show(efficiency_pct, 1)} %`,
  };
  const rated = atRated && {
    what: 'At the rated speed',
    formula: 'Q·k, H·k², P·k³',
    put: `k = ${show(present(given.rated_speed_rpm), 0)} / ${show(given.speed_rpm, 0)}`,
    outcome: `${show(atRated.flow_m3h, 2)} m³/h, ${show(atRated.head_m, 2)} m`,
    source: 'ISO 9906:2012, 6.1',
  };
  return [
    ...headWorking(given, heads),
    { what: 'Hydraulic power', formula: 'ρ·g·Q·H', outcome: `${show(hydraulic, 3)} kW` },
    ...(efficiency ? [efficiency] : []),
    ...(rated ? [rated] : []),
  ];
}

function dutyWarnings({ result: { head_m: head, efficiency_pct: efficiency } }: DutyReckoned): readonly Warning[] {
  return [
    ...(efficiency !== undefined && efficiency > 100
      ? [
          {
            code: 'efficiency-over-100',
            sentence: 'More power comes out than goes in; check flow, pressures and power.',
          },
        ]
      : []),
    ...(head < 0 ? [{ code: 'negative-head', sentence: 'The head is negative; are the gauges changed over?' }] : []),
  ];
}

/**
 * Duty at one point of the stand: total head with velocity heads, powers, efficiency, and all at the rated speed.
 * `H = (p2 − p1)/(ρ·g) + (z2 − z1) + (v2² − v1²)/(2·g)`. Source: ISO 9906:2012, clauses 3 and 6 (affinity laws 6.1).
 Pressures
 * in kPa above the atmosphere, flow in m³/h, density in kg/m³. Throws SumRefusal for figures that make no sense.
 */
export function reckonDuty(given: DutyInput): Outcome<DutyResult> {
  const reckoned = powersOf(given);
  return inNumbers({
    result: reckoned.result,
    working: dutyWorking(given, reckoned),
    warnings: dutyWarnings(reckoned),
  });
}
