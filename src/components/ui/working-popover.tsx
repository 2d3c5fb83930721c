'use client';

import { Popover } from 'radix-ui';
import type { WorkingStep } from '@/core/sums';
import { WorkingSteps } from './working-steps';
import { workingMark } from './working-mark';

/** The steps of a sum in a panel beside their "="; fetched when it is first opened. */
export function WorkingPopover({ steps, of }: { readonly steps: readonly WorkingStep[]; readonly of: string }) {
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger aria-label={`Working of ${of}`} className={workingMark}>
        =
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="left"
          sideOffset={6}
          collisionPadding={12}
          aria-label={`Working of ${of}`}
          className="z-40 max-h-[70vh] w-[420px] max-w-[92vw] overflow-auto rounded-[12px_10px_13px_9px] border border-ink bg-sheet p-4 text-13 shadow-lg"
        >
          <p className="mb-2 font-semibold">{of}</p>
          <WorkingSteps steps={steps} />
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
