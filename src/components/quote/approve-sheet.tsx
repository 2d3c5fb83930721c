'use client';

import Link from 'next/link';
import { useForm, useWatch } from 'react-hook-form';
import { lineTotalMinor, totalQuote } from '@/core/quoting';
import { currentQuote, recordedWays, type Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';

/** What was sent and what was answered; the coordinator can record an answer that came by telephone or order. */
export function ApproveSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  const quote = currentQuote(record);
  const { run, error, isBusy } = useAct();
  if (!quote) return <p className="p-6">No quote has been sent yet.</p>;
  const approvals = record.approvals;
  return (
    <div className="grid gap-8 p-6 lg:grid-cols-[1fr_1fr]" id="answer">
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
      <div className="space-y-6">
        {approvals.map((approval) => (
          <section key={approval.id} aria-label="Answer" className="border-l-4 border-moss pl-3">
            <h2 className="font-bold">
              Answered by {approval.name}, by {approval.way}, {sayMoment(approval.at, view.zone)}
            </h2>
            {approval.reference && <p className="text-13">{approval.reference}</p>}
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
        ))}
        {isHere && quote.state === 'sent' && <RecordAnswer key={quote.id} view={view} quote={quote} />}
        {isHere && (
          <section aria-label="Another revision">
            <h2 className="font-bold">Another revision</h2>
            <p className="text-13 text-quiet">
              The one that was sent stays in the record; its link stops when the next is sent.
            </p>
            <Button
              verb="advance-job:revise-quote"
              disabled={isBusy}
              onClick={() => run('advance-job', { tag: record.tag, event: 'revise-quote' })}
            >
              Back to the quote
            </Button>
          </section>
        )}
      </div>
    </div>
  );
}

interface AnswerText {
  readonly way: (typeof recordedWays)[number];
  readonly name: string;
  readonly reference: string;
  /** Ids of the lines that are approved. */
  readonly approved: readonly string[];
}

function RecordAnswer({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { run, error, isBusy } = useAct();
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const form = useForm<AnswerText>({
    defaultValues: {
      way: 'telephone',
      name: view.record.contact?.name ?? '',
      reference: '',
      approved: standing.map((line) => line.id),
    },
  });
  const [way, approved] = useWatch({ control: form.control, name: ['way', 'approved'] });
  const stays = (line: Quote['lines'][number]) => !line.declinable || approved.includes(line.id);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const send = (declineAll: boolean) => {
    const { name, reference } = form.getValues();
    const declinedLines = declineAll ? [] : standing.filter((line) => !stays(line)).map((line) => line.id);
    return run('record-approval', { tag: view.record.tag, way, name, reference, declinedLines, declineAll });
  };
  const faultOf = faultsOf(form.formState.errors, error);
  return (
    <section aria-label="Record an answer" className="space-y-2">
      <h2 className="font-bold">Record an answer that came otherwise</h2>
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField label="It came by" {...form.register('way')}>
          {recordedWays.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </SelectField>
        <TextField label="Who said so" error={faultOf('name')} {...form.register('name')} />
        <TextField
          label={way === 'telephone' ? 'When, and what was said' : 'Order number'}
          error={faultOf('reference')}
          {...form.register('reference')}
        />
      </div>
      <ul>
        {standing.map((line) => (
          <li key={line.id} className="row first:border-0">
            <label className="flex min-h-11 items-center gap-3">
              {line.declinable ? (
                <input
                  type="checkbox"
                  className="size-6 accent-(--ink)"
                  value={line.id}
                  {...form.register('approved')}
                />
              ) : (
                <input type="checkbox" className="size-6 accent-(--ink)" disabled checked />
              )}
              <span className="flex-1">{line.description}</span>
              <span className="num">{money(lineTotalMinor(line))}</span>
            </label>
          </li>
        ))}
      </ul>
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-3">
        <Button verb="record-approval" tone="main" data-next disabled={isBusy} onClick={() => send(false)}>
          Approved: {money(totalQuote(standing.filter(stays), quote).grossMinor)} with tax
        </Button>
        <Button verb="record-approval" disabled={isBusy} onClick={() => send(true)}>
          Declined: goes back as it is
        </Button>
      </div>
    </section>
  );
}
