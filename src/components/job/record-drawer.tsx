'use client';

import { useEffect, useState } from 'react';
import { getData } from '../act/get-data';
import { sayMoment } from './view';

interface RecordShown {
  readonly events: readonly {
    readonly seq: number;
    readonly kind: string;
    readonly personName: string;
    readonly at: string;
    /** What it changed, in words. */
    readonly lines: readonly string[];
    readonly hash: string;
  }[];
  readonly difference: {
    readonly seq: number | null;
    readonly what: string;
    readonly replayed: unknown;
    readonly stored: unknown;
  } | null;
}

const sayKind = (kind: string) => kind.replaceAll('-', ' ');

function Verified({ events, difference }: RecordShown) {
  if (!difference)
    return (
      <p role="status" className="mb-3 border-l-4 border-moss px-3 py-1">
        {events.length} events, each bound to the one before by its hash; none is changed or missing, and played again
        from the first they give this job as it stands.
      </p>
    );
  return (
    <p role="status" className="mb-3 border-l-4 border-jasper px-3 py-1">
      {difference.seq === null
        ? `The record is not what its events say: ${difference.what}. By the events ${JSON.stringify(difference.replayed)}, in the record ${JSON.stringify(difference.stored)}.`
        : `The chain is broken at event ${difference.seq}: ${difference.what}.`}
    </p>
  );
}

/** Every event of the job, newest first, and whether the chain of hashes is whole. */
export function RecordDrawer({ tag, zone }: { readonly tag: string; readonly zone: string }) {
  const [shown, setShown] = useState<RecordShown | 'lost' | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    getData<RecordShown>(`/api/events/${tag}`, abort.signal).then(
      (found) => setShown(found ?? 'lost'),
      () => !abort.signal.aborted && setShown('lost'),
    );
    return () => abort.abort();
  }, [tag]);
  if (shown === null) return <p role="status">Reading the record …</p>;
  if (shown === 'lost') return <p role="alert">The record cannot be read just now. Close this and try again.</p>;
  return (
    <div>
      <Verified {...shown} />
      <ol reversed className="text-13">
        {shown.events.toReversed().map((event) => (
          <li key={event.seq} className="row grid grid-cols-[40px_1fr] gap-x-2 py-2 first:border-0">
            <span className="num text-quiet">{event.seq}</span>
            <div>
              <b>{sayKind(event.kind)}</b> · {event.personName}, {sayMoment(event.at, zone)}
              {event.lines.map((line, i) => (
                <span key={i} className="block break-words text-quiet">
                  {line}
                </span>
              ))}
              <span className="num text-quiet">{event.hash}</span>
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
