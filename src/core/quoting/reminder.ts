import { sayDay } from '../lifecycle/answer-line';
import { fillLetter, letterTable, type LetterWords } from '../letters';
import type { JobRecord, Quote } from '../record';
import { nameQuote } from './quote-text';

interface Asked {
  readonly record: Pick<JobRecord, 'tag' | 'pump' | 'contact' | 'customer' | 'reminders'>;
  readonly quote: Quote;
  /** The shop's day, and after how many days without an answer it reminds. */
  readonly today: string;
  readonly afterDays: number;
  readonly shopName: string;
  readonly telephone?: string;
  /** The shop's own words of a reminder; the usual ones where it has none. */
  readonly letter?: LetterWords | undefined;
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

/**
 * The reminder that the shop's rule drafts for a quote that waits: due so many days after it was sent, or after the last
 * reminder of it. Null for one that does not wait.
 */
export function draftReminder(asked: Asked): DraftedReminder | null {
  const { record, quote, today, afterDays, shopName, telephone = '', letter } = asked;
  if (quote.state !== 'sent' || !quote.sentAt) return null;
  const last = record.reminders.findLast(({ quoteId }) => quoteId === quote.id)?.at ?? quote.sentAt;
  const days = daysBetween(last, today);
  const since = daysBetween(quote.sentAt, today);
  const { maker, model, serial } = record.pump;
  const validUntil = sayDay(quote.validUntil);
  const isPast = quote.validUntil < today;
  const { body } = fillLetter(letter ?? letterTable.reminder.usual, {
    ...{ contact: record.contact?.name ?? record.customer.name, tag: record.tag, shop: shopName, telephone },
    pump: `${maker} ${model}, serial ${serial} (our tag ${record.tag})`,
    ...{ since: String(since), offer: nameQuote(quote).toLowerCase() },
    standing:
      quote.kind === 'supplement'
        ? 'The work that does not need your answer goes on; the rest waits for it.'
        : 'Until you answer, the pump lies here and nothing is ordered for it.',
    validity: isPast
      ? `The offer was valid until ${validUntil}; if you answer now we tell you whether a price has changed.`
      : `The offer is valid until ${validUntil}. You can ask us, choose and answer by the link beneath.`,
  });
  return { isDue: days >= afterDays, days, words: body };
}
