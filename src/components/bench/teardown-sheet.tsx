'use client';

import { isBuildOpen } from '@/core/record';
import type { SheetProps } from '../job/view';
import { ConstructionLine } from '../receive/construction-line';
import { PartsAccount } from './parts-account';
import { WorkBench } from './work-bench';

/** Teardown action by action, in the family's order, then the parts list. */
export function TeardownSheet({ view, isHere }: SheetProps) {
  return (
    <>
      {isBuildOpen(view.record) && (
        <div className="px-6 pt-2">
          <ConstructionLine view={view} />
        </div>
      )}
      <WorkBench view={view} isHere={isHere} phase="teardown" />
      <PartsAccount view={view} isHere={isHere} />
    </>
  );
}
