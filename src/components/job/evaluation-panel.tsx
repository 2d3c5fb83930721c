'use client';

import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { evaluationLetter, evaluationOf, guessOf, sayEvaluationAnswer, shareOfNew } from '@/core/evaluation';
import { partsOn } from '@/core/family';
import { advices, turnings, type Advice, type Evaluation, type Turning } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { readDraft, useFormDraft } from '../act/use-form-draft';
import { readMoney, writeMoney } from '../quote/money';
import { ownCatalogue, useSpoken } from '../words/words';
import { Button, ErrorNote, issueFor, SelectField, TextArea, TextField } from '../ui/form';
import { sayMoment, type JobView } from './view';

/** The first look as it stands in the fields. */
interface Text {
  readonly turns: Turning;
  readonly binds: string;
  readonly substance: string;
  readonly causes: readonly string[];
  readonly otherCause: string;
  /** Why it is surely lost, or until when it is at risk, by part. */
  readonly lost: Readonly<Record<string, string>>;
  readonly atRisk: Readonly<Record<string, string>>;
  readonly outsideWhat: string;
  readonly outsideTo: string;
  readonly outsideMoney: string;
  readonly madeRef: string;
  readonly madeFrom: string;
  readonly hoursFrom: string;
  readonly hoursTo: string;
  readonly partsFrom: string;
  readonly partsTo: string;
  readonly daysFrom: string;
  readonly daysTo: string;
  readonly newMoney: string;
  readonly newDays: string;
  readonly advice: Advice;
  readonly words: string;
}

const figure = (text: string | undefined) => Number((text ?? '').replace(',', '.') || 0);
/** Money by the rule of every price; what cannot be read is refused at its field. */
function minor(text: string | undefined): number {
  const read = readMoney(text?.trim() || '0');
  return 'minor' in read ? read.minor : Number.NaN;
}

function textOf(body: Evaluation | undefined, known: readonly string[]): Text {
  const [outside] = body?.outside ?? [];
  const [made] = body?.made ?? [];
  return {
    ...{ turns: body?.turns ?? 'free', binds: body?.binds ?? '', substance: body?.substance ?? '' },
    causes: body?.causes.filter((cause) => known.includes(cause)) ?? [],
    otherCause: body?.causes.filter((cause) => !known.includes(cause)).join('; ') ?? '',
    lost: Object.fromEntries(body?.lost.map(({ ref, reason }) => [ref, reason]) ?? []),
    atRisk: Object.fromEntries(body?.atRisk.map(({ ref, known: when }) => [ref, when]) ?? []),
    ...{ outsideWhat: outside?.what ?? '', outsideTo: outside?.to ?? '' },
    outsideMoney: outside ? writeMoney(outside.minor) : '',
    ...{ madeRef: made?.ref ?? '', madeFrom: made?.from ?? '' },
    hoursFrom: body ? String(body.hours.from) : '',
    hoursTo: body ? String(body.hours.to) : '',
    partsFrom: body ? writeMoney(body.partsMinor.from) : '',
    partsTo: body ? writeMoney(body.partsMinor.to) : '',
    daysFrom: body ? String(body.days.from) : '',
    daysTo: body ? String(body.days.to) : '',
    newMoney: body?.newUnit ? writeMoney(body.newUnit.minor) : '',
    newDays: body?.newUnit ? String(body.newUnit.days) : '',
    ...{ advice: body?.advice ?? 'repair', words: body?.words ?? '' },
  };
}

