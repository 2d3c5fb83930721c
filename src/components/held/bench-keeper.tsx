'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { lostSince, tryLine, watchLine } from '../act/line';
import { holdsByChoice, noteHolding, watchChoice, whyNotHeld } from './holding';

/** How often it is looked whether what is held is to be brought up to date, and whether a lost line is back, in ms. */
const lookHeldMs = 60_000;
const tryMs = 5000;
/** How often a tablet that nobody touches looks whether it has a line, in ms. */
const lookMs = 30_000;

interface Props {
  readonly personId: string;
  readonly isTablet: boolean;
}

function useHolding({ personId, isTablet }: Props) {
  const holds = useSyncExternalStore(
    watchChoice,
    () => holdsByChoice(isTablet),
    () => false,
  );
  useEffect(() => {
    const can = holds && whyNotHeld() === null;
    noteHolding(can);
    if (!can) return;
    let isHere = true;
    const renew = () => {
      if (isHere && lostSince() === null) void holder.then((own) => own.holdIfOld(personId)).catch(() => undefined);
    };
    // Fetched only where something is held.
    const holder = import('./hold-bench');
    void holder.then((own) => own.startWorker()).then(renew, () => undefined);
    const timer = setInterval(renew, lookHeldMs);
    return () => {
      isHere = false;
      clearInterval(timer);
    };
    // Another person sees another page.
  }, [holds, personId]);
  return holds;
}

/** Keeps a tablet ready for a time without a line, and finds out when the line is lost and when it is back. */
export function BenchKeeper(props: Props) {
  const holds = useHolding(props);
  const since = useSyncExternalStore(watchLine, lostSince, () => null);
  const everyMs = since !== null ? tryMs : holds ? lookMs : null;
  useEffect(() => {
    const look = () => void tryLine();
    window.addEventListener('offline', look);
    window.addEventListener('online', look);
    const timer = everyMs === null ? null : setInterval(look, everyMs);
    return () => {
      window.removeEventListener('offline', look);
      window.removeEventListener('online', look);
      if (timer !== null) clearInterval(timer);
    };
  }, [everyMs]);
  return null;
}
