'use client';

import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { panelButton } from './panel-button';

/** The panel at the right edge with its button; fetched when it is first opened. */
export function SidePanelDialog({
  label,
  title,
  children,
}: {
  readonly label: string;
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root defaultOpen>
      <Dialog.Trigger className={panelButton}>{label}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="no-print fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="prints-alone fixed inset-y-0 right-0 z-50 w-[520px] max-w-[94vw] overflow-y-auto border-l border-ink bg-paper p-6"
        >
          <div className="mb-4 flex items-baseline justify-between gap-4">
            <Dialog.Title className="text-18 font-bold">{title}</Dialog.Title>
            <Dialog.Close className="no-print min-h-11 px-2 underline">Close</Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
