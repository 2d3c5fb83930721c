'use client';

import type { CustomerOffer, OfferedLine } from '@/core/quoting';
import { isClosingUp, lineTotalMinor, optionsOf, standsIn, totalQuote } from '@/core/quoting';
import type { OptionLevel } from '@/core/record';
import type { Words } from '@/words';
import { useWords } from '../words/words';

export type PhotoHref = (id: string, size: 'full' | 'thumb') => string;
interface Reading {
  readonly offer: CustomerOffer;
  readonly photoHref: PhotoHref;
}

export const moneyOf =
  ({ quote }: Pick<CustomerOffer, 'quote'>, words: Words) =>
  (minor: number) =>
    words.money({ minor, currency: quote.currency });

/** The lines of an option that are offered in it. */
export const linesIn = ({ lines }: CustomerOffer, option: OptionLevel | null): readonly OfferedLine[] =>
  lines.filter((line) => standsIn(line, option));

/** A finding’s picture and what is done about it, in plain words. */
export function FindingsRead({ offer, photoHref }: Reading) {
  const { say } = useWords();
  if (!offer.findings.length) return <p>{say('page.nothing')}</p>;
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
            {finding.plain} <b>{say(`action.${finding.action}`)}</b>
          </p>
        </li>
      ))}
    </ul>
  );
}

