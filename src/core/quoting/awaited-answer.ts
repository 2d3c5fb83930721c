import { addDays } from '../planning';

const dayMs = 86_400_000;

/** A quote that waits: for how long, and when the shop’s rule drafts the next reminder. */
export interface AwaitedAnswer {
  readonly days: number;
  readonly nextReminderOn: string;
  readonly isDue: boolean;
  readonly isExpired: boolean;
}

interface Sent {
  /** ISO dates in the shop's zone. */
  readonly sentOn: string;
  readonly remindedOn: string | null;
  readonly validUntil: string;
}

/**
 * How an answer that is awaited stands: the next reminder comes so many days after the quote was sent or reminded of last.
 * @example awaitedAnswer({ sentOn: '2026-11-20', remindedOn: null, validUntil: '2026-12-20' }, '2026-11-27', 7).isDue // true
 */
export function awaitedAnswer(
  { sentOn, remindedOn, validUntil }: Sent,
  today: string,
  afterDays: number,
): AwaitedAnswer {
  const nextReminderOn = addDays(remindedOn ?? sentOn, afterDays);
  return {
    days: Math.round((Date.parse(today) - Date.parse(sentOn)) / dayMs),
    ...{ nextReminderOn, isDue: nextReminderOn <= today, isExpired: validUntil < today },
  };
}
