import type { CustomerOffer, OfferedLine } from '@/core/quoting';
import { isClosingUp, lineTotalMinor, optionsOf, standsIn, totalQuote } from '@/core/quoting';
import { sayDay } from '@/core/lifecycle';
import { optionNames, type OptionLevel } from '@/core/record';
import { formatMoney } from '@/core/units';

export type PhotoHref = (id: string, size: 'full' | 'thumb') => string;
interface Reading {
  readonly offer: CustomerOffer;
  readonly photoHref: PhotoHref;
}

const actionWords: Readonly<Record<string, string>> = {
  'reuse as it is': 'It can go on.',
  clean: 'We clean it.',
  rework: 'We restore it.',
  replace: 'It needs a new part.',
  'make in the shop': 'We make a new one.',
  'take from a donor': 'We fit one from a donor pump, measured like new.',
};

export const moneyOf =
  ({ quote }: Pick<CustomerOffer, 'quote'>) =>
  (minor: number) =>
    formatMoney({ minor, currency: quote.currency });

/** The lines of an option that are offered in it. */
export const linesIn = ({ lines }: CustomerOffer, option: OptionLevel | null): readonly OfferedLine[] =>
  lines.filter((line) => standsIn(line, option));

/** A finding’s picture and what is done about it, in plain words. */
export function FindingsRead({ offer, photoHref }: Reading) {
  if (!offer.findings.length)
    return <p>Nothing is worn beyond its limits; the overhaul renews the parts that are always renewed.</p>;
  return (
    <ul>
      {offer.findings.map((finding) => (
        <li key={finding.id} id={`read-${finding.id}`} className="row flex gap-3 py-3 first:border-0">
          {finding.photos.slice(0, 1).map((id) => (
            <a key={id} href={photoHref(id, 'full')} target="_blank" className="shrink-0">
              <img
                src={photoHref(id, 'thumb')}
                alt={finding.plain}
                width={112}
                height={84}
                className="pebbly border border-line"
                loading="lazy"
              />
            </a>
          ))}
          <p className="min-w-0">
            {finding.plain} <b>{actionWords[finding.action] ?? finding.action}</b>
          </p>
        </li>
      ))}
    </ul>
  );
}

const changeWords: Readonly<Record<string, string>> = {
  new: 'new',
  gone: 'no longer there',
  price: 'price',
  words: 'in other words',
  options: 'in other options',
};

