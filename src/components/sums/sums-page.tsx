'use client';

import { present } from '@/core/present';
import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { findSum, sums, type Outcome, type Sum } from '@/core/sums';
import { Button, SelectField, TextArea, TextField } from '../ui/form';
import { WorkingSteps } from '../ui/working-steps';
import { SumDrawing } from './drawings';
import { readInput, reckonBeside, reckonHere, type Reckoned } from './reckon';
import { fieldsOf, labelOf, waysOf, writeFields, type FieldTexts, type SumField } from './sum-fields';
import { UseInJob } from './use-in-job';

function readTexts(text: string | null): FieldTexts | null {
  try {
    const read = JSON.parse(text ?? 'null') as unknown;
    return read && typeof read === 'object'
      ? Object.fromEntries(Object.entries(read).map(([key, value]) => [key, String(value)]))
      : null;
  } catch {
    return null;
  }
}

/** Every sum by itself, found by what one wants to know; the link carries what was typed. */
export function SumsPage() {
  const given = useSearchParams();
  const path = usePathname();
  const [wanted, setWanted] = useState('');
  const sum = findSum(given.get('sum') ?? '') ?? present(sums[0]);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = sums.filter((one) =>
    words.every((word) => [one.title, ...one.ask].join(' ').toLowerCase().includes(word)),
  );
  const job = given.get('job') ?? '';
  // The address changes without asking the server, so that this works without a connection.
  const pick = (id: string) => window.history.replaceState(null, '', `${path}?sum=${id}${job && `&job=${job}`}`);
  return (
    <div className="grid gap-8 p-6 lg:grid-cols-[280px_1fr]">
      <div>
        <h1 className="mb-2 text-24 font-bold">Sums</h1>
        <TextField
          label="What do you want to know?"
          placeholder="how hot, how far to turn"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && shown[0] && pick(shown[0].id)}
        />
        <ul className="mt-2">
          {shown.map((one) => (
            <li key={one.id} className="row first:border-0">
              <button
                type="button"
                aria-current={one === sum ? 'true' : undefined}
                onClick={() => pick(one.id)}
                className={`min-h-11 w-full text-left ${one === sum ? 'border-l-4 border-jasper pl-2 font-bold' : 'pl-3'}`}
              >
                {one.title}
              </button>
            </li>
          ))}
        </ul>
        {!shown.length && (
          <p className="mt-2 text-quiet">No sum is called so. Try another word: “tight”, “worn”, “shim”.</p>
        )}
      </div>
      <OneSum key={sum.id} sum={sum} start={readTexts(given.get('input'))} job={job} />
    </div>
  );
}

/** Light sums are reckoned while typing; heavy ones beside the page, a moment after the last key. */
function useReckoned(sum: Sum, fields: readonly SumField[], texts: FieldTexts): Reckoned | null {
  const read = useMemo(() => readInput(sum, fields, texts), [sum, fields, texts]);
  const here = useMemo(
    () => ('issues' in read ? read : sum.needsSolver ? null : reckonHere(sum, read.input)),
    [sum, read],
  );
  const [beside, setBeside] = useState<{ readonly read: unknown; readonly reckoned: Reckoned } | null>(null);
  useEffect(() => {
    if (here || 'issues' in read) return;
    const later = setTimeout(
      () => void reckonBeside(sum, read.input).then((reckoned) => setBeside({ read, reckoned })),
      300,
    );
    return () => clearTimeout(later);
  }, [sum, read, here]);
  return here ?? (beside?.read === read ? beside.reckoned : null);
}

