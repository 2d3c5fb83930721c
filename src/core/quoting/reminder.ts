import { english, type Words } from '../../words';
import { letterTo, type LetterWords, type Sender } from '../letters';
import type { JobRecord, Quote } from '../record';

interface Waiting {
  readonly record: Pick<JobRecord, 'tag' | 'pump' | 'contact' | 'customer' | 'reminders'>;
  readonly quote: Quote;
  /** The shop's day. */
  readonly today: string;
  readonly sender: Sender;
  /** The language of the quote; English where it is left out. */
  readonly words?: Words;
}
interface Asked extends Waiting {
  /** After how many days without an answer the shop reminds. */
  readonly afterDays: number;
}

export interface DraftedReminder {
  /** Whether the shop's time for an answer has run out. */
  readonly isDue: boolean;
  /** Days since the customer heard of it last. */
  readonly days: number;
  readonly words: string;
}

const dayMs = 86_400_000;
const daysBetween = (from: string, to: string) => Math.floor((Date.parse(to) - Date.parse(from.slice(0, 10))) / dayMs);

/** The letter that reminds of a quote as it stands on a day. */
export function reminderLetter({ record, quote, today, sender, words = english }: Waiting): LetterWords {
  const { say } = words;
  const day = words.day(quote.validUntil, today);
  return letterTo({ ...sender, words }, record, 'reminder', {
    since: String(daysBetween(quote.sentAt ?? today, today)),
    offer: say(quote.kind === 'quote' ? 'letter.offerQuote' : 'letter.offerSupplement', { revision: quote.revision }),
    standing: say(quote.kind === 'supplement' ? 'letter.standingSupplement' : 'letter.standingQuote'),
    validity: say(quote.validUntil < today ? 'letter.validPast' : 'letter.validUntil', { day }),
  });
}

/**
 * The reminder that the shop's rule drafts for a quote that waits: due so many days after it was sent, or after the last
 * reminder of it. Null for one that does not wait.
 */
export function draftReminder({ afterDays, ...waiting }: Asked): DraftedReminder | null {
  const { record, quote, today } = waiting;
  if (quote.state !== 'sent' || !quote.sentAt) return null;
  const last = record.reminders.findLast(({ quoteId }) => quoteId === quote.id)?.at ?? quote.sentAt;
  const days = daysBetween(last, today);
  return { isDue: days >= afterDays, days, words: reminderLetter(waiting).body };
}
