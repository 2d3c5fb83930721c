'use client';

import { watchStored } from '../act/watch-stored';

/** Why this browser keeps no pages, in words; null where it does. */
export function whyNotHeld(): string | null {
  if (!window.isSecureContext)
    return 'This page came over plain HTTP, and browsers keep pages only of those that come over TLS or from this machine itself.';
  return 'serviceWorker' in navigator && 'indexedDB' in window ? null : 'This browser keeps no pages.';
}

/** Whether this device holds the bench: a tablet of the bench does unless it was told not to, another one when told. */
const choiceKey = 'puddlestone.holds';
const chosen = 'puddlestone-holds';
export const holdsByChoice = (isTablet: boolean): boolean => {
  const said = localStorage.getItem(choiceKey);
  return said === null ? isTablet : said === 'yes';
};
export function chooseToHold(holds: boolean): void {
  localStorage.setItem(choiceKey, holds ? 'yes' : 'no');
  window.dispatchEvent(new Event(chosen));
}
export const watchChoice = (listener: () => void) => watchStored(chosen, listener);

/** Whether it does so now: what shows a job asks before it holds it. */
const holdingKey = 'puddlestone.holding';
export const isHolding = (): boolean => localStorage.getItem(holdingKey) === 'yes';
export const noteHolding = (holds: boolean): void => localStorage.setItem(holdingKey, holds ? 'yes' : 'no');