function OneSum({ sum, start, job }: { readonly sum: Sum; readonly start: FieldTexts | null; readonly job: string }) {
  const ways = useMemo(() => waysOf(sum), [sum]);
  const [way, setWay] = useState(0);
  const fields = useMemo(() => fieldsOf(sum, way), [sum, way]);
  const [texts, setTexts] = useState<FieldTexts>(() => start ?? writeFields(fieldsOf(sum), sum.example.input));
  const [said, setSaid] = useState('');
  const reckoned = useReckoned(sum, fields, texts);
  const issues = reckoned && 'issues' in reckoned ? reckoned.issues : {};
  const loose = Object.entries(issues).filter(
    ([path]) => !fields.some((field) => field.path === path || path.startsWith(`${field.path}.`)),
  );
  const copyLink = () =>
    navigator.clipboard
      ?.writeText(`${location.origin}/sums?sum=${sum.id}&input=${encodeURIComponent(JSON.stringify(texts))}`)
      .then(
        () => setSaid('Link copied.'),
        () => undefined,
      );
  const issueOf = (field: SumField) =>
    Object.entries(issues).find(([path]) => path === field.path || path.startsWith(`${field.path}.`))?.[1];
  return (
    <section aria-label={sum.title} className="grid gap-8 xl:grid-cols-[minmax(320px,1fr)_1.2fr]">
      <div className="space-y-3">
        <h2 className="text-18 font-bold">{sum.title}</h2>
        {ways.length > 1 && (
          <SelectField label="Method" value={way} onChange={(event) => setWay(Number(event.target.value))}>
            {ways.map((name, i) => (
              <option key={name} value={i}>
                {name.replaceAll('-', ' ')}
              </option>
            ))}
          </SelectField>
        )}
        {fields
          .filter((field) => !(ways.length > 1 && field.path === 'method'))
          .map((field) => (
            <Field
              key={field.path}
              field={field}
              text={texts[field.path] ?? ''}
              issue={issueOf(field)}
              onChange={(text) =>
                setTexts({ ...texts, ...(ways.length > 1 && { method: present(ways[way]) }), [field.path]: text })
              }
            />
          ))}
        {loose.map(([path, message]) => (
          <p key={path} role="alert" className="text-13 font-semibold text-jasper">
            {path && `${labelOf(path)}: `}
            {message}
          </p>
        ))}
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => setTexts(writeFields(fieldsOf(sum), sum.example.input))}>Worked example</Button>
          <Button tone="quiet" onClick={() => setTexts({})}>
            Clear
          </Button>
          <Button tone="quiet" onClick={copyLink}>
            Link with these values
          </Button>
          <span role="status" className="text-13 text-quiet">
            {said}
          </span>
        </div>
      </div>
      <div aria-live="polite">
        {reckoned && 'outcome' in reckoned ? (
          <Shown sum={sum} outcome={reckoned.outcome} input={reckoned.input} job={job} />
        ) : (
          <p className="border-l-4 border-line px-3 text-quiet">
            {reckoned
              ? 'The result stands here as soon as the fields make sense.'
              : 'Looking for the best and its proof; two seconds at most.'}
          </p>
        )}
      </div>
    </section>
  );
}

