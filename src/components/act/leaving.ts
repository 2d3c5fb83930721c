'use client';

/** Ends what pages ask by themselves: the person at the screen is leaving, and nothing more is asked in their name. */
let leaving = new AbortController();

/** Aborted from the moment at which the person leaves until somebody comes. */
export const leavingSignal = (): AbortSignal => leaving.signal;

export function leave(): void {
  leaving.abort();
}

/** Somebody is there (again): pages may ask. */
export function come(): void {
  if (leaving.signal.aborted) leaving = new AbortController();
}
