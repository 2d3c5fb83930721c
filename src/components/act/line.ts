'use client';

import { watchStored } from './watch-stored';

/** Since when nobody has answered this device; it outlives a reload, which goes without a line, too. */
const storeKey = 'puddlestone.line';
const changed = 'puddlestone-line';

/** ISO moment at which the line was found lost; null while there is one. */
export function lostSince(): string | null {
  return localStorage.getItem(storeKey);
}

function tell(): void {
  window.dispatchEvent(new Event(changed));
}

/** Somebody answered. */
export function noteAnswer(): void {
  if (lostSince() === null) return;
  localStorage.removeItem(storeKey);
  tell();
}

/** Nobody answered, or somebody on the way who is not the shop. */
export function noteLost(now = new Date()): void {
  if (lostSince() !== null) return;
  localStorage.setItem(storeKey, now.toISOString());
  tell();
}

export const watchLine = (listener: () => void) => watchStored(changed, listener);

/** Statuses that say that nobody could answer, or not now. */
const away = new Set([502, 503, 504]);
export const isAway = (status: number): boolean => away.has(status);

/** As `fetch`, noting whether there is a line. Throws as it does. */
export async function askShop(path: string, given: RequestInit = {}): Promise<Response> {
  try {
    const response = await fetch(path, given);
    if (isAway(response.status)) noteLost();
    else noteAnswer();
    return response;
  } catch (error) {
    if (!given.signal?.aborted) noteLost();
    throw error;
  }
}

/** Asks whether the shop is there again; for a page that has nothing else to ask. */
export async function tryLine(): Promise<boolean> {
  try {
    return (await askShop('/api/health', { cache: 'no-store', signal: AbortSignal.timeout(5000) })).ok;
  } catch {
    // A time that ran out is an answer that did not come.
    noteLost();
    return false;
  }
}
