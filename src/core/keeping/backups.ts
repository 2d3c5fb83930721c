import { dateFormat } from '@/words/formats';

const hourMs = 3_600_000;
const dayMs = 24 * hourMs;

/** The hour of the shop's own clock at which a backup is made each night. */
export const backupHour = 2;
/** From this age on, in hours, the owner is warned: a night was missed. */
export const warnAfterHours = 36;

/** How many backups are kept: the last of each of so many days, weeks and months. */
export const keepBackups = { days: 7, weeks: 5, months: 12 } as const;

export interface BackupFile {
  readonly name: string;
  readonly at: Date;
}

/** The Monday of a day's week, as a day in UTC. */
function weekOf(at: Date): string {
  const day = new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate()));
  return new Date(day.getTime() - ((day.getUTCDay() + 6) % 7) * dayMs).toISOString().slice(0, 10);
}

const periods: readonly (readonly [count: number, of: (at: Date) => string])[] = [
  [keepBackups.days, (at) => at.toISOString().slice(0, 10)],
  [keepBackups.weeks, weekOf],
  [keepBackups.months, (at) => at.toISOString().slice(0, 7)],
];

/**
 * Which backups need not be kept: all but the newest of each of the last seven days, five weeks and twelve months in
 * which there was one. Days are those of UTC; the newest of all is always kept.
 */
export function outlivedBackups(files: readonly BackupFile[]): readonly BackupFile[] {
  const newestFirst = [...files].sort((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set<BackupFile>();
  for (const [count, periodOf] of periods) {
    const seen = new Set<string>();
    for (const file of newestFirst) {
      const period = periodOf(file.at);
      if (seen.size >= count || seen.has(period)) continue;
      seen.add(period);
      kept.add(file);
    }
  }
  return newestFirst.filter((file) => !kept.has(file));
}

/** The hour of a moment in a zone, 0 to 23. */
function hourIn(zone: string, at: Date): number {
  return Number(dateFormat('en-GB', { timeZone: zone, hour: '2-digit', hourCycle: 'h23' }).format(at));
}

/** The last whole hour at which the shop's clock stood at the hour of backups, at or before a moment. */
export function lastNight(now: Date, zone: string): Date {
  const hour = new Date(Math.floor(now.getTime() / hourMs) * hourMs);
  // A night in which the clock is put forward has no such hour: the one before counts, two days back at most.
  for (let back = 0; back <= 48; back++) {
    const at = new Date(hour.getTime() - back * hourMs);
    if (hourIn(zone, at) === backupHour) return at;
  }
  return new Date(hour.getTime() - dayMs);
}

export interface BackupsSoFar {
  readonly now: Date;
  /** IANA name of the shop's time zone. */
  readonly zone: string;
  /** When the last one was begun that succeeded; null for none. */
  readonly lastGood: Date | null;
  /** When the last one was begun, however it ended; null for none. */
  readonly lastTry: Date | null;
  /** Since when there is a shop: nothing is missed before. */
  readonly since: Date;
}

/** How long after one that failed the next is tried, in ms. */
const againAfterMs = hourMs;

/** Whether the nightly backup is to be made now: none succeeded since the last night, and none was just tried. */
export function isBackupDue({ now, zone, lastGood, lastTry, since }: BackupsSoFar): boolean {
  const night = lastNight(now, zone);
  if ((lastGood ?? since).getTime() >= night.getTime()) return false;
  return !lastTry || lastTry.getTime() < night.getTime() || now.getTime() - lastTry.getTime() >= againAfterMs;
}

/** How old the last good backup is, in hours, and whether a person should be told. */
export function judgeBackupAge({ now, lastGood, since }: Pick<BackupsSoFar, 'now' | 'lastGood' | 'since'>) {
  const hours = (now.getTime() - (lastGood ?? since).getTime()) / hourMs;
  return { hours, isLate: hours > warnAfterHours };
}
