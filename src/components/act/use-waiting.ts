'use client';

import { useMemo, useSyncExternalStore } from 'react';
import type { InputOf, Verb } from '@/contract';
import { parseWaiting, waitingText, watchWaiting, type WaitingEntry } from './waiting';

function isOf<V extends Verb>(entry: WaitingEntry, verb: V): entry is Extract<WaitingEntry, { verb: V }> {
  return entry.verb === verb;
}

/** Entries of one verb and job that wait on this device, so that a sheet shows them as kept. */
export function useWaiting<V extends Verb>(verb: V, tag: string): readonly InputOf<V>[] {
  const text = useSyncExternalStore(watchWaiting, waitingText, () => '[]');
  return useMemo(
    () =>
      parseWaiting(text)
        .filter((entry) => isOf(entry, verb))
        .filter((entry) => !entry.error && 'tag' in entry.input && entry.input.tag === tag)
        .map((entry) => entry.input as InputOf<V>),
    [text, verb, tag],
  );
}
