'use client';

import { useState } from 'react';
import { actions, type Finding } from '@/core/record';
import { useAct } from '../act/use-act';
import { useWaiting } from '../act/use-waiting';
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
  const place = `${tag} disposition ${'pointId' in target ? target.pointId : target.findingId}`;
  const waiting = useWaiting('dispose', tag).findLast(
    (one) => JSON.stringify(one.target) === JSON.stringify(target),
  )?.action;
  const chosen = waiting ?? current;
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
            aria-pressed={chosen === action}
            disabled={isBusy}
            onClick={() =>
              run(
                'dispose',
                { tag, target, action, reason: reason || proposed, basedOn },
                { label: `Disposition: ${action}, ${reason || proposed}`, place },
              )
            }
            className={`min-h-12 rounded-[9px_8px_10px_7px] border px-3 ${chosen === action ? 'border-ink bg-ink text-onink' : 'border-quiet bg-sheet'}`}
          >
            {action}
            {action === waiting && <small className="ml-1">waits here</small>}
            {action === usual && chosen === undefined && <small className="ml-1 text-quiet">usual</small>}
          </button>
        ))}
      </div>
      <ErrorNote error={error} />
    </div>
  );
}
