'use client';

import { Check, Pause } from 'lucide-react';
import type { ReactNode } from 'react';
import type { ActionWork, StepWork } from '@/core/bench';
import { actionTitle } from '@/core/family';
import { sayMoment } from '../job/view';
import { sayAnswer } from './answer-shown';

interface Props {
  readonly work: readonly StepWork[];
  readonly picked: string;
  readonly zone: string;
  readonly onPickStep: (step: StepWork) => void;
  readonly onPickAction: (id: string) => void;
  /** A word beside a step, such as what it waits for. */
  readonly noteOf: (step: StepWork) => string;
  /** What may be done with an action that is answered: undo. */
  readonly asideOf: (at: ActionWork) => ReactNode;
}

const letters = 'abcdefghijklmnopqrstuvwxyz';
/** The letter of an action in its step. @example letterOf(27) // 'ab' */
const letterOf = (i: number): string =>
  i < 26 ? letters.charAt(i) : `${letterOf(Math.floor(i / 26) - 1)}${letters.charAt(i % 26)}`;

function ActionRow({
  at,
  letter,
  isPicked,
  zone,
  onPick,
  children,
}: {
  readonly at: ActionWork;
  readonly letter: string;
  readonly isPicked: boolean;
  readonly zone: string;
  readonly onPick: () => void;
  readonly children: ReactNode;
}) {
  const { action, answer } = at;
  return (
    <li className={`row flex items-center gap-2 ${isPicked ? 'border-l-4 border-l-jasper bg-sheet' : 'pl-1'}`}>
      <button
        type="button"
        aria-current={isPicked ? 'step' : undefined}
        onClick={onPick}
        className="flex min-h-12 flex-1 items-center gap-2 text-left"
      >
        <span className="num w-7 shrink-0 text-center text-quiet">
          {answer ? <Check aria-label="done" size={16} className="inline text-moss" /> : letter}
        </span>
        <span className={isPicked ? 'font-bold' : ''}>
          {actionTitle(action)}
          {answer && (
            <small className="block text-13 text-quiet">
              <span className="num">{sayAnswer(answer)}</span>
              {answer.at ? ` · ${answer.personName}, ${sayMoment(answer.at, zone)}` : ' · waits here'}
            </small>
          )}
        </span>
      </button>
      {children}
    </li>
  );
}

function stepNote({ row, isHeld, step, isDone }: StepWork, zone: string): string {
  if (!row || !isDone) return '';
  const by = row.at ? `${row.personName}, ${sayMoment(row.at, zone)}` : 'waits here';
  if (isHeld) return `${by} · waits for a signature`;
  return row.second && step.hold_point ? `${by} · signed by ${row.second.personName}` : by;
}

/** All steps, done ones folded; the one at hand with its actions, each a row that opens it. */
export function WorkList({ work, picked, zone, onPickStep, onPickAction, noteOf, asideOf }: Props) {
  return (
    <ol>
      {work.map((one, i) => {
        const { step, actions, isDone } = one;
        const isOpen = actions.some(({ action }) => action.id === picked);
        const note = stepNote(one, zone) || noteOf(one);
        return (
          <li key={step.id} id={`step-${step.id}`} className="row first:border-0">
            <button
              type="button"
              aria-expanded={isOpen}
              onClick={() => onPickStep(one)}
              className="flex min-h-12 w-full items-center gap-2 text-left"
            >
              <span className="num w-7 shrink-0 text-right text-quiet">{i + 1}</span>
              <span className={isOpen ? 'flex-1 font-bold' : 'flex-1'}>
                {step.title}
                {note && <small className="block text-13 font-normal text-quiet">{note}</small>}
              </span>
              {step.hold_point && <Pause aria-label="hold point" size={18} className="shrink-0" />}
              {isDone && <Check aria-label="done" size={18} className="shrink-0 text-moss" />}
            </button>
            {isOpen && (
              <ol className="mb-2 ml-7 border-l border-line">
                {actions.map((at, k) => (
                  <ActionRow
                    key={at.action.id}
                    at={at}
                    letter={letterOf(k)}
                    isPicked={at.action.id === picked}
                    zone={zone}
                    onPick={() => onPickAction(at.action.id)}
                  >
                    {asideOf(at)}
                  </ActionRow>
                ))}
              </ol>
            )}
          </li>
        );
      })}
    </ol>
  );
}
