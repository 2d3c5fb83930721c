import { randomBytes } from 'node:crypto';

/** What needs none of it: the browser's own files of a build, and the doors, which look at the origin themselves. */
const plain = /^\/(?:_next\/(?:static|image)|api\/)/;
/** Files bring a stricter policy of their own. */
const files = /^\/files\//;
const words = {
  what: 'The request came from another site.',
  kept: 'Nothing was changed.',
  todo: 'Open Puddlestone itself and try there.',
};

/** @param {string} nonce */
const policyFor = (nonce) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
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

/** @param {import('node:http').IncomingHttpHeaders} headers */
function isOwnOrigin({ origin, host, 'x-forwarded-host': forwarded }) {
  const own = forwarded ?? host;
  return origin !== undefined && URL.canParse(origin) && new URL(origin).host === own;
}

/** @param {import('node:http').ServerResponse} response */
function refuse(response) {
  response.writeHead(403, { 'content-type': 'application/json; charset=utf-8', connection: 'close' });
  response.end(JSON.stringify({ error: { code: 'foreign-origin', ...words } }));
}

/**
 * Gives a page its headers and a fresh nonce, which Next takes from the policy of the request; refuses a change that
 * another site sends. It stands here and not in a proxy of Next's, which takes a third of the time of an empty page.
 * @param {import('node:http').IncomingMessage} request its policy is set in place
 * @param {import('node:http').ServerResponse} response
 * @returns {boolean} whether it may go on
 */
export function guard({ url = '/', method = 'GET', headers }, response) {
  // Nobody but this says which scripts a page may run.
  delete headers['content-security-policy'];
  delete headers['content-security-policy-report-only'];
  if (plain.test(url)) return true;
  if (method !== 'GET' && method !== 'HEAD' && !isOwnOrigin(headers)) {
    refuse(response);
    return false;
  }
  const policy = policyFor(randomBytes(18).toString('base64'));
  headers['content-security-policy'] = policy;
  if (!files.test(url)) response.setHeader('content-security-policy', policy);
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('referrer-policy', 'same-origin');
  response.setHeader('x-frame-options', 'DENY');
  response.setHeader('cross-origin-opener-policy', 'same-origin');
  response.setHeader('permissions-policy', 'camera=(self), geolocation=(), microphone=()');
  return true;
}
