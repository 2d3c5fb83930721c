'use client';

import { useState, type ComponentProps, type ReactNode } from 'react';
import type { Phase } from '@/core/record';
import type { PointsBoard } from '../inspect/points-board';
import type { SheetProps } from '../job/view';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';

/** The steps of a bench phase, and beside them the points that are measured in it. */
export function BenchTabs({
  view,
  isHere,
  phase,
  words,
  children,
}: SheetProps & { readonly phase: Phase; readonly words: string; readonly children: ReactNode }) {
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ tab: 'steps' | 'points'; visit: string } | null>(null);
  const tab = choice && choice.visit === visit ? choice.tab : hash.startsWith('#point-') ? 'points' : 'steps';
  return (
    <>
      <div role="group" aria-label="What to see" className="flex gap-2 px-6 pt-3">
        {(
          [
            ['steps', 'Steps'],
            ['points', words],
          ] as const
        ).map(([name, title]) => (
          <button
            key={name}
            type="button"
            aria-pressed={tab === name}
            onClick={() => setChoice({ tab: name, visit: visitNow() })}
            className={`min-h-11 border-b-3 px-1 ${tab === name ? 'border-jasper font-bold' : 'border-transparent text-quiet'}`}
          >
            {title}
          </button>
        ))}
      </div>
      {tab === 'steps' ? children : <Points view={view} phase={phase} canEdit={isHere} />}
    </>
  );
}

/** The points are fetched when their tab is opened: most visits to these sheets are for the steps. */
function Points(props: ComponentProps<typeof PointsBoard>) {
  return (
    <FetchedAtOnce
      fetchIt={() => import('../inspect/points-board').then((module) => module.PointsBoard)}
      props={props}
      waiting={<p className="p-6 text-quiet">Fetching the points.</p>}
    />
  );
}
