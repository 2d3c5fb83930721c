'use client';

import { actionTitle } from '@/core/family';
import type { ActionWork } from '@/core/bench';
import { schoolOf } from '@/core/policies';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { ErrorNote } from '../ui/form';
import { mayDo } from '../ui/whose';
import type { AnswerCommand } from './use-entry';
import { WithReason } from './with-reason';

interface Props {
  readonly view: SheetProps['view'];
  readonly at: ActionWork;
  /** All that was entered for the action, without an answer. */
  readonly empty: AnswerCommand;
  /** The answer that the server would not let stand just now; null where there is none. */
  readonly tried: AnswerCommand | null;
  readonly onKept: () => void;
}

/** An action that cannot be done, or is not right and may stand: by name and with a reason. */
export function Otherwise({ view, at, empty, tried, onKept }: Props) {
  const { attempt, error, isBusy } = useAct();
  const { record, person, audiences } = view;
  const concedes = mayDo(audiences, 'concede-answer', person.role);
  const isFree = empty.phase === 'teardown';
  const isCold = at.action.answer?.kind === 'heat' && schoolOf(record, 'bearing fitting') === 'cold';
  const send = async (command: AnswerCommand, said: 'not possible' | 'conceded') => {
    const verb =
      said === 'not possible' && (isFree || isCold) ? ('answer-action' as const) : ('concede-answer' as const);
    const label = `${actionTitle(at.action)}: ${said}`;
    const place = `${record.tag} ${command.phase} ${at.action.id}`;
    const isTaken = (await attempt(verb, command, { label, place })) !== 'refused';
    if (isTaken) onKept();
    return isTaken;
  };
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-x-4 text-quiet">
        {isCold && (
          <button
            type="button"
            className="min-h-12 font-semibold underline"
            disabled={isBusy}
            onClick={() => void send({ ...empty, notPossible: true, reason: '' }, 'not possible')}
          >
            Pressed on cold, by this job’s way
          </button>
        )}
        {(isFree || concedes) && (
          <WithReason
            words="It is not possible"
            label="Why it is not possible"
            button={`Not possible, by ${person.name}`}
            isBusy={isBusy}
            send={(reason) => send({ ...empty, notPossible: true, reason }, 'not possible')}
          />
        )}
        {concedes && tried?.typed && (
          <WithReason
            words={`Let “${tried.typed}” stand, with a reason`}
            label={`Why “${tried.typed}” may stand`}
            button={`Concede as ${person.name}`}
            isBusy={isBusy}
            send={(reason) => send({ ...tried, reason }, 'conceded')}
          />
        )}
      </div>
      <ErrorNote error={error} />
    </div>
  );
}
