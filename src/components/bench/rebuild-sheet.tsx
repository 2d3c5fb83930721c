'use client';

import { rebuildRound } from '@/core/record';
import type { SheetProps } from '../job/view';
import { BenchTabs } from './bench-tabs';
import { ReadLabel } from './read-label';
import { WorkBench } from './work-bench';

/** Rebuild in assembly order, then the as-left readings at the same points. */
export function RebuildSheet({ view, isHere }: SheetProps) {
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
      {isHere && <ReadLabel view={view} />}
      <BenchTabs view={view} isHere={isHere} phase="as-left" words="As-left readings">
        <WorkBench view={view} isHere={isHere} phase="rebuild" />
      </BenchTabs>
    </>
  );
}
