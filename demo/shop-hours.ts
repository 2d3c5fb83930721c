/** The demonstration shop works from Monday to Friday, from 7 to 16 by its own clock. */
const [opens, closes] = [7, 16];
const zone = 'Europe/Vienna';
const minuteMs = 60_000;
const dayMs = 86_400_000;

const local = new Intl.DateTimeFormat('en-GB', {
  timeZone: zone,
  hourCycle: 'h23',
  year: 'numeric',
  month: 'numeric',
  day: 'numeric',
  hour: 'numeric',
  minute: 'numeric',
});

interface LocalTime {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
}
function localTime(at: number): LocalTime {
  const parts = new Map(local.formatToParts(at).map(({ type, value }) => [type, Number(value)]));
  const of = (name: keyof LocalTime) => parts.get(name) ?? 0;
  return { year: of('year'), month: of('month'), day: of('day'), hour: of('hour'), minute: of('minute') };
}

/** The working time of a day of the shop's calendar, or null on a Saturday or Sunday. */
function shiftOf({ year, month, day }: LocalTime): { readonly from: number; readonly to: number } | null {
  const noon = Date.UTC(year, month - 1, day, 12);
  const weekday = new Date(noon).getUTCDay();
  if (weekday === 0 || weekday === 6) return null;
  const ahead = localTime(noon).hour - 12;
  const at = (hour: number) => Date.UTC(year, month - 1, day, hour - ahead);
  return { from: at(opens), to: at(closes) };
}

/** Shifts from the day of a moment on. */
export function* shiftsFrom(at: number): Generator<{ readonly from: number; readonly to: number }> {
  for (let day = at; ; day += dayMs) {
    const shift = shiftOf(localTime(day));
    if (shift) yield shift;
  }
}

/**
 * The moment so many working minutes after another; of a moment outside working time, counted from the next opening.
 * @param from milliseconds since 1970
 * @param minutes 0 or more
 */
export function afterWork(from: number, minutes: number): number {
  let left = minutes * minuteMs;
  for (const { from: opening, to } of shiftsFrom(from)) {
    const begin = Math.max(from, opening);
    if (begin >= to) continue;
    if (begin + left < to) return begin + left;
    left -= to - begin;
  }
  return from;
}

/** Working minutes between two moments. */
export function workMinutes(from: number, until: number): number {
  let sum = 0;
  for (const shift of shiftsFrom(from)) {
    if (shift.from >= until) return sum;
    sum += Math.max(0, Math.min(until, shift.to) - Math.max(from, shift.from)) / minuteMs;
  }
  return sum;
}

/** The last working moment up to another. */
export function lastWork(at: number): number {
  for (let day = at; ; day -= dayMs) {
    const shift = shiftOf(localTime(day));
    if (shift && shift.from < at) return Math.min(at, shift.to - minuteMs);
  }
}
