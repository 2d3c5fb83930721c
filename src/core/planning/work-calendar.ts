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

/** A day so many days later. @example addDays('2026-12-30', 3) // '2027-01-02' */
export function addDays(from: string, days: number): string {
  return new Date(Date.parse(`${from}T00:00:00Z`) + days * dayMs).toISOString().slice(0, 10);
}
