import { english, type Words } from '../../words';
import type { Family } from '../family';
import { present } from '../present';
import type { Action, Approval, Finding, JobRecord, Question, Quote, QuoteLine } from '../record';
import { changedSinceSent, type RevisionChange } from './compare-revisions';
import { compareWays, defaultBasis } from './compare-ways';
import { readyOfWays, type ReadyOfWays } from './days-out';
import type { Remaining } from '../planning';
import { sentencesOf } from './draft-line';
import { lineTotalMinor } from './total-quote';

/** A line as the customer reads it: nothing of what it costs the shop, nor of who changed it. */
export interface OfferedLine extends Pick<
  QuoteLine,
  | 'id'
  | 'key'
  | 'description'
  | 'plain'
  | 'quantity'
  | 'unit'
  | 'unitPriceMinor'
  | 'discountPct'
  | 'declinable'
  | 'critical'
  | 'options'
  | 'instead'
  | 'struckReason'
> {
  readonly totalMinor: number;
  readonly findingIds: readonly string[];
}

export interface ShownFinding {
  readonly id: string;
  readonly plain: string;
  readonly action: Action;
  readonly photos: readonly string[];
}

/** What the customer reads of a quote or supplement, word for word. */
export interface CustomerOffer {
  readonly shop: { readonly name: string; readonly place: string; readonly telephone: string };
  readonly tag: string;
  readonly pump: { readonly maker: string; readonly model: string; readonly serial: string };
  readonly equipmentNumber: string;
  readonly customer: string;
  readonly contact: string;
  readonly whyOut: string;
  readonly findings: readonly ShownFinding[];
  readonly quote: Pick<
    Quote,
    | 'id'
    | 'kind'
    | 'revision'
    | 'state'
    | 'currency'
    | 'taxPct'
    | 'discountPct'
    | 'validUntil'
    | 'fingerprint'
    | 'options'
    | 'advised'
    | 'note'
    | 'language'
  >;
  readonly lines: readonly OfferedLine[];
  /** What changed since the revision that was read last. */
  readonly changed: RevisionChange | null;
  /** What the worn gaps waste, in the shop's figures: energy and money a year. */
  readonly lost: { readonly kwhYear: number; readonly minorYear: number } | null;
  readonly newUnit: { readonly priceMinor: number; readonly days: number } | null;
  readonly supplement: { readonly whyOnlyNow: string; readonly stops: readonly string[] } | null;
  readonly ready: ReadyOfWays;
  readonly promisedOn: string;
  readonly questions: readonly Question[];
  readonly approval: Approval | null;
}

interface Asked {
  readonly record: JobRecord;
  readonly family: Family;
  readonly quote: Quote;
  readonly shop: CustomerOffer['shop'];
  readonly remaining: Remaining;
  readonly today: string;
  /** The language of the quote; English where it is left out. */
  readonly words?: Words;
}

/** Pictures that show a finding: its own, or those that were taken of its part. */
function photosOf({ photos }: JobRecord, { photoId, partRef }: Finding): readonly string[] {
  return photoId ? [photoId] : photos.filter(({ about }) => about === `part:${partRef}`).map(({ id }) => id);
}

/**
 * Findings that the lines of an offer come out of, those on one part with one remedy together; of the whole quote also those that only say what is kept.
 */
function findingsOf({ record, quote, words = english }: Asked): readonly ShownFinding[] {
  const named = new Set<string>(quote.lines.flatMap(({ findingIds }) => findingIds));
  const isShown = ({ id, disposition }: Finding) =>
    disposition !== null && (quote.kind === 'supplement' ? named.has(id) || quote.supplement?.findingId === id : true);
  const byPart = new Map<string, Finding[]>();
  for (const finding of record.findings.filter(isShown)) {
    const key = `${finding.partRef} ${present(finding.disposition).action}`;
    byPart.set(key, [...(byPart.get(key) ?? []), finding]);
  }
  return [...byPart.values()].map((findings) => {
    const first = present(findings[0]);
    return {
      ...{ id: first.id, plain: words.phrase(sentencesOf(findings)), action: present(first.disposition).action },
      photos: [...new Set(findings.flatMap((finding) => photosOf(record, finding)))],
    };
  });
}

function offeredLine(line: QuoteLine): OfferedLine {
  const { id, key, description, plain, quantity, unit, unitPriceMinor, discountPct } = line;
  const { declinable, critical, options, instead, struckReason, findingIds } = line;
  const said = { id, key, description, plain, quantity, unit, unitPriceMinor, discountPct };
  return {
    ...said,
    declinable,
    critical,
    options,
    instead,
    struckReason,
    findingIds,
    totalMinor: lineTotalMinor(line),
  };
}

function headOf(quote: Quote): CustomerOffer['quote'] {
  const { id, kind, revision, state, currency, taxPct, discountPct, validUntil, fingerprint } = quote;
  const { options, advised, note, language } = quote;
  const offered = { options, advised, note, language };
  return { id, kind, revision, state, currency, taxPct, discountPct, validUntil, fingerprint, ...offered };
}

/** What the worn gaps waste a year, by the figures that the quote is compared by. */
function lostIn({ record, family, quote }: Asked): CustomerOffer['lost'] {
  const basis = quote.basis ?? defaultBasis;
  const { gaps } = compareWays({ record, family, quote, basis, daysOut: {} });
  const kwhYear = gaps.reduce((sum, gap) => sum + gap.kwhYear, 0);
  return kwhYear > 0 ? { kwhYear, minorYear: kwhYear * basis.pricePerKwhMinor } : null;
}

const stepsNamed = ({ rebuild, test }: Family, ids: readonly string[]): readonly string[] =>
  [...rebuild, ...test.steps].filter(({ id }) => ids.includes(id)).map(({ title }) => title);

/** What the customer reads of a quote: built once for their page, the preview of it and the paper. */
export function customerOffer(asked: Asked): CustomerOffer {
  const { record, family, quote, shop, remaining, today, words = english } = asked;
  const { maker, model, serial } = record.pump;
  const { supplement } = quote;
  return {
    ...{ shop, tag: record.tag, pump: { maker, model, serial }, equipmentNumber: record.intake.equipmentNumber },
    ...{ customer: record.customer.name, contact: record.contact?.name ?? '', whyOut: record.intake.whyOut },
    ...{ findings: findingsOf(asked), quote: headOf(quote), changed: changedSinceSent(record.quotes, quote) },
    lines: quote.lines.filter(({ struckReason }) => struckReason === null).map(offeredLine),
    lost: quote.kind === 'quote' ? lostIn(asked) : null,
    newUnit: quote.kind === 'quote' ? (quote.basis?.newUnit ?? null) : null,
    supplement: supplement && {
      whyOnlyNow: supplement.whyOnlyNow,
      stops: stepsNamed(family, supplement.stops).map(words.phrase),
    },
    ready: readyOfWays({ remaining, family, quote, today }),
    promisedOn: record.promisedOn,
    questions: record.questions.filter(({ quoteId }) => quoteId === quote.id),
    approval: record.approvals.findLast(({ quoteId }) => quoteId === quote.id) ?? null,
  };
}
