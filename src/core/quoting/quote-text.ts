import { english, type Words } from '../../words';
import type { JobRecord, LineDecision, OptionLevel, Quote, QuoteLine } from '../record';
import { lineTotalMinor, offeredLines, optionsOf, standsIn, totalQuote } from './total-quote';

type Priced = Pick<Quote, 'kind' | 'currency' | 'taxPct' | 'discountPct' | 'lines' | 'options' | 'advised'>;
type Offered = Priced & Pick<Quote, 'revision' | 'validUntil' | 'note'>;

const moneyIn =
  ({ currency }: Pick<Quote, 'currency'>, words: Words) =>
  (minor: number) =>
    words.money({ minor, currency });

/** Which options a line stands in, where not in all, and what happens in the others. */
function sayOptions(line: QuoteLine, { options }: Priced, { say }: Words): string {
  const within = options.filter((option) => standsIn(line, option));
  if (within.length === options.length) return '';
  const named = within.map((option) => say(`option.${option}`)).join(', ');
  return line.instead
    ? say('text.optionsOtherwise', { options: named, instead: line.instead })
    : say('text.options', { options: named });
}

function sayLine(line: QuoteLine, number: number, quote: Priced, words: Words): string {
  const money = moneyIn(quote, words);
  return words.say('text.line', {
    ...{ number, description: line.description, quantity: words.number(line.quantity), unit: words.phrase(line.unit) },
    ...{ price: money(line.unitPriceMinor), total: money(lineTotalMinor(line)), plain: line.plain },
    off: line.discountPct ? words.say('text.off', { percent: words.number(line.discountPct) }) : '',
    options: sayOptions(line, quote, words),
  });
}

/** The sum of an option, or of the quote where there is nothing to choose. */
function saySum(option: OptionLevel | null, quote: Priced, words: Words): string {
  const { say, number } = words;
  const money = moneyIn(quote, words);
  const totals = totalQuote(offeredLines(quote, option), quote);
  const subject =
    option === null
      ? say('text.sumWhole')
      : say(option === quote.advised ? 'text.sumAdvised' : 'text.sumOption', { option: say(`option.${option}`) });
  const off = quote.discountPct
    ? say('text.sumOff', {
        ...{ percent: number(quote.discountPct), discount: money(totals.discountMinor), net: money(totals.netMinor) },
      })
    : '';
  return say('text.sum', {
    ...{ subject, lines: money(totals.linesMinor), off, percent: number(quote.taxPct) },
    ...{ tax: money(totals.taxMinor), gross: money(totals.grossMinor) },
  });
}

/** What a quote is called. @example nameQuote({ kind: 'supplement', revision: 1 }) // 'Supplement 1' */
export function nameQuote({ kind, revision }: Pick<Quote, 'kind' | 'revision'>, { say }: Words = english): string {
  return say(`${kind}.name`, { revision });
}

/** The exact text of a quote: what the customer reads and what the fingerprint is taken of. */
export function quoteText(
  record: Pick<JobRecord, 'tag' | 'pump' | 'customer'>,
  quote: Offered,
  words: Words = english,
): string {
  const { say } = words;
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const { maker, model, serial } = record.pump;
  return [
    say(`text.${quote.kind}`, { tag: record.tag, revision: quote.revision }),
    say('text.pump', { pump: `${maker} ${model}`, serial }),
    say('text.for', { customer: record.customer.name, day: quote.validUntil }),
    ...(quote.note ? ['', quote.note] : []),
    '',
    ...standing.map((line, i) => sayLine(line, i + 1, quote, words)),
    '',
    ...optionsOf(quote).map((option) => saySum(option, quote, words)),
  ].join('\n');
}

/** What was decided: line by line, and the option that was chosen. */
export interface Decided {
  readonly decisions: Readonly<Record<string, LineDecision>>;
  readonly option: OptionLevel | null;
}

const named = (lines: readonly QuoteLine[]) => lines.map((line) => line.description).join('; ');

/** What is done with the parts of lines that the chosen option leaves out: each with its word. */
function sayLeft(lines: readonly QuoteLine[], { say }: Words): readonly string[] {
  const left = lines.filter(({ instead }) => instead).map(({ description, instead }) => `${description}: ${instead}`);
  return left.length ? [say('decision.left', { parts: left.join('; ') })] : [];
}

/** Of a repair: the pump goes back. Of a supplement: the damage stays, and whether that was said. */
function sayAllDeclined({ kind }: Priced, declined: readonly QuoteLine[], { say }: Words): string {
  if (kind === 'quote') return say('decision.all');
  const isCritical = declined.some((line) => line.critical);
  return say(isCritical ? 'decision.declinedTold' : 'decision.declined', { lines: named(declined) });
}

/** What was decided, line by line, in the words the approval keeps; says what is not covered. */
export function decisionText(quote: Priced, { decisions, option }: Decided, words: Words = english): string {
  const { say } = words;
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const approved = standing.filter((line) => decisions[line.id] === 'approved');
  const left = standing.filter((line) => decisions[line.id] === 'not chosen');
  const declined = standing.filter((line) => decisions[line.id] !== 'approved' && decisions[line.id] !== 'not chosen');
  const critical = declined.filter((line) => line.critical);
  const totals = totalQuote(approved, quote);
  const money = moneyIn(quote, words);
  if (!approved.length) return sayAllDeclined(quote, declined, words);
  return [
    ...(option ? [say('decision.chosen', { option: say(`option.${option}`) })] : []),
    say('decision.approved', { lines: named(approved) }),
    say('decision.together', { net: money(totals.netMinor), gross: money(totals.grossMinor) }),
    ...sayLeft(left, words),
    ...(critical.length ? [say('decision.critical', { lines: named(critical) })] : []),
    declined.length ? say('decision.not', { lines: named(declined) }) : say('decision.nothing'),
  ].join('\n');
}
