'use client';

import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A quiet button that opens a panel at the right edge; Escape closes it. */
export function SidePanel({ label, title, children }: { readonly label: string; readonly title: string; readonly children: ReactNode }) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="inline-flex min-h-8 items-center rounded border border-line px-2 text-13">{label}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content aria-describedby={undefined} className="fixed inset-y-0 right-0 z-50 w-[520px] max-w-[94vw] overflow-y-auto border-l border-ink bg-paper p-6">
          <div className="mb-4 flex items-baseline justify-between gap-4">
            <Dialog.Title className="text-18 font-bold">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 px-2 underline">Close</Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
