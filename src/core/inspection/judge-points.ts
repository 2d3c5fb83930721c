import { present } from '../present';
import { stepDecimals, limitsOf, sayLimits, type Family, type FamilyPoint, type PointLimits } from '../family';
import { placeKey, type Phase, type Reading } from '../record';
import { remembered } from '../remembered';
import {
  bearingBoreLowerUm,
  reckonReadings,
  reckonRunningClearance,
  show,
  SumRefusal,
  verdictWords,
  type ReadingsResult,
  type WorkingStep,
} from '../sums';
import { writeLimits } from '../units';
import { judgeQuantity, type JudgedQuantity } from './judge-quantity';

/** To-scale data of a limit strip, all in the unit of the point (clearances in mm, too). */
export interface Strip {
  readonly low: number;
  readonly high: number;
  readonly newBand: readonly [number, number];
  readonly reuseBand: readonly [number, number];
  readonly ticks: readonly number[];
  readonly worst: number | null;
  readonly uncertainty: number;
}

export type PointVerdict = ReadingsResult['verdict'] | 'tight';

/** One point of inspection as it stands: what was read, what follows, and why. */
export interface PointState {
  readonly point: FamilyPoint;
  readonly taken: number;
  readonly wanted: number;
  readonly verdict: PointVerdict | null;
  readonly words: string;
  readonly reason: string;
  /** In the unit of the point. */
  readonly worst: number | null;
  readonly strip: Strip | null;
  readonly working: readonly WorkingStep[];
}

interface Asked {
  readonly family: Family;
  readonly readings: readonly Reading[];
  readonly phase: Phase;
}

const wordsFor = (verdict: PointVerdict) => (verdict === 'tight' ? 'tight' : verdictWords[verdict]);

function stripOf(
  newBand: readonly [number, number],
  reuseBand: readonly [number, number],
  values: { ticks: readonly number[]; worst: number | null; uncertainty: number },
): Strip {
  const all = [...newBand, ...reuseBand, ...values.ticks];
  const pad = (Math.max(...all) - Math.min(...all)) * 0.15 || 0.01;
  return { low: Math.min(...all) - pad, high: Math.max(...all) + pad, newBand, reuseBand, ...values };
}

function reasonFor(point: FamilyPoint, result: ReadingsResult): string {
  const digits = stepDecimals(point.resolution_mm);
  const low = point.reuse_mm?.min;
  const high = point.reuse_mm?.max;
  const worst = result.worst_mm.toFixed(digits + 1).replace(/0$/, '');
  const limits = [
    low !== undefined && `from ${writeLimits([low], digits).join('')}`,
    high !== undefined && `to ${writeLimits([high], digits).join('')}`,
  ]
    .filter(Boolean)
    .join(' ');
  if (result.verdict === 'new') return `${worst} mm lies within the new limits`;
  if (result.verdict === 'out') return `${worst} mm is past the limit for reuse (${limits || 'the new limits'})`;
  const used = `${show(result.wear_used_pct, 0)} % of the wear allowance is used`;
  return result.verdict === 'near'
    ? `${worst} mm is nearer to the limit (${limits}) than the gauge’s uncertainty; ${used}`
    : `${worst} mm: ${used}`;
}

/** For a bearing seat, the interference that the actual seat gives with a bearing bore of the normal class. */
function bearingStep(point: FamilyPoint, values: readonly number[]): readonly WorkingStep[] {
  if (!point.seat?.bearing || !point.seat.shaft) return [];
  const lower = bearingBoreLowerUm(point.seat.nominal_mm);
  const um = (mm: number) => (mm - present(point.seat).nominal_mm) * 1000;
  const least = um(Math.min(...values));
  const most = um(Math.max(...values)) - lower;
  return [
    {
      what: 'Bearing on this seat',
      formula: 'seat − bearing bore, normal class',
      put: `seat ${show(um(Math.min(...values)), 1)} to ${show(um(Math.max(...values)), 1)} µm, bore ${show(lower, 0)} to 0 µm on ${point.seat.nominal_mm} mm`,
      outcome:
        least >= 0 ? `interference ${show(least, 1)} to ${show(most, 1)} µm` : `may be loose by ${show(-least, 1)} µm`,
      source: 'ISO 492, normal class',
    },
  ];
}

type Judged = Omit<PointState, 'point' | 'taken' | 'wanted'>;
type Band = readonly [number, number];
type OpenBand = PointLimits['asNew'];

