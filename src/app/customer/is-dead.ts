import { DomainError, type ErrorCode } from '@/core/errors';

const dead: ReadonlySet<ErrorCode> = new Set([
  'not-signed-in',
  'not-allowed',
  'link-not-valid',
  'not-found',
  // It was not copied whole.
  'bad-input',
]);

/** Refusals that mean that a link is dead: it stands for nobody, or for nothing that was sent. */
export const isDead = (error: unknown): boolean => error instanceof DomainError && dead.has(error.code);

/** Addresses that wait for their head at most. */
const mostGone = 1000;

const shared = globalThis as { puddlestoneGone?: Set<string> };

/**
 * Tells the server that this address opens nothing: it answers with 404. A page of Next cannot set the status of what it
 * writes, and its own words for 404 are only there once scripts are (`scripts/serve-next.mjs`).
 */
export function answerGone(path: string): void {
  const gone = (shared.puddlestoneGone ??= new Set());
  // Whoever goes away before the head is written leaves one behind.
  if (gone.size >= mostGone) gone.clear();
  gone.add(path);
}
