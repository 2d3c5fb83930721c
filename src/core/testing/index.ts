import { present } from '../present';
import type { JudgedRun, SlipAtJob } from './judged-run';
import { judgePower as reckonPower } from './judge-power';
import type { Family } from '../family';
import type { Guarantee, StandReading } from '../record';
import {
  fitPolynomial,
  reckonAcceptance,
  reckonDuty,
  reckonPdSlip,
  show,
  SumRefusal,
  type AcceptanceResult,
  type WorkingStep,
} from '../sums';

export type { CurvePoint, JudgedRun, PowerResult, SlipAtJob, SlipResult } from './judged-run';

/** One stand reading as duty at the rated speed. Source: ISO 9906:2012, 6.1. */
function dutyAtRatedSpeed(reading: StandReading, family: Family, ratedSpeedRpm: number) {
  const outcome = reckonDuty({
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
  const rated = present(outcome.result.at_rated_speed);
  return {
    point: {
      flowM3h: rated.flow_m3h,
      headM: Math.max(0, rated.head_m),
      powerKw: present(rated.power_kw),
      efficiencyPct: Math.min(100, Math.max(0, present(outcome.result.efficiency_pct))),
    },
    working: outcome.working,
  };
}

function reasonOf(result: AcceptanceResult): string {
  const signed = (pct: number) => `${pct >= 0 ? '+' : '−'}${Math.abs(pct).toFixed(1)} %`;
  const failed = (['flow_head', 'efficiency', 'power'] as const)
    .filter((key) => result.verdicts[key] === 'fail')
    .map((key) => ({ flow_head: 'flow and head', efficiency: 'efficiency', power: 'power' })[key]);
  const head = `head ${signed(result.head_deviation_pct)} at the guaranteed flow${result.flow_deviation_pct === null ? ', the guaranteed head is not reached' : `, flow ${signed(result.flow_deviation_pct)} at the guaranteed head`}`;
  return failed.length
    ? `Outside the tolerance in ${failed.join(' and ')}: ${head}.`
    : `Within the tolerance: ${head}.`;
}

const kpaOf = (headM: number, density: number) => (density * 9.80665 * headM) / 1000;

/** Flow that may lack against the guaranteed one, in per cent: the shop's own figure, no standard's. */
const flowTolerancePct = 5;

/** Viscosities further apart than this give an order of size and no figure: the shop's own bound. */
const trustedRatio = 10;

function viscosityOf(readings: readonly StandReading[]): number | undefined {
  const known = readings.flatMap(({ viscosityMm2S }) => viscosityMm2S ?? []);
  return known.length === readings.length ? known.reduce((sum, one) => sum + one, 0) / known.length : undefined;
}

function slipAtJob(outcome: SlipOutcome, testMm2S: number | undefined, jobMm2S: number | undefined): SlipAtJob | null {
  const { other_slip_m3h: slipM3h, other_flow_m3h: flowM3h } = outcome.result;
  if (testMm2S === undefined || jobMm2S === undefined || slipM3h === undefined || flowM3h === undefined) return null;
  return { testMm2S, jobMm2S, slipM3h, flowM3h };
}

/**
 * Judges the slip of a positive-displacement pump: a straight line through flow over pressure, read at the duty's
 * pressure, against the least volumetric efficiency of the family and the guaranteed flow less five per cent. Where the
 * viscosities of the stand's liquid and of the job's are known, the slip is brought to the job's; of a liquid thinner
 * than the stand's the guaranteed flow must arrive too.
 */
function judgeSlip({ family, guarantee, readings }: Asked): JudgedRun {
  const duties = readings.map((reading) => dutyAtRatedSpeed(reading, family, guarantee.speedRpm));
  const points = duties.map((one) => one.point);
  const density = readings[0]?.densityKgM3 ?? 998.2;
  // Flow goes with speed; the pressure is what the valve sets, whatever the speed.
  const pressures = readings.map((reading) => reading.dischargeKpa - reading.suctionKpa);
  const fitted = fitPolynomial(
    pressures,
    points.map((point) => point.flowM3h),
    1,
  );
  if (!fitted) throw new SumRefusal('points', 'the flow was read at fewer than two pressures');
  const [zero, slope] = [present(fitted[0]), present(fitted[1])];
  const dutyKpa = kpaOf(guarantee.headM, density);
  const flow = zero + slope * dutyKpa;
  const least = present(family.test.least_volumetric_pct);
  const [testMm2S, jobMm2S] = [viscosityOf(readings), guarantee.viscosityMm2S];
  const isKnown = testMm2S !== undefined && jobMm2S !== undefined;
  const outcome = reckonPdSlip({
    displacement_cm3: present(family.test.displacement_cm3),
    speed_rpm: guarantee.speedRpm,
    flow_m3h: Math.max(0, flow),
    pressure_kpa: dutyKpa,
    least_efficiency_pct: least,
    ...(isKnown && { viscosity_mm2_s: testMm2S, other: { pressure_kpa: dutyKpa, viscosity_mm2_s: jobMm2S } }),
  });
  const reckoned = {
    ...{ zero, slope, density, dutyKpa, flow, pressures, guarantee, least },
    atJob: slipAtJob(outcome, testMm2S, jobMm2S),
    theoretical: outcome.result.theoretical_m3h,
    volumetric: outcome.result.volumetric_efficiency_pct,
    leastM3h: Math.max(
      (outcome.result.theoretical_m3h * least) / 100,
      guarantee.flowM3h * (1 - flowTolerancePct / 100),
    ),
  };
  return { points, acceptance: null, power: null, ...saySlip(reckoned, outcome) };
}

interface ReckonedSlip {
  /** Flow at no pressure, and its change by kPa. */
  readonly zero: number;
  readonly slope: number;
  /** kg/m³ */
  readonly density: number;
  readonly dutyKpa: number;
  /** Flow at the duty's pressure, m³/h. */
  readonly flow: number;
  readonly pressures: readonly number[];
  readonly guarantee: Guarantee;
  /** Least volumetric efficiency, percent. */
  readonly least: number;
  readonly theoretical: number;
  readonly volumetric: number;
  readonly leastM3h: number;
  readonly atJob: SlipAtJob | null;
}
type SlipOutcome = ReturnType<typeof reckonPdSlip>;

function slipWorking(slip: ReckonedSlip, outcome: SlipOutcome): readonly WorkingStep[] {
  const { zero, slope, density, dutyKpa, guarantee, least, theoretical, leastM3h } = slip;
  return [
    {
      what: 'Flow over pressure',
      formula: 'straight line, least squares',
      put: `${slip.pressures.length} points`,
      outcome: `Q = ${show(zero, 3)} ${slope < 0 ? '−' : '+'} ${show(Math.abs(slope) * 100, 4)} m³/h per 100 kPa`,
    },
    {
      what: 'Pressure of the duty',
      formula: 'ρ·g·H',
      put: `${show(density, 1)} · 9.80665 · ${show(guarantee.headM, 2)}`,
      outcome: `${show(dutyKpa, 1)} kPa`,
    },
    ...outcome.working,
    {
      what: 'Asked for',
      put: `${show(least)} % of ${show(theoretical, 3)} m³/h, and the guarantee ${show(guarantee.flowM3h, 2)} less ${flowTolerancePct} %`,
      outcome: `${show(leastM3h, 3)} m³/h`,
      source: 'family; shop’s own tolerance',
    },
  ];
}

/** Whether a liquid thinner than the stand's leaves less than the guaranteed flow. */
const isTooThin = ({ atJob, guarantee }: ReckonedSlip) =>
  atJob !== null &&
  atJob.jobMm2S < atJob.testMm2S &&
  atJob.flowM3h < guarantee.flowM3h * (1 - flowTolerancePct / 100) - 1e-9;

function sayAtJob({ atJob }: ReckonedSlip): string {
  if (!atJob) return '';
  const { jobMm2S, testMm2S, flowM3h } = atJob;
  return ` Of the job’s liquid (${show(jobMm2S, 1)} mm²/s, at the stand ${show(testMm2S, 1)}) about ${show(flowM3h, 2)} m³/h are to be expected.`;
}

function slipWarnings({ slope, atJob }: ReckonedSlip): readonly string[] {
  const ratio = atJob ? Math.max(atJob.jobMm2S / atJob.testMm2S, atJob.testMm2S / atJob.jobMm2S) : 1;
  return [
    ...(slope > 0 ? ['The flow grows with the pressure: a gauge or the speed was not steady.'] : []),
    ...(ratio > trustedRatio
      ? [
          `The liquid of the job and that of the stand differ in viscosity by a factor of ${show(ratio, 0)}: what is to be expected of the job’s is an order of size.`,
        ]
      : []),
  ];
}

function saySlip(slip: ReckonedSlip, outcome: SlipOutcome): Omit<JudgedRun, 'points' | 'acceptance' | 'power'> {
  const { flow, dutyKpa, volumetric, leastM3h, atJob } = slip;
  const isEnough = flow >= leastM3h - 1e-9;
  const lacking = !isEnough ? 'Too little: ' : isTooThin(slip) ? 'Too little of the job’s liquid: ' : '';
  const verdict = lacking ? 'fail' : 'pass';
  const said = `${show(flow, 2)} m³/h arrive at ${show(dutyKpa, 0)} kPa, ${show(volumetric, 1)} % of what the turns move`;
  return {
    slip: {
      ...{ leastM3h, dutyKpa, atJob },
      theoreticalM3h: slip.theoretical,
      flowAtDutyM3h: flow,
      volumetricPct: volumetric,
      line: [slip.zero, slip.slope],
      pressuresKpa: slip.pressures,
    },
    verdict,
    reason: `${lacking}${said}; ${show(leastM3h, 2)} m³/h are asked for.${sayAtJob(slip)}`,
    working: slipWorking(slip, outcome),
    warnings: [...outcome.warnings.map((warning) => warning.sentence), ...slipWarnings(slip)],
  };
}

/** How often a run without a curve is read, one after the other at the same duty. */
const powerReadings = 5;

/** Shares of the guaranteed flow at which a run is read. */
export const flowSharesOf = ({ kind, flow_shares }: Pick<Family['test'], 'kind' | 'flow_shares'>): readonly number[] =>
  kind === 'power' ? Array.from({ length: powerReadings }, () => 1) : flow_shares;

interface Asked {
  readonly family: Family;
  readonly guarantee: Guarantee;
  readonly readings: readonly StandReading[];
}

/**
 * Judges a run of the stand by the family's own test: a curve by ISO 9906, the slip of a displacement pump, or the
 * power that a mixer takes. Throws
 * SumRefusal where the points make no curve.
 */
export function judgeRun(asked: Asked): JudgedRun {
  const { kind } = asked.family.test;
  return kind === 'slip' ? judgeSlip(asked) : kind === 'power' ? judgePower(asked) : judgeCurve(asked);
}

/** Of a mixer the readings are kept as points, though their flow and head say nothing of it. */
function judgePower({ family, guarantee, readings }: Asked): JudgedRun {
  const points = readings.map((reading) => dutyAtRatedSpeed(reading, family, guarantee.speedRpm).point);
  return { points, ...reckonPower(guarantee, readings) };
}

/**
 * Judges a run of the stand: duty of each point at the rated speed, then acceptance by the family's grade.
 * Source: ISO 9906:2012. Throws SumRefusal where the points make no curve.
 */
function judgeCurve({ family, guarantee, readings }: Asked): JudgedRun {
  const duties = readings.map((reading) => dutyAtRatedSpeed(reading, family, guarantee.speedRpm));
  const points = duties.map((one) => one.point);
  const outcome = reckonAcceptance({
    guarantee: {
      flow_m3h: guarantee.flowM3h,
      head_m: guarantee.headM,
      ...(guarantee.efficiencyPct !== undefined && { efficiency_pct: guarantee.efficiencyPct }),
      ...(guarantee.powerKw !== undefined && { power_kw: guarantee.powerKw }),
    },
    grade: family.test.grade,
    points: points.map((point) => ({
      flow_m3h: point.flowM3h,
      head_m: point.headM,
      power_kw: point.powerKw,
      ...(point.flowM3h > 0 && { efficiency_pct: point.efficiencyPct }),
    })),
  });
  const verdict = Object.values(outcome.result.verdicts).includes('fail') ? 'fail' : 'pass';
  return {
    points,
    acceptance: outcome.result,
    slip: null,
    power: null,
    verdict,
    reason: reasonOf(outcome.result),
    working: [...(duties[Math.min(4, duties.length - 1)]?.working ?? []), ...outcome.working],
    warnings: outcome.warnings.map((warning) => warning.sentence),
  };
}
