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

const shared = globalThis as { puddlestoneGone?: Set<string> };

/**
 * Tells the server that this address opens nothing: it answers with 404. A page of Next cannot set the status of what it
 * writes, and its own words for 404 are only there once scripts are (`scripts/serve-next.mjs`).
 */
export function answerGone(path: string): void {
  (shared.puddlestoneGone ??= new Set()).add(path);
}
