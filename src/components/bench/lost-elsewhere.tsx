'use client';

import { actionTitle } from '@/core/family';
import type { ActionWork, StepWork } from '@/core/bench';
import { sheetOf, type BenchPhase, type JobRecord } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import type { AnswerCommand } from './use-entry';

/** Whether somebody else took off all that comes off in a step of teardown: it is only verified. */
export function isDoneElsewhere({ step }: Pick<StepWork, 'step'>, record: JobRecord): boolean {
  const begun = record.station === 'teardown' ? sheetOf(record, 'begun')?.body : undefined;
  if (!begun || !step.parts.length) return false;
  return step.parts.every((ref) => begun.parts.some((part) => part.ref === ref && part.state !== 'on'));
}

interface Props {
  readonly view: JobView;
  readonly phase: BenchPhase;
  readonly at: ActionWork;
  readonly empty: AnswerCommand;
  readonly onKept: () => void;
}

/** What can no longer be taken, since the pump was begun elsewhere: one press says so, with what it is taken from. */
export function LostElsewhere({ view, phase, at, empty, onKept }: Props) {
  const { attempt, error, isBusy } = useAct();
  const begun = phase === 'teardown' ? sheetOf(view.record, 'begun')?.body : undefined;
  const lost = begun?.lost.find(({ actionId }) => actionId === at.action.id);
  if (!begun || !lost) return null;
  const keep = async () => {
    const label = `${actionTitle(at.action)}: not possible, begun elsewhere`;
    const place = `${view.record.tag} ${phase} ${at.action.id}`;
    if ((await attempt('answer-action', { ...empty, notPossible: true, reason: '' }, { label, place })) !== 'refused')
      onKept();
  };
  return (
    <div className="space-y-2 border-l-4 border-ochre bg-paper px-3 py-2">
      <p>
        Begun elsewhere by {begun.by}: this can no longer be taken. Instead: <b>{lost.instead}</b>.
      </p>
      <ErrorNote error={error} />
      <Button disabled={isBusy} onClick={() => void keep()}>
        Not possible any more, go on
      </Button>
    </div>
  );
}
