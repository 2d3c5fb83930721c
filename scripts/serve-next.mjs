// Serves the built application. Next's own server answers an address with a broken percent escape with 500; here it is
// refused in words before it gets there.
import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';

const root = join(import.meta.dirname, '..');
const [port = '4170', hostname = '127.0.0.1'] = process.argv.slice(2);

/** @param {string} url */
function isDecodable(url) {
  try {
    decodeURIComponent(url.replaceAll('+', ' '));
    return true;
  } catch {
    return false;
  }
}

const words = {
  what: 'The address has a percent sign that is not followed by a letter’s code.',
  kept: 'Nothing was changed.',
  todo: 'Check the address, or go back to the floor.',
};

/** @type {import('node:http').RequestListener} */
function refuse(request, response) {
  const isDoor = request.url?.startsWith('/api/');
  response.writeHead(400, {
    'content-type': isDoor ? 'application/json; charset=utf-8' : 'text/plain; charset=utf-8',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    connection: 'close',
  });
  const error = { code: 'bad-address', ...words, issues: [] };
  response.end(isDoor ? JSON.stringify({ error }) : `${words.what} ${words.todo}\n`);
}

/**
 * A customer's link that opens nothing is answered with 404: its page says so while it is made (`answerGone`), before the
 * head of the answer is written.
 * @param {string} url
 * @param {import('node:http').ServerResponse} response
 */
function answerGoneWith404(url, response) {
  const [path = ''] = url.split('?');
  const write = response.writeHead.bind(response);
  /** @param {number} status @param {...unknown} rest */
  const writeHead = (status, ...rest) => {
    const { puddlestoneGone: gone } = /** @type {{ puddlestoneGone?: Set<string> }} */ (globalThis);
    const isGone = gone?.delete(path) || gone?.delete(decodeURIComponent(path)) || false;
    return write(isGone && status === 200 ? 404 : status, .../** @type {[]} */ (rest));
  };
  response.writeHead = /** @type {typeof response.writeHead} */ (writeHead);
}

const app = next({ dev: false, dir: root, hostname, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => {
  const url = request.url ?? '/';
  if (!isDecodable(url)) return refuse(request, response);
  if (url.startsWith('/customer/')) answerGoneWith404(url, response);
  void handle(request, response);
});
server.keepAliveTimeout = 5000;
server.listen(Number(port), hostname);
for (const signal of ['SIGTERM', 'SIGINT'])
  process.once(signal, () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 4000).unref();
  });
