/** Away from the screen for longer than this, a person was at something else. */
const mostAwayMs = 120_000;

let since = 0;
let hiddenAt: number | null = null;

/** Somebody turns to something anew: the page was opened, or it is another person's. */
export function turnTo(now = Date.now()): void {
  since = now;
  hiddenAt = null;
}

export function lookAway(now = Date.now()): void {
  hiddenAt = now;
}

/** Back at the screen; who was away for long begins anew. */
export function lookBack(now = Date.now()): void {
  if (hiddenAt !== null && now - hiddenAt > mostAwayMs) since = now;
  hiddenAt = null;
}

/** For how many whole seconds somebody has been at it until an entry is made; what comes next begins with it. */
export function endPiece(now = Date.now()): number {
  const seconds = since ? Math.max(0, Math.round((now - since) / 1000)) : 0;
  since = now;
  return seconds;
}

/** Follows whether the page is looked at; call it once, in a browser. */
export function watchWork(): () => void {
  turnTo();
  const listener = () => (document.visibilityState === 'hidden' ? lookAway() : lookBack());
  document.addEventListener('visibilitychange', listener);
  return () => document.removeEventListener('visibilitychange', listener);
}
