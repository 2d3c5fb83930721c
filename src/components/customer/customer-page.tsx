'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { lineTotalMinor, totalQuote } from '@/core/quoting';
import type { Approval, Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { act, type ActError } from '../act/act';
import { useDraft } from '../act/use-draft';
import { WordMark } from '../signs/stream';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { SignatureBox } from './signature-box';

export interface CustomerView {
  readonly shop: { readonly name: string; readonly place: string };
  readonly tag: string;
  readonly pump: { readonly maker: string; readonly model: string; readonly serial: string };
  readonly customer: string;
  readonly whyOut: string;
  readonly findings: readonly {
    readonly id: string;
    readonly plain: string;
    readonly action: string;
    readonly photos: readonly string[];
  }[];
  readonly quote: Quote;
  readonly approval: Approval | null;
}

const actionWords: Readonly<Record<string, string>> = {
  'reuse as it is': 'it can go on',
  clean: 'we clean it',
  rework: 'we restore it',
  replace: 'it needs a new part',
  'make in the shop': 'we make a new one',
  'take from a donor': 'we fit one from a donor pump, measured like new',
};

/** What the customer sees by the link: what was found, what each line is for, and a place to answer and sign. */
export function CustomerPage({ token, view }: { readonly token: string; readonly view: CustomerView }) {
  const { quote, approval } = view;
  return (
    <div className="mx-auto max-w-[760px] px-4 pb-24 pt-6 sm:px-8">
      <p className="flex items-center gap-2 font-bold">
        <WordMark />
        {view.shop.name}, {view.shop.place}
      </p>
      <h1 className="mt-4 text-24 font-bold">
        Your pump {view.pump.maker} {view.pump.model}
      </h1>
      <p className="text-quiet">
        Serial <span className="num">{view.pump.serial}</span> · our tag <span className="num">{view.tag}</span> ·{' '}
        {view.customer}
        {view.whyOut && <> · it came because of: {view.whyOut}</>}
      </p>
      {approval && <Answered approval={approval} />}
      <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">What we found</h2>
      {view.findings.length ? (
        <ul>
          {view.findings.map((finding) => (
            <li key={finding.id} className="row grid gap-3 py-3 first:border-0 sm:grid-cols-[180px_1fr]">
              <div className="flex gap-2">
                {finding.photos.slice(0, 1).map((id) => (
                  <a key={id} href={`/files/photo/${id}/full?link=${token}`} target="_blank">
                    <img
                      src={`/files/photo/${id}/thumb?link=${token}`}
                      alt={finding.plain}
                      width={180}
                      height={135}
                      className="pebbly border border-line"
                      loading="lazy"
                    />
                  </a>
                ))}
              </div>
              <p>
                {finding.plain}{' '}
                <b>
                  {(actionWords[finding.action] ?? finding.action).replace(/^./, (letter) => letter.toUpperCase())}.
                </b>
              </p>
            </li>
          ))}
        </ul>
      ) : (
        <p>Nothing is worn beyond its limits; the overhaul renews the parts that are always renewed.</p>
      )}
      {quote.state === 'superseded' && !approval ? (
        <p className="mt-6 border-l-4 border-ochre bg-sheet px-3 py-2">
          A newer revision of this quote has been sent or is being drawn up. This one cannot be answered any more.
        </p>
      ) : (
        <Answer token={token} quote={quote} isOpen={!approval} />
      )}
      <p className="mt-8 text-13 text-quiet">
        Revision {quote.revision}, valid until {quote.validUntil}. Fingerprint of this text:{' '}
        <span className="num break-all">{quote.fingerprint}</span>
        <br />
        <a className="underline" href={`/files/customer-quote/${token}`}>
          The same as a PDF
        </a>
      </p>
    </div>
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

function Answer({ token, quote, isOpen }: { readonly token: string; readonly quote: Quote; readonly isOpen: boolean }) {
  const router = useRouter();
  const [declined, setDeclined] = useState<ReadonlySet<string>>(new Set());
  const [name, setName] = useDraft(`customer.${quote.id}.name`);
  const [signature, setSignature] = useState('');
  const [error, setError] = useState<ActError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const approved = standing.filter((line) => !declined.has(line.id));
  const totals = totalQuote(approved, quote);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const send = async (declineAll: boolean) => {
    setBusy(true);
    const answer = await act(
      'answer-quote',
      { quoteId: quote.id, name, declinedLines: declineAll ? [] : [...declined], declineAll, signature },
      { link: token },
    );
    setBusy(false);
    if (answer.ok) {
      setName(null);
      router.refresh();
      window.scrollTo({ top: 0 });
    } else if ('error' in answer) setError(answer.error);
  };
  return (
    <section aria-label="Lines and answer">
      <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">What it takes, and what it costs</h2>
      <ul>
        {standing.map((line) => (
          <li key={line.id} className="row grid grid-cols-[auto_1fr_auto] items-start gap-x-3 py-3 first:border-0">
            {isOpen && line.declinable ? (
              <input
                type="checkbox"
                id={line.id}
                className="mt-1 size-7 accent-(--ink)"
                checked={!declined.has(line.id)}
                onChange={(event) =>
                  setDeclined(
                    new Set(
                      event.target.checked ? [...declined].filter((id) => id !== line.id) : [...declined, line.id],
                    ),
                  )
                }
              />
            ) : (
              <span className="w-7" />
            )}
            <label htmlFor={line.id} className="min-w-0">
              <b className={declined.has(line.id) ? 'line-through' : ''}>{line.description}</b>
              <span className="block">{line.plain}</span>
              <span className="block text-13 text-quiet">
                {line.quantity} {line.unit}
                {line.declinable
                  ? declined.has(line.id)
                    ? ' · declined: not covered by this repair'
                    : ''
                  : ' · belongs to every repair'}
              </span>
            </label>
            <span className="num whitespace-nowrap">{money(lineTotalMinor(line))}</span>
          </li>
        ))}
      </ul>
      <dl className="ml-auto mt-2 grid max-w-[340px] grid-cols-[1fr_auto] gap-x-6 border-t border-ink pt-2">
        <dt>Sum of the lines</dt>
        <dd className="num text-right">{money(totals.netMinor)}</dd>
        <dt>Tax {quote.taxPct} %</dt>
        <dd className="num text-right">{money(totals.taxMinor)}</dd>
        <dt className="text-18 font-bold">Together</dt>
        <dd className="num text-right text-18 font-bold">{money(totals.grossMinor)}</dd>
      </dl>
      {isOpen && (
        <div className="mt-6 space-y-3 border-t border-ink pt-4">
          <h2 className="text-18 font-bold">Your answer</h2>
          <TextField
            label="Your name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            autoComplete="name"
            error={issueFor(error, 'name')}
          />
          <div>
            <p className="mb-1 text-13 text-quiet">Your signature</p>
            <SignatureBox path={signature} onChange={setSignature} />
            {issueFor(error, 'signature') && (
              <p className="text-13 font-semibold text-jasper">{issueFor(error, 'signature')}</p>
            )}
          </div>
          <ErrorNote error={error} />
          <Button tone="main" className="w-full" disabled={isBusy} onClick={() => send(false)}>
            {declined.size ? `Approve ${approved.length} of ${standing.length} lines` : 'Approve all'} ·{' '}
            {money(totals.grossMinor)}
          </Button>
          <Button className="w-full" disabled={isBusy} onClick={() => send(true)}>
            Decline: send it back as it is
          </Button>
        </div>
      )}
    </section>
  );
}
