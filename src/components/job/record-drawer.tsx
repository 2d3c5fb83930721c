'use client';

import { useEffect, useState } from 'react';
import { sayMoment } from './view';

interface RecordShown {
  readonly events: readonly {
    readonly seq: number;
    readonly kind: string;
    readonly personName: string;
    readonly at: string;
    readonly data: string;
    readonly hash: string;
  }[];
  readonly broken: { readonly seq: number; readonly why: string } | null;
}

const sayKind = (kind: string) => kind.replaceAll('-', ' ');

function sayData(text: string): string {
  const data = JSON.parse(text) as Record<string, unknown>;
  const words = Object.entries(data).filter(([, value]) => typeof value === 'string' || typeof value === 'number');
  return words
    .map(([key, value]) => `${key.replaceAll(/([A-Z])/g, ' $1').toLowerCase()} ${String(value).slice(0, 60)}`)
    .join(' · ')
    .slice(0, 220);
}

/** Every event of the job, newest first, and whether the chain of hashes is whole. */
export function RecordDrawer({ tag, zone }: { readonly tag: string; readonly zone: string }) {
  const [shown, setShown] = useState<RecordShown | 'lost' | null>(null);
  useEffect(() => {
    fetch(`/api/events/${tag}`).then(
      async (answer) => setShown(answer.ok ? ((await answer.json()) as { data: RecordShown }).data : 'lost'),
      () => setShown('lost'),
    );
  }, [tag]);
  if (shown === null) return <p role="status">Reading the record …</p>;
  if (shown === 'lost') return <p role="alert">The record cannot be read just now. Close this and try again.</p>;
  return (
    <div>
      <p role="status" className={`mb-3 border-l-4 px-3 py-1 ${shown.broken ? 'border-jasper' : 'border-moss'}`}>
        {shown.broken
          ? `The chain is broken at event ${shown.broken.seq}: ${shown.broken.why}.`
          : `${shown.events.length} events, each bound to the one before by its hash; none is changed or missing.`}
      </p>
      <ol reversed className="text-13">
        {shown.events.toReversed().map((event) => (
          <li key={event.seq} className="row grid grid-cols-[40px_1fr] gap-x-2 py-2 first:border-0">
            <span className="num text-quiet">{event.seq}</span>
            <div>
              <b>{sayKind(event.kind)}</b> · {event.personName}, {sayMoment(event.at, zone)}
              <span className="block break-words text-quiet">{sayData(event.data)}</span>
              <span className="num text-quiet">{event.hash}</span>
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
