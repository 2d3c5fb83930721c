'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import type { BenchPhase, Phase, Tool } from '@/core/record';
import { useAct } from '../act/use-act';
import { dayWords } from '../plan/plan-words';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';

/** An instrument with what was found of it, and what it measured that nobody can vouch for. */
export interface InstrumentView {
  readonly tool: Tool;
  readonly today: string;
  /** The day on which it was found good last before it was found beyond; null where there is none. */
  readonly since: string | null;
  /** The day on which it was found beyond its uncertainty; null while it was found good last. */
  readonly until: string | null;
  readonly history: readonly {
    readonly id: string;
    readonly onDay: string;
    readonly isWithin: boolean;
    readonly error: number | null;
    readonly nextDueOn: string | null;
    readonly certificate: string;
    readonly note: string;
    readonly personName: string;
  }[];
  /** Verdicts that would be others by the error that was found; null where none was measured. */
  readonly turned:
    | readonly {
        readonly tag: string;
        readonly phase: Phase;
        readonly point: string;
        readonly is: string;
        readonly maybe: readonly string[];
        /** It was judged good to run, and may not be. */
        readonly mayBeOut: boolean;
      }[]
    | null;
  /** There are more readings than are listed. */
  readonly isCut: boolean;
  /** Pumps of which that was not reckoned: the older ones. */
  readonly notReckoned: number;
  readonly touched: readonly {
    readonly tag: string;
    readonly pump: string;
    readonly customer: string;
    readonly point: string;
    readonly place: string;
    readonly phase: Phase;
    readonly typed: string;
    readonly unit: string;
    readonly on: string;
    readonly personName: string;
    readonly isClosed: boolean;
    readonly report: string | null;
  }[];
  /** Work of the bench and the stand that was done with it: what a wrench was set to, what a thermometer read. */
  readonly worked: readonly {
    readonly tag: string;
    readonly pump: string;
    readonly customer: string;
    readonly what: string;
    /** The window that it had to lie within, and whether by the error it may not; null where it has none. */
    readonly doubt: { readonly window: string; readonly mayBeOut: boolean | null } | null;
    readonly phase: BenchPhase;
    readonly typed: string;
    readonly unit: string;
    readonly on: string;
    readonly personName: string;
    readonly isClosed: boolean;
    readonly report: string | null;
  }[];
}

const numberIn = (text: string) => (text.trim() ? Number(text.replace(',', '.')) : null);

/** What the laboratory found; where it is beyond its uncertainty there is no next day, and it is used no more. */
function CalibrationForm({
  code,
  today,
  unit,
}: {
  readonly code: string;
  readonly today: string;
  readonly unit: string;
}) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [isWithin, setWithin] = useState(true);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const nextDueOn = isWithin ? textOf(data, 'nextDueOn') || null : null;
    const found = { code, isWithin, nextDueOn, onDay: textOf(data, 'onDay'), error: numberIn(textOf(data, 'error')) };
    const words = { certificate: textOf(data, 'certificate'), note: textOf(data, 'note') };
    if (!(await run('record-calibration', { ...found, ...words }))) return;
    form.reset();
    router.refresh();
  };
  return (
    <form onSubmit={submit} className="space-y-2" noValidate>
      <h2 className="font-bold">Calibrated</h2>
      <div className="grid gap-2 sm:grid-cols-2">
        <TextField label="On" name="onDay" type="date" defaultValue={today} error={issueFor(error, 'onDay')} />
        <SelectField
          label="It read"
          value={isWithin ? 'within' : 'beyond'}
          onChange={(event) => setWithin(event.target.value === 'within')}
        >
          <option value="within">within its uncertainty</option>
          <option value="beyond">beyond its uncertainty</option>
        </SelectField>
        <TextField label={`Largest error, ${unit}`} name="error" inputMode="decimal" error={issueFor(error, 'error')} />
        {isWithin && (
          <TextField label="May be used until" name="nextDueOn" type="date" error={issueFor(error, 'nextDueOn')} />
        )}
        <TextField label="Certificate" name="certificate" error={issueFor(error, 'certificate')} />
        <TextField label="Note" name="note" error={issueFor(error, 'note')} />
      </div>
      {!isWithin && (
        <p>
          Every reading since it was found good last is listed then, and it is used no more until it is found good
          again.
        </p>
      )}
      <ErrorNote error={error} />
      <Button verb="record-calibration" tone="main" type="submit" disabled={isBusy}>
        Write it down
      </Button>
    </form>
  );
}

