'use client';

import type { ActionWork, StepWork } from '@/core/bench';
import type { Answer, BenchPhase } from '@/core/record';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { mayDo } from '../ui/whose';
import { WithReason } from './with-reason';

/** Takes the last answer back; asks nothing. */
export function UndoButton({
  view,
  phase,
  at,
}: {
  readonly view: SheetProps['view'];
  readonly phase: BenchPhase;
  readonly at: ActionWork & { readonly answer: Answer };
}) {
  const { run, isBusy } = useAct();
  const command = { tag: view.record.tag, phase, actionId: at.action.id, basedOn: at.answer.version };
  return (
    <Button disabled={isBusy} className="shrink-0" onClick={() => run('undo-answer', command)}>
      Undo
    </Button>
  );
}

interface StepProps {
  readonly view: SheetProps['view'];
  readonly phase: BenchPhase;
  readonly work: StepWork;
}

/** Opens a step again that is done, with a reason. */
export function OpenAgain({ view, phase, work }: StepProps) {
  const { run, error } = useAct();
  const { row, step, isDone } = work;
  if (!isDone || !row) return null;
  const command = { tag: view.record.tag, phase, stepId: step.id, basedOn: row.version };
  return (
    <>
      <WithReason
        words="Open this step again"
        label={`Why “${step.title}” is opened again; all its actions are asked anew`}
        button="Open it again"
        send={(reason) => run('open-again', { ...command, reason })}
      />
      <ErrorNote error={error} />
    </>
  );
}

/** What must come first, and who may allow another order. */
export function ComesFirst({ view, phase, work }: StepProps) {
  const { run, error } = useAct();
  const { step, waitsFor, deviation } = work;
  if (deviation)
    return (
      <p className="border-l-4 border-ochre px-3 text-quiet">
        Out of order, allowed by {deviation.by}: {deviation.reason}
      </p>
    );
  if (!waitsFor.length || work.isDone) return null;
  const held = waitsFor.find((one) => one.hold_point);
  const titles = waitsFor.map((one) => `“${one.title}”`).join(' and ');
  const command = { tag: view.record.tag, phase, stepId: step.id };
  return (
    <div className="border-l-4 border-jasper bg-sheet px-3 py-2">
      <p>
        <b>{titles} comes first.</b> {held ? 'Nothing closes over a hold point that nobody has signed.' : step.reason}
      </p>
      {!held && mayDo(view.audiences, 'allow-deviation', view.person.role) && (
        <WithReason
          words="Allow this order"
          label="Why it may be done in this order; it stands in the report"
          button={`Allow it as ${view.person.name}`}
          send={(reason) => run('allow-deviation', { ...command, reason })}
        />
      )}
      <ErrorNote error={error} />
    </div>
  );
}
