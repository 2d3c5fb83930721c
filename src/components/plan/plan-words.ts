import type { PumpShown } from '@/core/workload';

const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** A day as a head of a column. @example weekdayOf('2026-11-30') // 'Mon 30' */
export function weekdayOf(day: string): string {
  const at = new Date(`${day}T00:00:00Z`);
  return `${weekdays[at.getUTCDay()]} ${at.getUTCDate()}`;
}

/** A day in a sentence, with its year where that is another than now. @example dayWords('2026-11-30') // 'Mon 30 Nov' */
export function dayWords(day: string, now = new Date()): string {
  const at = new Date(`${day}T00:00:00Z`);
  const year = at.getUTCFullYear();
  return `${weekdayOf(day)} ${months[at.getUTCMonth()]}${year === now.getFullYear() ? '' : ` ${year}`}`;
}

/** What keeps a pump from being ready sooner, in words. */
export function limitWords({ limit: { kind, words } }: Pick<PumpShown, 'limit'>): string {
  if (kind === 'resource') return `Limited by ${words}, taken by other pumps until then`;
  if (kind === 'parts') return `Limited by ${words.charAt(0).toLowerCase()}${words.slice(1)}`;
  if (kind === 'calendar') return 'Limited by the hours of the shop';
  return `Limited by its own work: ${words.toLowerCase()}`;
}
