'use client';

import { Link } from '../ui/link';
import { nameQuote } from '@/core/quoting';
import { currentQuote, supplementsOf, type JobRecord, type Quote } from '@/core/record';
import { useAct } from '../act/use-act';
import { sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { useAskedPlace } from '../ui/use-asked-place';
import { AgreedLimit, Questions, ReminderDraft, SettleDecline } from './answer-desk';
import { MailLog } from './mail-log';
import { RecordAnswer } from './record-answer';
import { SupplementPanel } from './supplement-panel';

const nameOf = ({ quotes }: JobRecord, quoteId: string) => {
  const quote = quotes.find(({ id }) => id === quoteId);
  return quote ? nameQuote(quote) : '';
};

/** The exact text that was sent, its fingerprint, its paper, and the links to it. */
function WhatWasSent({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  return (
    <section aria-label="What was sent">
      <h2 className="mb-1 text-18 font-bold">
        Quote, revision {quote.revision}{' '}
        <small className="text-15 font-normal text-quiet">
          {quote.sentAt ? `sent ${sayMoment(quote.sentAt, view.zone)}` : quote.state}
        </small>
      </h2>
      <pre
        className="max-h-[420px] overflow-y-auto whitespace-pre-wrap border-y border-line py-2 font-sans text-13"
        tabIndex={0}
        aria-label="The exact text that the customer reads"
      >
        {quote.text ?? 'Not sent yet.'}
      </pre>
      {quote.fingerprint && (
        <p className="mt-1 text-13 text-quiet">
          Fingerprint of this text <span className="num break-all">{quote.fingerprint}</span>
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <a className="font-semibold underline" href={`/files/quote/${record.tag}/${quote.revision}`} target="_blank">
          PDF
        </a>
        <Link className="font-semibold underline" href="/outbox">
          The mail, in the outbox
        </Link>
        <span className="text-13 text-quiet">
          {view.openLinks === 1 ? 'one open link' : `${view.openLinks} open links`}
        </span>
        {view.openLinks > 0 && (
          <Button
            verb="revoke-link"
            tone="quiet"
            disabled={isBusy}
            onClick={() => run('revoke-link', { tag: record.tag })}
          >
            Take the link back
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
    </section>
  );
}

/** Every answer so far, each with who gave it, how, and the words that were kept of it. */
function Answers({ view }: { readonly view: JobView }) {
  const { record } = view;
  return record.approvals.map((approval) => (
    <section key={approval.id} aria-label="Answer" className="border-l-4 border-moss pl-3">
      <h2 className="font-bold">
        {nameOf(record, approval.quoteId)}: answered by {approval.name}, by {approval.way},{' '}
        {sayMoment(approval.at, view.zone)}
      </h2>
      {approval.reference && <p className="text-13">{approval.reference}</p>}
      {approval.corrects && (
        <p className="text-13">
          Put right by {approval.personName}: {approval.corrects}
        </p>
      )}
      <p className="whitespace-pre-line">{approval.text.split('\n\n').at(-1)}</p>
      {approval.signature.startsWith('M') && (
        <svg
          viewBox="0 0 320 120"
          width={200}
          role="img"
          aria-label={`Signature of ${approval.name}`}
          className="border-b border-ink"
        >
          <path
            d={approval.signature}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.2}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        </svg>
      )}
      <p className="text-13 text-quiet">
        Fingerprint of what was seen and answered <span className="num break-all">{approval.fingerprint}</span>
      </p>
    </section>
  ));
}

function Revise({ view }: { readonly view: JobView }) {
  const { run, error, isBusy } = useAct();
  return (
    <section aria-label="Another revision">
      <h2 className="font-bold">Another revision</h2>
      <p className="text-13 text-quiet">
        The one that was sent stays in the record; its link says that there is a newer one.
      </p>
      <ErrorNote error={error} />
      <Button
        verb="advance-job:revise-quote"
        disabled={isBusy}
        onClick={() => run('advance-job', { tag: view.record.tag, event: 'revise-quote' })}
      >
        Back to the quote
      </Button>
    </section>
  );
}

/** An answer by telephone or order can be put right until something was ordered by it. */
const canCorrect = ({ record }: JobView) =>
  record.station === 'parts' &&
  record.hold === null &&
  record.approvals.at(-1)?.way !== 'link' &&
  !record.orders.some(({ atRiskMinor }) => atRiskMinor === null);

/** What was sent and what was answered, of the quote and of every supplement; questions, reminders, what was declined. */
export function ApproveSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  useAskedPlace();
  const quote = currentQuote(record);
  const supplements = supplementsOf(record);
  if (!quote) return <p className="p-6">No quote has been sent yet.</p>;
  return (
    <div className="p-6">
      <SettleDecline key={record.approvals.length} view={view} />
      <div className="grid gap-8 lg:grid-cols-[1fr_1fr]" id="answer">
        <div className="space-y-6">
          <WhatWasSent view={view} quote={quote} />
          <Questions view={view} />
          <AgreedLimit key={record.agreement?.version ?? 0} view={view} />
          <MailLog view={view} />
        </div>
        <div className="space-y-6">
          <Answers view={view} />
          {isHere && quote.state === 'sent' && <RecordAnswer key={quote.id} view={view} quote={quote} />}
          {isHere && quote.state === 'sent' && (
            <ReminderDraft key={record.reminders.length} view={view} quote={quote} />
          )}
          {canCorrect(view) && (
            <details>
              <summary className="min-h-11 cursor-pointer content-center font-semibold">
                The answer was written down wrongly
              </summary>
              <RecordAnswer key={record.approvals.length} view={view} quote={quote} isCorrection />
            </details>
          )}
          {isHere && <Revise view={view} />}
        </div>
      </div>
      {supplements.map((supplement) => (
        <SupplementPanel key={supplement.id} view={view} quote={supplement} />
      ))}
    </div>
  );
}
