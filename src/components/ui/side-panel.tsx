'use client';

import type { ReactNode } from 'react';
import { panelButton } from './panel-button';
import { useFetched } from './use-fetched';

interface Props {
  readonly label: string;
  readonly title: string;
  readonly children: ReactNode;
}

/** A quiet button that opens a panel at the right edge; Escape closes it. */
export function SidePanel({ label, title, children }: Props) {
  const [Panel, ask] = useFetched<Props>(() => import('./side-panel-dialog').then((module) => module.SidePanelDialog));
  if (Panel)
    return (
      <Panel label={label} title={title}>
        {children}
      </Panel>
    );
  return (
    <button type="button" aria-haspopup="dialog" aria-expanded={false} className={panelButton} onClick={ask}>
      {label}
    </button>
  );
}
