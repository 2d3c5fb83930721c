const dayMs = 86_400_000;

/** Minutes that one pump moves forward on a working day when it shares its bench with others. */
export const benchMinutesPerDay = 240;

/**
 * The day on which so many bench minutes are done, counted from a day, five working days a week: from a Friday, Friday
 * and Monday are used up by two days' work.
 * Inputs: ISO date `YYYY-MM-DD`, minutes ≥ 0, minutes a day > 0. Gives an ISO date.
 * @example addWorkMinutes({ from: '2026-11-27', minutes: 480, perDay: 240 }) // '2026-12-01'
 */
export function addWorkMinutes({
  from,
  minutes,
  perDay,
}: {
  readonly from: string;
  readonly minutes: number;
  readonly perDay: number;
}): string {
  let day = Date.parse(`${from}T00:00:00Z`);
  let left = minutes;
  while (left > 0) {
    if (isWorkday(day)) left -= perDay;
    day += dayMs;
  }
  while (!isWorkday(day)) day += dayMs;
  return new Date(day).toISOString().slice(0, 10);
}

function isWorkday(day: number): boolean {
  const weekday = new Date(day).getUTCDay();
  return weekday !== 0 && weekday !== 6;
}

/** Days as they are written, by their numbers: a plan asks for the same few hundred many thousand times. */
const written = new Map<number, string>();
const mostWritten = 5000;

/** The number of a day since 1970-01-01; NaN for what is no day. */
const numberOf = (day: string) =>
  Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8, 10))) / dayMs;

function writeNumber(day: number): string {
  const known = written.get(day);
  if (known !== undefined) return known;
  const text = new Date(day * dayMs).toISOString().slice(0, 10);
  if (written.size >= mostWritten) written.clear();
  written.set(day, text);
  return text;
}

/** A day so many days later. Throws RangeError for what is no day. @example addDays('2026-12-30', 3) // '2027-01-02' */
export function addDays(from: string, days: number): string {
  return writeNumber(numberOf(from) + days);
}

/** The day of the week, from 1 for Monday to 7. @example weekdayOf('2026-11-29') // 7 */
export function weekdayOf(day: string): number {
  // 1970-01-01 was a Thursday.
  return ((((numberOf(day) + 3) % 7) + 7) % 7) + 1;
}
