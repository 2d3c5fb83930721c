import { present } from '../present';
import { meanOf, show, SumRefusal, type Outcome, type WorkingStep } from './notebook';

export interface RunningClearanceInput {
  readonly bore_mm: readonly number[];
  readonly journal_mm: readonly number[];
  /** Diametral clearance as designed, µm. */
  readonly design_um: { readonly min: number; readonly max: number };
  readonly limit_um: number;
  readonly length_mm?: number | undefined;
  readonly head_m?: number | undefined;
  readonly density_kg_m3?: number | undefined;
  readonly friction_factor?: number | undefined;
  readonly flow_m3h?: number | undefined;
  readonly power_kw?: number | undefined;
  readonly hours_per_year?: number | undefined;
  readonly price_per_kwh?: number | undefined;
}

export interface RunningClearanceResult {
  readonly mean_um: number;
  readonly min_um: number;
  readonly max_um: number;
  readonly ratio_to_design: number;
  readonly verdict: 'new' | 'reuse' | 'tight' | 'out';
  readonly leakage_m3h?: number | undefined;
  readonly extra_leakage_m3h?: number | undefined;
  readonly extra_energy_kwh_year?: number | undefined;
  readonly extra_cost_year?: number | undefined;
}

const gravity = 9.80665; // m/s², ISO 80000-3 standard acceleration

/**
 * Flow through a plain annulus, m³/h. `Q = A · √(2·g·H / (1.5 + λ·L/(2·c)))`, A = π·D·c.
 * Inputs: diametral clearance µm > 0, mean bore mm, length mm, head across the ring m, friction factor λ.
 * Source: Gülich, Centrifugal Pumps, annular seals, with entry loss and velocity head taken together as 1.5.
 * @example annulusLeakageM3h({ clearanceUm: 400, boreMm: 100, lengthMm: 20, headM: 30, frictionFactor: 0.04 }) // 2.93281
 */
export function annulusLeakageM3h(given: {
  readonly clearanceUm: number;
  readonly boreMm: number;
  readonly lengthMm: number;
  readonly headM: number;
  readonly frictionFactor: number;
}): number {
  const gap = given.clearanceUm / 2 / 1e6;
  if (gap <= 0) return 0;
  const area = Math.PI * (given.boreMm / 1000) * gap;
  const resistance = 1.5 + (given.frictionFactor * (given.lengthMm / 1000)) / (2 * gap);
  return 3600 * area * Math.sqrt((2 * gravity * given.headM) / resistance);
}

function leakagePart(given: RunningClearanceInput, meanUm: number) {
  if (given.length_mm === undefined || given.head_m === undefined) return null;
  const boreMm = meanOf(given.bore_mm);
  const friction = given.friction_factor ?? 0.04;
  const through = (clearanceUm: number) =>
    annulusLeakageM3h({
      clearanceUm,
      boreMm,
      lengthMm: present(given.length_mm),
      headM: present(given.head_m),
      frictionFactor: friction,
    });
  const middle = (given.design_um.min + given.design_um.max) / 2;
  const leakage = through(meanUm);
  const extra = leakage - through(middle);
  const energy =
    given.flow_m3h !== undefined && given.power_kw !== undefined && given.hours_per_year !== undefined
      ? (extra / given.flow_m3h) * given.power_kw * given.hours_per_year
      : undefined;
  return {
    leakage,
    extra,
    energy,
    cost: energy !== undefined && given.price_per_kwh !== undefined ? energy * given.price_per_kwh : undefined,
    friction,
    boreMm,
  };
}

function verdictFor(given: RunningClearanceInput, minUm: number, maxUm: number): RunningClearanceResult['verdict'] {
  const crumbs = 1e-6;
  if (maxUm > given.limit_um + crumbs) return 'out';
  if (minUm < given.design_um.min - crumbs) return 'tight';
  return maxUm > given.design_um.max + crumbs ? 'reuse' : 'new';
}

const doesNotEnter = {
  code: 'negative-clearance',
  sentence: 'The largest journal does not enter the smallest bore; check the readings.',
};

const words: Readonly<Record<RunningClearanceResult['verdict'], string>> = {
  new: 'as new',
  reuse: 'reusable',
  tight: 'tighter than designed',
  out: 'out',
};

