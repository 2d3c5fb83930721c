import { shareOf } from '../money';
import type { Finding, QuoteLine } from '../record';

/** What a shop reckons a quote by. Money in minor units. */
export interface Rates {
  readonly labourMinorPerHour: number;
  readonly machiningMinorPerHour: number;
  /** What an hour of work costs the shop; null where it does not say. */
  readonly wageMinorPerHour: number | null;
  readonly testMinor: number;
  readonly freightMinor: number;
  readonly partsMarkupPct: number;
}

export type DraftLine = Omit<QuoteLine, 'id'>;

/** A line with what is the same in most of them. */
export function draftLine(
  given: Partial<DraftLine> & Pick<DraftLine, 'key' | 'kind' | 'description' | 'plain' | 'unitPriceMinor'>,
): DraftLine {
  return {
    ...{ itemKeys: [], quantity: 1, unit: 'pc', findingIds: [], parts: [], declinable: true, struckReason: null },
    ...{ options: [], instead: '', critical: false, byHand: false, proposed: null, proposalMoved: false },
    ...{ discountPct: 0, unitCostMinor: null },
    ...given,
  };
}

/** A text as a sentence: it begins with a capital and ends with a stop, whatever was typed. */
export function asSentence(text: string): string {
  const trimmed = text.trim();
  if (!trimmed) return '';
  const begun = trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
  return /[.!?…]$/.test(begun) ? begun : `${begun}.`;
}

/** What the customer reads of findings together: each once, as sentences. */
export function sentencesOf(findings: readonly Pick<Finding, 'plain'>[]): string {
  return [...new Set(findings.map((finding) => asSentence(finding.plain)))].filter(Boolean).join(' ');
}

/** What is left of an amount after a discount, in minor units. @example afterDiscount(10000, 12.5) // 8750 */
export function afterDiscount(minor: number, discountPct: number): number {
  return minor - shareOf(minor, discountPct);
}
