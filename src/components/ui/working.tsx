'use client';

import { Popover } from 'radix-ui';
import type { WorkingStep } from '@/core/sums';

/** The steps of a sum, as in a careful engineer's notebook. */
export function WorkingSteps({ steps }: { readonly steps: readonly WorkingStep[] }) {
  return (
    <ol>
      {steps.map((step, i) => (
        <li key={i} className="row py-1 first:border-0">
          <div className="flex justify-between gap-4">
            <span>{step.what}</span>
            <b className="num text-right">{step.outcome}</b>
          </div>
          {(step.formula || step.put) && <div className="num text-13 text-quiet">{[step.formula, step.put].filter(Boolean).join('; ')}</div>}
          {step.source && <div className="text-13 text-quiet">{step.source}</div>}
        </li>
      ))}
    </ol>
  );
}

/** The small "=" beside a computed figure: opens its steps, as in a careful engineer's notebook. */
export function Working({ steps, of }: { readonly steps: readonly WorkingStep[]; readonly of: string }) {
  if (!steps.length) return null;
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`Working of ${of}`} className="num inline-grid size-7 place-items-center rounded-[9px_8px_10px_7px] border border-line bg-sheet font-semibold text-quiet hover:text-ink">
        =
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="left" sideOffset={6} collisionPadding={12} aria-label={`Working of ${of}`} className="z-40 max-h-[70vh] w-[420px] max-w-[92vw] overflow-auto rounded-[12px_10px_13px_9px] border border-ink bg-sheet p-4 text-13 shadow-lg">
          <p className="mb-2 font-semibold">{of}</p>
          <WorkingSteps steps={steps} />
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
