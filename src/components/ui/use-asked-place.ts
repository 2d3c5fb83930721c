'use client';

import { useEffect, useSyncExternalStore } from 'react';

/**
 * When a link to the place already in the address was followed last: the address stays, the wish to go there is new.
 */
let repeatedAt = 0;

function subscribe(listener: () => void): () => void {
  const onClick = (event: MouseEvent) => {
    const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href*="#"]') : null;
    if (link?.href !== window.location.href) return;
    repeatedAt = event.timeStamp;
    listener();
  };
  window.addEventListener('hashchange', listener);
  window.addEventListener('popstate', listener);
  document.addEventListener('click', onClick, true);
  const timer = setInterval(listener, 300);
  return () => {
    window.removeEventListener('hashchange', listener);
    window.removeEventListener('popstate', listener);
    document.removeEventListener('click', onClick, true);
    clearInterval(timer);
  };
}

/** The visit of this moment; the hook learns of it a little later where the router says nothing. */
export const visitNow = () => `${repeatedAt}${window.location.hash}`;

/** What a server draws: the same as a browser whose address asks for no place, so that nothing is drawn twice. */
const firstVisit = () => '0';

export interface AskedPlace {
  /** The address's part after and with `#`, as it changes (the router changes it without an event). */
  readonly hash: string;
  /** Another text each time a link brought somebody here, also when it is the link of before. */
  readonly visit: string;
}

/** The place that the address asks for; its element is brought into view on each visit. */
export function useAskedPlace(): AskedPlace {
  const visit = useSyncExternalStore(subscribe, visitNow, firstVisit);
  const at = visit.indexOf('#');
  const hash = at < 0 ? '' : visit.slice(at);
  useEffect(() => {
    if (hash)
      requestAnimationFrame(() =>
        document.getElementById(decodeURIComponent(hash.slice(1)))?.scrollIntoView({ block: 'center' }),
      );
  }, [hash, visit]);
  return { hash, visit };
}
