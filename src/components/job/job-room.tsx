'use client';

import { ofText } from '../ui/of-text';
import { useEffect } from 'react';
import type { Station } from '@/core/record';
import { isHolding } from '../held/holding';
import { Whose } from '../ui/whose';
import { ConversionLine } from './conversion-line';
import { GateBar } from './gate-bar';
import { CompactHeader, JobHeader } from './job-header';
import { JobStream } from './job-stream';
import { NewerFamily } from './newer-family';
import { StationSheet } from './station-sheet';
import { useLiveView } from './use-live-view';
import type { JobView } from './view';

/** Where somebody works with their hands, and the page gives them the height. */
const benches: ReadonlySet<Station> = new Set(['teardown', 'rebuild']);

interface Props {
  readonly view: JobView;
  readonly shown: Station;
  /** Whether it is shown from what this device holds, because nobody answers. */
  readonly isHeld?: boolean;
}

/** A job's page: header, stream, the station's sheet and the gate, all of one view that stays current. */
export function JobRoom({ view: given, shown, isHeld = false }: Props) {
  const view = useLiveView(given);
  useEffect(() => {
    if (isHeld || !isHolding()) return;
    const hold = async () => (await import('../held/hold-bench')).holdShown(view);
    // What cannot be held is read from the shop, as on any other device.
    hold().catch(() => undefined);
  }, [view, isHeld]);
  const { record } = view;
  const isHere = shown === record.station && record.hold === null && record.closedAt === null;
  return (
    <div className="pb-40">
      <Whose audiences={view.audiences} role={view.person.role}>
        {benches.has(shown) ? (
          <CompactHeader view={view} shown={shown} />
        ) : (
          <>
            <JobHeader view={view} />
            <JobStream record={record} shown={shown} />
          </>
        )}
        <ConversionLine view={view} />
        <NewerFamily view={view} />
        <StationSheet key={shown} station={shown} view={view} isHere={isHere} />
        <GateBar view={view} shown={shown} />
      </Whose>
    </div>
  );
}

export const JobRoomOfText = ofText(JobRoom);
