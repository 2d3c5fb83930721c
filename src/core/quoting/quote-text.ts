import type { JobRecord, Quote } from '../record';
import { formatMoney } from '../units';
import { lineTotalMinor, totalQuote } from './total-quote';

/** The exact text of a quote: what the customer reads and what the fingerprint is taken of. */
export function quoteText(
  record: Pick<JobRecord, 'tag' | 'pump' | 'customer'>,
  quote: Pick<Quote, 'revision' | 'currency' | 'taxPct' | 'validUntil' | 'lines'>,
): string {
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const totals = totalQuote(standing, quote.taxPct);
  return [
    `Quote for ${record.tag}, revision ${quote.revision}`,
    `${record.pump.maker} ${record.pump.model}, serial ${record.pump.serial}`,
    `For ${record.customer.name}. Valid until ${quote.validUntil}.`,
    '',
    ...standing.map(
      (line, i) =>
        `${i + 1}. ${line.description}: ${line.quantity} ${line.unit} at ${money(line.unitPriceMinor)} = ${money(lineTotalMinor(line))}. ${line.plain}`,
    ),
    '',
    `Sum of the lines ${money(totals.netMinor)}, tax ${quote.taxPct} % ${money(totals.taxMinor)}, together ${money(totals.grossMinor)}.`,
  ].join('\n');
}

/** What was decided, line by line, in the words the approval keeps; says what is not covered. */
export function decisionText(quote: Quote, decisions: Readonly<Record<string, 'approved' | 'declined'>>): string {
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const approved = standing.filter((line) => decisions[line.id] === 'approved');
  const declined = standing.filter((line) => decisions[line.id] !== 'approved');
  const totals = totalQuote(approved, quote.taxPct);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  if (!approved.length) return 'Everything is declined. The pump goes back as it is.';
  return [
    `Approved: ${approved.map((line) => line.description).join('; ')}.`,
    `Together ${money(totals.netMinor)}, with tax ${money(totals.grossMinor)}.`,
    declined.length
      ? `Not approved and therefore not covered by this repair: ${declined.map((line) => line.description).join('; ')}.`
      : 'Nothing was declined.',
  ].join('\n');
}