/** What changed since the revision before: a double bar, the same for the shop and the customer. */
export function ChangedSince({ offer }: { readonly offer: CustomerOffer }) {
  const { changed } = offer;
  if (!changed) return null;
  const money = moneyOf(offer);
  const signed = (minor: number) => `${minor > 0 ? '+' : ''}${money(minor)}`;
  const sums = changed.options.filter(({ beforeMinor, afterMinor }) => beforeMinor !== afterMinor);
  if (!changed.lines.length && !sums.length) return null;
  const since = changed.since.sentAt ? ` of ${sayDay(changed.since.sentAt)}` : '';
  return (
    <section aria-label="What changed" className="my-3 border-l-4 border-double border-ink pl-3 text-13">
      <p className="font-semibold">
        Since revision {changed.since.revision}
        {since}
      </p>
      {sums.map(({ option, beforeMinor, afterMinor }) => (
        <p key={option ?? 'all'}>
          {option ? optionNames[option] : 'Sum'}: <span className="num">{money(beforeMinor)}</span>, now{' '}
          <b className="num">{money(afterMinor)}</b> ({signed(afterMinor - beforeMinor)})
        </p>
      ))}
      <ul>
        {changed.lines.map((line) => (
          <li key={line.key}>
            {line.description}: {changeWords[line.change]}
            {line.beforeMinor !== line.afterMinor && <> {signed((line.afterMinor ?? 0) - (line.beforeMinor ?? 0))}</>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What an option is, in a sentence: what is left out of it, what is more in it, and when it is ready. */
export function sayOption(offer: CustomerOffer, option: OptionLevel): string {
  const out = offer.lines.filter((line) => !standsIn(line, option) && line.instead);
  const least = optionsOf(offer.quote)[0] ?? null;
  const more = offer.lines.filter((line) => standsIn(line, option) && least && !standsIn(line, least));
  const lost = offer.lost && out.some(({ instead }) => instead === 'stays worn') ? offer.lost : null;
  const ready = offer.ready[option];
  const parts = [
    more.length && option !== least ? `also: ${more.map(({ description }) => description).join('; ')}` : '',
    option === least && out.length
      ? `left out: ${out.map(({ description, instead }) => `${description} (${instead})`).join('; ')}`
      : '',
    lost ? `the worn gap goes on wasting about ${moneyOf(offer)(Math.round(lost.minorYear))} of power a year` : '',
    option === offer.quote.advised ? 'our advice' : '',
    ready ? `ready about ${sayDay(ready.likely)}` : '',
  ];
  return parts.filter(Boolean).join(' · ');
}

/** An option’s price without tax. */
export const optionNet = (offer: CustomerOffer, option: OptionLevel | null): number =>
  totalQuote(
    linesIn(offer, option).map((line) => ({ ...line })),
    offer.quote,
  ).netMinor;

/** Closing it up as it is, and a new unit where its price is known: what else there is. */
export function OtherWays({ offer }: { readonly offer: CustomerOffer }) {
  if (offer.quote.kind !== 'quote') return null;
  const money = moneyOf(offer);
  const closing = offer.lines.filter(isClosingUp);
  const minor = totalQuote(closing, offer.quote).netMinor;
  return (
    <p className="mt-2 text-13 text-quiet">
      {minor > 0 && (
        <>
          Or closed up as it is, untested and without warranty: <span className="num">{money(minor)}</span>
          {offer.newUnit ? '; ' : '.'}
        </>
      )}
      {offer.newUnit && (
        <>
          {minor > 0 ? 'or' : 'Or'} a new unit: <span className="num">{money(offer.newUnit.priceMinor)}</span>, about{' '}
          {offer.newUnit.days} days.
        </>
      )}{' '}
      All without tax.
    </p>
  );
}

/** Why a supplement comes only now, and what waits for its answer. */
export function WhyOnlyNow({ offer }: { readonly offer: CustomerOffer }) {
  const { supplement } = offer;
  if (!supplement) return null;
  return (
    <div className="my-3 space-y-2">
      <p>
        <b>Why only now:</b> {supplement.whyOnlyNow}
      </p>
      <p>
        <b>What it stops:</b>{' '}
        {supplement.stops.length
          ? `only ${supplement.stops.map((title) => `“${title}”`).join(', ')}; the rest goes on.`
          : 'nothing; the work goes on while you decide.'}
      </p>
    </div>
  );
}

/** “14 to 18 December”, or one day where both ends are the same. */
function sayRange({ early, late }: { readonly early: string; readonly late: string }): string {
  return early === late ? sayDay(early) : `${sayDay(early)} to ${sayDay(late)}`;
}

/** A supplement’s two futures on one scale of days against what was promised: with it, and without. */
export function TwoFutures({ offer }: { readonly offer: CustomerOffer }) {
  const [withIt, without] = [offer.ready[offer.quote.advised], offer.ready['as it is']];
  if (offer.quote.kind !== 'supplement' || !withIt || !without) return null;
  const days = [withIt.early, withIt.late, without.early, without.late, offer.promisedOn].toSorted();
  const [first, last] = [Date.parse(days[0] ?? ''), Date.parse(days.at(-1) ?? '')];
  const at = (day: string) => (last > first ? (100 * (Date.parse(day) - first)) / (last - first) : 0);
  const rows = [
    { words: 'Yes', range: withIt, note: 'tested, with our warranty', fill: 'bg-slate' },
    { words: 'No', range: without, note: 'put together as it is; no warranty for it', fill: 'bg-line' },
  ];
  return (
    <section aria-label="When it is ready" className="my-3 border-t border-line pt-2">
      <h3 className="font-bold">
        When it is ready <small className="font-normal text-quiet">promised for {sayDay(offer.promisedOn)}</small>
      </h3>
      {rows.map(({ words, range, note, fill }) => (
        <div key={words} className="mt-1">
          <b>{words}:</b> {sayRange(range)} <span className="text-13 text-quiet">{note}</span>
          <span aria-hidden className="relative block h-3 border-b border-line">
            <span
              className={`absolute inset-y-0.5 ${fill}`}
              style={{ left: `${at(range.early)}%`, width: `${Math.max(1.5, at(range.late) - at(range.early))}%` }}
            />
            <span className="absolute -bottom-1 top-0 w-0.5 bg-jasper" style={{ left: `${at(offer.promisedOn)}%` }} />
          </span>
        </div>
      ))}
    </section>
  );
}

/** Questions that were asked, with the shop’s answers. */
export function QuestionsRead({ offer }: { readonly offer: CustomerOffer }) {
  if (!offer.questions.length) return null;
  return (
    <dl className="my-3 space-y-1 border-t border-line pt-2 text-13">
      {offer.questions.map((question) => (
        <div key={question.id}>
          <dt>
            <b>You asked on {sayDay(question.askedAt)}:</b> {question.words}
          </dt>
          <dd>
            {question.answer ? (
              <>
                <b>{question.answer.personName}:</b> {question.answer.words}
              </>
            ) : (
              <span className="text-quiet">We answer here and by mail.</span>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

export function Totals({ offer, lines }: { readonly offer: CustomerOffer; readonly lines: readonly OfferedLine[] }) {
  const money = moneyOf(offer);
  const totals = totalQuote(lines, offer.quote);
  const rows: readonly (readonly [string, number])[] = [
    ['Sum of the lines', totals.linesMinor],
    ...(totals.discountMinor ? [[`Less ${offer.quote.discountPct} %`, -totals.discountMinor] as const] : []),
    [`Tax ${offer.quote.taxPct} %`, totals.taxMinor],
    ['Together', totals.grossMinor],
  ];
  return (
    <dl className="ml-auto mt-2 grid max-w-[340px] grid-cols-[1fr_auto] gap-x-6 border-t border-ink pt-2">
      {rows.map(([words, minor]) => (
        <div key={words} className="contents last:text-18 last:font-bold">
          <dt>{words}</dt>
          <dd className="num text-right">{money(minor)}</dd>
        </div>
      ))}
    </dl>
  );
}

export const lineMoney = (offer: CustomerOffer, line: OfferedLine) => moneyOf(offer)(lineTotalMinor(line));
