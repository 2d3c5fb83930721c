import { english, type Words } from '../../words';
import type { Family } from '../family';
import { sheetOf, type EarlierVisit, type JobRecord, type ScopeSource, type SheetOf } from '../record';
import { scopeOf } from '../scope';

/**
 * The last day of a warranty, `YYYY-MM-DD`: so many months after the day on which it began, or the last of its month.
 * @example warrantyEnd('2026-08-31', 6) // '2027-02-28'
 */
export function warrantyEnd(from: string, months: number): string {
  const [year = 0, month = 1, day = 1] = from.split('-').map(Number);
  const count = year * 12 + (month - 1) + months;
  const [endYear, endMonth] = [Math.floor(count / 12), (count % 12) + 1];
  const isLeap = (endYear % 4 === 0 && endYear % 100 !== 0) || endYear % 400 === 0;
  const lengths = [31, isLeap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
  const last = Math.min(day, lengths[endMonth - 1] ?? 30);
  return `${endYear}-${String(endMonth).padStart(2, '0')}-${String(last).padStart(2, '0')}`;
}

/** A stay of a pump, and the warranty that it left with, if any. */
interface Stay {
  readonly tag: string;
  readonly openedAt: Date;
  readonly warrantyFrom: string | null;
  readonly warrantyMonths: number | null;
}

/** The earlier of a pump's stays under whose warranty it came at a moment; null where it came for itself. */
export function underWarrantyOf(stays: readonly Stay[], openedAt: Date): string | null {
  const day = openedAt.toISOString().slice(0, 10);
  const covers = ({ warrantyFrom, warrantyMonths }: Stay) =>
    warrantyFrom !== null && warrantyMonths !== null && warrantyEnd(warrantyFrom, warrantyMonths) >= day;
  return stays.find((stay) => stay.openedAt < openedAt && covers(stay))?.tag ?? null;
}

/** The earlier visit within whose warranty the pump came back; null where it came for itself. */
export function warrantyClaim({
  earlierVisits,
  openedAt,
}: Pick<JobRecord, 'earlierVisits' | 'openedAt'>): EarlierVisit | null {
  const day = openedAt.slice(0, 10);
  return (
    earlierVisits.find(({ outcome, warrantyUntil }) => outcome === 'repaired' && (warrantyUntil ?? '') >= day) ?? null
  );
}

/** What was judged of a warranty return; null where nobody judged it. */
export function warrantyOf(record: Pick<JobRecord, 'sheets'>): SheetOf<'warranty'> | null {
  return sheetOf(record, 'warranty');
}

/** Whether a warranty return still waits for its judgement. */
export function isWarrantyUnjudged(record: JobRecord): boolean {
  return warrantyClaim(record) !== null && warrantyOf(record) === null;
}

/** What the customer reads of a warranty return. */
export function warrantyWords(
  { earlierTag, sharePct, reason }: SheetOf<'warranty'>['body'],
  { say, number }: Words = english,
): string {
  const borne = sharePct === 0 ? 'not' : sharePct === 100 ? 'all' : 'share';
  return say(`warranty.${borne}`, { tag: earlierTag, reason, percent: number(sharePct) });
}

/** Where parts and work come from, in the order in which a warranty names them. */
const inOrder: readonly ScopeSource[] = [
  ...(['bought', 'shelf', 'customer’s own', 'made here'] as const),
  ...(['donor', 'our own hands', 'outside', 'kept'] as const),
];

/** For how long a part is covered, by where it came from. */
export interface WarrantyTerm {
  readonly source: ScopeSource;
  readonly parts: readonly string[];
  readonly months: number;
}

/** What the shop does not answer for: what was kept, and what the customer brought. */
const uncovered: ReadonlySet<string> = new Set(['kept', 'customer’s own']);

/**
 * The warranty by the source of each part: what was bought, made or done here has the shop's term; what was kept or
 * brought by the customer has none. Empty for a pump that was not repaired.
 */
export function warrantyTerms(record: JobRecord, family: Family, months: number): readonly WarrantyTerm[] {
  if (record.outcome !== 'repaired') return [];
  const done = scopeOf(record, family).filter(
    ({ standing, source }) => standing === 'done' || standing === 'supplied' || source === 'kept',
  );
  return inOrder.flatMap((source) => {
    const items = done.filter((item) => item.source === source);
    if (!items.length) return [];
    const parts = [...new Set(items.filter(({ partRef }) => partRef !== null).map(({ title }) => title))];
    return [{ source, parts, months: uncovered.has(source) ? 0 : months }];
  });
}

/** Soft parts that were kept by their condition, by name. */
export function softKept(record: JobRecord, family: Family): readonly string[] {
  return scopeOf(record, family)
    .filter(({ policy }) => policy === 'kept by condition')
    .map(({ title }) => title);
}

/** Months of warranty of a repair: the shop's, or half of it where soft parts were kept by their condition. */
export function warrantyMonthsOf(record: JobRecord, family: Family, shopMonths: number): number {
  return softKept(record, family).length ? Math.floor(shopMonths / 2) : shopMonths;
}

/** A term in a line. @example sayTerm({ source: 'kept', parts: ['Shaft'], months: 0 }) // 'parts kept (Shaft): none' */
export function sayTerm({ source, parts, months }: WarrantyTerm, { say, phrase }: Words = english): string {
  const values = { source: say(`source.${source}`), parts: parts.map(phrase).join(', '), months };
  return say(parts.length ? 'warranty.termOf' : 'warranty.term', values);
}