/** The fields as they are sent; what the form does not show of the sheet before is kept. */
function readText(text: Text, before: Evaluation | undefined): InputOf<'write-evaluation'>['evaluation'] {
  const said = (record: Readonly<Record<string, string>>) => Object.entries(record).filter(([, words]) => words.trim());
  const other = text.otherCause.trim();
  return {
    ...{ turns: text.turns, binds: text.binds, substance: text.substance },
    causes: [...text.causes, ...(other ? [other] : [])],
    lost: said(text.lost).map(([ref, reason]) => ({ ref, reason })),
    atRisk: said(text.atRisk).map(([ref, known]) => ({ ref, known })),
    outside: [
      ...(text.outsideWhat.trim()
        ? [{ what: text.outsideWhat, to: text.outsideTo, minor: minor(text.outsideMoney) }]
        : []),
      ...(before?.outside.slice(1) ?? []),
    ],
    made: [...(text.madeRef ? [{ ref: text.madeRef, from: text.madeFrom }] : []), ...(before?.made.slice(1) ?? [])],
    hours: { from: figure(text.hoursFrom), to: figure(text.hoursTo) },
    partsMinor: { from: minor(text.partsFrom), to: minor(text.partsTo) },
    days: { from: figure(text.daysFrom), to: figure(text.daysTo) },
    newUnit: text.newMoney.trim() ? { minor: minor(text.newMoney), days: figure(text.newDays) } : null,
    ...{ advice: text.advice, words: text.words },
  };
}

const currencyOf = (view: JobView) => view.record.quotes[0]?.currency ?? view.shop.currency;

/** What the guess comes to, and against the price of a new unit. */
function Guess({
  view,
  evaluation,
}: {
  readonly view: JobView;
  readonly evaluation: Parameters<typeof shareOfNew>[0];
}) {
  const money = (value: number) => formatMoney({ minor: value, currency: currencyOf(view) });
  const { fromMinor, toMinor } = guessOf(evaluation);
  const share = shareOfNew(evaluation);
  return (
    <p className="border-l-4 border-slate bg-sheet px-3 py-1">
      The guess:{' '}
      <b className="num">
        {money(fromMinor)} to {money(toMinor)}
      </b>{' '}
      without tax
      {share !== null && (
        <>
          , <b className="num">{share} %</b> of a new unit
        </>
      )}
      .{' '}
      <span className="text-13 text-quiet">
        {evaluation.hours.from} to {evaluation.hours.to} h at {money(evaluation.rateMinor)}, parts{' '}
        {money(evaluation.partsMinor.from)} to {money(evaluation.partsMinor.to)}
        {evaluation.outside.length > 0 &&
          `, others ${money(evaluation.outside.reduce((sum, one) => sum + one.minor, 0))}`}
      </span>
    </p>
  );
}

