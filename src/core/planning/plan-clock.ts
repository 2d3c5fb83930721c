const minuteMs = 60_000;
export const minutesADay = 1440;

const written = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/;

/**
 * Minutes from a shop's start to a local time; daylight saving is left out, as on the shop's clock.
 * @param text `YYYY-MM-DDTHH:MM`; a day alone is its midnight
 * @returns null where it is no time
 * @example minuteOf('2026-11-23T08:30', Date.parse('2026-11-23T07:00Z')) // 90
 */
export function minuteOf(text: string, startMs = 0): number | null {
  const whole = /^\d{4}-\d{2}-\d{2}$/.test(text) ? `${text}T00:00` : text;
  const parts = written.exec(whole);
  if (!parts) return null;
  const ms = Date.parse(`${whole}Z`);
  // A thirtieth of February is read as a day in March: what was typed must come out again.
  if (Number.isNaN(ms) || new Date(ms).toISOString().slice(0, 16) !== whole) return null;
  return (ms - startMs) / minuteMs;
}

/** The local time so many minutes after a start, as `YYYY-MM-DDTHH:MM`. */
export const writeMinute = (minute: number, startMs: number) =>
  new Date(startMs + minute * minuteMs).toISOString().slice(0, 16);

/** The day of a minute, as `YYYY-MM-DD`. */
export const writeDay = (minute: number, startMs: number) => writeMinute(minute, startMs).slice(0, 10);

/** Minutes since midnight of `HH:MM`, up to 24:00; null where it is none. */
export function timeOfDay(text: string): number | null {
  const parts = /^(\d{2}):(\d{2})$/.exec(text);
  if (!parts) return null;
  const minutes = Number(parts[1]) * 60 + Number(parts[2]);
  return Number(parts[2]) < 60 && minutes <= minutesADay ? minutes : null;
}
