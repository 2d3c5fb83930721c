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
