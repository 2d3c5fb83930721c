'use client';

import { present } from '@/core/present';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Asked } from '@/core/lifecycle';
import { leaveDraft } from '../act/use-draft';
import { TextField } from '../ui/form';
import { labelOf, unitOf } from './sum-fields';

interface Asks {
  readonly tag: string;
  readonly pump: string;
  readonly station: string;
  readonly asks: readonly Asked[];
}

/** A figure of a result that has a unit which a job asks for. */
interface Usable {
  readonly path: string;
  readonly text: string;
  readonly unit: Asked['unit'];
}

const asked: readonly Asked['unit'][] = ['mm', 'N·m', '°C'];

/** The figures that can go into a job, micrometres as millimetres. */
export function usableOf(result: unknown, path = ''): readonly Usable[] {
  if (typeof result === 'number') {
    const unit = unitOf(path).shown;
    const value = unit === 'µm' ? result / 1000 : result;
    const target = asked.find((one) => one === (unit === 'µm' ? 'mm' : unit));
    return target ? [{ path, unit: target, text: String(Number(value.toFixed(target === 'mm' ? 4 : 1))) }] : [];
  }
  if (!result || typeof result !== 'object' || Array.isArray(result)) return [];
  return Object.entries(result).flatMap(([name, value]) => usableOf(value, path ? `${path}.${name}` : name));
}

/** The field's draft, as the bench sheets name it. */
function draftKeyOf(tag: string, ask: Asked): string {
  if (ask.kind === 'reading')
    return `${tag}.${ask.station === 'inspect' ? 'as-found' : 'as-left'}.${ask.id}.${ask.place}`;
  return `${tag}.${ask.station}.${ask.round}.${ask.id}.typed`;
}

function anchorOf(ask: Asked): string {
  return ask.kind === 'reading' ? `#point-${ask.id}` : `#action-${ask.id}`;
}

/** Puts a figure where a job asks for it: it stands in that field, typed but not kept, and a person keeps it there. */
export function UseInJob({ result, job }: { readonly result: unknown; readonly job: string }) {
  const router = useRouter();
  const [tag, setTag] = useState(job);
  const [asks, setAsks] = useState<Asks | string | null>(null);
  const usable = usableOf(result);
  const isTag = /^P-\d{4,7}$/i.test(tag.trim());
  useEffect(() => {
    if (!isTag) return;
    let isOver = false;
    fetch(`/api/asks/${tag.trim().toUpperCase()}`)
      .then(async (response) => ((await response.json()) as { data?: Asks; error?: { what: string } }) ?? {})
      .then(
        ({ data, error }) => !isOver && setAsks(data ?? error?.what ?? 'The job could not be read.'),
        () => !isOver && setAsks('The job cannot be read without a connection; the sum itself needs none.'),
      );
    return () => {
      isOver = true;
    };
  }, [tag, isTag]);
  if (!usable.length) return null;
  const put = (figure: Usable, ask: Asked) => {
    leaveDraft(draftKeyOf((asks as Asks).tag, ask), figure.text);
    router.push(`/jobs/${(asks as Asks).tag}${anchorOf(ask)}`);
  };
  const found = isTag && asks && typeof asks !== 'string' ? asks : null;
  const places = found
    ? usable
        .map((figure) => ({ figure, asks: found.asks.filter((ask) => ask.unit === figure.unit) }))
        .filter((one) => one.asks.length)
    : [];
  return (
    <details open={Boolean(job)} className="border-t border-line pt-3">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Use in job</summary>
      <TextField
        label="Tag of the job"
        placeholder="P-0404"
        className="num max-w-[160px]"
        value={tag}
        onChange={(event) => setTag(event.target.value)}
      />
      {isTag && typeof asks === 'string' && (
        <p role="status" className="mt-2">
          {asks}
        </p>
      )}
      {found && (
        <p className="mt-2">
          {found.pump}, at {found.station}.{' '}
          {places.length
            ? 'The figure goes into the field as if typed; it is kept there.'
            : 'It asks for no figure of this kind now.'}
        </p>
      )}
      {places.map(({ figure, asks: list }) => (
        <label key={figure.path} className="mt-2 block">
          <span className="text-13 text-quiet">
            {labelOf(figure.path)}:{' '}
            <b className="num text-ink">
              {figure.text} {figure.unit}
            </b>{' '}
            goes to
          </span>
          <select
            className="field"
            value=""
            onChange={(event) => put(figure, present(list[Number(event.target.value)]))}
          >
            <option value="">choose where</option>
            {list.map((ask, i) => (
              <option key={`${ask.kind} ${ask.id} ${ask.place ?? ''}`} value={i}>
                {ask.label}
              </option>
            ))}
          </select>
        </label>
      ))}
    </details>
  );
}