/** What changed since the revision before: a double bar, the same for the shop and the customer. */
export function ChangedSince({ offer }: { readonly offer: CustomerOffer }) {
  const { changed } = offer;
  const words = useWords();
  const { say } = words;
  if (!changed) return null;
  const money = moneyOf(offer, words);
  const signed = (minor: number) => `${minor > 0 ? '+' : ''}${money(minor)}`;
  const sums = changed.options.filter(({ beforeMinor, afterMinor }) => beforeMinor !== afterMinor);
  if (!changed.lines.length && !sums.length) return null;
  const { revision, sentAt } = changed.since;
  return (
    <section aria-label={say('page.changed')} className="my-3 border-l-4 border-double border-ink pl-3 text-13">
      <p className="font-semibold">
        {sentAt ? say('page.sinceOf', { revision, day: words.day(sentAt) }) : say('page.since', { revision })}
      </p>
      {sums.map(({ option, beforeMinor, afterMinor }) => (
        <p key={option ?? 'all'}>
          {say(option ? `option.${option}` : 'page.sum')}: <span className="num">{money(beforeMinor)}</span>,{' '}
          {say('page.now')} <b className="num">{money(afterMinor)}</b> ({signed(afterMinor - beforeMinor)})
        </p>
      ))}
      <ul>
        {changed.lines.map((line) => (
          <li key={line.key}>
            {line.description}: {say(`change.${line.change}`)}
            {line.beforeMinor !== line.afterMinor && <> {signed((line.afterMinor ?? 0) - (line.beforeMinor ?? 0))}</>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What an option is, in a sentence: what is left out of it, what is more in it, and when it is ready. */
export function sayOption(offer: CustomerOffer, option: OptionLevel, words: Words): string {
  const { say, phrase } = words;
  const out = offer.lines.filter((line) => !standsIn(line, option) && line.instead);
  const least = optionsOf(offer.quote)[0] ?? null;
  const more = offer.lines.filter((line) => standsIn(line, option) && least && !standsIn(line, least));
  const lost = offer.lost && out.some(({ instead }) => instead === phrase('stays worn')) ? offer.lost : null;
  const ready = offer.ready[option];
  const parts = [
    more.length && option !== least
      ? say('page.also', { lines: more.map(({ description }) => description).join('; ') })
      : '',
    option === least && out.length
      ? say('page.leftOut', {
          lines: out.map(({ description, instead }) => `${description} (${instead})`).join('; '),
        })
      : '',
    lost ? say('page.wasted', { money: moneyOf(offer, words)(Math.round(lost.minorYear)) }) : '',
    option === offer.quote.advised ? say('page.advice') : '',
    ready ? say('page.ready', { day: words.day(ready.likely) }) : '',
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
  const words = useWords();
  const { say } = words;
  if (offer.quote.kind !== 'quote') return null;
  const money = moneyOf(offer, words);
  const closing = offer.lines.filter(isClosingUp);
  const minor = totalQuote(closing, offer.quote).netMinor;
  return (
    <p className="mt-2 text-13 text-quiet">
      {minor > 0 && `${say('page.closedUp', { money: money(minor) })}${offer.newUnit ? '; ' : '.'}`}
      {offer.newUnit &&
        say(minor > 0 ? 'page.newUnitToo' : 'page.newUnit', {
          money: money(offer.newUnit.priceMinor),
          days: offer.newUnit.days,
        })}{' '}
      {say('page.withoutTax')}
    </p>
  );
}

/** Why a supplement comes only now, and what waits for its answer. */
export function WhyOnlyNow({ offer }: { readonly offer: CustomerOffer }) {
  const { supplement } = offer;
  const { say } = useWords();
  if (!supplement) return null;
  return (
    <div className="my-3 space-y-2">
      <p>
        <b>{say('page.onlyNow')}</b> {supplement.whyOnlyNow}
      </p>
      <p>
        <b>{say('page.stops')}</b>{' '}
        {supplement.stops.length
          ? say('page.stopsOnly', { steps: supplement.stops.map((words) => say('page.quoted', { words })).join(', ') })
          : say('page.stopsNothing')}
      </p>
    </div>
  );
}

/** “14 to 18 December”, or one day where both ends are the same. */
function sayRange({ early, late }: { readonly early: string; readonly late: string }, { day, say }: Words): string {
  return early === late ? day(early) : say('page.range', { early: day(early), late: day(late) });
}

/** A supplement’s two futures on one scale of days against what was promised: with it, and without. */
export function TwoFutures({ offer }: { readonly offer: CustomerOffer }) {
  const spoken = useWords();
  const { say, day } = spoken;
  const [withIt, without] = [offer.ready[offer.quote.advised], offer.ready['as it is']];
  if (offer.quote.kind !== 'supplement' || !withIt || !without) return null;
  const days = [withIt.early, withIt.late, without.early, without.late, offer.promisedOn].toSorted();
  const [first, last] = [Date.parse(days[0] ?? ''), Date.parse(days.at(-1) ?? '')];
  const at = (one: string) => (last > first ? (100 * (Date.parse(one) - first)) / (last - first) : 0);
  const rows = [
    { words: say('page.yes'), range: withIt, note: say('page.withIt'), fill: 'bg-slate' },
    { words: say('page.no'), range: without, note: say('page.withoutIt'), fill: 'bg-line' },
  ];
  return (
    <section aria-label={say('page.whenReady')} className="my-3 border-t border-line pt-2">
      <h3 className="font-bold">
        {say('page.whenReady')}{' '}
        <small className="font-normal text-quiet">{say('page.promised', { day: day(offer.promisedOn) })}</small>
      </h3>
      {rows.map(({ words, range, note, fill }) => (
        <div key={words} className="mt-1">
          <b>{words}:</b> {sayRange(range, spoken)} <span className="text-13 text-quiet">{note}</span>
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
  const { say, day } = useWords();
  if (!offer.questions.length) return null;
  return (
    <dl className="my-3 space-y-1 border-t border-line pt-2 text-13">
      {offer.questions.map((question) => (
        <div key={question.id}>
          <dt>
            <b>{say('page.youAsked', { day: day(question.askedAt) })}</b> {question.words}
          </dt>
          <dd>
            {question.answer ? (
              <>
                <b>{question.answer.personName}:</b> {question.answer.words}
              </>
            ) : (
              <span className="text-quiet">{say('page.weAnswer')}</span>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

export function Totals({ offer, lines }: { readonly offer: CustomerOffer; readonly lines: readonly OfferedLine[] }) {
  const words = useWords();
  const { say, number } = words;
  const money = moneyOf(offer, words);
  const totals = totalQuote(lines, offer.quote);
  const rows: readonly (readonly [string, number])[] = [
    [say('paper.sum'), totals.linesMinor],
    ...(totals.discountMinor
      ? [[say('paper.less', { percent: number(offer.quote.discountPct) }), -totals.discountMinor] as const]
      : []),
    [say('paper.tax', { percent: number(offer.quote.taxPct) }), totals.taxMinor],
    [say('paper.together'), totals.grossMinor],
  ];
  return (
    <dl className="ml-auto mt-2 grid max-w-[340px] grid-cols-[1fr_auto] gap-x-6 border-t border-ink pt-2">
      {rows.map(([title, minor]) => (
        <div key={title} className="contents last:text-18 last:font-bold">
          <dt>{title}</dt>
          <dd className="num text-right">{money(minor)}</dd>
        </div>
      ))}
    </dl>
  );
}

export const lineMoney = (offer: CustomerOffer, line: OfferedLine, words: Words) =>
  moneyOf(offer, words)(lineTotalMinor(line));
