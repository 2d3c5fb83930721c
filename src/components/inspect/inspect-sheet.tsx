'use client';

import type { SheetProps } from '../job/view';
import dynamic from 'next/dynamic';
import { Later } from '../ui/later';
import { Findings } from './findings';
import { Looks } from './looks';
import { WarrantyPanel } from './warranty-panel';
import { PointsBoard } from './points-board';

/** Only pumps that came with others have it. */
const UnitsCompared = dynamic(() => import('../parts/units-compared').then((module) => module.UnitsCompared));

/** As-found inspection: the points with their verdicts, then what the eye saw. */
export function InspectSheet({ view, isHere }: SheetProps) {
  return (
    <>
      <div className="px-6 pt-4 empty:hidden">
        <WarrantyPanel view={view} />
      </div>
      <PointsBoard view={view} phase="as-found" canEdit={isHere} />
      <Later height={1200}>
        <Looks view={view} isHere={isHere} />
        <Findings view={view} isHere={isHere} />
        {view.record.lotMates.length > 0 && <UnitsCompared view={view} />}
      </Later>
      <div className="h-28" />
    </>
  );
}
