'use client';

import { useState } from 'react';
import { outsideWorks, sheetsOf, type OutsideJob, type OutsideWork as Work, type SheetOf } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { sayDate, type JobView } from '../job/view';
import { readMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';

const asNumber = (text: string) => (text.trim() ? Number(text.replace(',', '.')) : null);

interface Typed {
  readonly work: Work;
  readonly what: string;
  readonly part: string;
  readonly to: string;
  readonly price: string;
  readonly asks: readonly AskTyped[];
}
interface AskTyped {
  readonly ask: string;
  readonly unit: string;
  readonly min: string;
  readonly max: string;
}
const noAsk: AskTyped = { ask: '', unit: 'mm', min: '', max: '' };
const empty: Typed = { work: 'machining', what: '', part: '', to: '', price: '', asks: [noAsk] };

/** One thing that must come back measured; the names of its fields say which where there are several. */
function AskRow({
  typed,
  of,
  onChange,
}: {
  readonly typed: AskTyped;
  readonly of: string;
  readonly onChange: (change: Partial<AskTyped>) => void;
}) {
  const text = (field: keyof AskTyped) => ({
    value: typed[field],
    onChange: (event: { readonly target: { readonly value: string } }) => onChange({ [field]: event.target.value }),
  });
  return (
    <div className="grid grid-cols-[1.6fr_90px_110px_110px] items-end gap-3">
      <TextField label={`What must come back measured${of}`} {...text('ask')} />
      <TextField label={`Unit${of}`} {...text('unit')} />
      <TextField label={`At least${of}`} inputMode="decimal" className="num" {...text('min')} />
      <TextField label={`At most${of}`} inputMode="decimal" className="num" {...text('max')} />
    </div>
  );
}

function NewWork({ view, onDone }: { readonly view: JobView; readonly onDone: () => void }) {
  const { tag } = view.record;
  const [typed, change, forget] = useDraftState<Typed>(`${tag}.outside`, empty);
  const { run, error, isBusy } = useAct();
  const text = (name: Exclude<keyof Typed, 'work' | 'part' | 'asks'>, field: string = name) => ({
    value: typed[name],
    error: issueFor(error, field),
    onChange: (event: { readonly target: { readonly value: string } }) => change({ [name]: event.target.value }),
  });
  const keep = async () => {
    const price = readMoney(typed.price || '0');
    const asks = typed.asks
      .filter(({ ask }) => ask.trim())
      .map(({ ask, unit, min, max }) => ({ ask, unit, min: asNumber(min), max: asNumber(max) }));
    const done = await run('write-outside', {
      ...{ tag, number: null, basedOn: 0 },
      outside: {
        ...{ work: typed.work, what: typed.what, parts: typed.part ? [typed.part] : [], to: typed.to, asks, dueOn: '' },
        priceMinor: 'minor' in price ? price.minor : Number.NaN,
      },
    });
    if (done) {
      forget();
      onDone();
    }
  };
  return (
    <div className="space-y-3 border-l-4 border-slate pl-3">
      <div className="grid grid-cols-[1fr_1.4fr_1fr_110px] gap-3">
        <SelectField label="Work" value={typed.work} onChange={(event) => change({ work: event.target.value as Work })}>
          {outsideWorks.map((work) => (
            <option key={work}>{work}</option>
          ))}
        </SelectField>
        <SelectField
          label="On which part"
          value={typed.part}
          error={issueFor(error, 'parts')}
          onChange={(event) => change({ part: event.target.value })}
        >
          <option value="">choose it</option>
          {view.family.parts.map(({ ref, name }) => (
            <option key={ref} value={ref}>
              {name}
            </option>
          ))}
        </SelectField>
        <TextField label="To whom" {...text('to')} />
        <TextField label="Price" inputMode="decimal" className="num" {...text('price', 'priceMinor')} />
      </div>
      <TextField label="What is done" {...text('what')} />
      {typed.asks.map((ask, i) => (
        <AskRow
          key={i}
          typed={ask}
          of={i ? `, ${i + 1}` : ''}
          onChange={(part) => change({ asks: typed.asks.map((one, k) => (k === i ? { ...one, ...part } : one)) })}
        />
      ))}
      <div className="flex gap-3">
        <Button verb="write-outside" tone="main" disabled={isBusy} onClick={() => void keep()}>
          Keep it
        </Button>
        {typed.asks.length < 20 && (
          <Button tone="quiet" onClick={() => change({ asks: [...typed.asks, noAsk] })}>
            One more thing that is measured
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

/** It leaves the house on a day, and is due on another. */
function Send({ view, sheet }: { readonly view: JobView; readonly sheet: SheetOf<'outside'> }) {
  const [dueOn, setDueOn] = useState('');
  const { run, error, isBusy } = useAct();
  const about = { tag: view.record.tag, number: sheet.key, basedOn: sheet.version };
  return (
    <div>
      <div className="flex items-end gap-3">
        <TextField
          label="They say it is back on"
          placeholder="2026-12-09"
          value={dueOn}
          error={issueFor(error, 'dueOn')}
          onChange={(event) => setDueOn(event.target.value)}
        />
        <Button
          verb="send-outside"
          tone="main"
          disabled={isBusy}
          onClick={() => void run('send-outside', { ...about, on: view.today, dueOn })}
        >
          It leaves today
        </Button>
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

/** What a measure is worth beside what was asked; empty while it cannot be read. */
function verdictOn({ min, max }: OutsideJob['asks'][number], typed: string): string {
  const value = asNumber(typed);
  if (value === null || Number.isNaN(value)) return '';
  if (min !== null && value < min) return `${Number((min - value).toPrecision(4))} below what was asked`;
  return max !== null && value > max ? `${Number((value - max).toPrecision(4))} above what was asked` : 'as asked';
}

/** It is back: what was asked is measured, and it is taken or goes back. */
function TakeBack({ view, sheet }: { readonly view: JobView; readonly sheet: SheetOf<'outside'> }) {
  const { asks } = sheet.body;
  const [values, setValues] = useState<readonly string[]>(asks.map(() => ''));
  const [words, setWords] = useState('');
  const { run, error, isBusy } = useAct();
  const verdicts = asks.map((ask, i) => verdictOn(ask, values[i] ?? ''));
  const isRight = verdicts.every((verdict) => verdict === 'as asked');
  const take = (isTaken: boolean) =>
    void run('take-back', {
      ...{ tag: view.record.tag, number: sheet.key, basedOn: sheet.version, on: view.today, words, isTaken },
      values: values.map(asNumber),
    });
  return (
    <div className="space-y-2">
      {asks.map(({ ask, unit, min, max }, i) => (
        <div key={ask} className="grid grid-cols-[1fr_220px_160px] items-end gap-3">
          <p className="pb-3">
            {ask}{' '}
            <span className="num text-13 text-quiet">
              {min !== null && `at least ${min} `}
              {max !== null && `at most ${max} `}
              {unit}
            </span>
          </p>
          <p
            role="status"
            className={`pb-3 text-right font-semibold ${verdicts[i] === 'as asked' ? 'text-moss' : 'text-jasper'}`}
          >
            {verdicts[i]}
          </p>
          <TextField
            label={`Measured, ${unit}`}
            inputMode="decimal"
            className="num"
            value={values[i] ?? ''}
            error={issueFor(error, `values.${i}`)}
            onChange={(event) => setValues(values.map((one, k) => (k === i ? event.target.value : one)))}
          />
        </div>
      ))}
      <TextField
        label="What is said about it"
        value={words}
        error={issueFor(error, 'words')}
        onChange={(event) => setWords(event.target.value)}
      />
      <div className="flex gap-3">
        <Button verb="take-back" tone="main" disabled={isBusy} onClick={() => take(true)}>
          {isRight ? 'It is as asked: take it' : 'Take it, for what is said'}
        </Button>
        <Button verb="take-back" disabled={isBusy} onClick={() => take(false)}>
          Send it back
        </Button>
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

function WorkLine({
  view,
  sheet,
  canAct,
}: {
  readonly view: JobView;
  readonly sheet: SheetOf<'outside'>;
  readonly canAct: boolean;
}) {
  const { body } = sheet;
  const names = body.parts.map((ref) => view.family.parts.find((part) => part.ref === ref)?.name ?? ref);
  const stands = body.back?.isTaken
    ? `back on ${sayDate(body.back.on)}, taken by ${body.back.personName}`
    : body.sent
      ? `left on ${sayDate(body.sent.on)}, due ${sayDate(body.dueOn)}`
      : 'not sent yet';
  return (
    <li className="row space-y-2 py-2 first:border-0">
      <p className="grid grid-cols-[120px_1.4fr_1fr_1fr] gap-3">
        <b className="num">{body.number}</b>
        <span>
          {body.what} <span className="block text-13 text-quiet">{names.join(', ')}</span>
        </span>
        <span>
          {body.to},{' '}
          <span className="num">{formatMoney({ minor: body.priceMinor, currency: view.shop.currency })}</span>
        </span>
        <span>{stands}</span>
      </p>
      {body.refused.map(({ words, personName, at }) => (
        <p key={at} className="text-13 text-jasper">
          Sent back by {personName}: {words}
        </p>
      ))}
      {body.back?.isTaken && (
        <p className="num text-13">
          {body.asks.map(({ ask, unit }, i) => `${ask}: ${body.back?.values[i] ?? ''} ${unit}`).join('; ')}
        </p>
      )}
      {canAct &&
        !body.back?.isTaken &&
        (body.sent ? <TakeBack view={view} sheet={sheet} /> : <Send view={view} sheet={sheet} />)}
    </li>
  );
}

/** Work that leaves the house: what, to whom, what must come back measured, sent, due, back. */
export function OutsideWork({ view, canAct }: { readonly view: JobView; readonly canAct: boolean }) {
  const sheets = sheetsOf(view.record, 'outside');
  const [isNew, setNew] = useState(false);
  if (!sheets.length && !canAct) return null;
  return (
    <section aria-label="Work outside" className="border-t border-line pt-3">
      <div className="flex items-center gap-4">
        <h2 className="flex-1 font-bold">Work outside</h2>
        {canAct && !isNew && <Button onClick={() => setNew(true)}>Something goes to another shop</Button>}
      </div>
      {isNew && <NewWork view={view} onDone={() => setNew(false)} />}
      <ul>
        {sheets.map((sheet) => (
          <WorkLine key={sheet.key} view={view} sheet={sheet} canAct={canAct} />
        ))}
      </ul>
    </section>
  );
}
