'use client';

import { useEffect, useSyncExternalStore } from 'react';

function subscribe(listener: () => void): () => void {
  window.addEventListener('hashchange', listener);
  window.addEventListener('popstate', listener);
  const timer = setInterval(listener, 300);
  return () => {
    window.removeEventListener('hashchange', listener);
    window.removeEventListener('popstate', listener);
    clearInterval(timer);
  };
}

/** The address's part after `#`, as it changes (the router changes it without an event), and its element brought into view. */
export function useHash(): string {
  const hash = useSyncExternalStore(subscribe, () => window.location.hash, () => '');
  useEffect(() => {
    if (hash) requestAnimationFrame(() => document.getElementById(decodeURIComponent(hash.slice(1)))?.scrollIntoView({ block: 'center' }));
  }, [hash]);
  return hash;
}
