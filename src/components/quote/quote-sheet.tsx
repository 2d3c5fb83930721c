'use client';

import { useRef, useState } from 'react';
import { currentQuote, type Quote } from '@/core/record';
import { MadeHere } from '../parts/made-here';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { Later } from '../ui/later';
import { useAskedPlace } from '../ui/use-asked-place';
import { useOthersWork } from '../ui/whose';
import { AddLine } from './add-line';
import { useKeys } from '../ui/use-keys';
import { QuoteLines } from './quote-lines';
import { QuoteTerms } from './quote-terms';
import { ReadingPane } from './reading-pane';
import { WaysPanel } from './ways-panel';

function NoQuote({ view, isHere }: SheetProps) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  return (
    <div className="mx-auto max-w-[720px] p-6" id="lines">
      <h2 className="text-18 font-bold">No quote yet</h2>
      <p className="my-2">
        {record.findings.filter((finding) => finding.disposition).length} dispositions become its lines: parts (as a kit
        where that is cheaper), work on them, teardown, rebuild, test and freight; in up to three options.
      </p>
      <ErrorNote error={error} />
      {isHere && (
        <Button
          verb="draw-up-quote"
          tone="main"
          data-next
          disabled={isBusy}
          onClick={() => run('draw-up-quote', { tag: record.tag })}
        >
          Draw up the quote
        </Button>
      )}
    </div>
  );
}

interface Shown {
  readonly view: JobView;
  readonly quote: Quote;
}

function QuoteHead({ view, quote, isHere, isDraft }: Shown & { readonly isHere: boolean; readonly isDraft: boolean }) {
  const { run, error, isBusy } = useAct();
  const { record } = view;
  const byHand = quote.lines.filter((line) => line.byHand).length;
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-18 font-bold">
          Quote, revision {quote.revision}{' '}
          <small className="text-13 font-normal text-quiet">
            {quote.state}
            {quote.sentAt && `, sent ${sayMoment(quote.sentAt, view.zone)}`} · valid until {sayDate(quote.validUntil)}
            {byHand > 0 && ` · ${byHand} ${byHand === 1 ? 'line' : 'lines'} by hand`}
          </small>
        </h2>
        <a
          className="ml-auto text-13 font-semibold underline"
          href={`/files/quote/${record.tag}/${quote.revision}`}
          target="_blank"
        >
          PDF
        </a>
        {isDraft && <QuoteTerms view={view} quote={quote} />}
        {isHere && (
          <Button
            verb="draw-up-quote"
            tone="quiet"
            disabled={isBusy}
            onClick={() => run('draw-up-quote', { tag: record.tag })}
          >
            Draw up anew
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

/** What is open before it can go, to whom it goes, and the send. */
function SendBar({ view, quote, onAdd }: Shown & { readonly onAdd: () => void }) {
  const { record, gate } = view;
  const { run, error, isBusy } = useAct();
  const send = () => void run('send-quote', { tag: record.tag });
  const isReady = gate.missing.length === 0 && !isBusy;
  useKeys({
    a: { says: 'add a line', act: onAdd },
    ...(isReady && { 'Ctrl Enter': { says: 'send the quote', act: send } }),
  });
  const others = quote.recipients.map(({ name }) => name).join(', ');
  return (
    <section aria-label="Send" className="mt-3 border-t border-ink pt-3">
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-4">
        <p className="min-w-[240px] flex-1 text-13">
          {record.contact ? (
            <>
              It goes to <b>{record.contact.name}</b>, {record.contact.email}
              {others && <>, and {others}</>}, {quote.note ? 'with your note' : 'without a note'}; valid to{' '}
              {sayDate(quote.validUntil)}. A reminder is drafted {view.shop.reminderAfterDays} days after.
            </>
          ) : (
            'The customer has no contact to send it to.'
          )}
        </p>
        <Button verb="add-line" onClick={onAdd}>
          Add a line <kbd>a</kbd>
        </Button>
        <Button verb="send-quote" tone="main" data-next className="min-w-[200px]" disabled={!isReady} onClick={send}>
          Send the quote
        </Button>
      </div>
    </section>
  );
}

/** Lines grown out of the findings in options side by side, what each way costs a year, and what the customer will read. */
export function QuoteSheet({ view, isHere }: SheetProps) {
  useAskedPlace();
  const quote = currentQuote(view.record);
  const others = useOthersWork('change-line');
  const [isAdding, setAdding] = useState(false);
  const [showsMargin, setShowsMargin] = useState(true);
  const form = useRef<HTMLDivElement>(null);
  useKeys({ m: { says: 'show or hide the margin', act: () => setShowsMargin(!showsMargin) } });
  if (!quote)
    return (
      <>
        <NoQuote view={view} isHere={isHere} />
        <div className="px-6 pb-28">
          <MadeHere view={view} />
        </div>
      </>
    );
  const isDraft = isHere && quote.state === 'draft' && !others;
  const add = () => {
    setAdding(true);
    requestAnimationFrame(() => form.current?.querySelector<HTMLElement>('input[name=description]')?.focus());
  };
  return (
    <div className="grid xl:grid-cols-[1fr_340px]" id="lines">
      <div className="min-w-0 px-6 py-3">
        <QuoteHead view={view} quote={quote} isHere={isHere} isDraft={isDraft} />
        <QuoteLines view={view} quote={quote} isDraft={isDraft} showsMargin={showsMargin && !others} />
        <div ref={form}>
          {isAdding && isDraft && <AddLine view={view} quote={quote} onDone={() => setAdding(false)} />}
        </div>
        <Later height={340}>
          <MadeHere view={view} />
          <WaysPanel view={view} quote={quote} isDraft={isDraft} />
        </Later>
        {isDraft && <SendBar view={view} quote={quote} onAdd={add} />}
      </div>
      <ReadingPane view={view} quote={quote} />
    </div>
  );
}
