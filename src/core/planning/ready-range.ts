import { addDays, addWorkMinutes, benchMinutesPerDay } from './work-calendar';

/** What still lies before a job, as core reckons it at every change. */
export interface Remaining {
  readonly benchMinutesBeforeAnswer: number;
  readonly answerAwaited: boolean;
  /** Days of lead still ahead when parts are not yet ordered; 0 when nothing is needed. */
  readonly partsLeadDays: number;
  /** The last acknowledged date of what is on order. */
  readonly partsDueOn: string | null;
  readonly benchMinutesAfterParts: number;
  readonly standMinutes: number;
  readonly holdUntil: string | null;
}

export interface ReadyRange {
  readonly early: string;
  readonly likely: string;
  readonly late: string;
}

interface Case {
  readonly work: number;
  readonly answerDays: number;
  readonly lead: number;
  readonly slipDays: number;
}

/**
 * Factors on standard times, answer times in days, factors on lead times: from good to bad. Values of the shop's own
 * experience.
 */
const cases: Readonly<Record<keyof ReadyRange, Case>> = {
  early: { work: 0.85, answerDays: 1, lead: 1, slipDays: 0 },
  likely: { work: 1, answerDays: 3, lead: 1, slipDays: 1 },
  late: { work: 1.35, answerDays: 7, lead: 1.3, slipDays: 4 },
};

const later = (one: string, other: string) => (one > other ? one : other);

function readyIn(remaining: Remaining, today: string, { work, answerDays, lead, slipDays }: Case): string {
  const start = remaining.holdUntil ? later(remaining.holdUntil, today) : today;
  const quoted = addWorkMinutes({
    from: start,
    minutes: remaining.benchMinutesBeforeAnswer * work,
    perDay: benchMinutesPerDay,
  });
  const answered = remaining.answerAwaited ? addDays(quoted, answerDays) : quoted;
  const ordered =
    remaining.partsLeadDays > 0 ? addDays(answered, Math.ceil(remaining.partsLeadDays * lead) + slipDays) : answered;
  const arrived = remaining.partsDueOn
    ? later(ordered, addDays(later(remaining.partsDueOn, today), slipDays))
    : ordered;
  return addWorkMinutes({
    from: arrived,
    minutes: (remaining.benchMinutesAfterParts + remaining.standMinutes) * work,
    perDay: benchMinutesPerDay,
  });
}

/**
 * When a job will be ready: early, likely and late, from standard times, answer times and lead times.
 * Inputs: what remains; today as ISO date. Always early ≤ likely ≤ late, never before today.
 */
export function readyRange(remaining: Remaining, today: string): ReadyRange {
  return {
    early: readyIn(remaining, today, cases.early),
    likely: readyIn(remaining, today, cases.likely),
    late: readyIn(remaining, today, cases.late),
  };
}