const stillToDo = (newBand: Band, reuseBand: Band, reason: string): Judged => ({
  verdict: null,
  words: 'to do',
  reason,
  worst: null,
  working: [],
  strip: stripOf(newBand, reuseBand, { ticks: [], worst: null, uncertainty: 0 }),
});

/** The largest uncertainty of the instruments that readings were taken with, in the unit of the point. */
function uncertaintyOf(own: readonly Reading[]): number | undefined {
  const known = own.flatMap(({ uncertainty }) => (uncertainty === null ? [] : [uncertainty]));
  return known.length ? Math.max(...known) : undefined;
}

/** The band of a strip: an open end lies a little past everything that is shown. */
function closedBand({ min, max }: OpenBand, [low, high]: Band): Band {
  return [min ?? low, max ?? high];
}

function stripOfQuantity(
  values: readonly number[],
  { asNew, reuse }: PointLimits,
  worst: number | null,
  doubt: number,
) {
  const ends = [asNew.min, asNew.max, reuse.min, reuse.max, ...values].filter((end) => end !== undefined);
  const [least, most] = [Math.min(...ends), Math.max(...ends)];
  const room = (most - least || Math.abs(most) || 1) * 0.3;
  const edges: Band = [least - room, most + room];
  const newBand = closedBand(asNew, edges);
  return stripOf(newBand, closedBand(reuse, edges), { ticks: values, worst, uncertainty: doubt });
}

function quantityReason(point: FamilyPoint, { verdict, worst }: JudgedQuantity): string {
  const { asNew, reuse } = sayLimits(point);
  const { decimals, unit } = limitsOf(point);
  const value = `${Number(worst.toFixed(decimals + 1))} ${unit === 'count' ? '' : unit}`.trim();
  if (verdict === 'new') return `${value} lies within the new limits (${asNew})`;
  if (verdict === 'out') return `${value} is past the limit for reuse (${reuse})`;
  return verdict === 'near'
    ? `${value} is nearer to the limit (${reuse}) than the uncertainty of the instrument`
    : `${value} is no longer as new (${asNew}) and within the limit for reuse (${reuse})`;
}

function judgeLimits(point: FamilyPoint, own: readonly Reading[]): Judged {
  const limits = limitsOf(point);
  const values = own.map((reading) => reading.value);
  if (!values.length) return { ...stillToDo([0, 0], [0, 0], ''), strip: stripOfQuantity([], limits, null, 0) };
  const uncertainty = (point.critical ? uncertaintyOf(own) : 0) ?? 0;
  const judged = judgeQuantity(values, limits, uncertainty);
  const { asNew, reuse } = sayLimits(point);
  return {
    verdict: judged.verdict,
    words: wordsFor(judged.verdict),
    reason: quantityReason(point, judged),
    worst: judged.worst,
    working: [
      { what: 'New', outcome: asNew },
      { what: 'For reuse', outcome: reuse },
      { what: 'The reading that decides', outcome: `${judged.worst} ${limits.unit}` },
      { what: 'Limits', outcome: point.source },
    ],
    strip: stripOfQuantity(values, limits, judged.worst, uncertainty),
  };
}

function judgeSize(point: FamilyPoint, own: readonly Reading[]): Judged {
  const newBand = [present(point.new_mm).min, present(point.new_mm).max] as const;
  const reuseBand = [point.reuse_mm?.min ?? newBand[0], point.reuse_mm?.max ?? newBand[1]] as const;
  const uncertainty = uncertaintyOf(own);
  const values = own.map((reading) => reading.value);
  if (!values.length) return stillToDo(newBand, reuseBand, '');
  const { result, working } = reckonReadings({
    new_mm: present(point.new_mm),
    reuse_mm: point.reuse_mm ?? {},
    readings: own.map((reading) => ({
      plane: present(reading.place.split(':')[0]),
      angle_deg: Number(reading.place.split(':')[1] ?? 0),
      value_mm: reading.value,
    })),
    ...((point.guard ?? point.critical) &&
      uncertainty !== undefined && { uncertainty_um: uncertainty * 1000, guard: true }),
  });
  return {
    verdict: result.verdict,
    words: wordsFor(result.verdict),
    reason: reasonFor(point, result),
    worst: result.worst_mm,
    working: [...working, ...bearingStep(point, values), { what: 'Limits', outcome: point.source }],
    strip: stripOf(newBand, reuseBand, {
      ticks: values,
      worst: result.worst_mm,
      uncertainty: uncertainty ?? 0,
    }),
  };
}

