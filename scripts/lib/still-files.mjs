import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..', '..');
const types = { 'icon.svg': 'image/svg+xml', 'favicon.ico': 'image/x-icon' };
/** The signs that a browser asks for with every page, held in memory. */
const still = new Map(
  Object.entries(types).map(([name, type]) => [
    `/${name}`,
    { type, bytes: readFileSync(join(root, 'src', 'app', name)) },
  ]),
);

/**
 * Answers what never changes between two builds; a browser keeps it for a day. Next would take as long as for a page.
 * @param {import('node:http').IncomingMessage} request
 * @param {import('node:http').ServerResponse} response
 * @returns {boolean} whether it was such a file
 */
export function answerStill({ url = '/', method }, response) {
  const file = still.get(url.split('?')[0] ?? '');
  if (!file || (method !== 'GET' && method !== 'HEAD')) return false;
  response.writeHead(200, {
    'content-type': file.type,
    'content-length': file.bytes.length,
    'cache-control': 'public, max-age=86400',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
  });
  response.end(method === 'HEAD' ? undefined : file.bytes);
  return true;
}
