import { meanOf, show, SumRefusal, type Outcome, type WorkingStep } from './notebook';

export interface ReadingsInput {
  readonly new_mm: { readonly min: number; readonly max: number };
  readonly reuse_mm: { readonly min?: number | undefined; readonly max?: number | undefined };
  readonly readings: readonly { readonly plane: string; readonly angle_deg: number; readonly value_mm: number }[];
  /** Expanded uncertainty of the gauge, µm. */
  readonly uncertainty_um?: number | undefined;
  /** Whether that uncertainty is kept clear of the reuse limit. */
  readonly guard?: boolean | undefined;
}

export interface ReadingsResult {
  readonly count: number;
  readonly mean_mm: number;
  readonly min_mm: number;
  readonly max_mm: number;
  readonly out_of_round_um: number;
  readonly taper_um: number;
  readonly worst_mm: number;
  readonly wear_um: number;
  readonly wear_used_pct: number;
  readonly verdict: 'new' | 'reuse' | 'near' | 'out';
}

/** The four verdicts as they are said on screen and in the report. */
export const verdictWords: Readonly<Record<ReadingsResult['verdict'], string>> = {
  new: 'as new',
  reuse: 'reusable',
  near: 'near limit',
  out: 'out',
};

interface Side {
  /** Distance of the worst reading past the new limit of this side, mm; 0 inside. */
  readonly wear: number;
  /** Room from new limit to reuse limit on this side, mm. */
  readonly room: number;
  /** Distance left to the reuse limit, mm; negative when past it. */
  readonly left: number;
  readonly value: number;
}

const crumbs = 1e-9;
const asUm = (mm: number) => Number((mm * 1000).toFixed(6));

function sidesOf(given: ReadingsInput, min: number, max: number): readonly [Side, Side] {
  const low = given.reuse_mm.min ?? given.new_mm.min;
  const high = given.reuse_mm.max ?? given.new_mm.max;
  return [
    { wear: Math.max(0, given.new_mm.min - min), room: given.new_mm.min - low, left: min - low, value: min },
    { wear: Math.max(0, max - given.new_mm.max), room: high - given.new_mm.max, left: high - max, value: max },
  ];
}

function planeMeans(readings: ReadingsInput['readings']): { means: number[]; outOfRound: number } {
  const planes = new Map<string, number[]>();
  for (const { plane, value_mm } of readings) planes.set(plane, [...(planes.get(plane) ?? []), value_mm]);
  const groups = [...planes.values()];
  return {
    means: groups.map(meanOf),
    outOfRound: Math.max(...groups.map((group) => Math.max(...group) - Math.min(...group))),
  };
}

/**
 * The side that decides: past its limit first, else the larger share of its allowance used, else nearer to its limit.
 */
function worstSide(low: Side, high: Side): Side {
  if (low.left < -crumbs || high.left < -crumbs) return low.left < high.left ? low : high;
  const share = (side: Side) => (side.wear <= crumbs ? 0 : side.room > 0 ? side.wear / side.room : Infinity);
  if (share(low) !== share(high)) return share(low) > share(high) ? low : high;
  if (low.room <= crumbs !== high.room <= crumbs) return low.room <= crumbs ? high : low;
  return low.left < high.left ? low : high;
}

function verdictOf(given: ReadingsInput, low: Side, high: Side): ReadingsResult['verdict'] {
  if (low.left < -crumbs || high.left < -crumbs) return 'out';
  if (low.wear <= crumbs && high.wear <= crumbs) return 'new';
  const band = (given.uncertainty_um ?? 0) / 1000;
  const isNear = (side: Side) => side.wear > crumbs && side.left < band - crumbs;
  return given.guard && (isNear(low) || isNear(high)) ? 'near' : 'reuse';
}

function refuseCrossedLimits({ new_mm, reuse_mm, guard, uncertainty_um }: ReadingsInput): void {
  if (reuse_mm.min !== undefined && reuse_mm.min > new_mm.min)
    throw new SumRefusal(
      'reuse_mm.min',
      `the lower reuse limit ${reuse_mm.min} lies above the lower new limit ${new_mm.min}`,
    );
  if (reuse_mm.max !== undefined && reuse_mm.max < new_mm.max)
    throw new SumRefusal(
      'reuse_mm.max',
      `the upper reuse limit ${reuse_mm.max} lies below the upper new limit ${new_mm.max}`,
    );
  if (guard && uncertainty_um === undefined)
    throw new SumRefusal('uncertainty_um', 'a guard band needs the uncertainty of the gauge');
}