/** The clearance of the two parts as read, µm. */
function clearanceOf(given: RunningClearanceInput) {
  const um = (mm: number) => Number((mm * 1000).toFixed(6));
  const [boreMm, journalMm] = [meanOf(given.bore_mm), meanOf(given.journal_mm)];
  return {
    boreMm,
    journalMm,
    meanUm: um(boreMm - journalMm),
    minUm: um(Math.min(...given.bore_mm) - Math.max(...given.journal_mm)),
    maxUm: um(Math.max(...given.bore_mm) - Math.min(...given.journal_mm)),
    middleUm: (given.design_um.min + given.design_um.max) / 2,
  };
}
type Clearance = ReturnType<typeof clearanceOf>;
type Leakage = NonNullable<ReturnType<typeof leakagePart>>;

function clearanceWorking(
  given: RunningClearanceInput,
  { boreMm, journalMm, meanUm, minUm, maxUm, middleUm }: Clearance,
  verdict: RunningClearanceResult['verdict'],
): readonly WorkingStep[] {
  return [
    {
      what: 'Mean clearance',
      formula: 'mean bore − mean journal',
      put: `${show(boreMm, 4)} − ${show(journalMm, 4)} mm`,
      outcome: `${show(meanUm, 1)} µm`,
    },
    { what: 'Least clearance', formula: 'smallest bore − largest journal', outcome: `${show(minUm, 1)} µm` },
    { what: 'Largest clearance', formula: 'largest bore − smallest journal', outcome: `${show(maxUm, 1)} µm` },
    {
      what: 'Ratio to design',
      formula: 'mean / middle of the design range',
      put: `${show(meanUm, 1)} / ${show(middleUm, 1)} µm`,
      outcome: show(meanUm / middleUm, 2),
    },
    {
      what: 'Verdict',
      put: `design ${show(given.design_um.min, 1)} to ${show(given.design_um.max, 1)}, limit ${show(given.limit_um, 1)} µm`,
      outcome: words[verdict],
    },
  ];
}

function leakageWorking(given: RunningClearanceInput, meanUm: number, leak: Leakage): readonly WorkingStep[] {
  return [
    {
      what: 'Leakage',
      formula: 'Q = π·D·c · √(2·g·H / (1.5 + λ·L/(2·c)))',
      put: `D ${show(leak.boreMm, 2)} mm, c ${show(meanUm / 2, 1)} µm, H ${show(present(given.head_m), 1)} m, L ${show(present(given.length_mm), 1)} mm, λ ${leak.friction}`,
      outcome: `${show(leak.leakage, 2)} m³/h, ${show(leak.extra, 2)} beyond the design middle`,
      source: 'Gülich, Centrifugal Pumps, annular seals',
    },
    ...(leak.energy === undefined
      ? []
      : [
          {
            what: 'Energy lost in a year',
            formula: 'extra leakage / flow × power × hours',
            outcome: `${show(leak.energy, 0)} kWh`,
          },
        ]),
  ];
}

/**
 * Diametral running clearance between the two actual parts, judged against design and limit, and what it leaks.
 * Source: geometry; leakage as `annulusLeakageM3h`.
 */
export function reckonRunningClearance(given: RunningClearanceInput): Outcome<RunningClearanceResult> {
  if (given.limit_um < given.design_um.max)
    throw new SumRefusal(
      'limit_um',
      `the limit ${given.limit_um} lies below the largest design clearance ${given.design_um.max}`,
    );
  const clearance = clearanceOf(given);
  const { meanUm, minUm, maxUm, middleUm } = clearance;
  const verdict = verdictFor(given, minUm, maxUm);
  const leak = leakagePart(given, meanUm);
  return {
    result: {
      mean_um: meanUm,
      min_um: minUm,
      max_um: maxUm,
      ratio_to_design: meanUm / middleUm,
      verdict,
      ...(leak && { leakage_m3h: leak.leakage, extra_leakage_m3h: leak.extra }),
      ...(leak?.energy !== undefined && { extra_energy_kwh_year: leak.energy }),
      ...(leak?.cost !== undefined && { extra_cost_year: leak.cost }),
    },
    working: [...clearanceWorking(given, clearance, verdict), ...(leak ? leakageWorking(given, meanUm, leak) : [])],
    warnings: minUm < 0 ? [doesNotEnter] : [],
  };
}
