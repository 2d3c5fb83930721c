'use client';

import { useState } from 'react';
import type { CustomerOffer, OfferedLine } from '@/core/quoting';
import { totalQuote } from '@/core/quoting';
import type { OptionLevel } from '@/core/record';
import { act, type ActError } from '../act/act';
import { showAnew } from '../act/show-anew';
import { useDraft } from '../act/use-draft';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { useWords } from '../words/words';
import { lineMoney, linesIn, moneyOf, optionNet, sayOption, Totals } from './offer-reading';
import { SignatureBox } from './signature-box';

interface Choice {
  readonly option: OptionLevel | null;
  readonly declined: ReadonlySet<string>;
}

/** The options, one to be chosen, each with what it is and its price. */
export function OptionChoice({
  offer,
  option,
  onChoose,
}: {
  readonly offer: CustomerOffer;
  readonly option: OptionLevel | null;
  readonly onChoose?: (option: OptionLevel) => void;
}) {
  const words = useWords();
  const { say } = words;
  const money = moneyOf(offer, words);
  return (
    <div role="radiogroup" aria-label={say('form.options')}>
      {offer.quote.options.map((level) => (
        <div key={level} className="row first:border-0">
          <label className="grid min-h-12 grid-cols-[auto_1fr_auto] items-start gap-x-3 py-2">
            <input
              type="radio"
              name="option"
              className="mt-1 size-6 accent-(--ink)"
              checked={option === level}
              readOnly={!onChoose}
              disabled={!onChoose}
              onChange={() => onChoose?.(level)}
            />
            <span className="min-w-0">
              <b>{say(`option.${level}`)}</b>
              <span className="block text-13 text-quiet">{sayOption(offer, level, words)}</span>
            </span>
            <b className="num whitespace-nowrap">{money(optionNet(offer, level))}</b>
          </label>
        </div>
      ))}
    </div>
  );
}

function LineChoice({
  offer,
  line,
  isDeclined,
  onToggle,
}: {
  readonly offer: CustomerOffer;
  readonly line: OfferedLine;
  readonly isDeclined: boolean;
  readonly onToggle: (() => void) | null;
}) {
  const words = useWords();
  const { say, number, phrase } = words;
  return (
    <li className="row grid grid-cols-[auto_1fr_auto] items-start gap-x-3 py-3 first:border-0">
      {onToggle && line.declinable ? (
        <input
          type="checkbox"
          id={line.id}
          className="mt-1 size-7 accent-(--ink)"
          checked={!isDeclined}
          onChange={onToggle}
        />
      ) : (
        <span className="w-7" />
      )}
      <label htmlFor={line.id} className="min-w-0">
        <b className={isDeclined ? 'line-through' : ''}>{line.description}</b>
        <span className="block">{line.plain}</span>
        <span className="block text-13 text-quiet">
          {number(line.quantity)} {phrase(line.unit)}
          {line.discountPct > 0 && say('form.discount', { percent: number(line.discountPct) })}
          {!line.declinable && say('form.every')}
          {line.declinable && isDeclined && say('form.declined')}
          {line.critical && !isDeclined && say('form.critical')}
        </span>
      </label>
      <span className="num whitespace-nowrap">{lineMoney(offer, line, words)}</span>
    </li>
  );
}

/** What it means to leave out something without which the pump may fail, and the question once more. */
function CriticalStep({
  lines,
  offer,
  onConfirm,
  onBack,
}: {
  readonly lines: readonly OfferedLine[];
  readonly offer: CustomerOffer;
  readonly onConfirm: () => void;
  readonly onBack: () => void;
}) {
  const { say } = useWords();
  return (
    <section role="alertdialog" aria-label={say('form.beforeOut')} className="border-2 border-jasper bg-sheet p-3">
      <h3 className="text-18 font-bold">{say('form.leaveOut')}</h3>
      {lines.map((line) => (
        <p key={line.id} className="mt-2">
          <b>{line.description}.</b> {line.plain} {say('form.mayFail')}
        </p>
      ))}
      <p className="mt-2">{say('form.spoken', { shop: offer.shop.name })}</p>
      <div className="mt-3 grid gap-2 sm:grid-cols-2">
        <Button tone="main" onClick={onBack}>
          {say('form.keepIn')}
        </Button>
        <Button onClick={onConfirm}>{say('form.leave')}</Button>
      </div>
    </section>
  );
}