/** What the readings say, and the side of the limits that decides. */
function measure(given: ReadingsInput) {
  const values = given.readings.map((reading) => reading.value_mm);
  const [min, max] = [Math.min(...values), Math.max(...values)];
  const { means, outOfRound } = planeMeans(given.readings);
  const [low, high] = sidesOf(given, min, max);
  const worst = worstSide(low, high);
  return {
    values,
    min,
    max,
    planes: means.length,
    outOfRoundUm: asUm(outOfRound),
    taperUm: asUm(Math.max(...means) - Math.min(...means)),
    worst,
    usedPct: worst.wear <= crumbs ? 0 : worst.room > 0 ? (100 * worst.wear) / worst.room : 100,
    limit: worst === low ? (given.reuse_mm.min ?? given.new_mm.min) : (given.reuse_mm.max ?? given.new_mm.max),
    verdict: verdictOf(given, low, high),
  };
}

function readingsWorking(given: ReadingsInput, measured: ReturnType<typeof measure>): readonly WorkingStep[] {
  const { values, min, max, outOfRoundUm, taperUm, worst, usedPct, limit, verdict } = measured;
  return [
    {
      what: 'Worst reading',
      formula: 'furthest towards or past the reuse limit',
      put: `${show(min, 4)} to ${show(max, 4)} mm, n = ${values.length}`,
      outcome: `${show(worst.value, 4)} mm`,
    },
    { what: 'Out of round', formula: 'largest difference within one plane', outcome: `${show(outOfRoundUm, 1)} µm` },
    { what: 'Taper', formula: 'largest difference between plane means', outcome: `${show(taperUm, 1)} µm` },
    {
      what: 'Wear',
      formula: 'past the nearer new limit',
      put: `new ${show(given.new_mm.min, 4)} to ${show(given.new_mm.max, 4)} mm`,
      outcome: `${show(asUm(worst.wear), 1)} µm`,
    },
    {
      what: 'Allowance used',
      formula: 'wear / (new limit to reuse limit)',
      put: `${show(asUm(worst.wear), 1)} / ${show(asUm(worst.room), 1)} µm`,
      outcome: `${show(usedPct, 0)} %`,
    },
    {
      what: 'Verdict',
      put: `reuse limit ${show(limit, 4)} mm${given.guard ? `, guard band ${show(given.uncertainty_um ?? 0, 1)} µm` : ''}`,
      outcome: verdictWords[verdict],
      ...(given.guard && { source: 'guard band after ISO 14253-1' }),
    },
  ];
}

const singleReading = {
  code: 'single-reading',
  sentence: 'One reading says nothing of roundness or taper; measure in two planes and two angles.',
};

/**
 * Judges the readings of one feature against its new and reuse limits.
 * Out of round: largest difference within a plane. Taper: largest difference between plane means. Wear: distance of the
 * worst reading past the nearer new limit; used: wear over the whole allowance from new limit to reuse limit.
 * Source: ISO 14253-1:2017 for the guard band; limits from the family file.
 */
export function reckonReadings(given: ReadingsInput): Outcome<ReadingsResult> {
  refuseCrossedLimits(given);
  const measured = measure(given);
  const { values, min, max, planes, outOfRoundUm, taperUm, worst, usedPct, verdict } = measured;
  return {
    result: {
      count: values.length,
      mean_mm: meanOf(values),
      min_mm: min,
      max_mm: max,
      out_of_round_um: outOfRoundUm,
      taper_um: taperUm,
      worst_mm: worst.value,
      wear_um: asUm(worst.wear),
      wear_used_pct: Number(usedPct.toFixed(9)),
      verdict,
    },
    working: readingsWorking(given, measured),
    warnings: planes > 1 || values.length > 1 ? [] : [singleReading],
  };
}
