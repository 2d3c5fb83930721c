import { sayDay } from '../lifecycle/answer-line';
import { timesPrice } from '../money';
import { offeredLines, optionsOf, totalQuote } from '../quoting';
import { sheetOf, type Evaluation, type JobRecord, type Quote, type SheetOf } from '../record';
import { formatMoney } from '../units';

type Guessed = Pick<Evaluation, 'hours' | 'partsMinor' | 'rateMinor'> & {
  readonly outside: readonly { readonly minor: number }[];
};

/** From and to, in minor units without tax. */
export interface MoneyRange {
  readonly fromMinor: number;
  readonly toMinor: number;
}

/**
 * What the first look guesses: hours by the labour rate, parts, and what others are paid.
 * @example guessOf({ hours: { from: 4, to: 8 }, partsMinor: { from: 10000, to: 20000 }, outside: [], rateMinor: 6800 }) // { fromMinor: 37200, toMinor: 74400 }
 */
export function guessOf({ hours, partsMinor, outside, rateMinor }: Guessed): MoneyRange {
  const others = outside.reduce((sum, { minor }) => sum + minor, 0);
  return {
    fromMinor: timesPrice(hours.from, rateMinor) + partsMinor.from + others,
    toMinor: timesPrice(hours.to, rateMinor) + partsMinor.to + others,
  };
}

/** What the guess is of the price of a new unit, in percent of the middle; null where nobody asked for one. */
export function shareOfNew(evaluation: Guessed & Pick<Evaluation, 'newUnit'>): number | null {
  if (!evaluation.newUnit?.minor) return null;
  const { fromMinor, toMinor } = guessOf(evaluation);
  return Math.round((50 * (fromMinor + toMinor)) / evaluation.newUnit.minor);
}

interface Writing {
  readonly record: Pick<JobRecord, 'tag' | 'pump' | 'contact' | 'customer'>;
  readonly evaluation: Omit<Evaluation, 'sent' | 'answer'>;
  readonly currency: string;
  readonly shopName: string;
}

const turningWords = {
  free: 'It turns freely by hand.',
  stiff: 'It turns stiffly by hand.',
  solid: 'It does not turn by hand.',
} as const;
const adviceWords = {
  repair: 'We advise to repair it.',
  'one out of two': 'We advise to make one good pump out of the two.',
  'use a donor': 'We advise to repair it with parts of a donor pump.',
  'replace it': 'We advise to replace it.',
  'ask for more': 'We advise nothing yet, and ask you to tell us more.',
} as const;
const span = (from: number | string, to: number | string, unit: string) =>
  from === to ? `${from} ${unit}` : `${from} to ${to} ${unit}`;

/** The short first answer to the customer, before anything is quoted: what was seen, the guess, the advice. */
export function evaluationWords({ record, evaluation, currency, shopName }: Writing): string {
  const { pump, tag, contact, customer } = record;
  const money = (minor: number) => formatMoney({ minor, currency });
  const { fromMinor, toMinor } = guessOf(evaluation);
  const { hours, days, newUnit, advice, words, causes, binds, substance, turns } = evaluation;
  const sum = fromMinor === toMinor ? money(fromMinor) : `${money(fromMinor)} to ${money(toMinor)}`;
  return [
    `Dear ${contact?.name ?? customer.name},`,
    '',
    `we have had a first look at your pump ${pump.maker} ${pump.model}, serial ${pump.serial} (our tag ${tag}).`,
    `${turningWords[turns]}${binds ? ` It binds: ${binds}.` : ''}${substance ? ` In it: ${substance}.` : ''}`,
    ...(causes.length ? [`What we see so far: ${causes.join('; ')}.`] : []),
    `About ${span(hours.from, hours.to, 'hours')} of work and ${span(days.from, days.to, 'working days')}; about ${sum} without tax. This is a guess, not an offer: the offer follows when everything is measured.`,
    ...(newUnit ? [`A new unit costs about ${money(newUnit.minor)} and takes about ${newUnit.days} days.`] : []),
    adviceWords[advice],
    ...(words ? [words] : []),
    '',
    'Tell us by answering this mail or by telephone how you want to go on.',
    '',
    shopName,
  ].join('\n');
}

/** The last evaluation of a pump; null where nobody wrote one. */
export function evaluationOf(record: Pick<JobRecord, 'sheets'>): SheetOf<'evaluation'> | null {
  return sheetOf(record, 'evaluation');
}

/** By how much a quote goes beyond the guess that was sent to the customer; null where it does not, or none was sent. */
export function beyondGuess(record: Pick<JobRecord, 'sheets'>, quote: Quote): number | null {
  const evaluation = evaluationOf(record);
  if (!evaluation?.body.sent || quote.kind !== 'quote') return null;
  const option = optionsOf(quote).includes(quote.advised) ? quote.advised : null;
  const { netMinor } = totalQuote(offeredLines(quote, option), quote);
  const over = netMinor - guessOf(evaluation.body).toMinor;
  return over > 0 ? over : null;
}

/** How the owner answered the first look, in a sentence; null where they did not yet. */
export function sayEvaluationAnswer({ answer }: Pick<Evaluation, 'answer'>): string | null {
  if (!answer) return null;
  const words = answer.words ? `: ${answer.words}` : '';
  return `${answer.saidBy} answered on ${sayDay(answer.at)}: ${answer.choice}${words}`;
}
