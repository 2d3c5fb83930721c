/** One visit of a pump as a point was measured in it, in the unit of the point. */
export interface VisitMeasure {
  readonly tag: string;
  /** ISO date on which the pump came in. */
  readonly day: string;
  /** What the hour meter read; null where there is none. */
  readonly hours: number | null;
  readonly asFound: number | null;
  readonly asLeft: number | null;
}

export interface WearLimits {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}

export interface WearAsked {
  readonly visits: readonly VisitMeasure[];
  /** Limits for use again; the point wears towards the one that it has, or towards the nearer one of both. */
  readonly reuse: WearLimits;
  readonly asNew: WearLimits;
  /** Of one reading, in the unit of the point. */
  readonly uncertainty: number;
}

/** How fast a point wore from one visit to the next: what was found over what the visit before had left. */
export interface WearStep {
  readonly fromTag: string;
  readonly toTag: string;
  readonly hours: number;
  /** In the unit of the point, positive towards the limit. */
  readonly wear: number;
  readonly per1000h: number;
  /** Less than two readings can tell apart. */
  readonly isUnclear: boolean;
}

export interface WearForecast {
  /** Hours of the meter at which the limit is met: early, likely, late. */
  readonly outAtHours: readonly [number, number, number];
  readonly hoursLeft: number;
  /** ISO dates, by how fast the hours came so far; null where the days are not known. */
  readonly outOn: readonly [string, string, string] | null;
}

export interface Wear {
  /** 1 where the value grows as it wears, -1 where it shrinks. */
  readonly direction: 1 | -1;
  readonly limit: number | null;
  readonly steps: readonly WearStep[];
  /** Of the last step; null while no two visits can be compared. */
  readonly per1000h: number | null;
  readonly isUnclear: boolean;
  /** The last value that stands, as left where it was measured, and whether it is beyond the limit. */
  readonly last: number | null;
  readonly isOut: boolean;
  /** What share of the allowance from new to the limit is used up, 0 to 1 and more. */
  readonly usedShare: number | null;
  readonly forecast: WearForecast | null;
}

/** By what a rate may turn out, where the pump itself has shown fewer than three: taken as usual. */
const usualSpread = [1.35, 1, 0.75] as const;
/** Nothing is said of more hours than these, nor of days that lie further ahead than a hundred years. */
const mostHours = 200_000;
const mostDays = 36_525;

const dayMs = 86_400_000;
const dayOf = (day: string) => Date.parse(`${day}T00:00:00Z`);

/** Towards which side a point wears, and its limit there. */
function directionOf({ reuse, asNew }: Pick<WearAsked, 'reuse' | 'asNew'>): Pick<Wear, 'direction' | 'limit'> {
  if (reuse.max !== undefined && reuse.min === undefined) return { direction: 1, limit: reuse.max };
  if (reuse.min !== undefined && reuse.max === undefined) return { direction: -1, limit: reuse.min };
  if (reuse.max === undefined || reuse.min === undefined) return { direction: 1, limit: null };
  // Both sides are limited: it wears to the side on which the wider room is left from new.
  const up = reuse.max - (asNew.max ?? reuse.max);
  const down = (asNew.min ?? reuse.min) - reuse.min;
  return up >= down ? { direction: 1, limit: reuse.max } : { direction: -1, limit: reuse.min };
}

/** Each visit’s finding over what the visit before left; a renewed part begins anew with what was left then. */
function stepsOf({ visits, uncertainty }: WearAsked, direction: 1 | -1): readonly WearStep[] {
  return visits.slice(1).flatMap((visit, i): readonly WearStep[] => {
    const before = visits[i];
    const base = before?.asLeft ?? before?.asFound ?? null;
    if (!before || base === null || visit.asFound === null || before.hours === null || visit.hours === null) return [];
    const hours = visit.hours - before.hours;
    if (hours <= 0) return [];
    const wear = direction * (visit.asFound - base);
    const isUnclear = Math.abs(wear) < Math.SQRT2 * uncertainty;
    return [{ fromTag: before.tag, toTag: visit.tag, hours, wear, per1000h: (wear / hours) * 1000, isUnclear }];
  });
}

/** Hours in a day, from the first visit to the last. */
function hoursADay(visits: readonly VisitMeasure[]): number | null {
  const [first, last] = [visits[0], visits.at(-1)];
  if (!first || !last || first.hours === null || last.hours === null) return null;
  const days = (dayOf(last.day) - dayOf(first.day)) / dayMs;
  return days > 0 && last.hours > first.hours ? (last.hours - first.hours) / days : null;
}

function forecastOf(
  { visits }: WearAsked,
  { last, limit, direction, steps }: Pick<Wear, 'last' | 'limit' | 'direction' | 'steps'>,
): WearForecast | null {
  const rates = steps.map(({ per1000h }) => per1000h).filter((rate) => rate > 0);
  const rate = steps.at(-1)?.per1000h ?? 0;
  const visit = visits.at(-1);
  if (last === null || limit === null || rate <= 0 || !visit || visit.hours === null || steps.at(-1)?.isUnclear)
    return null;
  const room = direction * (limit - last);
  if (room <= 0) return null;
  const fast = rates.length >= 3 ? Math.max(...rates) : rate * usualSpread[0];
  const slow = rates.length >= 3 ? Math.min(...rates) : rate * usualSpread[2];
  const hoursTo = (of: number) => Math.min(mostHours, (room / of) * 1000);
  const left = [hoursTo(fast), hoursTo(rate), hoursTo(slow)] as const;
  const from = visit.hours;
  const perDay = hoursADay(visits);
  const on = (hours: number) => new Date(dayOf(visit.day) + (hours / (perDay ?? 1)) * dayMs).toISOString().slice(0, 10);
  return {
    outAtHours: [from + left[0], from + left[1], from + left[2]],
    hoursLeft: left[1],
    outOn: perDay === null || left[2] / perDay > mostDays ? null : [on(left[0]), on(left[1]), on(left[2])],
  };
}

/**
 * How a point of a pump wears over its visits, and when it will be out.
 * @param asked visits in the order in which they were; values in the unit of the point
 */
export function wearOf(asked: WearAsked): Wear {
  const { visits, asNew } = asked;
  const { direction, limit } = directionOf(asked);
  const steps = stepsOf(asked, direction);
  const measured = visits.filter(({ asFound, asLeft }) => asFound !== null || asLeft !== null).at(-1);
  const last = measured?.asLeft ?? measured?.asFound ?? null;
  const start = direction === 1 ? (asNew.max ?? asNew.min) : (asNew.min ?? asNew.max);
  const allowance = limit === null || start === undefined ? null : direction * (limit - start);
  const used = last === null || start === undefined ? null : direction * (last - start);
  const step = steps.at(-1);
  return {
    ...{ direction, limit, steps, last },
    per1000h: step?.per1000h ?? null,
    isUnclear: step?.isUnclear ?? false,
    isOut: last !== null && limit !== null && direction * (last - limit) > 0,
    usedShare: allowance !== null && allowance > 0 && used !== null ? Math.max(0, used / allowance) : null,
    forecast: forecastOf(asked, { last, limit, direction, steps }),
  };
}
