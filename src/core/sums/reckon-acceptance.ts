import { present } from '../present';
import { tolerancesFor, type gradeNames, type Tolerances } from './acceptance-grades';
import { inNumbers, show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';
import { evaluate, fitPolynomial, rootsWithin, type Polynomial } from './polynomial';

const gravity = 9.80665;

interface CurvePoint {
  readonly flow_m3h: number;
  readonly head_m: number;
  readonly power_kw?: number | undefined;
  readonly efficiency_pct?: number | undefined;
}

export interface AcceptanceInput {
  readonly guarantee: CurvePoint;
  readonly grade: (typeof gradeNames)[number];
  readonly points: readonly CurvePoint[];
}

type Verdict = 'pass' | 'fail';
interface Band {
  readonly min: number;
  readonly max: number;
}

export interface AcceptanceResult {
  /** Head in m over flow in m³/h, the lowest power first. */
  readonly curve: { readonly order: number; readonly coefficients: readonly number[] };
  readonly head_at_guaranteed_flow_m: number;
  readonly flow_at_guaranteed_head_m3h: number | null;
  readonly head_deviation_pct: number;
  readonly flow_deviation_pct: number | null;
  readonly efficiency_pct?: number | undefined;
  readonly power_kw?: number | undefined;
  readonly verdicts: {
    readonly flow_head: Verdict;
    readonly efficiency?: Verdict | undefined;
    readonly power?: Verdict | undefined;
  };
  readonly band: {
    readonly flow_m3h: Band;
    readonly head_m: Band;
    readonly efficiency_min_pct?: number | undefined;
    readonly power_max_kw?: number | undefined;
  };
}

function curveOf(
  points: AcceptanceInput['points'],
  valueOf: (p: AcceptanceInput['points'][number]) => number | undefined,
): Polynomial | null {
  const used = points.filter((p) => valueOf(p) !== undefined);
  const distinct = new Set(used.map((p) => p.flow_m3h)).size;
  if (distinct < 2) return null;
  const order = distinct === 2 ? 1 : distinct <= 4 ? 2 : 3;
  return fitPolynomial(
    used.map((p) => p.flow_m3h),
    used.map((p) => present(valueOf(p))),
    order,
  );
}

function nearest(places: readonly number[], to: number): number | null {
  return places.length
    ? places.reduce((best, place) => (Math.abs(place - to) < Math.abs(best - to) ? place : best))
    : null;
}

function isFalling(curve: Polynomial, upTo: number): boolean {
  const heads = Array.from({ length: 41 }, (_, i) => evaluate(curve, (upTo * i) / 40));
  return heads.every((head, i) => i === 0 || head <= present(heads[i - 1]) + 1e-9);
}

/**
 * The curve cuts or touches the cross: its head at the guaranteed flow, or its flow at the guaranteed head, lies in
 * tolerance.
 */
function cutsCross(deviations: { readonly head: number; readonly flow: number | null }, t: Tolerances): boolean {
  const crumbs = 1e-9;
  const inHead = deviations.head >= t.headLowPct - crumbs && deviations.head <= t.headHighPct + crumbs;
  return (
    inHead ||
    (deviations.flow !== null && deviations.flow >= t.flowLowPct - crumbs && deviations.flow <= t.flowHighPct + crumbs)
  );
}

/** Efficiency and power where the curve meets the line from the origin through the guarantee point. */
function readOnLine(given: AcceptanceInput, curve: Polynomial, upTo: number) {
  const slope = given.guarantee.head_m / given.guarantee.flow_m3h;
  const flow = nearest(
    rootsWithin((q) => evaluate(curve, q) - slope * q, 0, upTo),
    given.guarantee.flow_m3h,
  );
  const powerCurve = curveOf(given.points, (p) => p.power_kw);
  const efficiencyCurve = curveOf(given.points, (p) => p.efficiency_pct);
  if (flow === null) return { flow };
  const power = powerCurve ? evaluate(powerCurve, flow) : undefined;
  const water = power === undefined ? undefined : (998.2 * gravity * (flow / 3600) * slope * flow) / 1000;
  const efficiency = efficiencyCurve
    ? evaluate(efficiencyCurve, flow)
    : water !== undefined && present(power) > 0
      ? (100 * water) / present(power)
      : undefined;
  return { flow, power, efficiency, fromWater: !efficiencyCurve && efficiency !== undefined };
}

/**
 * Acceptance of a measured curve against a guarantee. Flows in m³/h, heads in m, powers in kW. Throws SumRefusal where
 * the points make no curve. Source: ISO 9906:2012, clauses 4.4 and 6.3.
 */
export function reckonAcceptance(given: AcceptanceInput): Outcome<AcceptanceResult> {
  const read = readCurve(given);
  const judged = judgeCurve(given, read);
  return inNumbers({
    result: resultOf(read, judged),
    working: workingOf(given, read, judged),
    warnings: warningsOf(given, read),
  });
}

/** What the fitted curve says of the guarantee. */
function readCurve(given: AcceptanceInput) {
  const { guarantee } = given;
  const curve = curveOf(given.points, (p) => p.head_m);
  if (!curve) throw new SumRefusal('points', 'the points share one flow; two different flows are the least');
  const { tolerance, source } = tolerancesFor(given.grade, guarantee.power_kw);
  const farthest = Math.max(
    guarantee.flow_m3h * (1 + tolerance.flowHighPct / 100),
    ...given.points.map((p) => p.flow_m3h),
  );
  const upTo = 1.3 * farthest;
  const head = evaluate(curve, guarantee.flow_m3h);
  const flow = nearest(exactRoots(curve, guarantee, upTo), guarantee.flow_m3h);
  return {
    ...{ curve, tolerance, source, head, flow, line: readOnLine(given, curve, upTo) },
    headDeviation: (100 * (head - guarantee.head_m)) / guarantee.head_m,
    flowDeviation: flow === null ? null : (100 * (flow - guarantee.flow_m3h)) / guarantee.flow_m3h,
  };
}
type Read = ReturnType<typeof readCurve>;

/** Whether a figure is on the right side of its limit; undefined where either is not there. */
function verdictOf(figure: number | undefined, limit: number | undefined, side: 'least' | 'most'): Verdict | undefined {
  if (figure === undefined || limit === undefined) return undefined;
  const isWithin = side === 'least' ? figure >= limit - 1e-9 : figure <= limit + 1e-9;
  return isWithin ? 'pass' : 'fail';
}

function judgeCurve({ guarantee }: AcceptanceInput, { tolerance: t, line, headDeviation, flowDeviation }: Read) {
  const by = (value: number, pct: number) => value * (1 + pct / 100);
  const { flow_m3h: flow, head_m: head, efficiency_pct: efficiency, power_kw: power } = guarantee;
  const least = efficiency === undefined ? undefined : by(efficiency, t.efficiencyPct);
  const most = power === undefined ? undefined : by(power, t.powerPct);
  const passed = cutsCross({ head: headDeviation, flow: flowDeviation }, t);
  const flowHead: Verdict = passed ? 'pass' : 'fail';
  return {
    ...{ least, most, flowHead },
    efficiency: verdictOf(line.efficiency, least, 'least'),
    power: verdictOf(line.power, most, 'most'),
    band: {
      flow_m3h: { min: by(flow, t.flowLowPct), max: by(flow, t.flowHighPct) },
      head_m: { min: by(head, t.headLowPct), max: by(head, t.headHighPct) },
      ...(least !== undefined && { efficiency_min_pct: least }),
      ...(most !== undefined && { power_max_kw: most }),
    },
  };
}
type Judged = ReturnType<typeof judgeCurve>;

function resultOf({ curve, head, flow, line, headDeviation, flowDeviation }: Read, judged: Judged): AcceptanceResult {
  return {
    curve: { order: curve.length - 1, coefficients: [...curve] },
    head_at_guaranteed_flow_m: head,
    flow_at_guaranteed_head_m3h: flow,
    head_deviation_pct: headDeviation,
    flow_deviation_pct: flowDeviation,
    ...(line.efficiency !== undefined && { efficiency_pct: line.efficiency }),
    ...(line.power !== undefined && { power_kw: line.power }),
    verdicts: {
      flow_head: judged.flowHead,
      ...(judged.efficiency && { efficiency: judged.efficiency }),
      ...(judged.power && { power: judged.power }),
    },
    band: judged.band,
  };
}

const sayCurve = (curve: Polynomial) =>
  curve
    .map((c, i) => `${c >= 0 && i > 0 ? '+' : ''}${c.toPrecision(4)}${i ? `·Q${i > 1 ? `^${i}` : ''}` : ''}`)
    .join(' ');

function curveWorking({ points, guarantee }: AcceptanceInput, read: Read): readonly WorkingStep[] {
  const { curve, head, flow, headDeviation, flowDeviation } = read;
  const [wantedFlow, wantedHead] = [show(guarantee.flow_m3h, 2), show(guarantee.head_m, 2)];
  return [
    {
      what: 'Curve',
      formula: `least squares, order ${curve.length - 1}`,
      put: `${points.length} points`,
      outcome: sayCurve(curve),
    },
    {
      what: 'Head at the guaranteed flow',
      put: `Q ${wantedFlow} m³/h`,
      outcome: `${show(head, 2)} m, ${show(headDeviation, 1)} % from ${wantedHead} m`,
    },
    {
      what: 'Flow at the guaranteed head',
      put: `H ${wantedHead} m`,
      outcome:
        flow === null || flowDeviation === null
          ? 'the curve does not reach it'
          : `${show(flow, 2)} m³/h, ${show(flowDeviation, 1)} % from ${wantedFlow} m³/h`,
    },
  ];
}

function toleranceStep({ tolerance: t, source }: Read, { band }: Judged): WorkingStep {
  const { flow_m3h: flow, head_m: head } = band;
  return {
    what: 'Tolerances',
    put: `flow ${show(t.flowLowPct)} / +${show(t.flowHighPct)} %, head ${show(t.headLowPct)} / +${show(t.headHighPct)} %`,
    outcome: `${show(flow.min, 2)} to ${show(flow.max, 2)} m³/h, ${show(head.min, 2)} to ${show(head.max, 2)} m`,
    source,
  };
}

function workingOf(given: AcceptanceInput, read: Read, judged: Judged): readonly WorkingStep[] {
  const { tolerance: t, source, line } = read;
  const { least, most } = judged;
  return [
    ...curveWorking(given, read),
    toleranceStep(read, judged),
    { what: 'Flow and head', formula: 'the curve cuts or touches the cross', outcome: judged.flowHead },
    ...(judged.efficiency
      ? [
          {
            what: 'Efficiency',
            put: `at least ${show(present(least), 1)} % (${show(t.efficiencyPct, 1)} %)`,
            outcome: `${show(present(line.efficiency), 1)} %: ${judged.efficiency}`,
            source,
          },
        ]
      : []),
    ...(judged.power
      ? [
          {
            what: 'Power',
            put: `at most ${show(present(most), 2)} kW (+${show(t.powerPct, 1)} %)`,
            outcome: `${show(present(line.power), 2)} kW: ${judged.power}`,
            source,
          },
        ]
      : []),
  ];
}

const notFalling = {
  code: 'not-falling',
  sentence: 'The fitted curve is not falling over its whole length; look at the points before relying on it.',
};
const extrapolated = {
  code: 'extrapolated',
  sentence: 'All points lie on one side of the guaranteed flow; the values are extrapolated.',
};
const efficiencyOfWater = {
  code: 'efficiency-of-water',
  sentence: 'Efficiency is reckoned from the power with water of 998.2 kg/m³.',
};
const under1Kw = {
  code: 'under-1-kw',
  sentence: 'Below 1 kW the tolerances should be agreed between the parties.',
};

function warningsOf({ points, guarantee }: AcceptanceInput, { curve, line }: Read): readonly Warning[] {
  const flows = points.map((p) => p.flow_m3h);
  const isOneSided =
    flows.every((flow) => flow < guarantee.flow_m3h) || flows.every((flow) => flow > guarantee.flow_m3h);
  const isSmall = guarantee.power_kw !== undefined && guarantee.power_kw < 1;
  return [
    ...(isFalling(curve, Math.max(...flows)) ? [] : [notFalling]),
    ...(isOneSided ? [extrapolated] : []),
    ...(line.fromWater ? [efficiencyOfWater] : []),
    ...(isSmall ? [under1Kw] : []),
  ];
}

/**
 * Flows at which the curve has the guaranteed head; the guaranteed flow itself is tried first so that an exact hit
 * stays exact.
 */
function exactRoots(curve: Polynomial, guarantee: AcceptanceInput['guarantee'], upTo: number): number[] {
  if (Math.abs(evaluate(curve, guarantee.flow_m3h) - guarantee.head_m) < 1e-9 * guarantee.head_m)
    return [guarantee.flow_m3h];
  return rootsWithin((q) => evaluate(curve, q) - guarantee.head_m, 0, upTo);
}
