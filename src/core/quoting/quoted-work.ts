import type { Family } from '../family';
import { currentQuote, type JobRecord, type QuoteLine } from '../record';
import { approvedLines, hasQuoteAnswer } from '../supply';
import { buyingKey, isStandingWork } from './line-keys';
import { offeredLines } from './total-quote';

/** Lines that count for what lies ahead: what was approved; before the answer what the quote advises; null before a quote. */
export function linesAhead(record: JobRecord): readonly QuoteLine[] | null {
  const quote = currentQuote(record);
  if (!quote) return null;
  if (hasQuoteAnswer(record)) return approvedLines(record);
  return offeredLines(quote, quote.options.length ? quote.advised : null);
}

/** Days of lead of what some lines buy: of a kit as the kit, of a part as the part. */
export function leadOfLines(lines: readonly QuoteLine[], { parts, kits }: Pick<Family, 'parts' | 'kits'>): number {
  const leads = lines.flatMap(({ key, parts: bought }) => {
    const kit = kits.find(({ id }) => buyingKey(id) === key);
    if (kit) return [kit.lead_days];
    return parts.filter(({ ref }) => bought.some((one) => one.ref === ref)).map(({ lead_days }) => lead_days);
  });
  return Math.max(0, ...leads);
}

/** Minutes of work that some lines add to the standing work of every repair: all of them, or those of one kind. */
export function addedMinutes(lines: readonly QuoteLine[], kind: QuoteLine['kind'] | null = null): number {
  return lines
    .filter((line) => line.unit === 'h' && !isStandingWork(line) && (kind === null || line.kind === kind))
    .reduce((sum, { quantity }) => sum + quantity * 60, 0);
}
