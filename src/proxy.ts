import { NextResponse, type NextRequest } from 'next/server';
import { isOwnOrigin } from '@/app/origin';
import { wordsOf } from '@/core/errors';

/** A nonce for every answer, the usual headers, and a refusal of requests that another site sends. */
export function proxy(request: NextRequest): NextResponse {
  const changes = request.method !== 'GET' && request.method !== 'HEAD';
  const { pathname } = request.nextUrl;
  if (changes && !isOwnOrigin(request.headers))
    return NextResponse.json({ error: { code: 'foreign-origin', ...wordsOf['foreign-origin'] } }, { status: 403 });
  const nonce = btoa(crypto.randomUUID());
  // The development server of Next evaluates text; the built application never does.
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  // Files bring a stricter policy of their own.
  if (!pathname.startsWith('/files/')) response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(self), geolocation=(), microphone=()');
  return response;
}

// The interface's own doors check the origin themselves: what passes here is held in memory whole.
export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|api/).*)'] };
