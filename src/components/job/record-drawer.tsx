'use client';

import { useEffect, useState } from 'react';
import { stationNames, stations, type Station } from '@/core/record';
import { getData } from '../act/get-data';
import { Button, SelectField } from '../ui/form';
import { sayMoment } from './view';

interface RecordShown {
  readonly events: readonly {
    readonly seq: number;
    readonly kind: string;
    readonly personName: string;
    readonly at: string;
    /** Where the job stood. */
    readonly station: Station;
    /** What the person did, in a sentence. */
    readonly deed: string;
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

/** Every event of the job, newest first, whether the chain of hashes is whole, and the whole of it as a folder. */
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
  return <Events {...shown} {...{ tag, zone }} />;
}

/** The events, newest first, of all or of one person or station; printed as they are shown. */
function Events({ tag, zone, ...shown }: RecordShown & { readonly tag: string; readonly zone: string }) {
  const [person, setPerson] = useState('');
  const [station, setStation] = useState('');
  const { events } = shown;
  const people = [...new Set(events.map(({ personName }) => personName))].sort();
  const places = stations.filter((one) => events.some((event) => event.station === one));
  const picked = events.filter(
    (event) => (!person || event.personName === person) && (!station || event.station === station),
  );
  return (
    <div>
      <Verified {...shown} />
      <div className="no-print mb-2 grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        <SelectField label="By" value={person} onChange={(event) => setPerson(event.target.value)}>
          <option value="">everybody</option>
          {people.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </SelectField>
        <SelectField label="At" value={station} onChange={(event) => setStation(event.target.value)}>
          <option value="">every station</option>
          {places.map((one) => (
            <option key={one} value={one}>
              {stationNames[one]}
            </option>
          ))}
        </SelectField>
        <Button onClick={() => window.print()}>Print</Button>
      </div>
      <p className="no-print mb-2 text-13">
        <a href={`/files/job/${tag}`} download className="underline underline-offset-4">
          The whole job as a folder
        </a>{' '}
        <span className="text-quiet">(zip: record, pictures, papers; another shop can take it in)</span>
      </p>
      {picked.length < events.length && (
        <p className="text-13 text-quiet">
          {picked.length} of {events.length} events
        </p>
      )}
      <ol reversed className="text-13">
        {picked.toReversed().map((event) => (
          <li key={event.seq} className="row grid grid-cols-[40px_1fr] gap-x-2 py-2 first:border-0">
            <span className="num text-quiet">{event.seq}</span>
            <div>
              <b>{event.deed}</b> {sayMoment(event.at, zone)}, {stationNames[event.station].toLowerCase()}
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
