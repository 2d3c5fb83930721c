'use client';

import { useCallback, useSyncExternalStore } from 'react';

const prefix = 'puddlestone.draft.';
const changed = 'puddlestone-draft';

function subscribe(listener: () => void): () => void {
  window.addEventListener(changed, listener);
  return () => window.removeEventListener(changed, listener);
}

/** Puts text where the field of a sheet will find it, also another sheet's; null takes it away. */
export function leaveDraft(key: string, text: string | null): void {
  if (text === null) localStorage.removeItem(prefix + key);
  else localStorage.setItem(prefix + key, text);
  window.dispatchEvent(new Event(changed));
}

/** What a draft says on this device; null for none. Not while the page is made on the server. */
export const storedDraft = (key: string): string | null => localStorage.getItem(prefix + key);

/** Text that survives a reload on this device until it is kept; `fallback` where nothing was typed. */
export function useDraft(key: string, fallback = ''): [string, (text: string | null) => void] {
  const read = useCallback(() => storedDraft(key) ?? fallback, [key, fallback]);
  const text = useSyncExternalStore(subscribe, read, () => fallback);
  const write = useCallback((value: string | null) => leaveDraft(key, value), [key]);
  return [text, write];
}
