'use client';

import { present } from '@/core/present';
import { useMemo, useState } from 'react';
import { isConstructionOpen, partStates, type PartState as AccountState } from '@/core/record';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { ConstructionLine } from '../receive/construction-line';
import type { PartState } from '../signs/section';
import { Button, ErrorNote } from '../ui/form';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { BenchSection } from './bench-section';
import { CaptureField } from './capture-field';
import { Cautions } from './cautions';
import { firstStep, StepList, stepOfHash, StepWords } from './step-list';

/** Teardown in the family's order: caution, what to do, what to keep before it moves, then the parts list. */
export function TeardownSheet({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const steps = family.teardown;
  const done = useMemo(
    () => new Map(record.steps.filter((step) => step.phase === 'teardown').map((step) => [step.stepId, step])),
    [record.steps],
  );
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ id: string; visit: string } | null>(null);
  const asked = stepOfHash(hash, steps);
  const picked = choice && choice.visit === visit ? choice.id : (asked ?? firstStep(steps, done));
  const step = present(steps.find((one) => one.id === picked));
  const removed = new Set(steps.filter((one) => done.has(one.id)).flatMap((one) => one.parts));
  const states: Record<string, PartState> = Object.fromEntries(
    family.parts.map((part) => [
      part.ref,
      step.parts.includes(part.ref) && !done.has(step.id) ? 'now' : removed.has(part.ref) ? 'removed' : 'here',
    ]),
  );
  const pick = (id: string) => setChoice({ id, visit: visitNow() });
  return (
    <div className="grid lg:grid-cols-[minmax(380px,5fr)_7fr]">
      <BenchSection
        family={family}
        hint="pick a part for its step · ochre: comes off now · dashed: is off"
        states={states}
        onPickPart={(ref) => pick(steps.find((one) => one.parts.includes(ref))?.id ?? picked)}
        title={`Section, ${removed.size} of ${family.parts.length} parts off`}
      />
      <div className="p-6 lg:pl-4">
        <h2 className="mb-1 font-bold">
          Teardown{' '}
          <small className="font-normal text-quiet">
            {done.size} of {steps.length} steps done
          </small>
        </h2>
        {isConstructionOpen(record) && <ConstructionLine view={view} />}
        <StepList steps={steps} done={done} picked={picked} zone={view.zone} onPick={pick}>
          <TeardownStep key={step.id} view={view} isHere={isHere} stepId={step.id} onDone={() => setChoice(null)} />
        </StepList>
        <PartsAccount view={view} isHere={isHere} />
      </div>
    </div>
  );
}

function TeardownStep({
  view,
  isHere,
  stepId,
  onDone,
}: SheetProps & { readonly stepId: string; readonly onDone: () => void }) {
  const { record, family } = view;
  const step = present(family.teardown.find((one) => one.id === stepId));
  const own = record.steps.find((one) => one.phase === 'teardown' && one.stepId === stepId);
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const { run, error, isBusy } = useAct();
  const finish = async () => {
    const answer = await run(
      'finish-step',
      { tag: record.tag, phase: 'teardown', stepId, basedOn: own?.version ?? 0, cautionsRead: [...read] },
      { label: `Step “${step.title}” done`, place: `${record.tag} teardown ${stepId}` },
    );
    if (answer) onDone();
  };
  return (
    <>
      <Cautions
        ids={step.cautions}
        read={read}
        isDone={Boolean(own) || !isHere}
        onRead={(id, isRead) => setRead(new Set(isRead ? [...read, id] : [...read].filter((one) => one !== id)))}
      />
      <StepWords step={step} />
      {step.captures.map((capture) => (
        <CaptureField
          key={capture.id}
          tag={record.tag}
          zone={view.zone}
          lengthDisplay={view.lengthDisplay}
          phase="teardown"
          stepId={stepId}
          partRef={step.parts[0] ?? 'casing'}
          capture={capture}
          taken={record.captures.find((one) => one.phase === 'teardown' && one.captureId === capture.id)}
          canEdit={isHere}
        />
      ))}
      <ErrorNote error={error} />
      {isHere && !own && (
        <Button verb="finish-step" tone="main" data-next className="w-full" disabled={isBusy} onClick={finish}>
          Step done
        </Button>
      )}
    </>
  );
}

function PartsAccount({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const accounts = new Map(record.parts.map((part) => [part.ref, part]));
  const { run, error, isBusy } = useAct();
  const [notes, setNotes] = useState<Readonly<Record<string, string>>>({});
  const say = (refs: readonly string[], state: AccountState) =>
    run(
      'account-parts',
      {
        tag: record.tag,
        parts: refs.map((ref) => ({
          partRef: ref,
          state,
          note: notes[ref] ?? accounts.get(ref)?.note ?? '',
          basedOn: accounts.get(ref)?.version ?? 0,
        })),
      },
      {
        label: refs.length === 1 ? `${refs[0]}: ${state}` : `${refs.length} parts: ${state}`,
        place: `${record.tag} parts ${refs.join(' ')}`,
      },
    );
  const open = family.parts.filter((part) => !accounts.has(part.ref)).map((part) => part.ref);
  return (
    <section aria-label="Parts list" className="mt-6 border-t border-ink pt-3">
      <div className="flex items-center justify-between gap-4">
        <h2 className="font-bold">
          Parts list{' '}
          <small className="font-normal text-quiet">
            {accounts.size} of {family.parts.length} accounted for
          </small>
        </h2>
        {isHere && open.length > 0 && (
          <Button disabled={isBusy} onClick={() => say(open, 'present')}>
            The other {open.length} are present
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>State</th>
            <th>Note</th>
          </tr>
        </thead>
        <tbody>
          {family.parts.map((part) => {
            const own = accounts.get(part.ref);
            return (
              <tr key={part.ref} id={`part-${part.ref}`} className="row">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {part.quantity > 1 && <b className="num">{part.quantity} × </b>}
                  {part.name} <span className="num block text-13 text-quiet">{part.number}</span>
                </th>
                <td className="py-1">
                  <div role="group" aria-label={part.name} className="flex gap-1">
                    {partStates.map((state) => (
                      <button
                        key={state}
                        type="button"
                        aria-pressed={own?.state === state}
                        disabled={!isHere || isBusy}
                        onClick={() => say([part.ref], state)}
                        className={`min-h-12 rounded-[9px_8px_10px_7px] border px-2 text-13 disabled:opacity-100 ${own?.state === state ? (state === 'present' ? 'border-slate bg-slate text-onink' : 'border-jasper bg-jasper text-onink') : 'border-line text-quiet'}`}
                      >
                        {state}
                      </button>
                    ))}
                  </div>
                </td>
                <td className="py-1 pl-2">
                  {isHere ? (
                    <input
                      aria-label={`Note on ${part.name}`}
                      className="field min-h-11 min-w-[110px]"
                      placeholder="note"
                      defaultValue={own?.note ?? ''}
                      onChange={(event) => setNotes({ ...notes, [part.ref]: event.target.value })}
                      onBlur={() =>
                        own &&
                        notes[part.ref] !== undefined &&
                        notes[part.ref] !== own.note &&
                        void say([part.ref], own.state)
                      }
                    />
                  ) : (
                    <span className="text-13 text-quiet">{own?.note}</span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
