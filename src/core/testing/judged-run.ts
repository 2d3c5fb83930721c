import type { AcceptanceResult, WorkingStep } from '../sums';

export interface CurvePoint {
  readonly flowM3h: number;
  readonly headM: number;
  readonly powerKw: number;
  readonly efficiencyPct: number;
}

/** Flow over pressure of a positive-displacement pump at its rated speed, in m³/h and kPa. */
export interface SlipResult {
  readonly theoreticalM3h: number;
  readonly leastM3h: number;
  readonly dutyKpa: number;
  readonly flowAtDutyM3h: number;
  readonly volumetricPct: number;
  /** Flow as a straight line of pressure: at no pressure, and change by kPa. */
  readonly line: readonly [number, number];
  readonly pressuresKpa: readonly number[];
  /** What is to be expected of the liquid that the pump is for; null where one of the two viscosities is not known. */
  readonly atJob: SlipAtJob | null;
}

/** Slip and flow at the duty's pressure, brought from the stand's liquid to the job's. */
export interface SlipAtJob {
  /** Of the stand's liquid and of the job's, mm²/s. */
  readonly testMm2S: number;
  readonly jobMm2S: number;
  readonly slipM3h: number;
  readonly flowM3h: number;
}

/** The shaft power of a run without a curve, at the rated speed, kW. */
export interface PowerResult {
  readonly meanKw: number;
  /** What may be taken; null where the plate says nothing. */
  readonly ratedKw: number | null;
  /** How far the readings lie apart, in per cent of their mean. */
  readonly spreadPct: number;
}

export interface JudgedRun {
  readonly points: readonly CurvePoint[];
  /** For a curve, by ISO 9906; null for a positive-displacement pump, which has `slip` instead. */
  readonly acceptance: AcceptanceResult | null;
  readonly slip: SlipResult | null;
  /** Of what has neither curve nor slip: the power that it takes. */
  readonly power: PowerResult | null;
  readonly verdict: 'pass' | 'fail';
  /** Why, in a sentence. */
  readonly reason: string;
  readonly working: readonly WorkingStep[];
  readonly warnings: readonly string[];
}
