import { timeOfDay } from '../planning';
import type { ShopCalendar } from './shop-plan';

type Weekly = ShopCalendar['weekly'];

/** The hours of a weekday as they are typed. @example writeHours([{ weekday: 1, from: '07:00', to: '12:00' }], 1) // '07:00-12:00' */
export function writeHours(weekly: Weekly, weekday: number): string {
  const own = weekly.filter((one) => one.weekday === weekday).toSorted((a, b) => a.from.localeCompare(b.from));
  return own.map(({ from, to }) => `${from}-${to}`).join(', ');
}

/** A time as people type it, as HH:MM; null where it is none. @example readTime('7') // '07:00' */
export function readTime(text: string): string | null {
  const parts = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(text.trim());
  if (!parts) return null;
  const time = `${(parts[1] ?? '').padStart(2, '0')}:${parts[2] ?? '00'}`;
  return timeOfDay(time) === null ? null : time;
}

/** Hours that cannot be read, and the piece of the text that is wrong. */
export interface HoursFault {
  readonly fault: string;
}

/**
 * Reads the hours of a weekday, such as `7-12, 12:30-16`; an empty text is a day on which nobody is there.
 * @example readHours('7-12', 1) // [{ weekday: 1, from: '07:00', to: '12:00' }]
 */
export function readHours(text: string, weekday: number): Weekly | HoursFault {
  const pieces = text
    .split(/[,;]/)
    .map((piece) => piece.trim())
    .filter(Boolean);
  const spans: { weekday: number; from: string; to: string }[] = [];
  for (const piece of pieces) {
    const ends = piece.split(/\s*(?:-|–|to)\s*/);
    const [from, to] = ends.map(readTime);
    if (ends.length !== 2 || !from || !to) return { fault: `“${piece}” is no stretch of hours; type it as 7-12:30` };
    if (from >= to) return { fault: `“${piece}” ends before it begins` };
    spans.push({ weekday, from, to });
  }
  const sorted = spans.toSorted((a, b) => a.from.localeCompare(b.from));
  const over = sorted.find((span, i) => (sorted[i + 1]?.from ?? '99') < span.to);
  return over ? { fault: `${over.from}-${over.to} runs into the next stretch` } : sorted;
}
