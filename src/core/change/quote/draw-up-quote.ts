import type { Language } from '../../../words';
import { wordsOf } from '../../../words/every-language';
import { distinctOptions, growLines, offerLine, reviseLines, type ConversionOffer, type Rates } from '../../quoting';
import {
  currentQuote,
  supplementsOf,
  type ComparisonBasis,
  type JobRecord,
  type OptionLevel,
  type Quote,
  type QuoteId,
  type QuoteLineId,
  type RowOf,
} from '../../record';
import { put, type Put } from '../change';
import { warrantyOf, warrantyWords } from '../../warranty';
import { requireStation, type Decider } from '../decision';
import { headOfQuote } from './draft-of';

/** What of the shop's settings a quote depends on. */
export interface ShopTerms {
  readonly currency: string;
  readonly rates: Rates;
  readonly taxPct: number;
  /** Other rates that a quote can be given. */
  readonly taxes: readonly { readonly name: string; readonly pct: number }[];
  readonly quoteValidDays: number;
  /** What the shop compares ways by; null for the usual figures. */
  readonly basis: ComparisonBasis | null;
  /** In which its papers are written. */
  readonly language: Language;
  /** What is offered in place of a packing, where this job does so. */
  readonly sealOffer?: ConversionOffer | null;
}

interface DrawnUp {
  readonly revision: number;
  readonly lines: number;
  readonly options: readonly OptionLevel[];
}

const dayMs = 86_400_000;
export const dayAfter = (iso: string, days: number) =>
  new Date(Date.parse(iso) + days * dayMs).toISOString().slice(0, 10);

/** What every new quote or supplement has. */
export const freshQuote = {
  ...{ state: 'draft', sentAt: null, text: null, fingerprint: null, version: 1, note: '', recipients: [] },
  ...{ labourMinorPerHour: null, discountPct: 0, basis: null, supplement: null, options: [], advised: 'recommended' },
} as const satisfies Partial<RowOf<'quote'>>;

/** What a revision takes over from the one before: words, people, rate, discount and what it is compared by. */
function takenOver(
  last: Quote | null,
  record: JobRecord,
  { basis: shopBasis, language }: Pick<ShopTerms, 'basis' | 'language'>,
): Partial<Omit<RowOf<'quote'>, 'language'>> {
  const warranty = warrantyOf(record)?.body;
  const share = warranty && { discountPct: warranty.sharePct, note: warrantyWords(warranty, wordsOf(language)) };
  if (!last) return { basis: shopBasis, ...share };
  const { note, recipients, labourMinorPerHour, discountPct, basis, advised } = last;
  return { note, recipients, labourMinorPerHour, discountPct, basis, advised };
}

/** The tax of what is drawn up after another one: its special rate where the shop still has that, else the usual one. */
export function taxAfter(last: Quote | null, { taxPct, taxes }: Pick<ShopTerms, 'taxPct' | 'taxes'>): number {
  return taxes.find(({ pct }) => pct === last?.taxPct)?.pct ?? taxPct;
}

/** The record without what stands on a supplement already: a quote does not offer it a second time. */
function withoutSupplements(record: JobRecord): JobRecord {
  const offered = new Set(supplementsOf(record).flatMap(({ lines }) => lines.flatMap(({ findingIds }) => findingIds)));
  return { ...record, findings: record.findings.filter(({ id }) => !offered.has(id)) };
}

/**
 * Draws up a new revision from the dispositions; an unanswered one before it is superseded. What a person changed or
 * added in the last one is kept.
 */
export const drawUpQuote: Decider<unknown, DrawnUp, ShopTerms> = ({ record, family, facts, newId, now }) => {
  requireStation(record, 'quote');
  const last = currentQuote(record);
  const revision = (last?.revision ?? 0) + 1;
  const superseded: Put[] =
    last && last.state !== 'answered'
      ? [put('quote', { ...headOfQuote(last), state: 'superseded', version: last.version + 1 })]
      : [];
  const { currency, quoteValidDays, language } = facts;
  const taxPct = taxAfter(last, facts);
  const words = wordsOf(language);
  const taken = takenOver(last, record, facts);
  const rates = { ...facts.rates, ...(taken.labourMinorPerHour && { labourMinorPerHour: taken.labourMinorPerHour }) };
  const own = growLines({ family, record: withoutSupplements(record), rates, words });
  const grown = facts.sealOffer ? [...own, offerLine(facts.sealOffer, rates, words)] : own;
  const revised = reviseLines(grown, last?.lines ?? []);
  const quoteId = newId<QuoteId>();
  const head: RowOf<'quote'> = {
    ...{ ...freshQuote, ...taken, id: quoteId, kind: 'quote', revision, currency, taxPct, language },
    ...{ validUntil: dayAfter(now, quoteValidDays), options: distinctOptions(revised) },
  };
  const lines = revised.map((line, position) =>
    put('quoteLine', { ...line, id: newId<QuoteLineId>(), quoteId, position }),
  );
  return {
    puts: [...superseded, put('quote', head), ...lines],
    note: { revision, lines: lines.length },
    result: { revision, lines: lines.length, options: head.options },
  };
};