const phaseWords = (phase: Phase) => (phase === 'as-found' ? 'as found' : 'as left');

type TurnedVerdict = NonNullable<InstrumentView['turned']>[number];

/** What may be wrong of one pump: what was good and may be out stands open, the rest is folded. */
function TurnedPump({ own }: { readonly own: readonly TurnedVerdict[] }) {
  const [first] = own;
  if (!first) return null;
  const say = ({ phase, point, is, maybe }: TurnedVerdict) => (
    <li key={`${phase} ${point}`}>
      {point}, {phaseWords(phase)}: judged {is}, may be <b>{maybe.join(' or ')}</b>
    </li>
  );
  const [worse, others] = [own.filter(({ mayBeOut }) => mayBeOut), own.filter(({ mayBeOut }) => !mayBeOut)];
  return (
    <li className="row grid grid-cols-[5rem_1fr] gap-x-3 py-1 first:border-0">
      <Link
        href={`/jobs/${first.tag}?at=${first.phase === 'as-found' ? 'inspect' : 'rebuild'}`}
        className="num font-bold underline underline-offset-4"
      >
        {first.tag}
      </Link>
      <div className="text-13">
        <ul>{worse.map(say)}</ul>
        {others.length > 0 && (
          <details open={worse.length === 0 && others.length < 4}>
            <summary className="min-h-8 cursor-pointer content-center">
              {others.length} may be better or nearer to their limit
            </summary>
            <ul>{others.map(say)}</ul>
          </details>
        )}
      </div>
    </li>
  );
}

/** Which verdicts would be others had it read by its whole error too much or too little. */
function TurnedVerdicts({ view: { turned, notReckoned } }: { readonly view: InstrumentView }) {
  if (turned === null)
    return <p>By how much it was wrong is not written down: whether a verdict would turn cannot be reckoned.</p>;
  const tags = [...new Set(turned.map(({ tag }) => tag))];
  const out = turned.filter(({ mayBeOut }) => mayBeOut).length;
  const groups = tags
    .map((tag) => turned.filter((one) => one.tag === tag))
    .toSorted((a, b) => Number(b.some(({ mayBeOut }) => mayBeOut)) - Number(a.some(({ mayBeOut }) => mayBeOut)));
  return (
    <>
      <p className="font-semibold">
        {turned.length === 0
          ? 'No verdict would turn by the error that was found.'
          : `${turned.length} ${turned.length === 1 ? 'verdict' : 'verdicts'} of ${tags.length} ${tags.length === 1 ? 'pump' : 'pumps'} may be wrong by the error that was found; ${out} that were good may be out.`}
      </p>
      <ul aria-label="Verdicts that may be wrong">
        {groups.map((own) => (
          <TurnedPump key={own[0]?.tag} own={own} />
        ))}
      </ul>
      {notReckoned > 0 && <p className="text-13">Of {notReckoned} older pumps this was not reckoned.</p>}
    </>
  );
}

interface OnPump {
  readonly tag: string;
  readonly pump: string;
  readonly customer: string;
  readonly isClosed: boolean;
  readonly report: string | null;
}

