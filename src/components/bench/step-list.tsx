'use client';

import { present } from '@/core/present';
import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import type { StepDone } from '@/core/record';
import { sayMoment } from '../job/view';

interface ListedStep {
  readonly id: string;
  readonly title: string;
}

interface Props {
  readonly steps: readonly ListedStep[];
  readonly done: ReadonlyMap<string, StepDone>;
  readonly picked: string;
  readonly zone: string;
  readonly onPick: (id: string) => void;
  /** A word beside a step, such as what it waits for. */
  readonly noteOf?: (id: string) => string;
  readonly children: ReactNode;
}

/** The sequence with the picked step opened in its place. */
export function StepList({ steps, done, picked, zone, onPick, noteOf, children }: Props) {
  return (
    <ol>
      {steps.map((step, i) => {
        const own = done.get(step.id);
        const isPicked = step.id === picked;
        const note = noteOf?.(step.id);
        return (
          <li
            key={step.id}
            id={`step-${step.id}`}
            className={`row first:border-0 ${isPicked ? 'border-l-4 border-l-jasper bg-sheet pl-3' : 'pl-4'}`}
          >
            <button
              type="button"
              aria-expanded={isPicked}
              onClick={() => onPick(step.id)}
              className="flex min-h-12 w-full items-center gap-3 text-left"
            >
              <span className="num w-7 text-right text-quiet">{i + 1}</span>
              <span className={isPicked ? 'flex-1 font-bold' : 'flex-1'}>{step.title}</span>
              <span className="pr-3 text-13 text-quiet">
                {own ? (
                  <>
                    <Check aria-hidden="true" size={16} className="mr-1 inline text-moss" />
                    done by {own.personName}, {sayMoment(own.at, zone)}
                    {own.second && `, signed by ${own.second.personName}`}
                  </>
                ) : (
                  note
                )}
              </span>
            </button>
            {isPicked && <div className="space-y-3 pb-4 pr-4 pl-10">{children}</div>}
          </li>
        );
      })}
    </ol>
  );
}

/** What to do, why, and what usually goes wrong. */
export function StepWords({
  step,
}: {
  readonly step: {
    readonly do: string;
    readonly reason?: string | undefined;
    readonly mistake?: string | undefined;
    readonly tools: readonly string[];
  };
}) {
  return (
    <div className="max-w-[70ch] space-y-1">
      <p className="text-18">{step.do}</p>
      {step.reason && (
        <p>
          <b className="text-13">Why</b> {step.reason}
        </p>
      )}
      {step.mistake && (
        <p>
          <b className="text-13">Usual mistake</b> {step.mistake}
        </p>
      )}
      {step.tools.length > 0 && <p className="text-13 text-quiet">Tools: {step.tools.join(', ')}</p>}
    </div>
  );
}

/** The step that a gate line points to, else the first that is not done. */
export function firstStep(
  steps: readonly { readonly id: string; readonly captures: readonly { readonly id: string }[] }[],
  done: ReadonlyMap<string, StepDone>,
): string {
  return steps.find((step) => !done.has(step.id))?.id ?? present(steps.at(-1)).id;
}

/** The step whose element, or whose capture's element, the address names. */
export function stepOfHash(
  hash: string,
  steps: readonly { readonly id: string; readonly captures: readonly { readonly id: string }[] }[],
): string | undefined {
  const name = decodeURIComponent(hash.replace(/^#/, ''));
  return steps.find(
    (step) => name === `step-${step.id}` || step.captures.some((capture) => name === `capture-${capture.id}`),
  )?.id;
}
