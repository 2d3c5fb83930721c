import { minutesADay, timeOfDay } from './plan-clock';

/** When a hand or a place is open, week by week, and the days on which it is not. */
export interface WorkCalendar {
  readonly id: string;
  /** Monday is 1; several openings a day are possible. */
  readonly weekly: readonly { readonly weekday: number; readonly from: string; readonly to: string }[];
  readonly closed: readonly string[];
}

/**
 * Openings one after the other, in minutes from the plan's start. They are made as far as they are asked for, and end
 * with the years that a plan may reach.
 */
export interface OpenTimes {
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Minutes open before each opening begins. */
  readonly before: readonly number[];
  /** The first opening that ends after a minute; -1 where none comes within the reach. */
  readonly indexAt: (minute: number) => number;
}

/** Ten years: what is not done by then is no plan. */
const reachDays = 3660;

interface Span {
  readonly from: number;
  readonly to: number;
}

/** The openings of each weekday, Monday first, in order; those that touch are one. */
function weekOf({ weekly }: WorkCalendar): readonly (readonly Span[])[] {
  return [1, 2, 3, 4, 5, 6, 7].map((weekday) => {
    const spans = weekly
      .filter((one) => one.weekday === weekday)
      .map(({ from, to }) => ({ from: timeOfDay(from) ?? 0, to: timeOfDay(to) ?? 0 }))
      .filter(({ from, to }) => from < to)
      .toSorted((a, b) => a.from - b.from);
    return spans.reduce<readonly Span[]>((merged, span) => {
      const last = merged.at(-1);
      if (!last || last.to < span.from) return [...merged, span];
      return [...merged.slice(0, -1), { from: last.from, to: Math.max(last.to, span.to) }];
    }, []);
  });
}

/** The place in rising figures of the first that is above one. */
export function firstAbove(figures: readonly number[], figure: number, from = 0): number {
  let low = from;
  let high = figures.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((figures[middle] ?? 0) > figure) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * Openings that are made as they are asked for.
 * @param more adds the next span or spans to what is there; false where no more come
 */
function growing(more: (add: (from: number, to: number) => void) => boolean): OpenTimes {
  const from: number[] = [];
  const to: number[] = [];
  const before: number[] = [];
  const add = (begins: number, ends: number) => {
    const last = to.length - 1;
    if (last >= 0 && to[last] === begins) {
      to[last] = ends;
      return;
    }
    before.push(last < 0 ? 0 : (before[last] ?? 0) + (to[last] ?? 0) - (from[last] ?? 0));
    from.push(begins);
    to.push(ends);
  };
  let goesOn = true;
  const indexAt = (minute: number): number => {
    // One more than is needed: the last opening may go on into the next day.
    while (goesOn && (to.length < 2 || (to[to.length - 2] ?? 0) <= minute)) goesOn = more(add);
    const i = firstAbove(to, minute);
    return i < to.length ? i : -1;
  };
  return { from, to, before, indexAt };
}

/** @param startMs the plan's start as milliseconds of UTC, its local time taken for UTC */
export function openTimesOf(calendar: WorkCalendar, startMs: number): OpenTimes {
  const week = weekOf(calendar);
  const closed = new Set(calendar.closed);
  const midnight = Math.floor(startMs / 86_400_000) * 86_400_000;
  const offset = (startMs - midnight) / 60_000;
  let day = 0;
  return growing((add) => {
    const at = new Date(midnight + day * 86_400_000);
    const base = day * minutesADay - offset;
    day += 1;
    if (!closed.has(at.toISOString().slice(0, 10)))
      for (const span of week[(at.getUTCDay() + 6) % 7] ?? [])
        if (base + span.to > 0) add(Math.max(0, base + span.from), base + span.to);
    return day < reachDays;
  });
}

/** When all are open at once; null where none of them ever closes. */
export function commonTimes(open: readonly (OpenTimes | null)[]): OpenTimes | null {
  const own = [...new Set(open.flatMap((one) => one ?? []))];
  const [first] = own;
  if (own.length < 2) return first ?? null;
  let minute = 0;
  return growing((add) => {
    const spans = own.map((one) => [one, one.indexAt(minute)] as const);
    if (spans.some(([, i]) => i < 0)) return false;
    const from = Math.max(minute, ...spans.map(([one, i]) => one.from[i] ?? 0));
    const to = Math.min(...spans.map(([one, i]) => one.to[i] ?? 0));
    if (to > from) add(from, to);
    minute = Math.max(to, from);
    return true;
  });
}

/** When work that pauses while it is closed comes to its end; Infinity where it never does. It begins while it is open. */
export function endOfWork(open: OpenTimes | null, start: number, minutes: number): number {
  if (!open) return start + minutes;
  const first = open.indexAt(start);
  if (first < 0) return Infinity;
  const wanted = (open.before[first] ?? 0) + start - (open.from[first] ?? 0) + minutes;
  let i = first;
  // The end lies in the first opening up to whose end enough minutes are open.
  while ((open.before[i] ?? 0) + (open.to[i] ?? 0) - (open.from[i] ?? 0) < wanted) {
    i += 1;
    if (i >= open.to.length && open.indexAt(open.to[i - 1] ?? 0) < 0) return Infinity;
  }
  return (open.from[i] ?? 0) + wanted - (open.before[i] ?? 0);
}