function Field({
  field,
  text,
  issue,
  onChange,
}: {
  readonly field: SumField;
  readonly text: string;
  readonly issue: string | undefined;
  readonly onChange: (text: string) => void;
}) {
  const label = `${labelOf(field.path)}${field.isNeeded ? '' : ' (may stay empty)'}`;
  if (field.kind === 'choice')
    return (
      <SelectField label={label} value={text} error={issue} onChange={(event) => onChange(event.target.value)}>
        <option value="">—</option>
        {field.choices.map((choice) => (
          <option key={choice} value={String(choice)}>
            {choice}
          </option>
        ))}
      </SelectField>
    );
  if (field.kind === 'tick')
    return (
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-6 accent-(--ink)"
          checked={text === 'yes'}
          onChange={(event) => onChange(event.target.checked ? 'yes' : '')}
        />
        {label}
      </label>
    );
  if (field.kind === 'data')
    return (
      <TextArea
        label={`${label}, as JSON`}
        hint="as the open interface takes it; the example shows each field"
        rows={Math.min(12, text.split('\n').length + 1)}
        className="num"
        value={text}
        error={issue}
        onChange={(event) => onChange(event.target.value)}
      />
    );
  if (field.kind === 'rows')
    return (
      <TextArea
        label={`${label}: one a line`}
        hint={field.columns
          .map((column) =>
            column.rows
              ? `${labelOf(column.name)} (${column.rows.map((inner) => labelOf(inner.name)).join(' ')}, next …)`
              : labelOf(column.name),
          )
          .join(' ; ')}
        rows={Math.min(9, text.split('\n').length + 1)}
        className="num"
        value={text}
        error={issue}
        onChange={(event) => onChange(event.target.value)}
      />
    );
  return (
    <TextField
      label={field.kind === 'list' ? `${label}, with spaces between` : label}
      className="num"
      value={text}
      error={issue}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

const sayNumber = (value: number) =>
  (Number.isInteger(value) ? String(value) : Number(value.toPrecision(6)).toString()).replace('-', '−');

type Figure =
  | { readonly path: string; readonly text: string }
  | { readonly path: string; readonly rows: readonly Record<string, unknown>[] };

const sayValue = (value: unknown): string => {
  if (value === null || value === undefined) return '—';
  if (typeof value === 'number') return sayNumber(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (!Array.isArray(value))
    return typeof value === 'object'
      ? Object.entries(value)
          .map(([name, one]) => `${labelOf(name)} ${sayValue(one)}`)
          .join(', ')
      : String(value);
  return value.length ? value.map(sayValue).join('  ') : 'none';
};

/** A result as figures, and its lists as tables. */
function figuresOf(value: unknown, path = ''): readonly Figure[] {
  if (
    Array.isArray(value) &&
    value.length &&
    value.every((one) => typeof one === 'object' && one !== null && !Array.isArray(one))
  )
    return [{ path, rows: value as Record<string, unknown>[] }];
  if (value && typeof value === 'object' && !Array.isArray(value))
    return Object.entries(value).flatMap(([name, one]) => figuresOf(one, path ? `${path}.${name}` : name));
  return [{ path, text: sayValue(value) }];
}

function Rows({ path, rows }: { readonly path: string; readonly rows: readonly Record<string, unknown>[] }) {
  const names = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={labelOf(path)}>
      <table className="w-full text-left">
        <caption className="text-left text-13 text-quiet">{labelOf(path)}</caption>
        <thead>
          <tr className="border-b border-line text-13 text-quiet">
            {names.map((name) => (
              <th key={name} scope="col" className="py-1 pr-4 font-normal">
                {labelOf(name)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-b border-line align-top">
              {names.map((name) => (
                <td
                  key={name}
                  className={`py-1 pr-4 ${typeof row[name] === 'string' && row[name].length > 24 ? 'text-13' : 'num font-bold'}`}
                >
                  {sayValue(row[name])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Shown({
  sum,
  outcome,
  input,
  job,
}: {
  readonly sum: Sum;
  readonly outcome: Outcome<unknown>;
  readonly input: unknown;
  readonly job: string;
}) {
  const figures = figuresOf(outcome.result);
  return (
    <div className="space-y-5">
      <dl className="grid grid-cols-2 gap-x-6 gap-y-2">
        {figures
          .flatMap((one) => ('text' in one ? [one] : []))
          .map(({ path, text }) => (
            <div key={path} className={text.length > 26 ? 'col-span-2' : ''}>
              <dt className="text-13 text-quiet">{labelOf(path)}</dt>
              <dd className={`num font-bold ${text.length > 14 ? 'text-18' : 'text-24'}`}>{text}</dd>
            </div>
          ))}
      </dl>
      {figures.flatMap((one) => ('rows' in one ? [<Rows key={one.path} path={one.path} rows={one.rows} />] : []))}
      {outcome.warnings.map((warning) => (
        <p key={warning.code} className="border-l-4 border-ochre bg-sheet px-3 py-1">
          {warning.sentence}
        </p>
      ))}
      <SumDrawing id={sum.id} input={input} result={outcome.result} />
      <div>
        <h3 className="font-bold">Working</h3>
        <WorkingSteps steps={outcome.working} />
      </div>
      <UseInJob key={job} result={outcome.result} job={job} />
    </div>
  );
}
