'use client';

import { Phone } from 'lucide-react';
import type { CustomerOffer } from '@/core/quoting';
import type { Approval, JobHead } from '@/core/record';
import type { Catalogue, Words } from '@/words';
import { InWords, useWords } from '../words/words';
import { WordMark } from '../signs/stream';
import { AnswerForm } from './answer-form';
import { AskForm } from './ask-form';
import { ChangedSince, FindingsRead, OtherWays, QuestionsRead, TwoFutures, WhyOnlyNow } from './offer-reading';

/** Why an offer cannot be answered (any more), and what to do; null while it can. */
function closedWords({ quote, approval, shop }: CustomerOffer, station: string, { say }: Words): string | null {
  if (approval) return null;
  const ring = shop.telephone ? say('page.ring', { telephone: shop.telephone }) : say('page.ask');
  if (quote.state === 'superseded' && quote.kind === 'supplement') return say('page.withdrawn', { ring });
  const isRevised = quote.state === 'superseded' || (quote.kind === 'quote' && station !== 'approve');
  return isRevised ? say('page.revised', { ring }) : null;
}

/** Past its day an offer can still be answered; the customer is told that it is past. */
function validityWords({ quote, approval }: CustomerOffer, today: string, { say, day }: Words): string | null {
  if (approval || quote.validUntil >= today) return null;
  return say('page.past', { day: day(quote.validUntil) });
}

interface Props {
  readonly token: string;
  readonly view: CustomerOffer & {
    readonly station: string;
    readonly today: string;
    /** The language of the quote, where that is not English. */
    readonly catalogue?: Catalogue | null;
    readonly lot?: JobHead['lot'];
    /** The other units that came with it; the token of those whose offer can be read from here. */
    readonly others?: readonly {
      readonly tag: string;
      readonly serial: string;
      readonly unit: number;
      readonly token: string | null;
    }[];
  };
}

/** What the customer sees by the link: what was found, what can be done and at what price, and a place to answer. */
export function CustomerPage(props: Props) {
  return (
    <InWords catalogue={props.view.catalogue}>
      <Offered {...props} />
    </InWords>
  );
}

function Offered({ token, view }: Props) {
  const words = useWords();
  const { say, day, language } = words;
  const { quote, approval, shop } = view;
  const closed = closedWords(view, view.station, words);
  const validity = validityWords(view, view.today, words);
  const pump = `${view.pump.maker} ${view.pump.model}`;
  const { revision } = quote;
  const foot = { revision, until: day(quote.validUntil), promised: day(view.promisedOn) };
  const photoHref = (id: string, size: 'full' | 'thumb') => `/files/photo/${id}/${size}?link=${token}`;
  return (
    <div lang={language} className="mx-auto max-w-[760px] px-4 pb-24 pt-6 sm:px-8">
      <p className="flex items-center gap-2 font-bold">
        <span className="shrink-0">
          <WordMark />
        </span>
        {shop.name}, {shop.place}
        {shop.telephone && (
          <a
            className="ml-auto inline-flex min-h-11 shrink-0 items-center gap-1 whitespace-nowrap text-13 underline"
            href={`tel:${shop.telephone.replaceAll(' ', '')}`}
          >
            <Phone size={16} aria-hidden /> {shop.telephone}
          </a>
        )}
      </p>
      <h1 className="mt-4 text-24 font-bold">
        {quote.kind === 'quote' ? say('page.title', { pump }) : say('page.titleMore')}
      </h1>
      <p className="text-quiet">
        {quote.kind === 'supplement' && `${say('page.supplement', { pump, revision })} · `}
        {say('page.serial')} <span className="num">{view.pump.serial}</span> · {say('page.tag')}{' '}
        <span className="num">{view.tag}</span> · {view.customer}
        {view.equipmentNumber && `, ${view.equipmentNumber}`}
        {quote.kind === 'quote' && view.whyOut && ` · ${say('page.whyOut', { why: view.whyOut })}`}
      </p>
      <OtherUnits lot={view.lot ?? null} others={view.others ?? []} />
      {approval && <Answered approval={approval} />}
      {quote.note && <p className="mt-4 whitespace-pre-line">{quote.note}</p>}
      <ChangedSince offer={view} />
      <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">{say('paper.found')}</h2>
      <FindingsRead offer={view} photoHref={photoHref} />
      <WhyOnlyNow offer={view} />
      <TwoFutures offer={view} />
      {validity && <p className="mt-4 border-l-4 border-ochre bg-sheet px-3 py-2">{validity}</p>}
      {closed ? (
        <p className="mt-6 border-l-4 border-ochre bg-sheet px-3 py-2">{closed}</p>
      ) : (
        <AnswerForm token={token} offer={view} isOpen={!approval} />
      )}
      <OtherWays offer={view} />
      <QuestionsRead offer={view} />
      {!closed && <AskForm token={token} offer={view} />}
      <p className="mt-8 text-13 text-quiet">
        {say(quote.kind === 'quote' ? 'page.foot' : 'page.footSupplement', foot)}{' '}
        <span className="num break-all">{quote.fingerprint}</span>
        <br />
        <a className="underline" href={`/files/customer-quote/${token}`}>
          {say('page.pdf')}
        </a>
      </p>
    </div>
  );
}

/** The other units of the lot: each is offered and answered by itself. */
function OtherUnits({
  lot,
  others,
}: {
  readonly lot: JobHead['lot'];
  readonly others: NonNullable<Props['view']['others']>;
}) {
  const { say } = useWords();
  if (!lot || !others.length) return null;
  return (
    <nav aria-label={say('page.lot')} className="mt-2 border-l-4 border-lake bg-sheet px-3 py-2">
      {say('page.lotUnit', { unit: lot.unit, count: others.length + 1 })}
      <ul>
        {others.map(({ tag, serial, unit, token }) => (
          <li key={tag}>
            {token ? (
              <a className="inline-flex min-h-11 items-center font-semibold underline" href={`/customer/${token}`}>
                {say('page.unit', { unit, serial })}
              </a>
            ) : (
              say('page.unit', { unit, serial })
            )}
          </li>
        ))}
      </ul>
    </nav>
  );
}

function Answered({ approval }: { readonly approval: Approval }) {
  const { say } = useWords();
  return (
    <section aria-label={say('page.answer')} role="status" className="mt-4 border-l-4 border-moss bg-sheet px-3 py-2">
      <p className="font-bold">{say('page.thanks', { name: approval.name })}</p>
      <p className="whitespace-pre-line">{approval.text.split('\n\n').at(-1)}</p>
      <p className="text-13 text-quiet">
        {say('page.answerFingerprint')} <span className="num break-all">{approval.fingerprint}</span>
      </p>
    </section>
  );
}
