'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { applyPuts } from '@/core/change/change';
import { getData } from '../act/get-data';
import { watchChanges, type Arrived } from '../act/changes';
import type { JobChanged, JobView } from './view';

/** A view after what changed in its job; the family that it came with stays. */
export function afterChange<View extends Pick<JobView, 'record'>>(
  view: View,
  { puts, version, headHash, frame }: JobChanged,
): View {
  const { record } = applyPuts(view.record, puts);
  return { ...view, ...frame, record: { ...record, version, headHash } };
}

/** Whether a change leads to another sheet or another family, which the page brings anew. */
export function needsWholePage(before: JobView, after: JobView): boolean {
  const [one, other] = [before.record, after.record];
  return one.station !== other.station || one.familyId !== other.familyId || one.familyVersion !== other.familyVersion;
}

/**
 * A job's view, kept current from what its changes were: after an entry the page fetches the rows that changed, not
 * itself. Where that cannot be, the page is read anew.
 */
export function useLiveView(given: JobView): JobView {
  const router = useRouter();
  const [held, setHeld] = useState({ given, view: given });
  const isNew = held.given !== given;
  if (isNew) setHeld({ given, view: given });
  const view = isNew ? given : held.view;
  const { tag } = view.record;
  const take = (changed: JobChanged | null) => {
    if (!changed || changed.from !== view.record.version) return router.refresh();
    const after = afterChange(view, changed);
    setHeld({ given, view: after });
    if (needsWholePage(view, after)) router.refresh();
  };
  const fetchChanges = useEffectEvent(async (signal: AbortSignal) => {
    const path = `/api/jobs/${tag}/changes?after=${view.record.version}`;
    try {
      take(await getData<JobChanged>(path, signal));
    } catch {
      if (!signal.aborted) router.refresh();
    }
  });
  const version = useEffectEvent(() => view.record.version);
  /** What came with the answer to an entry is shown; false where it is not what follows on what is shown. */
  const takeArrived = useEffectEvent((arrived: Arrived | null) => {
    if (arrived?.from !== view.record.version) return false;
    // Only the door for changes says what arrived.
    take(arrived as JobChanged);
    return true;
  });
  useEffect(() => {
    let abort = new AbortController();
    const stop = watchChanges(tag, {
      version: () => version(),
      onChange: async (arrived) => {
        // What a first fetch would bring, the second brings too.
        abort.abort();
        abort = new AbortController();
        if (!takeArrived(arrived)) await fetchChanges(abort.signal);
      },
    });
    return () => {
      stop();
      abort.abort();
    };
  }, [tag]);
  return view;
}
