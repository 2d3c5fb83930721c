import { NextResponse, type NextRequest } from 'next/server';

/** A nonce for every answer, the usual headers, and a refusal of requests that another site sends. */
export function proxy(request: NextRequest): NextResponse {
  const changes = request.method !== 'GET' && request.method !== 'HEAD';
  const origin = request.headers.get('origin');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  const { pathname } = request.nextUrl;
  if (
    changes &&
    !pathname.startsWith('/api/sums') &&
    (!origin || !URL.canParse(origin) || new URL(origin).host !== host)
  ) {
    return NextResponse.json(
      {
        error: {
          code: 'foreign-origin',
          what: 'The request came from another site.',
          kept: 'Nothing was changed.',
          todo: 'Open Puddlestone itself and try there.',
        },
      },
      { status: 403 },
    );
  }
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

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
