'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PlanShown } from '@/core/workload';
import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';

/** A calendar link that goes on. */
export interface FeedShown {
  readonly id: string;
  readonly name: string;
  readonly personName: string;
  readonly at: string;
}

interface Props {
  readonly feeds: readonly FeedShown[];
  readonly resources: PlanShown['resources'];
}

/** Links for people's own calendars: whoever has one reads it, so each is shown once and can be ended. */
export function Feeds({ feeds, resources }: Props) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [subject, setSubject] = useState('deliveries');
  const [made, setMade] = useState<string | null>(null);
  const make = async () => {
    const done = await run('make-feed', { subject });
    if (!done) return;
    setMade(`${window.location.origin}${done.path}`);
    router.refresh();
  };
  const end = async (id: string) => {
    if (await run('end-feed', { id })) router.refresh();
  };
  return (
    <details className="border-t border-line pt-2 print:hidden">
      <summary className="min-h-11 cursor-pointer content-center font-bold">In your own calendar</summary>
      <p className="text-13 text-quiet">
        A link that a calendar reads by itself (iCalendar). Whoever has it reads the list without signing in: it is
        shown once, and ends when you end it here.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <label className="text-13">
          <span className="mb-1 block text-quiet">Of</span>
          <select className="field" value={subject} onChange={(event) => setSubject(event.target.value)}>
            <option value="deliveries">what comes and goes</option>
            {resources.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <Button verb="make-feed" disabled={isBusy} onClick={() => void make()}>
          Make a link
        </Button>
      </div>
      {made && (
        <p role="status" className="mt-2 border-l-4 border-moss bg-sheet px-3 py-2 break-all">
          {made}
        </p>
      )}
      <ErrorNote error={error} />
      <ul className="mt-2">
        {feeds.map(({ id, name, personName, at }) => (
          <li key={id} className="row flex flex-wrap items-center gap-x-4 first:border-0">
            <b>{name}</b>
            <span className="text-13 text-quiet">
              made by {personName}, {at.slice(0, 10)}
            </span>
            <Button verb="end-feed" tone="quiet" disabled={isBusy} onClick={() => void end(id)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
