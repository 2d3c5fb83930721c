import type { Family } from '../family';
import { readyRange, type ReadyRange, type Remaining } from '../planning';
import type { OptionLevel, Quote, QuoteLine } from '../record';
import type { WayName } from './compare-ways';
import { addedMinutes, leadOfLines } from './quoted-work';
import { offeredLines, optionsOf } from './total-quote';

interface Asked {
  readonly remaining: Remaining;
  readonly family: Pick<Family, 'parts' | 'kits'>;
  readonly quote: Pick<Quote, 'lines' | 'options' | 'advised'>;
  readonly today: string;
}

/** When each way would be ready if it were taken, and how many days that is from today. */
export type ReadyOfWays = Readonly<Partial<Record<WayName, ReadyRange & { readonly days: number }>>>;

const dayMs = 86_400_000;
const daysTo = (from: string, to: string) => Math.max(0, Math.round((Date.parse(to) - Date.parse(from)) / dayMs));

function readyWith(
  { remaining, family, today }: Asked,
  lines: readonly QuoteLine[],
): ReadyRange & { readonly days: number } {
  const lead = leadOfLines(lines, family);
  const minutes = remaining.benchMinutesAfterParts + addedMinutes(lines);
  const ready = readyRange({ ...remaining, partsLeadDays: lead, benchMinutesAfterParts: minutes }, today);
  return { ...ready, days: daysTo(today, ready.likely) };
}

/**
 * When the pump would be ready in each option and closed up as it is, from the parts and the work of its lines.
 * @param asked what remains of the job, its family's lead times, the quote, and today
 */
export function readyOfWays(asked: Asked): ReadyOfWays {
  const { quote, remaining, today } = asked;
  const entries = optionsOf(quote).map((option): [OptionLevel, ReadyRange & { readonly days: number }] => [
    option ?? quote.advised,
    readyWith(asked, offeredLines(quote, option)),
  ]);
  const closed = readyRange({ ...remaining, partsLeadDays: 0, partsDueOn: null, standMinutes: 0 }, today);
  return { ...Object.fromEntries(entries), 'as it is': { ...closed, days: daysTo(today, closed.likely) } };
}
