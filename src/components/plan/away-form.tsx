'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PlanShown, PlanTried } from '@/core/workload';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { dayWords } from './plan-words';
import { MovedList } from './try-bar';

/** Somebody is sick or on holiday, a place is away: one entry, what it moves before it is kept, and who is away now. */
export function AwayForm({ shown }: { readonly shown: Pick<PlanShown, 'resources' | 'absences' | 'today'> }) {
  const { resources, absences, today } = shown;
  const [resourceId, setResource] = useState(resources[0]?.id ?? '');
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState(today);
  const [reason, setReason] = useState('sick');
  const [moved, setMoved] = useState<PlanTried['moved'] | null>(null);
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const nameOf = (id: string) => resources.find((one) => one.id === id)?.name ?? id;
  const look = async () => {
    const change = JSON.stringify({ kind: 'absence', resourceId, from, to });
    const found = await getData<PlanTried>(`/api/plan/try?change=${encodeURIComponent(change)}`);
    setMoved(found?.moved ?? []);
  };
  const keep = async () => {
    if (!(await run('save-absence', { resourceId, from, to, reason }))) return;
    setMoved(null);
    router.refresh();
  };
  return (
    <section aria-label="Somebody is away" className="space-y-2 border-t border-line pt-3">
      <h2 className="font-bold">Somebody is away</h2>
      {absences.map(({ id, resourceId: who, from: first, to: last, reason: words }) => (
        <p key={id} className="flex flex-wrap items-center gap-x-3">
          <b>{nameOf(who)}</b> {words}, {dayWords(first)}
          {last !== first && ` to ${dayWords(last)}`}
          <Button
            verb="end-absence"
            tone="quiet"
            disabled={isBusy}
            onClick={() => void run('end-absence', { id }).then((done) => done && router.refresh())}
          >
            is back
          </Button>
        </p>
      ))}
      <div className="flex flex-wrap items-end gap-3">
        <label className="text-13">
          <span className="mb-1 block text-quiet">Who or what</span>
          <select className="field" value={resourceId} onChange={(event) => setResource(event.target.value)}>
            {resources.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <TextField
          label="First day away"
          type="date"
          value={from}
          error={issueFor(error, 'from')}
          onChange={(event) => setFrom(event.target.value)}
        />
        <TextField
          label="Last day away"
          type="date"
          value={to}
          error={issueFor(error, 'to')}
          onChange={(event) => setTo(event.target.value)}
        />
        <TextField
          label="Why"
          value={reason}
          error={issueFor(error, 'reason')}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button onClick={() => void look()}>What would change?</Button>
        <Button verb="save-absence" tone="main" disabled={isBusy} onClick={() => void keep()}>
          Keep the absence
        </Button>
      </div>
      {moved && (
        <div role="status">
          <MovedList moved={moved} />
        </div>
      )}
      <ErrorNote error={error} />
    </section>
  );
}