function judgeClearance(point: FamilyPoint, readings: readonly Reading[]): Judged {
  const derived = present(point.derived);
  const of = (id: string) => readings.filter((reading) => reading.pointId === id).map((reading) => reading.value);
  const bores = of(derived.bore);
  const journals = of(derived.journal);
  const newBand = [derived.design_um.min / 1000, derived.design_um.max / 1000] as const;
  const reuseBand = [newBand[0], derived.limit_um / 1000] as const;
  if (!bores.length || !journals.length) return stillToDo(newBand, reuseBand, 'follows from the two parts');
  const { result, working } = reckonRunningClearance({
    bore_mm: bores,
    journal_mm: journals,
    design_um: derived.design_um,
    limit_um: derived.limit_um,
  });
  const worst = result.verdict === 'tight' ? result.min_um : result.max_um;
  const ratio = `${show(result.ratio_to_design, 1)} × the designed clearance`;
  const reasons = {
    new: `${show(worst / 1000, 2)} mm is as designed`,
    reuse: `${show(worst / 1000, 2)} mm, ${ratio}`,
    tight: `${show(worst / 1000, 2)} mm is less than designed: it may rub`,
    out: `${show(worst / 1000, 2)} mm is past ${show(derived.limit_um / 1000, 2)} mm, ${ratio}`,
  };
  return {
    verdict: result.verdict,
    words: wordsFor(result.verdict),
    reason: reasons[result.verdict],
    worst: worst / 1000,
    working: [...working, { what: 'Limits', outcome: point.source }],
    strip: stripOf(newBand, reuseBand, {
      ticks: [result.min_um / 1000, result.max_um / 1000],
      worst: worst / 1000,
      uncertainty: 0,
    }),
  };
}

/**
 * Judges one point from the readings of a phase: verdict, reason in a sentence, strip to scale and working.
 * A point with no reading yet is "to do". Source of limits: the family file.
 */
export function judgePoint(point: FamilyPoint, { readings, phase }: Omit<Asked, 'family'>): PointState {
  const ofPhase = readings.filter((reading) => reading.phase === phase);
  const own = ofPhase.filter((reading) => reading.pointId === point.id);
  const places = new Set(point.places.map(placeKey));
  const base = { point, taken: own.filter((reading) => places.has(reading.place)).length, wanted: point.places.length };
  try {
    if (point.derived) return { ...base, ...judgeClearance(point, ofPhase) };
    return { ...base, ...(point.limits ? judgeLimits(point, own) : judgeSize(point, own)) };
  } catch (error) {
    if (!(error instanceof SumRefusal)) throw error;
    return {
      ...base,
      verdict: null,
      words: 'cannot be judged',
      reason: error.message,
      worst: null,
      strip: null,
      working: [],
    };
  }
}

interface JudgedPoint {
  readonly readings: readonly Reading[];
  readonly state: PointState;
}
/** What was judged last of a point in a phase, and from which readings. */
const judgedLast = new WeakMap<FamilyPoint, Map<Phase, JudgedPoint>>();

/** A point whose readings are the same ones is judged as it was: of a sheet one reading at a time is another. */
function judgeOnce(point: FamilyPoint, readings: readonly Reading[], phase: Phase): PointState {
  const byPhase = judgedLast.get(point) ?? new Map<Phase, JudgedPoint>();
  const last = byPhase.get(phase);
  if (last?.readings.length === readings.length && readings.every((one, i) => one === last.readings[i]))
    return last.state;
  const state = judgePoint(point, { readings, phase });
  judgedLast.set(point, byPhase.set(phase, { readings, state }));
  return state;
}

/** Gates, standing, sheet and scope ask for the same. */
const judged = remembered(
  (readings: readonly Reading[], points: Family['points'], phase: Phase): readonly PointState[] => {
    const byPoint = new Map<string, Reading[]>();
    for (const reading of readings.filter((one) => one.phase === phase))
      byPoint.set(reading.pointId, [...(byPoint.get(reading.pointId) ?? []), reading]);
    const of = (ids: readonly string[]) => ids.flatMap((id) => byPoint.get(id) ?? []);
    return points
      .filter((point) => point.measured.includes(phase))
      .map((point) =>
        judgeOnce(point, of(point.derived ? [point.derived.bore, point.derived.journal] : [point.id]), phase),
      );
  },
);

/** All points that are measured in a phase, in the family's order. */
export function judgePoints({ family, readings, phase }: Asked): readonly PointState[] {
  return judged(readings, family.points, phase);
}
