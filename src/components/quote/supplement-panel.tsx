'use client';

import { useState } from 'react';
import { nameQuote, offeredLines, totalQuote } from '@/core/quoting';
import type { Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';
import { useOthersWork } from '../ui/whose';
import { AddLine } from './add-line';
import { QuoteLines } from './quote-lines';
import { ReadingPane } from './reading-pane';
import { RecordAnswer } from './record-answer';

interface Props {
  readonly view: JobView;
  readonly quote: Quote;
}
const stateWords: Readonly<Record<Quote['state'], string>> = {
  draft: 'not sent yet',
  sent: 'waits for its answer',
  answered: 'answered',
  superseded: 'taken back',
};

function Withdraw({ view, quote }: Props) {
  const { run, error, isBusy } = useAct();
  const [why, setWhy] = useState<string | null>(null);
  if (why === null)
    return (
      <Button verb="withdraw-supplement" tone="quiet" onClick={() => setWhy('')}>
        Take it back
      </Button>
    );
  const send = () => run('withdraw-supplement', { tag: view.record.tag, quoteId: quote.id, reason: why });
  return (
    <div className="space-y-2">
      <TextField label="Why it is taken back" value={why} onChange={(event) => setWhy(event.target.value)} />
      <Button disabled={isBusy} onClick={send}>
        Take it back
      </Button>
      <ErrorNote error={error} />
    </div>
  );
}

function DraftActions({ view, quote }: Props) {
  const { run, error, isBusy } = useAct();
  const [isAdding, setAdding] = useState(false);
  const send = () => run('send-supplement', { tag: view.record.tag, quoteId: quote.id, basedOn: quote.version });
  return (
    <div className="space-y-2">
      {isAdding && <AddLine view={view} quote={quote} onDone={() => setAdding(false)} />}
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-3">
        <Button verb="send-supplement" tone="main" data-next disabled={isBusy} onClick={send}>
          Send {nameQuote(quote).toLowerCase()}
        </Button>
        <Button verb="add-line" onClick={() => setAdding(true)}>
          Add a line
        </Button>
        <Withdraw view={view} quote={quote} />
      </div>
    </div>
  );
}

/** A supplement: what was found later, what it stops, its lines, what the customer reads, and its answer. */
export function SupplementPanel({ view, quote }: Props) {
  const { record, family } = view;
  const others = useOthersWork('change-line');
  const canAct = record.closedAt === null && record.hold === null;
  const isDraft = quote.state === 'draft' && canAct && !others;
  const finding = record.findings.find(({ id }) => id === quote.supplement?.findingId);
  const part = family.parts.find(({ ref }) => ref === finding?.partRef)?.name ?? '';
  const stops = [...family.rebuild, ...family.test.steps].filter(({ id }) => quote.supplement?.stops.includes(id));
  const net = totalQuote(offeredLines(quote, null), quote).netMinor;
  return (
    <section
      id={`supplement-${quote.revision}`}
      aria-label={nameQuote(quote)}
      className="mt-6 border-t-2 border-ink pt-3"
    >
      <h2 className="text-18 font-bold">
        {nameQuote(quote)}: {part}{' '}
        <small className="text-15 font-normal text-quiet">
          {stateWords[quote.state]}
          {quote.sentAt && `, sent ${sayMoment(quote.sentAt, view.zone)}`} ·{' '}
          {formatMoney({ minor: net, currency: quote.currency })} without tax
        </small>
      </h2>
      <p>
        {finding?.words}{' '}
        <span className="text-13 text-quiet">
          {finding && `${finding.personName}, ${sayMoment(finding.at, view.zone)}`} · why only now:{' '}
          {quote.supplement?.whyOnlyNow}
        </span>
      </p>
      <p className="text-13">
        {stops.length
          ? `Waits for it: ${stops.map(({ title }) => title).join(', ')}. The rest goes on.`
          : 'No step waits for it.'}
      </p>
      {quote.state !== 'superseded' && (
        <div className="mt-2 grid gap-6 xl:grid-cols-[1fr_340px]">
          <div className="min-w-0 space-y-3">
            <QuoteLines view={view} quote={quote} isDraft={isDraft} showsMargin={false} />
            {isDraft && <DraftActions view={view} quote={quote} />}
            {quote.state === 'sent' && canAct && (
              <>
                <RecordAnswer key={quote.id} view={view} quote={quote} />
                <Withdraw view={view} quote={quote} />
              </>
            )}
          </div>
          {quote.state !== 'answered' && <ReadingPane view={view} quote={quote} />}
        </div>
      )}
    </section>
  );
}
