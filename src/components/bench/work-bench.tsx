'use client';

import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { lastAnswer, nextAction, workOf, type ActionWork, type StepWork } from '@/core/bench';
import { present } from '@/core/present';
import { isDoneElsewhere } from './lost-elsewhere';
import { missingOf, needsOf, partsOfStep } from '@/core/supply';
import type { InHand, Step, StepAction } from '@/core/family';
import { openSupplements, type Answer, type BenchPhase } from '@/core/record';
import { useWaiting } from '../act/use-waiting';
import type { SheetProps } from '../job/view';
import type { PartState } from '../signs/section';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { ActionPanel } from './action-panel';
import { BenchSection } from './bench-section';
import { foresee } from './foresee';
import { ComesFirst, OpenAgain, UndoButton } from './step-actions';
import { WorkList } from './work-list';

/** Few steps have one. */
const HoldPoint = dynamic(() => import('./hold-point').then((module) => module.HoldPoint));

interface Props extends SheetProps {
  readonly phase: 'teardown' | 'rebuild' | 'test';
}

/** The action that an address names, by its own id, its step's, or that of a part. */
function actionOfHash(hash: string, work: readonly StepWork[]): string | undefined {
  const name = decodeURIComponent(hash.replace(/^#/, ''));
  for (const { step, actions } of work) {
    const own = actions.find(({ action }) => name === `action-${action.id}`);
    if (own) return own.action.id;
    if (name === `step-${step.id}`) return (actions.find((one) => !one.answer) ?? present(actions[0])).action.id;
  }
  return undefined;
}

/** The step to show: the one picked, else the one that waits for a signature, else the next to do, else the last. */
function pickedIn(work: readonly StepWork[], id: string | undefined) {
  const named = work.find((one) => one.actions.some(({ action }) => action.id === id));
  const held = work.find((one) => one.isHeld);
  const next = nextAction(work);
  const step = named ?? held ?? next?.step ?? present(work.at(-1));
  const at =
    step.actions.find(({ action }) => action.id === id) ??
    (step === next?.step ? next.action : (step.actions.find((one) => !one.answer) ?? present(step.actions.at(-1))));
  return { step, at };
}

const hints: Readonly<Record<BenchPhase, string>> = {
  teardown: 'lit: this action · dashed: is off',
  rebuild: 'lit: this action · dashed: still to come',
  test: 'lit: this action',
};

function partStates(phase: BenchPhase, work: readonly StepWork[], lit: readonly string[], refs: readonly string[]) {
  const done = new Set(work.filter((one) => one.isDone).flatMap((one) => one.step.parts));
  const handled = new Set(work.flatMap((one) => one.step.parts));
  const isGone = (ref: string) =>
    phase === 'teardown' ? done.has(ref) : phase === 'rebuild' && handled.has(ref) && !done.has(ref);
  return Object.fromEntries(
    refs.map((ref): [string, PartState] => [ref, lit.includes(ref) ? 'now' : isGone(ref) ? 'removed' : 'here']),
  );
}

const isWaiting = (answer: Answer) => answer.at === '';

/** The member that an action or its step is about. */
function inHandOf(step: Step, action: StepAction): InHand | undefined {
  const member = action.member ?? step.member;
  return member && { set: member.set, number: member.number };
}

/** A phase of the bench: the section, all steps, and one action at a time in reach of the thumb. */
export function WorkBench({ view: given, isHere, phase }: Props) {
  const waiting = useWaiting('answer-action', given.record.tag);
  const view = useMemo(() => ({ ...given, record: foresee(given.record, given.family, waiting) }), [given, waiting]);
  const { record, family } = view;
  const work = useMemo(() => workOf(record, family, phase), [record, family, phase]);
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ id: string; visit: string } | null>(null);
  const id = choice && choice.visit === visit ? choice.id : actionOfHash(hash, work);
  const { step, at } = pickedIn(work, id);
  const pick = (actionId: string) => setChoice({ id: actionId, visit: visitNow() });
  // On an upright tablet the list is longer than the screen: what was picked far down is shown at the top.
  const pickInList = (actionId: string) => {
    pick(actionId);
    requestAnimationFrame(() => document.getElementById(`action-${actionId}`)?.scrollIntoView({ block: 'nearest' }));
  };
  const last = lastAnswer(work);
  const lit = at.action.lights.length ? at.action.lights : step.step.parts;
  const states = partStates(
    phase,
    work,
    lit,
    family.parts.map((part) => part.ref),
  );
  const needs = needsOf(record, family);
  const noteOf = (one: StepWork) => {
    const missing = missingOf(partsOfStep(one.step, phase), needs);
    const stopping = openSupplements(record).find(({ supplement }) => supplement?.stops.includes(one.step.id));
    if (stopping) return `waits for the answer to supplement ${stopping.revision}`;
    if (!one.isDone && isDoneElsewhere(one, record)) return 'done elsewhere: verify';
    if (missing.length) return `waits for ${missing.map((need) => need.name.toLowerCase()).join(', ')}`;
    return one.isDone || one.actions.length < 2
      ? ''
      : `${one.actions.filter(({ answer }) => answer).length} of ${one.actions.length}`;
  };
  const asideOf = (one: ActionWork) =>
    isHere && one.answer && one.answer === last && !isWaiting(one.answer) ? (
      <UndoButton view={view} phase={phase} at={{ ...one, answer: one.answer }} />
    ) : null;
  const number = work.indexOf(step) + 1;
  return (
    <div className="grid md:grid-cols-2 md:grid-rows-[auto_1fr] lg:grid-rows-1 lg:grid-cols-[minmax(300px,4fr)_minmax(260px,3fr)_minmax(380px,5fr)]">
      <BenchSection
        family={family}
        hint={hints[phase]}
        states={states}
        lit={lit}
        moves={at.action.moves}
        inHand={inHandOf(step.step, at.action)}
        onPickPart={(ref) => {
          const own = work.find((one) => one.step.parts.includes(ref));
          if (own) pick((own.actions.find((one) => !one.answer) ?? present(own.actions[0])).action.id);
        }}
        title={`Section, ${lit.length} parts lit`}
      />
      <nav
        aria-label="Steps"
        className="order-3 px-4 py-3 md:col-start-1 md:row-start-2 lg:col-start-2 lg:row-start-1 lg:max-h-[calc(100vh-230px)] lg:overflow-y-auto"
      >
        <WorkList
          work={work}
          picked={at.action.id}
          zone={view.zone}
          onPickStep={(one) =>
            pickInList((one.actions.find(({ answer }) => !answer) ?? present(one.actions[0])).action.id)
          }
          onPickAction={pickInList}
          noteOf={noteOf}
          asideOf={asideOf}
        />
      </nav>
      <div className="order-2 space-y-3 border-l border-line bg-sheet px-5 py-4 md:col-start-2 md:row-span-2 md:row-start-1 lg:col-start-3 lg:row-span-1">
        <p className="text-quiet">
          Step {number} of {work.length}: {step.step.title}
          {step.step.member && ` · ${step.step.member.number} of ${step.step.member.of}`} ·{' '}
          {step.actions.indexOf(at) + 1} of {step.actions.length}
        </p>
        <ComesFirst view={view} phase={phase} work={step} />
        <HoldPoint view={view} isHere={isHere} work={step} />
        <ActionPanel
          key={`${at.action.id} ${at.stored?.version ?? 0}`}
          view={view}
          isHere={isHere && !step.waitsFor.length && !at.waitsFor.length}
          phase={phase}
          work={step}
          at={at}
          onKept={() => setChoice(null)}
        />
        {isHere && <OpenAgain view={view} phase={phase} work={step} />}
      </div>
    </div>
  );
}
