import { DomainError } from '@/core/errors';

/** Whether a request came from this site's own pages. A browser says the origin of every change. */
export function isOwnOrigin(headers: Headers): boolean {
  const origin = headers.get('origin');
  const host = headers.get('x-forwarded-host') ?? headers.get('host');
  return origin !== null && URL.canParse(origin) && new URL(origin).host === host;
}

/** Refuses a change that another site sends. Throws DomainError. */
export function assertOwnOrigin(request: Request): void {
  if (!isOwnOrigin(request.headers)) throw new DomainError('foreign-origin');
}
