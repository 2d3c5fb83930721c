'use client';

import { useState } from 'react';
import type { PlanShown } from '@/core/workload';
import { Links, useLinks } from '../act/links';
import { Button } from '../ui/form';

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
  const state = useLinks('make-feed');
  const [subject, setSubject] = useState('deliveries');
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
        <Button verb="make-feed" disabled={state.isBusy} onClick={() => void state.make({ subject })}>
          Make a link
        </Button>
      </div>
      <Links
        links={feeds.map(({ at, ...feed }) => ({ ...feed, on: at.slice(0, 10) }))}
        state={state}
        ending="end-feed"
      />
    </details>
  );
}
