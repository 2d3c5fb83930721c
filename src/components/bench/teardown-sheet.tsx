'use client';

import dynamic from 'next/dynamic';
import type { Family } from '@/core/family';
import { isBuildOpen } from '@/core/record';
import type { SheetProps } from '../job/view';
import { ConstructionLine } from '../receive/construction-line';
import { Later } from '../ui/later';
import { BenchTabs } from './bench-tabs';
import { WorkBench } from './work-bench';

/** It is looked at when the work is done. */
const PartsAndTrays = dynamic(() => import('./parts-and-trays').then((module) => module.PartsAndTrays));

/** Whether points are read while the pump comes apart: what is gone afterwards, such as the gaps between rotors. */
const measuresAtOnce = ({ teardown }: Family) =>
  teardown.some((step) => step.actions.some(({ answer }) => answer?.kind === 'measure'));

/** Teardown action by action, in the family's order, then the parts list. */
export function TeardownSheet({ view, isHere }: SheetProps) {
  const steps = (
    <>
      <WorkBench view={view} isHere={isHere} phase="teardown" />
      <Later height={900}>
        <PartsAndTrays view={view} isHere={isHere} />
      </Later>
    </>
  );
  return (
    <>
      {isBuildOpen(view.record) && (
        <div className="px-6 pt-2">
          <ConstructionLine view={view} />
        </div>
      )}
      {measuresAtOnce(view.family) ? (
        <BenchTabs view={view} isHere={isHere} phase="as-found" words="As-found readings">
          {steps}
        </BenchTabs>
      ) : (
        steps
      )}
    </>
  );
}
