import {
  optionNames,
  type JobRecord,
  type LineDecision,
  type OptionLevel,
  type Quote,
  type QuoteLine,
} from '../record';
import { formatMoney } from '../units';
import { lineTotalMinor, offeredLines, optionsOf, standsIn, totalQuote } from './total-quote';

type Priced = Pick<Quote, 'kind' | 'currency' | 'taxPct' | 'discountPct' | 'lines' | 'options' | 'advised'>;
type Offered = Priced & Pick<Quote, 'revision' | 'validUntil' | 'note'>;

const moneyIn =
  ({ currency }: Pick<Quote, 'currency'>) =>
  (minor: number) =>
    formatMoney({ minor, currency });

/** Which options a line stands in, where not in all, and what happens in the others. */
function sayOptions(line: QuoteLine, { options }: Priced): string {
  const within = options.filter((option) => standsIn(line, option));
  if (within.length === options.length) return '';
  const otherwise = line.instead ? `, otherwise ${line.instead}` : '';
  return ` (${within.map((option) => optionNames[option]).join(', ')}${otherwise})`;
}

function sayLine(line: QuoteLine, number: number, quote: Priced): string {
  const money = moneyIn(quote);
  const off = line.discountPct ? ` less ${line.discountPct} %` : '';
  return `${number}. ${line.description}: ${line.quantity} ${line.unit} at ${money(line.unitPriceMinor)}${off} = ${money(lineTotalMinor(line))}. ${line.plain}${sayOptions(line, quote)}`;
}

/** The sum of an option, or of the quote where there is nothing to choose. */
function saySum(option: OptionLevel | null, quote: Priced): string {
  const money = moneyIn(quote);
  const totals = totalQuote(offeredLines(quote, option), quote);
  const advised = option !== null && option === quote.advised ? ', which we advise' : '';
  const subject = option === null ? 'Sum of the lines' : `${optionNames[option]}${advised}: sum of the lines`;
  const off = quote.discountPct
    ? ` less ${quote.discountPct} % ${money(totals.discountMinor)} is ${money(totals.netMinor)}`
    : '';
  return `${subject} ${money(totals.linesMinor)}${off}, tax ${quote.taxPct} % ${money(totals.taxMinor)}, together ${money(totals.grossMinor)}.`;
}

/** What a quote is called. @example nameQuote({ kind: 'supplement', revision: 1 }) // 'Supplement 1' */
export function nameQuote({ kind, revision }: Pick<Quote, 'kind' | 'revision'>): string {
  return kind === 'quote' ? `Quote, revision ${revision}` : `Supplement ${revision}`;
}

/** The exact text of a quote: what the customer reads and what the fingerprint is taken of. */
export function quoteText(record: Pick<JobRecord, 'tag' | 'pump' | 'customer'>, quote: Offered): string {
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const head =
    quote.kind === 'quote'
      ? `Quote for ${record.tag}, revision ${quote.revision}`
      : `Supplement ${quote.revision} for ${record.tag}`;
  return [
    head,
    `${record.pump.maker} ${record.pump.model}, serial ${record.pump.serial}`,
    `For ${record.customer.name}. Valid until ${quote.validUntil}.`,
    ...(quote.note ? ['', quote.note] : []),
    '',
    ...standing.map((line, i) => sayLine(line, i + 1, quote)),
    '',
    ...optionsOf(quote).map((option) => saySum(option, quote)),
  ].join('\n');
}

/** What was decided: line by line, and the option that was chosen. */
export interface Decided {
  readonly decisions: Readonly<Record<string, LineDecision>>;
  readonly option: OptionLevel | null;
}

const named = (lines: readonly QuoteLine[]) => lines.map((line) => line.description).join('; ');

/** What is done with the parts of lines that the chosen option leaves out: each with its word. */
function sayLeft(lines: readonly QuoteLine[]): readonly string[] {
  const left = lines.filter(({ instead }) => instead).map(({ description, instead }) => `${description}: ${instead}`);
  return left.length ? [`Left out of this option: ${left.join('; ')}.`] : [];
}

/** Of a repair: the pump goes back. Of a supplement: the damage stays, and whether that was said. */
function sayAllDeclined({ kind }: Priced, declined: readonly QuoteLine[]): string {
  if (kind === 'quote') return 'Everything is declined. The pump goes back as it is.';
  const isCritical = declined.some((line) => line.critical);
  const told = isCritical ? ', though the pump may fail without it, which was said and confirmed' : '';
  return `Declined${told}: ${named(declined)}. It stays as it is and is not covered by this repair.`;
}

/** What was decided, line by line, in the words the approval keeps; says what is not covered. */
export function decisionText(quote: Priced, { decisions, option }: Decided): string {
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const approved = standing.filter((line) => decisions[line.id] === 'approved');
  const left = standing.filter((line) => decisions[line.id] === 'not chosen');
  const declined = standing.filter((line) => decisions[line.id] !== 'approved' && decisions[line.id] !== 'not chosen');
  const critical = declined.filter((line) => line.critical);
  const totals = totalQuote(approved, quote);
  const money = moneyIn(quote);
  if (!approved.length) return sayAllDeclined(quote, declined);
  return [
    ...(option ? [`Chosen: ${optionNames[option]}.`] : []),
    `Approved: ${named(approved)}.`,
    `Together ${money(totals.netMinor)}, with tax ${money(totals.grossMinor)}.`,
    ...sayLeft(left),
    ...(critical.length
      ? [`Declined though the pump may fail without it, which was said and confirmed: ${named(critical)}.`]
      : []),
    declined.length
      ? `Not approved and therefore not covered by this repair: ${named(declined)}.`
      : 'Nothing was declined.',
  ].join('\n');
}