/** Options, lines, name and signature: the customer’s answer. */
export function AnswerForm({
  token,
  offer,
  isOpen,
}: {
  readonly token: string;
  readonly offer: CustomerOffer;
  readonly isOpen: boolean;
}) {
  const { quote, approval } = offer;
  const first = approval?.option ?? (quote.options.length ? quote.advised : null);
  const [choice, setChoice] = useState<Choice>({ option: first, declined: new Set() });
  const [name, setName] = useDraft(`customer.${quote.id}.name`);
  const [signature, setSignature] = useState('');
  const [asks, setAsks] = useState<{ readonly lines: readonly OfferedLine[]; readonly declineAll: boolean } | null>(
    null,
  );
  const [error, setError] = useState<ActError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const words = useWords();
  const { say } = words;
  const money = moneyOf(offer, words);
  const lines = linesIn(offer, choice.option);
  const approved = lines.filter(({ id }) => !choice.declined.has(id));
  const declined = lines.filter(({ id }) => choice.declined.has(id));
  const critical = declined.filter((line) => line.critical);
  const toggle = (id: string) => setChoice({ ...choice, declined: toggled(choice.declined, id) });
  const send = async (declineAll: boolean, criticalConfirmed = false) => {
    const left =
      declineAll && quote.kind === 'supplement' ? lines.filter((line) => line.critical) : declineAll ? [] : critical;
    if (left.length && !criticalConfirmed) return setAsks({ lines: left, declineAll });
    setAsks(null);
    setBusy(true);
    setError(null);
    const declinedLines = declineAll ? [] : declined.map(({ id }) => id);
    const said = { declinedLines, declineAll, option: choice.option, criticalConfirmed };
    const answer = await act('answer-quote', { quoteId: quote.id, name, signature, ...said }, { link: token });
    setBusy(false);
    if (answer.ok) {
      setName(null);
      showAnew();
    } else if ('error' in answer) setError(answer.error);
  };
  const gross = totalQuote(approved, quote).grossMinor;
  return (
    <section aria-label={say('form.lines')}>
      {quote.options.length > 0 && (
        <>
          <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">{say('form.howFar')}</h2>
          <OptionChoice
            offer={offer}
            option={choice.option}
            {...(isOpen && { onChoose: (option: OptionLevel) => setChoice({ option, declined: new Set() }) })}
          />
        </>
      )}
      <h2 className="mt-6 border-t border-ink pt-3 text-18 font-bold">{say('form.takes')}</h2>
      <ul>
        {lines.map((line) => (
          <LineChoice
            key={line.id}
            offer={offer}
            line={line}
            isDeclined={choice.declined.has(line.id)}
            onToggle={isOpen ? () => toggle(line.id) : null}
          />
        ))}
      </ul>
      <Totals offer={offer} lines={approved} />
      {isOpen && (
        <div className="mt-6 space-y-3 border-t border-ink pt-4">
          <h2 className="text-18 font-bold">{say('page.answer')}</h2>
          <TextField
            label={say('form.name')}
            value={name}
            onChange={(event) => setName(event.target.value)}
            autoComplete="name"
            error={issueFor(error, 'name')}
          />
          <div>
            <p className="mb-1 text-13 text-quiet">{say('form.signature')}</p>
            <SignatureBox path={signature} onChange={setSignature} />
            {issueFor(error, 'signature') && (
              <p className="text-13 font-semibold text-jasper">{words.phrase(issueFor(error, 'signature') ?? '')}</p>
            )}
          </div>
          <ErrorNote error={error} />
          {asks ? (
            <CriticalStep
              lines={asks.lines}
              offer={offer}
              onConfirm={() => send(asks.declineAll, true)}
              onBack={() => {
                setAsks(null);
                setChoice({
                  ...choice,
                  declined: new Set(declined.filter((one) => !one.critical).map(({ id }) => id)),
                });
              }}
            />
          ) : (
            <>
              <Button tone="main" className="w-full" disabled={isBusy} onClick={() => send(false)}>
                {declined.length
                  ? say('form.approveSome', { count: approved.length, all: lines.length })
                  : say('form.approveAll')}{' '}
                · {money(gross)}
              </Button>
              <Button className="w-full" disabled={isBusy} onClick={() => send(true)}>
                {say(quote.kind === 'quote' ? 'form.decline' : 'form.declineSupplement')}
              </Button>
            </>
          )}
        </div>
      )}
    </section>
  );
}

function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
  return set.has(id) ? new Set([...set].filter((one) => one !== id)) : new Set([...set, id]);
}