function PartWords({
  view,
  label,
  name,
  form,
}: {
  readonly view: JobView;
  readonly label: string;
  readonly name: 'lost' | 'atRisk';
  readonly form: ReturnType<typeof useForm<Text>>;
}) {
  return (
    <details className="border border-line px-3 py-1">
      <summary className="min-h-9 cursor-pointer font-semibold">{label}</summary>
      <ul>
        {partsOn(view.family.parts, 'came').map((part) => (
          <li key={part.ref} className="grid grid-cols-[150px_1fr] items-center gap-2 py-0.5 text-13">
            <label htmlFor={`${name}-${part.ref}`}>{part.name}</label>
            <input
              id={`${name}-${part.ref}`}
              className="field min-h-9"
              placeholder={name === 'lost' ? 'why it is lost' : 'known after cleaning, after measuring'}
              {...form.register(`${name}.${part.ref}`)}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}

function EvaluationForm({
  view,
  again,
  onKept,
}: {
  readonly view: JobView;
  readonly again: boolean;
  readonly onKept: () => void;
}) {
  const { record, family } = view;
  const sheet = evaluationOf(record);
  const known = [...new Set(family.damage.map(({ seen }) => seen))];
  const { run, error, isBusy } = useAct();
  const form = useForm<Text>({ defaultValues: textOf(sheet?.body, known) });
  const forget = useFormDraft(`${record.tag}.look.${sheet?.key ?? 0}.${sheet?.version ?? 0}`, form, readDraft<Text>);
  const read = readText(useWatch({ control: form.control }) as Text, sheet?.body);
  const rateMinor = view.shop.labourMinorPerHour;
  const save = async () => {
    const basedOn = again ? 0 : (sheet?.version ?? 0);
    if (
      await run('write-evaluation', {
        tag: record.tag,
        basedOn,
        again,
        evaluation: readText(form.getValues(), sheet?.body),
      })
    ) {
      forget();
      onKept();
    }
  };
  const field = (name: Exclude<keyof Text, 'lost' | 'atRisk' | 'causes'>, path: string = name) => ({
    ...form.register(name),
    error: issueFor(error, path),
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      className="space-y-3"
    >
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Turns by hand" {...form.register('turns')}>
          {turnings.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </SelectField>
        <TextField label="Where it binds" {...field('binds')} />
      </div>
      <TextField label="What is inside: scale, sludge, sand, crystals, hard residue" {...field('substance')} />
      <details className="border border-line px-3 py-1">
        <summary className="min-h-9 cursor-pointer font-semibold">What is seen so far</summary>
        {known.map((cause) => (
          <label key={cause} className="flex min-h-9 items-center gap-2 text-13">
            <input type="checkbox" className="size-5 accent-(--ink)" value={cause} {...form.register('causes')} />
            {cause}
          </label>
        ))}
      </details>
      <TextField label="And in your own words" {...field('otherCause')} />
      <PartWords view={view} label="Parts that are surely lost" name="lost" form={form} />
      <PartWords view={view} label="Parts at risk" name="atRisk" form={form} />
      <div className="grid grid-cols-3 gap-2">
        <TextField label="Outside work" {...field('outsideWhat')} />
        <TextField label="To whom" {...field('outsideTo')} />
        <TextField label="About how much" className="num" {...field('outsideMoney')} />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <SelectField label="Made in the shop" {...form.register('madeRef')}>
          <option value="">nothing</option>
          {partsOn(family.parts, 'goes back').map(({ ref, name }) => (
            <option key={ref} value={ref}>
              {name}
            </option>
          ))}
        </SelectField>
        <TextField label="From which measure" {...field('madeFrom', 'from')} />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <TextField label="Hours, from" className="num" {...field('hoursFrom', 'hours.from')} />
        <TextField label="to" className="num" {...field('hoursTo', 'evaluation.hours')} />
        <TextField label="Parts, from" className="num" {...field('partsFrom', 'partsMinor.from')} />
        <TextField label="to" className="num" {...field('partsTo', 'evaluation.partsMinor')} />
        <TextField label="Working days, from" className="num" {...field('daysFrom', 'days.from')} />
        <TextField label="to" className="num" {...field('daysTo', 'evaluation.days')} />
        <TextField label="A new unit costs" className="num" {...field('newMoney', 'newUnit.minor')} />
        <TextField label="and takes, days" className="num" {...field('newDays', 'newUnit.days')} />
      </div>
      <Guess view={view} evaluation={{ ...read, rateMinor }} />
      <SelectField label="We advise" {...form.register('advice')}>
        {advices.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </SelectField>
      <TextArea label="Words to go with it" {...field('words')} />
      <ErrorNote error={error} />
      <Button verb="write-evaluation" type="submit" tone="main" disabled={isBusy}>
        Keep the first look
      </Button>
    </form>
  );
}

function SendFirstAnswer({ view }: { readonly view: JobView }) {
  const { record, shop } = view;
  const sheet = evaluationOf(record);
  const { run, error, isBusy } = useAct();
  const spoken = useSpoken(ownCatalogue(view));
  const sender = { ...shop, words: spoken };
  const drafted = sheet
    ? evaluationLetter({ record, evaluation: sheet.body, currency: currencyOf(view), sender }).body
    : '';
  const [words, setWords] = useState(drafted);
  if (!sheet) return null;
  return (
    <section aria-label="First answer" className="space-y-2">
      <h3 className="font-bold">The first answer to {record.contact?.name ?? 'the customer'}</h3>
      <TextArea label="As it is mailed" rows={12} value={words} onChange={(event) => setWords(event.target.value)} />
      <ErrorNote error={error} />
      <Button
        verb="send-evaluation"
        tone="main"
        disabled={isBusy}
        onClick={() => void run('send-evaluation', { tag: record.tag, basedOn: sheet.version, words })}
      >
        Send it
      </Button>
    </section>
  );
}

function OwnerSays({ view }: { readonly view: JobView }) {
  const { record } = view;
  const sheet = evaluationOf(record);
  const { run, error, isBusy } = useAct();
  const [choice, setChoice] = useState<Advice>(sheet?.body.advice ?? 'repair');
  const [saidBy, setSaidBy] = useState(record.contact?.name ?? '');
  const [words, setWords] = useState('');
  if (!sheet) return null;
  return (
    <section aria-label="What the owner says" className="space-y-2">
      <h3 className="font-bold">What the owner says to it</h3>
      <div className="grid grid-cols-2 gap-2">
        <SelectField label="Wants" value={choice} onChange={(event) => setChoice(event.target.value as Advice)}>
          {advices.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </SelectField>
        <TextField
          label="Who says so"
          value={saidBy}
          error={issueFor(error, 'saidBy')}
          onChange={(event) => setSaidBy(event.target.value)}
        />
      </div>
      <TextField label="In their words" value={words} onChange={(event) => setWords(event.target.value)} />
      <ErrorNote error={error} />
      <Button
        verb="answer-evaluation"
        disabled={isBusy}
        onClick={() =>
          void run('answer-evaluation', { tag: record.tag, basedOn: sheet.version, choice, saidBy, words })
        }
      >
        Keep their answer
      </Button>
    </section>
  );
}

/** The first look at a pump: ten minutes at the bench, a guess, advice, a short answer to the customer. */
export function EvaluationPanel({ view }: { readonly view: JobView }) {
  const sheet = evaluationOf(view.record);
  const [isEditing, setEditing] = useState(!sheet);
  const isFixed = !['receive', 'teardown', 'clean', 'inspect', 'quote'].includes(view.record.station);
  if (!sheet || isEditing)
    return (
      <EvaluationForm
        key={sheet?.key ?? '0'}
        view={view}
        again={sheet?.body.sent !== undefined && sheet.body.sent !== null}
        onKept={() => setEditing(false)}
      />
    );
  const { body } = sheet;
  const nameOf = (ref: string) => view.family.parts.find((part) => part.ref === ref)?.name ?? ref;
  return (
    <div className="space-y-3">
      <p>
        Turns by hand: <b>{body.turns}</b>
        {body.binds && `, binds ${body.binds}`}. Inside: {body.substance || 'nothing seen'}.
        {body.causes.length > 0 && ` Seen: ${body.causes.join('; ')}.`}
      </p>
      {body.lost.length > 0 && (
        <p>Surely lost: {body.lost.map(({ ref, reason }) => `${nameOf(ref)} (${reason})`).join(', ')}.</p>
      )}
      {body.atRisk.length > 0 && (
        <p>At risk: {body.atRisk.map(({ ref, known }) => `${nameOf(ref)} (${known})`).join(', ')}.</p>
      )}
      <Guess view={view} evaluation={body} />
      <p>
        We advise: <b>{body.advice}</b>. {body.words}{' '}
        <span className="text-13 text-quiet">
          {sheet.personName}, {sayMoment(sheet.at, view.zone)}
        </span>
      </p>
      {body.sent && (
        <p className="border-l-4 border-moss pl-3">
          Sent to {body.sent.to}, {sayMoment(body.sent.at, view.zone)}. {sayEvaluationAnswer(body) ?? 'No answer yet.'}
        </p>
      )}
      {!isFixed && (
        <Button onClick={() => setEditing(true)}>{body.sent ? 'Look again: another first look' : 'Change it'}</Button>
      )}
      {!body.sent && !isFixed && <SendFirstAnswer key={sheet.version} view={view} />}
      {!body.answer && <OwnerSays key={`answer-${sheet.version}`} view={view} />}
    </div>
  );
}
