import { Phone } from 'lucide-react';
import { sayDay } from '@/core/lifecycle';
import type { CustomerOffer } from '@/core/quoting';
import type { Approval, JobHead } from '@/core/record';
import { WordMark } from '../signs/stream';
import { AnswerForm } from './answer-form';
import { AskForm } from './ask-form';
import { ChangedSince, FindingsRead, OtherWays, QuestionsRead, TwoFutures, WhyOnlyNow } from './offer-reading';

/** Why an offer cannot be answered (any more), and what to do; null while it can. */
function closedWords({ quote, approval, shop }: CustomerOffer, station: string): string | null {
  if (approval) return null;
  const ring = shop.telephone ? `Ring us (${shop.telephone})` : 'Ask us';
  if (quote.state === 'superseded' && quote.kind === 'supplement')
    return `We have taken this back: it is not needed any more. ${ring} if you want to know why.`;
  const isRevised = quote.state === 'superseded' || (quote.kind === 'quote' && station !== 'approve');
  if (isRevised)
    return `We are working on a newer version of this offer; this one cannot be answered any more. The new one comes by mail. ${ring} if you cannot wait.`;
  return null;
}

/** Past its day an offer can still be answered; the customer is told that it is past. */
function validityWords({ quote, approval }: CustomerOffer, today: string): string | null {
  if (approval || quote.validUntil >= today) return null;
  return `This offer was valid until ${sayDay(quote.validUntil)}. You can still answer: we ring you if a price has changed.`;
}

interface Props {
  readonly token: string;
  readonly view: CustomerOffer & {
    readonly station: string;
    readonly today: string;
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
export function CustomerPage({ token, view }: Props) {
  const { quote, approval, shop } = view;
  const closed = closedWords(view, view.station);
  const validity = validityWords(view, view.today);
  const title =
    quote.kind === 'quote'
      ? `Your pump ${view.pump.maker} ${view.pump.model}`
      : 'We found something more. May we go on?';
  const photoHref = (id: string, size: 'full' | 'thumb') => `/files/photo/${id}/${size}?link=${token}`;
  return (
    <div className="mx-auto max-w-[760px] px-4 pb-24 pt-6 sm:px-8">
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
      <h1 className="mt-4 text-24 font-bold">{title}</h1>
      <p className="text-quiet">
        {quote.kind === 'supplement' && `${view.pump.maker} ${view.pump.model} · supplement ${quote.revision} · `}
        Serial <span className="num">{view.pump.serial}</span> · our tag <span className="num">{view.tag}</span> ·{' '}
        {view.customer}
        {view.equipmentNumber && `, ${view.equipmentNumber}`}
        {quote.kind === 'quote' && view.whyOut && <> · it came because of: {view.whyOut}</>}
      </p>
      <OtherUnits lot={view.lot ?? null} others={view.others ?? []} />
      {approval && <Answered approval={approval} />}
      {quote.note && <p className="mt-4 whitespace-pre-line">{quote.note}</p>}
      <ChangedSince offer={view} />
      <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">What we found</h2>
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
        {quote.kind === 'quote' ? `Revision ${quote.revision}` : `Supplement ${quote.revision}`}, valid until{' '}
        {sayDay(quote.validUntil)}; promised for {sayDay(view.promisedOn)}. Fingerprint of this text:{' '}
        <span className="num break-all">{quote.fingerprint}</span>
        <br />
        <a className="underline" href={`/files/customer-quote/${token}`}>
          The same as a PDF
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
  if (!lot || !others.length) return null;
  return (
    <nav aria-label="Units that came together" className="mt-2 border-l-4 border-lake bg-sheet px-3 py-2">
      This is unit {lot.unit} of {others.length + 1} that came together. Each is answered by itself:
      <ul>
        {others.map(({ tag, serial, unit, token }) => (
          <li key={tag}>
            {token ? (
              <a className="inline-flex min-h-11 items-center font-semibold underline" href={`/customer/${token}`}>
                unit {unit}, serial {serial}
              </a>
            ) : (
              <>
                unit {unit}, serial {serial}
              </>
            )}
          </li>
        ))}
      </ul>
    </nav>
  );
}

function Answered({ approval }: { readonly approval: Approval }) {
  return (
    <section aria-label="Your answer" role="status" className="mt-4 border-l-4 border-moss bg-sheet px-3 py-2">
      <p className="font-bold">Thank you. The answer of {approval.name} is in the record.</p>
      <p className="whitespace-pre-line">{approval.text.split('\n\n').at(-1)}</p>
      <p className="text-13 text-quiet">
        Fingerprint of what you saw and answered: <span className="num break-all">{approval.fingerprint}</span>
      </p>
    </section>
  );
}
