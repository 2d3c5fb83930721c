'use client';

import { useMemo, useSyncExternalStore } from 'react';
import { watchWaiting, type WaitingEntry } from './act';

const snapshot = () => localStorage.getItem('puddlestone.waiting') ?? '[]';

/** Entries of one verb and job that wait on this device, so that a sheet shows them as kept. */
export function useWaiting<Input extends { readonly tag: string }>(verb: string, tag: string): readonly Input[] {
  const text = useSyncExternalStore(watchWaiting, snapshot, () => '[]');
  return useMemo(
    () =>
      (JSON.parse(text) as WaitingEntry[])
        .filter((entry) => entry.verb === verb && !entry.error && (entry.input as Input).tag === tag)
        .map((entry) => entry.input as Input),
    [text, verb, tag],
  );
}
