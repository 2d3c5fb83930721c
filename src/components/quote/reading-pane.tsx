'use client';

import { customerOffer } from '@/core/quoting';
import type { Quote } from '@/core/record';
import { remembered } from '@/core/remembered';
import type { Words } from '@/words';
import {
  ChangedSince,
  FindingsRead,
  OtherWays,
  QuestionsRead,
  Totals,
  TwoFutures,
  WhyOnlyNow,
  linesIn,
  lineMoney,
} from '../customer/offer-reading';
import { OptionChoice } from '../customer/answer-form';
import type { JobView } from '../job/view';
import { Later } from '../ui/later';
import { catalogueIn, InWords, useSpoken } from '../words/words';

type Offered = Parameters<typeof customerOffer>[0];

/** What the customer reads, reckoned once for a record and a quote: the server draws the same for whoever looks. */
const offerOf = remembered(
  (
    record: Offered['record'],
    family: Offered['family'],
    quote: Quote,
    remaining: Offered['remaining'],
    words: Words,
    ...[today, name, place, telephone]: readonly [string, string, string, string]
  ) => customerOffer({ record, family, quote, remaining, words, today, shop: { name, place, telephone } }),
);

/** Exactly what the customer will read, of the draft as it stands; nothing in it can be pressed. */
export function ReadingPane({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { record, family, standing, today, shop } = view;
  const words = useSpoken(catalogueIn(view, quote.language));
  const { say } = words;
  const { name, place, telephone } = shop;
  const offer = offerOf(record, family, quote, standing.remaining, words, today, name, place, telephone);
  const option = quote.options.length ? quote.advised : null;
  const lines = linesIn(offer, option);
  return (
    <section aria-label="What the customer will read" className="bg-sand p-3 xl:min-h-full">
      <h2 className="mb-2 font-bold">
        What {record.contact?.name.split(' ')[0] ?? 'the customer'} will read{' '}
        <small className="font-normal text-quiet">word for word</small>
      </h2>
      <InWords catalogue={catalogueIn(view, quote.language)}>
        <div lang={quote.language} className="border border-line bg-sheet p-4 text-13">
          <h3 className="text-18 font-bold">
            {quote.kind === 'quote'
              ? say('page.title', { pump: `${record.pump.maker} ${record.pump.model}` })
              : say('page.titleMore')}
          </h3>
          {quote.note && <p className="mt-1 whitespace-pre-line">{quote.note}</p>}
          <ChangedSince offer={offer} />
          <FindingsRead offer={offer} photoHref={(id, size) => `/files/photo/${id}/${size}`} />
          <WhyOnlyNow offer={offer} />
          <TwoFutures offer={offer} />
          {quote.options.length > 0 && <OptionChoice offer={offer} option={option} />}
          <Later height={480}>
            <ul className="mt-2 border-t border-line">
              {lines.map((line) => (
                <li key={line.id} className="row flex gap-3 py-1 first:border-0">
                  <span className="min-w-0 flex-1">
                    <b>{line.description}</b> {line.plain}
                  </span>
                  <span className="num whitespace-nowrap">{lineMoney(offer, line, words)}</span>
                </li>
              ))}
            </ul>
            <Totals offer={offer} lines={lines} />
            <OtherWays offer={offer} />
            <QuestionsRead offer={offer} />
          </Later>
          {shop.telephone && <p className="mt-2">{say('form.orRing', { telephone: shop.telephone })}</p>}
        </div>
      </InWords>
    </section>
  );
}
