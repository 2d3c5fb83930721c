import type { Family, FamilyPoint } from '../family';
import { present } from '../present';
import {
  optionNames,
  type ComparisonBasis,
  type JobRecord,
  type OptionLevel,
  type Quote,
  type Reading,
} from '../record';
import { reckonRunningClearance, reckonRepairOrReplace, recoveryFactor, type WorkingStep } from '../sums';
import { partOfKey } from '../scope';
import { isClosingUp } from './line-keys';
import { offeredLines, optionsOf, totalQuote } from './total-quote';

/** Figures of a shop that has said none: a pump that runs two shifts, and what such pumps usually last. */
export const defaultBasis: ComparisonBasis = {
  hoursPerYear: 4000,
  pricePerKwhMinor: 24,
  interestPct: 6,
  hireMinorPerDay: 0,
  lifeYears: { minimum: 1.5, recommended: 4, 'as new': 6, 'as it is': 0.5, 'new unit': 10 },
  newUnit: null,
};

export type WayName = OptionLevel | 'as it is' | 'new unit';
const wayNames: Readonly<Record<WayName, string>> = {
  ...optionNames,
  'as it is': 'As it is, closed up',
  'new unit': 'New unit',
};

/** What one way of going on costs a year, in minor units without tax. */
export interface WayCompared {
  readonly way: WayName;
  readonly name: string;
  readonly priceMinor: number;
  readonly lifeYears: number;
  readonly daysOut: number;
  /** Energy that worn clearances waste in it, kWh a year. */
  readonly lostKwhYear: number;
  /** The three parts of what it costs a year: price and hire over its life, and the power that it wastes. */
  readonly priceYearMinor: number;
  readonly hireYearMinor: number;
  readonly lostYearMinor: number;
  readonly yearMinor: number;
}

/** Where the answer turns: at which price of a way it costs as much a year as the best of the others. */
export interface Turning {
  readonly way: WayName;
  readonly name: string;
  readonly priceMinor: number;
  /** The price at which it stops (or would begin) to be the least; null where no price does that. */
  readonly turnsAtMinor: number | null;
  readonly against: string;
  readonly isLeast: boolean;
}

export interface WaysCompared {
  readonly ways: readonly WayCompared[];
  readonly least: WayName;
  readonly turns: readonly Turning[];
  readonly gaps: readonly LeakingGap[];
  readonly working: readonly WorkingStep[];
}

/** A worn clearance that leaks back inside, and what that wastes. */
export interface LeakingGap {
  readonly pointId: string;
  readonly partRef: string;
  readonly title: string;
  readonly meanUm: number;
  readonly designUm: { readonly min: number; readonly max: number };
  readonly extraM3h: number;
  /** What it takes of the power, % of all that the pump takes. */
  readonly powerPct: number;
  readonly kwhYear: number;
}

interface Asked {
  readonly record: Pick<JobRecord, 'readings' | 'intake'>;
  readonly family: Family;
  readonly quote: Quote;
  readonly basis: ComparisonBasis;
  /** Days until the pump is back in each way, from today. */
  readonly daysOut: Readonly<Partial<Record<WayName, number>>>;
}

const leaksBack = ({ derived }: FamilyPoint) => derived?.head_share !== undefined && derived.length_mm !== undefined;

const valuesAt = (readings: readonly Reading[], pointId: string) =>
  readings.filter((one) => one.phase === 'as-found' && one.pointId === pointId).map(({ value }) => value);

/** At how many stages a gap stands: each sees one stage’s head, and what leaks there passes that stage’s wheel again. */
function stagesOf({ per, part }: FamilyPoint, { points }: Pick<Family, 'points'>): number {
  if (per === undefined) return 1;
  return points.filter((other) => other.per === per && other.part === part && leaksBack(other)).length;
}

/**
 * The worn gaps whose leakage can be reckoned: the family says their length and the share of the head across them, and
 * the duty is known. Of several stages each has its share of head and power. Source: `reckonRunningClearance`.
 */
function leakingGaps({ record, family, basis }: Omit<Asked, 'quote' | 'daysOut'>): readonly LeakingGap[] {
  const { duty } = record.intake;
  if (!duty?.powerKw) return [];
  const { headM, flowM3h, powerKw } = duty;
  return family.points.flatMap((point) => {
    const { id, part, title, derived } = point;
    if (!derived || !leaksBack(point)) return [];
    const stages = stagesOf(point, family);
    const [bore, journal] = [valuesAt(record.readings, derived.bore), valuesAt(record.readings, derived.journal)];
    if (!bore.length || !journal.length) return [];
    const { result } = reckonRunningClearance({
      ...{ bore_mm: bore, journal_mm: journal, design_um: derived.design_um, limit_um: derived.limit_um },
      ...{ length_mm: derived.length_mm, head_m: (headM / stages) * (derived.head_share ?? 0), flow_m3h: flowM3h },
      ...{ power_kw: powerKw / stages, hours_per_year: basis.hoursPerYear },
    });
    const extraM3h = Math.max(0, result.extra_leakage_m3h ?? 0);
    const gap = { pointId: id, partRef: part, title, meanUm: result.mean_um, designUm: derived.design_um };
    return [
      {
        ...gap,
        extraM3h,
        powerPct: (100 * extraM3h) / flowM3h / stages,
        kwhYear: Math.max(0, result.extra_energy_kwh_year ?? 0),
      },
    ];
  });
}

