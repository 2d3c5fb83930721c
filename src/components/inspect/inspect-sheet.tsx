'use client';

import type { SheetProps } from '../job/view';
import { Findings } from './findings';
import { Looks } from './looks';
import { PointsBoard } from './points-board';

/** As-found inspection: the points with their verdicts, then what the eye saw. */
export function InspectSheet({ view, isHere }: SheetProps) {
  return (
    <>
      <PointsBoard view={view} phase="as-found" canEdit={isHere} />
      <Looks view={view} isHere={isHere} />
      <Findings view={view} isHere={isHere} />
      <div className="h-28" />
    </>
  );
}
