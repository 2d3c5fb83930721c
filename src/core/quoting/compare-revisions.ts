import type { OptionLevel, Quote, QuoteLine } from '../record';
import { lineTotalMinor, offeredLines, optionsOf, totalQuote } from './total-quote';

/** How one line differs from the revision before. Money in minor units. */
export interface LineChange {
  readonly key: string;
  readonly description: string;
  readonly change: 'new' | 'gone' | 'price' | 'words' | 'options';
  readonly beforeMinor: number | null;
  readonly afterMinor: number | null;
}

export interface RevisionChange {
  readonly since: Pick<Quote, 'revision' | 'sentAt'>;
  readonly lines: readonly LineChange[];
  /** The sum without tax of each option that both offer. */
  readonly options: readonly {
    readonly option: OptionLevel | null;
    readonly beforeMinor: number;
    readonly afterMinor: number;
  }[];
}

const standing = ({ lines }: Pick<Quote, 'lines'>) => lines.filter((line) => line.struckReason === null && line.key);

function changeOf(after: QuoteLine, before: QuoteLine | undefined): LineChange | null {
  const { key, description } = after;
  const [afterMinor, beforeMinor] = [lineTotalMinor(after), before ? lineTotalMinor(before) : null];
  const said = (change: LineChange['change']) => ({ key, description, change, beforeMinor, afterMinor });
  if (!before) return said('new');
  if (beforeMinor !== afterMinor) return said('price');
  if (after.options.join() !== before.options.join()) return said('options');
  return before.description === description && before.plain === after.plain ? null : said('words');
}

/** What changed from one revision to the next: lines new, gone and different, and the sums of the options. */
export function compareRevisions(before: Quote, after: Quote): RevisionChange {
  const [old, now] = [standing(before), standing(after)];
  const known = new Map(old.map((line) => [line.key, line]));
  const here = new Set(now.map(({ key }) => key));
  const gone = old
    .filter(({ key }) => !here.has(key))
    .map((line) => ({
      ...{ key: line.key, description: line.description, change: 'gone' as const },
      ...{ beforeMinor: lineTotalMinor(line), afterMinor: null },
    }));
  const shared = optionsOf(after).filter((option) => optionsOf(before).includes(option));
  return {
    since: { revision: before.revision, sentAt: before.sentAt },
    lines: [...now.flatMap((line) => changeOf(line, known.get(line.key)) ?? []), ...gone],
    options: shared.map((option) => ({
      option,
      beforeMinor: totalQuote(offeredLines(before, option), before).netMinor,
      afterMinor: totalQuote(offeredLines(after, option), after).netMinor,
    })),
  };
}

/** What changed since the revision that the customer saw last; null where there was none. */
export function changedSinceSent(quotes: readonly Quote[], quote: Quote): RevisionChange | null {
  const before = quotes
    .filter(({ kind, revision, sentAt }) => kind === quote.kind && revision < quote.revision && sentAt !== null)
    .at(-1);
  return quote.kind === 'quote' && before ? compareRevisions(before, quote) : null;
}
