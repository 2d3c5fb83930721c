import type { Family } from '../family';
import type { Duty, StandReading } from '../record';
import { acceptance, duty, type AcceptanceResult, type WorkingStep } from '../sums';

export interface CurvePoint {
  readonly flowM3h: number;
  readonly headM: number;
  readonly powerKw: number;
  readonly efficiencyPct: number;
}

export interface JudgedRun {
  readonly points: readonly CurvePoint[];
  readonly acceptance: AcceptanceResult;
  readonly verdict: 'pass' | 'fail';
  /** Why, in a sentence. */
  readonly reason: string;
  readonly working: readonly WorkingStep[];
  readonly warnings: readonly string[];
}

/** One stand reading as duty at the rated speed. Source: ISO 9906:2012, 6.1. */
function dutyAtRatedSpeed(reading: StandReading, family: Family, ratedSpeedRpm: number) {
  const outcome = duty.compute({
    suction_kpa: reading.suctionKpa,
    discharge_kpa: reading.dischargeKpa,
    suction_pipe_mm: family.test.pipe_mm.suction,
    discharge_pipe_mm: family.test.pipe_mm.discharge,
    flow_m3h: reading.flowM3h,
    speed_rpm: reading.speedRpm,
    rated_speed_rpm: ratedSpeedRpm,
    power_in_kw: reading.powerInKw,
    motor_efficiency_pct: reading.motorEfficiencyPct,
    density_kg_m3: reading.densityKgM3,
  });
  const rated = outcome.result.at_rated_speed!;
  return { point: { flowM3h: rated.flow_m3h, headM: Math.max(0, rated.head_m), powerKw: rated.power_kw!, efficiencyPct: Math.min(100, Math.max(0, outcome.result.efficiency_pct!)) }, working: outcome.working };
}

function reasonOf(result: AcceptanceResult): string {
  const signed = (pct: number) => `${pct >= 0 ? '+' : '−'}${Math.abs(pct).toFixed(1)} %`;
  const failed = (['flow_head', 'efficiency', 'power'] as const).filter((key) => result.verdicts[key] === 'fail').map((key) => ({ flow_head: 'flow and head', efficiency: 'efficiency', power: 'power' })[key]);
  const head = `head ${signed(result.head_deviation_pct)} at the guaranteed flow${result.flow_deviation_pct === null ? ', the guaranteed head is not reached' : `, flow ${signed(result.flow_deviation_pct)} at the guaranteed head`}`;
  return failed.length ? `Outside the tolerance in ${failed.join(' and ')}: ${head}.` : `Within the tolerance: ${head}.`;
}

/**
 * Judges a run of the stand: duty of each point at the rated speed, then acceptance by the family's grade.
 * Source: ISO 9906:2012. Throws SumRefusal where the points make no curve.
 */
export function judgeRun({ family, guarantee, readings }: { readonly family: Family; readonly guarantee: Duty; readonly readings: readonly StandReading[] }): JudgedRun {
  const duties = readings.map((reading) => dutyAtRatedSpeed(reading, family, guarantee.speedRpm));
  const points = duties.map((one) => one.point);
  const outcome = acceptance.compute({
    guarantee: { flow_m3h: guarantee.flowM3h, head_m: guarantee.headM, ...(guarantee.efficiencyPct !== undefined && { efficiency_pct: guarantee.efficiencyPct }), ...(guarantee.powerKw !== undefined && { power_kw: guarantee.powerKw }) },
    grade: family.test.grade,
    points: points.map((point) => ({ flow_m3h: point.flowM3h, head_m: point.headM, power_kw: point.powerKw, ...(point.flowM3h > 0 && { efficiency_pct: point.efficiencyPct }) })),
  });
  const verdict = Object.values(outcome.result.verdicts).includes('fail') ? 'fail' : 'pass';
  return { points, acceptance: outcome.result, verdict, reason: reasonOf(outcome.result), working: [...(duties[Math.min(4, duties.length - 1)]?.working ?? []), ...outcome.working], warnings: outcome.warnings.map((warning) => warning.sentence) };
}
