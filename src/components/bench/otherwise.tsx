'use client';

import { useState, type FormEvent } from 'react';
import { actionTitle } from '@/core/family';
import type { ActionWork } from '@/core/bench';
import type { BenchPhase } from '@/core/record';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';
import { mayDo } from '../ui/whose';

interface Props {
  readonly view: SheetProps['view'];
  readonly phase: BenchPhase;
  readonly at: ActionWork;
  readonly typed: string;
  /** What the server refused just now. */
  readonly refused: ActError | null;
  readonly onKept: () => void;
}

type Way = 'not possible' | 'concede';

/** An action that cannot be done, or is not right and may stand: by name and with a reason. */
export function Otherwise({ view, phase, at, typed, refused, onKept }: Props) {
  const [way, setWay] = useState<Way | null>(null);
  const [reason, setReason] = useState('');
  const { attempt, error, isBusy } = useAct();
  const { record, person, audiences } = view;
  const concedes = mayDo(audiences, 'concede-answer', person.role);
  const isFree = phase === 'teardown';
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const notPossible = way === 'not possible';
    const verb = notPossible && isFree ? ('answer-action' as const) : ('concede-answer' as const);
    const title = actionTitle(at.action);
    const sent = {
      ...{ tag: record.tag, phase, actionId: at.action.id, typed, reason, notPossible },
      cautionsRead: [...at.action.cautions],
      basedOn: at.stored?.version ?? 0,
    };
    const label = `${title}: ${notPossible ? 'not possible' : 'conceded'}`;
    if ((await attempt(verb, sent, { label, place: `${record.tag} ${phase} ${at.action.id}` })) !== 'refused') onKept();
  };
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-x-4 text-quiet">
        {(isFree || concedes) && (
          <button type="button" className="min-h-12 underline" onClick={() => setWay('not possible')}>
            It is not possible
          </button>
        )}
        {concedes && refused && typed && (
          <button type="button" className="min-h-12 underline" onClick={() => setWay('concede')}>
            Let it stand, with a reason
          </button>
        )}
      </div>
      {way && (
        <form onSubmit={submit} className="space-y-2 border-l-4 border-ochre bg-sheet px-3 py-2">
          <TextField
            label={way === 'concede' ? `Why “${typed}” may stand` : 'Why it is not possible'}
            required
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <ErrorNote error={error} />
          <div className="flex gap-2">
            <Button type="submit" tone="main" disabled={isBusy}>
              {way === 'concede' ? `Concede as ${person.name}` : `Not possible, by ${person.name}`}
            </Button>
            <Button tone="quiet" onClick={() => setWay(null)}>
              Leave it
            </Button>
          </div>
        </form>
      )}
    </div>
  );
}
