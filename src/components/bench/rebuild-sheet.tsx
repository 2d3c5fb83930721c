'use client';

import { useState, type ComponentProps } from 'react';
import { rebuildRound } from '@/core/record';
import type { PointsBoard } from '../inspect/points-board';
import type { SheetProps } from '../job/view';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { WorkBench } from './work-bench';

/** Rebuild in assembly order, then the as-left readings at the same points. */
export function RebuildSheet({ view, isHere }: SheetProps) {
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ tab: 'steps' | 'points'; visit: string } | null>(null);
  const tab = choice && choice.visit === visit ? choice.tab : hash.startsWith('#point-') ? 'points' : 'steps';
  const round = rebuildRound(view.record);
  const failed = view.record.runs.findLast((run) => run.decision === 'failed');
  return (
    <>
      {failed && (
        <p className="border-b border-line bg-sheet px-6 py-2">
          <b>Round {round}.</b> Run {failed.run} on the stand failed: {failed.decisionReason}. What was recorded before
          stays.
        </p>
      )}
      <div role="group" aria-label="What to see" className="flex gap-2 px-6 pt-3">
        {(
          [
            ['steps', 'Steps'],
            ['points', 'As-left readings'],
          ] as const
        ).map(([name, words]) => (
          <button
            key={name}
            type="button"
            aria-pressed={tab === name}
            onClick={() => setChoice({ tab: name, visit: visitNow() })}
            className={`min-h-11 border-b-3 px-1 ${tab === name ? 'border-jasper font-bold' : 'border-transparent text-quiet'}`}
          >
            {words}
          </button>
        ))}
      </div>
      {tab === 'steps' ? (
        <WorkBench view={view} isHere={isHere} phase="rebuild" />
      ) : (
        <AsLeft view={view} phase="as-left" canEdit={isHere} />
      )}
    </>
  );
}

/** The points are fetched when their tab is opened: most visits to this sheet are for the steps. */
function AsLeft(props: ComponentProps<typeof PointsBoard>) {
  return (
    <FetchedAtOnce
      fetchIt={() => import('../inspect/points-board').then((module) => module.PointsBoard)}
      props={props}
      waiting={<p className="p-6 text-quiet">Fetching the points.</p>}
    />
  );
}