/** One pump that is touched: whether it is here, and each thing that stands in doubt on it. */
function TouchedPump({
  own,
  station,
  isOpen,
  says,
  lines,
}: {
  readonly own: OnPump;
  readonly station: 'inspect' | 'rebuild' | 'teardown' | 'test';
  readonly isOpen: boolean;
  readonly says: string;
  readonly lines: readonly {
    readonly key: string;
    readonly words: string;
    readonly value: string;
    readonly by: string;
  }[];
}) {
  return (
    <div className="border-t border-line py-2">
      <p className="flex flex-wrap gap-x-3">
        <Link href={`/jobs/${own.tag}?at=${station}`} className="num font-bold underline underline-offset-4">
          {own.tag}
        </Link>
        <span>
          {own.pump} · {own.customer}
        </span>
        <b className={own.isClosed ? 'text-jasper' : ''}>
          {own.isClosed ? 'has gone out' : 'is here'}
          {own.report && `, report ${own.report}`}
        </b>
      </p>
      <details open={isOpen}>
        <summary className="min-h-8 cursor-pointer content-center text-13">{says}</summary>
        <ul className="text-13">
          {lines.map(({ key, words, value, by }) => (
            <li key={key}>
              {words}: <b className="num">{value}</b> {by}
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}

const tagsOf = (rows: readonly { readonly tag: string }[]) => [...new Set(rows.map(({ tag }) => tag))];
const goneOf = (rows: readonly OnPump[]) => tagsOf(rows.filter(({ isClosed }) => isClosed)).length;
const namedOnce = (names: readonly string[], between: string) => [...new Set(names)].join(between);
const sayPumps = (count: number) => `${count} ${count === 1 ? 'pump' : 'pumps'}`;

type Shown = Pick<Parameters<typeof TouchedPump>[0], 'station' | 'says' | 'lines'>;

/** Pumps one after the other; a few stand open. */
function TouchedPumps<Row extends OnPump>({
  rows,
  show,
}: {
  readonly rows: readonly Row[];
  readonly show: (own: readonly [Row, ...Row[]]) => Shown;
}) {
  const tags = tagsOf(rows);
  return tags.map((tag) => {
    const [first, ...more] = rows.filter((row) => row.tag === tag);
    return first && <TouchedPump key={tag} own={first} isOpen={tags.length < 4} {...show([first, ...more])} />;
  });
}

const byWhom = ({
  unit,
  on,
  personName,
}: {
  readonly unit: string;
  readonly on: string;
  readonly personName: string;
}) => `${unit}, ${dayWords(on)}, ${personName}`;

/** “12 readings of 3 pumps and 2 pieces of work on 1 pump are touched”. */
function sayTouched({ touched, worked, isCut }: InstrumentView): string {
  const more = isCut ? ' and more' : '';
  const said = [
    touched.length > 0 && `${touched.length}${more} readings of ${sayPumps(tagsOf(touched).length)}`,
    worked.length > 0 && `${worked.length}${more} pieces of work on ${sayPumps(tagsOf(worked).length)}`,
  ].filter(Boolean);
  return said.length ? `${said.join(' and ')} are touched` : 'Nothing is touched';
}

/** Readings and work that nobody can vouch for, pump by pump: what is still here can be done again, what went out must be thought of. */
function Touched({ view }: { readonly view: InstrumentView }) {
  const { touched, worked, since, until } = view;
  if (until === null) return null;
  const gone = goneOf([...touched, ...worked]);
  return (
    <section aria-label="Readings touched" className="border-l-4 border-jasper pl-4">
      <h2 className="text-18 font-bold">{sayTouched(view)}</h2>
      <p>
        {since === null ? 'It was never found good before' : `It was found good last on ${dayWords(since)}`}, and beyond
        its uncertainty on {dayWords(until)}.{' '}
        {gone > 0 && (
          <b>
            {gone} of the pumps {gone === 1 ? 'has' : 'have'} gone out.
          </b>
        )}{' '}
        Measure again what is here; whether a limit was met is for a person to judge.
      </p>
      {touched.length > 0 && <TurnedVerdicts view={view} />}
      <TouchedPumps
        rows={touched}
        show={(own) => ({
          station: own[0].phase === 'as-found' ? 'inspect' : 'rebuild',
          says: `${own.length} readings: ${namedOnce(
            own.map(({ point }) => point),
            ', ',
          )}`,
          lines: own.map((one) => ({
            key: `${one.phase} ${one.point} ${one.place}`,
            words: `${one.point}, ${one.place}, ${phaseWords(one.phase)}`,
            ...{ value: one.typed, by: byWhom(one) },
          })),
        })}
      />
      <Worked worked={worked} />
    </section>
  );
}

type Work = InstrumentView['worked'][number];
const isOut = ({ doubt }: Work) => doubt?.mayBeOut === true;
const windowWords = ({ doubt }: Work) =>
  doubt ? [`window ${doubt.window}${doubt.mayBeOut ? ': may be outside it' : ''}`] : [];

/** How much of the work may lie outside its window by the error that was found. */
function sayDoubt(worked: readonly Work[]): string {
  if (worked.some(({ doubt }) => doubt?.mayBeOut === null))
    return 'By how much it was wrong is not written down: whether a window was missed cannot be reckoned.';
  const out = worked.filter(isOut);
  return out.length
    ? `By the error that was found ${out.length} of them, on ${sayPumps(tagsOf(out).length)}, may lie outside the window.`
    : 'By the error that was found none of them leaves its window.';
}

/** Work that was done with it, pump by pump, what may lie outside its window first. */
function Worked({ worked }: Pick<InstrumentView, 'worked'>) {
  if (!worked.length) return null;
  return (
    <section aria-label="Work touched" className="mt-4">
      <h3 className="font-bold">Work done with it</h3>
      <p className="font-semibold">{sayDoubt(worked)}</p>
      <TouchedPumps
        rows={worked.toSorted((a, b) => Number(isOut(b)) - Number(isOut(a)))}
        show={(own) => ({
          station: own[0].phase,
          says: `${own.length} done${own.some(isOut) ? `, ${own.filter(isOut).length} may be outside the window` : ''}: ${namedOnce(
            own.map(({ what }) => what),
            '; ',
          )}`,
          lines: own.map((one, i) => ({
            ...{ key: `${one.phase} ${one.what} ${i}`, words: one.what },
            ...{ value: one.typed, by: [byWhom(one), ...windowWords(one)].join('; ') },
          })),
        })}
      />
    </section>
  );
}

/** An instrument: until when it may be used, what was found of it, and what that touches. */
export function InstrumentPage({
  view,
  canCalibrate,
}: {
  readonly view: InstrumentView;
  readonly canCalibrate: boolean;
}) {
  const { tool, history, today } = view;
  return (
    <div className="space-y-6 p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="num text-24 font-bold">{tool.code}</h1>
        <p>
          {tool.kind}
          {tool.uncertainty !== null && `, ± ${tool.uncertainty} ${tool.unit}`}
        </p>
        <b className={tool.dueOn < today ? 'text-jasper' : ''}>
          {tool.dueOn < today ? 'may not be used since' : 'may be used until'} {dayWords(tool.dueOn)}
        </b>
        <Link href="/library" className="ml-auto underline underline-offset-4">
          Library
        </Link>
      </div>
      <Touched view={view} />
      <div className="grid gap-8 lg:grid-cols-2">
        <section aria-label="Found so far">
          <h2 className="border-b border-ink font-bold">Found so far</h2>
          {history.length ? (
            <ol>
              {history.map((one) => (
                <li key={one.id} className="row py-1 first:border-0">
                  <b>{dayWords(one.onDay)}</b>:{' '}
                  <b className={one.isWithin ? 'text-moss' : 'text-jasper'}>
                    {one.isWithin ? 'within' : 'beyond'} its uncertainty
                  </b>
                  {one.error !== null && `, largest error ${one.error} ${tool.unit}`}
                  {one.nextDueOn && `; good until ${dayWords(one.nextDueOn)}`}
                  <span className="block text-13 text-quiet">
                    {[one.certificate, one.note, one.personName].filter(Boolean).join(' · ')}
                  </span>
                </li>
              ))}
            </ol>
          ) : (
            <p className="text-quiet">No calibration is written down yet; only the day until which it may be used.</p>
          )}
        </section>
        {canCalibrate && <CalibrationForm code={tool.code} today={today} unit={tool.unit} />}
      </div>
    </div>
  );
}
