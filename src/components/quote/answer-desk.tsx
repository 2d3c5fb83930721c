'use client';

import { useState } from 'react';
import { draftReminder, unsettledDecline } from '@/core/quoting';
import type { Question, Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { catalogueIn, useSpoken } from '../words/words';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';
import { readMoney, writeMoney } from './money';
import { useKeys } from '../ui/use-keys';

interface Shown {
  readonly view: JobView;
}

function QuestionRow({ view, question }: Shown & { readonly question: Question }) {
  const { run, error, isBusy } = useAct();
  const [words, setWords] = useState('');
  const send = () => run('answer-question', { tag: view.record.tag, questionId: question.id, words });
  return (
    <li className="row space-y-1 py-2 first:border-0">
      <p>
        <b>{question.askedBy}</b> <span className="text-13 text-quiet">{sayMoment(question.askedAt, view.zone)}</span>:{' '}
        {question.words}
      </p>
      {question.answer ? (
        <p className="border-l-4 border-moss pl-3">
          {question.answer.words}{' '}
          <span className="text-13 text-quiet">
            {question.answer.personName}, {sayMoment(question.answer.at, view.zone)}
          </span>
        </p>
      ) : (
        <>
          <TextArea
            label="Your answer, on their page and by mail"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            error={issueFor(error, 'words')}
          />
          <ErrorNote error={error} />
          <Button verb="answer-question" disabled={isBusy} onClick={send}>
            Answer
          </Button>
        </>
      )}
    </li>
  );
}

/** Questions of the customer, each with its answer or a place for it. */
export function Questions({ view }: Shown) {
  const { questions } = view.record;
  if (!questions.length) return null;
  return (
    <section aria-label="Questions" id="questions">
      <h2 className="font-bold">Questions of the customer</h2>
      <ul>
        {questions.map((question) => (
          <QuestionRow key={question.id} view={view} question={question} />
        ))}
      </ul>
    </section>
  );
}

/** The reminder that the shop’s rule drafts; one key sends it. */
export function ReminderDraft({ view, quote }: Shown & { readonly quote: Quote }) {
  const { record, today, shop } = view;
  const { run, error, isBusy } = useAct();
  const spoken = useSpoken(catalogueIn(view, quote.language));
  const drafted = draftReminder({
    ...{ record, quote, today, afterDays: shop.reminderAfterDays, sender: shop, words: spoken },
  });
  const [words, setWords] = useState(drafted?.words ?? '');
  const [isOpen, setOpen] = useState(false);
  const send = () => void run('send-reminder', { tag: record.tag, quoteId: quote.id, words });
  useKeys({
    ...(drafted?.isDue && record.contact && !isBusy && { r: { says: 'send the reminder', act: send } }),
  });
  if (!drafted || !record.contact) return null;
  const sent = record.reminders.filter(({ quoteId }) => quoteId === quote.id);
  return (
    <section aria-label="Reminder" className={drafted.isDue ? 'border-l-4 border-ochre pl-3' : ''}>
      <h2 className="font-bold">
        Reminder{' '}
        <small className="font-normal text-quiet">
          {drafted.isDue
            ? `due: ${drafted.days} days without a word`
            : `drafted ${view.shop.reminderAfterDays} days after they last heard of it; ${drafted.days} so far`}
        </small>
      </h2>
      {sent.map((reminder) => (
        <p key={reminder.number} className="text-13 text-quiet">
          {sayMoment(reminder.at, view.zone)} to {reminder.sentTo}, by {reminder.personName}
        </p>
      ))}
      {(drafted.isDue || isOpen) && (
        <TextArea
          label="As it is sent; the link goes beneath it"
          rows={10}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          error={issueFor(error, 'words')}
        />
      )}
      <ErrorNote error={error} />
      {drafted.isDue || isOpen ? (
        <Button verb="send-reminder" disabled={isBusy} onClick={send}>
          Send the reminder {drafted.isDue && <kbd>r</kbd>}
        </Button>
      ) : (
        <Button verb="send-reminder" tone="quiet" onClick={() => setOpen(true)}>
          Remind them now
        </Button>
      )}
    </section>
  );
}

/** Something was declined without which the pump may fail: on with the disclaimer, or back as it is. */
export function SettleDecline({ view }: Shown) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const open = unsettledDecline(record);
  const lines = open?.lines.map(({ description }) => description).join('; ') ?? '';
  const [words, setWords] = useState(
    `${open?.approval.name ?? ''} has declined: ${lines}. It was said that the pump may fail in service without it. The repair has no warranty for what follows from it, and the pump is not to be run without watching it.`,
  );
  if (!open || record.outcome !== 'open') return null;
  const settle = (decision: 'go on' | 'return as it is') => run('settle-decline', { tag: record.tag, decision, words });
  return (
    <section aria-label="Critical decline" id="settle" className="space-y-2 border-2 border-jasper p-3">
      <h2 className="text-18 font-bold">Declined: {lines}</h2>
      <p>
        The pump may fail without it. Nothing is ordered before you say whether it goes on or back; your name stands
        beneath what is printed.
      </p>
      <TextArea
        label="The disclaimer, as it is printed; or why it goes back"
        rows={4}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        error={issueFor(error, 'words')}
      />
      <ErrorNote error={error} />
      <div className="flex flex-wrap gap-3">
        <Button verb="settle-decline" tone="main" disabled={isBusy} onClick={() => settle('return as it is')}>
          Return it as it is
        </Button>
        <Button verb="settle-decline" disabled={isBusy} onClick={() => settle('go on')}>
          Go on with the disclaimer
        </Button>
      </div>
    </section>
  );
}

/** Up to which sum supplements are approved without asking. */
export function AgreedLimit({ view }: Shown) {
  const { record } = view;
  const { agreement } = record;
  const { run, error, isBusy } = useAct();
  const [limit, setLimit] = useState(agreement ? writeMoney(agreement.limitMinor) : '');
  const [saidBy, setSaidBy] = useState(agreement?.saidBy ?? record.contact?.name ?? '');
  const [forAll, setForAll] = useState(false);
  const currency = record.quotes.at(-1)?.currency ?? 'EUR';
  const read = readMoney(limit);
  const send = () =>
    run('agree-limit', {
      ...{ tag: record.tag, saidBy, forAll, basedOn: agreement?.version ?? 0 },
      limitMinor: 'minor' in read ? read.minor : Number.NaN,
    });
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        Agreed limit for supplements{' '}
        <small className="font-normal text-quiet">
          {agreement
            ? `${formatMoney({ minor: agreement.limitMinor, currency })}, said by ${agreement.saidBy}`
            : 'none: each is asked'}
        </small>
      </summary>
      <div className="grid items-start gap-3 py-2 sm:grid-cols-[140px_1fr_auto]">
        <TextField
          label={`Up to, ${currency}`}
          value={limit}
          onChange={(event) => setLimit(event.target.value)}
          error={issueFor(error, 'limitMinor')}
        />
        <TextField
          label="Who agreed to it"
          value={saidBy}
          onChange={(event) => setSaidBy(event.target.value)}
          error={issueFor(error, 'saidBy')}
        />
        <Button verb="agree-limit" className="mt-[22px]" disabled={isBusy} onClick={send}>
          Keep
        </Button>
      </div>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-6 accent-(--ink)"
          checked={forAll}
          onChange={(event) => setForAll(event.target.checked)}
        />
        for every pump of {record.customer.name} that comes in from now on
      </label>
      <ErrorNote error={error} />
    </details>
  );
}
