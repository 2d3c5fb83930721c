import { english, type Words } from '../../words';
import { letterTo, type LetterWords, type Sender } from '../letters';
import { sayDay } from '../lifecycle/answer-line';
import { timesPrice } from '../money';
import { offeredLines, optionsOf, totalQuote } from '../quoting';
import { sheetOf, type Evaluation, type JobRecord, type Quote, type SheetOf } from '../record';

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
  readonly sender: Sender;
}

interface Span {
  readonly from: number;
  readonly to: number;
}
const sayHours = ({ from, to }: Span, { say, number }: Words) =>
  from === to ? say('look.hoursOne', { hours: from }) : say('look.hours', { from: number(from), to: number(to) });
const sayDays = ({ from, to }: Span, { say }: Words) =>
  from === to ? say('look.daysOne', { days: from }) : say('look.days', { from, to });

/** The short first answer to the customer, before anything is quoted: what was seen, the guess, the advice. */
export function evaluationLetter({ record, evaluation, currency, sender }: Writing): LetterWords {
  const { words = english } = sender;
  const { say, phrase } = words;
  const money = (minor: number) => words.money({ minor, currency });
  const { fromMinor, toMinor } = guessOf(evaluation);
  const { hours, days, newUnit, advice, causes, binds, substance, turns } = evaluation;
  const sum =
    fromMinor === toMinor ? money(fromMinor) : say('look.sum', { from: money(fromMinor), to: money(toMinor) });
  const state = [
    say(`look.turns.${turns}`),
    binds && say('look.binds', { what: phrase(binds) }),
    substance && say('look.substance', { what: phrase(substance) }),
  ];
  return letterTo(sender, record, 'evaluation', {
    state: state.filter(Boolean).join(' '),
    causes: causes.length ? say('look.causes', { causes: causes.map(phrase).join('; ') }) : '',
    guess: say('look.guess', { hours: sayHours(hours, words), days: sayDays(days, words), sum }),
    alternative: newUnit ? say('look.newUnit', { money: money(newUnit.minor), days: newUnit.days }) : '',
    ...{ advice: say(`look.advice.${advice}`), words: evaluation.words },
  });
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
