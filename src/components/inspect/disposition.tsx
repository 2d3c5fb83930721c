'use client';

import { useState } from 'react';
import { actions, type Finding } from '@/core/record';
import { useAct } from '../act/use-act';
import { sayMoment } from '../job/view';
import { ErrorNote } from '../ui/form';

export function DispositionShown({ finding, zone }: { readonly finding: Finding; readonly zone: string }) {
  const { disposition } = finding;
  if (!disposition) return null;
  return (
    <p>
      Disposition: <b>{disposition.action}</b>, {disposition.reason}.{' '}
      <span className="text-13 text-quiet">
        {disposition.personName}, {sayMoment(disposition.at, zone)}
      </span>
    </p>
  );
}

interface Props {
  readonly tag: string;
  readonly target: { readonly pointId: string } | { readonly findingId: string };
  readonly reason: string;
  readonly current?: string | undefined;
  /** What is usually done about it, from the damage catalogue. */
  readonly usual?: string | null;
  /** Version of the disposition that stands; 0 for none. */
  readonly basedOn: number;
}

/** What is done about a finding, and why; the proposed reason can be changed before a choice. */
export function DispositionForm({ tag, target, reason: proposed, current, usual, basedOn }: Props) {
  const { run, error, isBusy } = useAct();
  // Until it is changed by hand the reason follows the readings.
  const [typed, setTyped] = useState<string | null>(null);
  const reason = typed ?? proposed;
  return (
    <div className="w-full space-y-1">
      <label className="block text-13 text-quiet">
        Reason of the disposition
        <input className="field mt-1" value={reason} onChange={(event) => setTyped(event.target.value)} />
      </label>
      <div role="group" aria-label="Disposition" className="flex flex-wrap gap-1">
        {actions.map((action) => (
          <button
            key={action}
            type="button"
            aria-pressed={current === action}
            disabled={isBusy}
            onClick={() => run('dispose', { tag, target, action, reason: reason || proposed, basedOn })}
            className={`min-h-12 rounded-[9px_8px_10px_7px] border px-3 ${current === action ? 'border-ink bg-ink text-onink' : 'border-quiet bg-sheet'}`}
          >
            {action}
            {action === usual && current === undefined && <small className="ml-1 text-quiet">usual</small>}
          </button>
        ))}
      </div>
      <ErrorNote error={error} />
    </div>
  );
}