/** Gaps that stay as they are where these lines are carried out: nothing is renewed or worked on at either side. */
function lostIn(gaps: readonly LeakingGap[], { lines }: Pick<Quote, 'lines'>, family: Family): number {
  const touched = new Set(lines.flatMap(({ itemKeys }) => itemKeys.map(partOfKey)));
  const points = new Map(family.points.map((point) => [point.id, point]));
  const sidesOf = (pointId: string) => {
    const gap = points.get(pointId);
    const sides = [gap?.derived?.bore, gap?.derived?.journal].map((side) => points.get(side ?? '')?.part);
    return [gap?.part, gap?.mates, ...sides];
  };
  return gaps
    .filter(({ pointId }) => !sidesOf(pointId).some((part) => part !== undefined && touched.has(part)))
    .reduce((sum, { kwhYear }) => sum + kwhYear, 0);
}

/** The ways that there are: the options of the quote, closing it up as it is, and a new unit where its price is known. */
export function waysOf(quote: Pick<Quote, 'options' | 'advised'>, { newUnit }: ComparisonBasis): readonly WayName[] {
  const options = optionsOf(quote).map((option) => option ?? quote.advised);
  return [...options, 'as it is', ...(newUnit ? (['new unit'] as const) : [])];
}

function priceOf(way: WayName, { quote, basis }: Asked): number {
  if (way === 'new unit') return present(basis.newUnit).priceMinor;
  if (way === 'as it is') return totalQuote(quote.lines.filter(isClosingUp), quote).netMinor;
  return totalQuote(offeredLines(quote, quote.options.length ? way : null), quote).netMinor;
}

function wayCompared(asked: Asked, way: WayName, gaps: readonly LeakingGap[]): WayCompared {
  const { quote, basis, family } = asked;
  const lifeYears = basis.lifeYears[way];
  const yearly = recoveryFactor(basis.interestPct / 100, lifeYears);
  const option = way === 'as it is' || way === 'new unit' ? null : way;
  const lines = option ? offeredLines(quote, quote.options.length ? option : null) : [];
  const lostKwhYear = way === 'new unit' ? 0 : lostIn(gaps, { lines }, family);
  const daysOut = way === 'new unit' ? present(basis.newUnit).days : (asked.daysOut[way] ?? 0);
  const priceMinor = priceOf(way, asked);
  const parts = {
    priceYearMinor: priceMinor * yearly,
    hireYearMinor: daysOut * basis.hireMinorPerDay * yearly,
    lostYearMinor: lostKwhYear * basis.pricePerKwhMinor,
  };
  return {
    ...{ way, name: wayNames[way], priceMinor, lifeYears, daysOut, lostKwhYear, ...parts },
    yearMinor: parts.priceYearMinor + parts.hireYearMinor + parts.lostYearMinor,
  };
}

/**
 * At which price a way costs as much a year as the cheapest of the others:
 * `price + (least of the others − its cost a year) / a`. Source: equivalent annual cost, as `repair-or-replace`.
 */
function turningOf(way: WayCompared, others: readonly WayCompared[], { interestPct }: ComparisonBasis): Turning {
  const best = present(others.toSorted((one, other) => one.yearMinor - other.yearMinor)[0]);
  const turns = way.priceMinor + (best.yearMinor - way.yearMinor) / recoveryFactor(interestPct / 100, way.lifeYears);
  const { way: which, name, priceMinor } = way;
  return {
    ...{ way: which, name, priceMinor, against: best.name, isLeast: way.yearMinor <= best.yearMinor },
    turnsAtMinor: turns > 0 ? Math.round(turns) : null,
  };
}

/**
 * The options of a quote held against closing the pump up as it is and against a new unit: what each costs a year, which
 * costs the least, and at which price the answer turns.
 * @returns costs in minor units without tax; kWh a year; the working of `repair-or-replace`
 */
export function compareWays(asked: Asked): WaysCompared {
  const { quote, basis } = asked;
  const gaps = leakingGaps(asked);
  const ways = waysOf(quote, basis).map((way) => wayCompared(asked, way, gaps));
  const least = present(ways.toSorted((one, other) => one.yearMinor - other.yearMinor)[0]).way;
  const turning = new Set<WayName>([least, quote.advised, 'new unit']);
  const { working } = reckonRepairOrReplace({
    choices: ways.map((one) => ({
      ...{ name: one.name, price_minor: Math.max(0, one.priceMinor), life_years: one.lifeYears },
      ...{ energy_kwh_year: one.lostKwhYear, downtime_days: one.daysOut },
    })),
    price_per_kwh_minor: basis.pricePerKwhMinor,
    downtime_day_minor: basis.hireMinorPerDay,
    discount_rate_pct: basis.interestPct,
  });
  return {
    ...{ ways, least, gaps, working },
    turns: ways
      .filter(({ way }) => turning.has(way))
      .map((way) =>
        turningOf(
          way,
          ways.filter((other) => other !== way),
          basis,
        ),
      ),
  };
}
