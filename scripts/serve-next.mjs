// One process that serves the built application; `scripts/lib/serve.mjs` starts as many as suit the machine. Next's own
// server answers an address with a broken percent escape with 500; here it is refused in words before it gets there.
import cluster from 'node:cluster';
import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import pino from 'pino';
import metrics from 'prom-client';
import { beginServing } from './lib/begin-serving.mjs';
import { entriesFirst } from './lib/entries-first.mjs';
import { readTrusted, settleForwarded } from './lib/client-address.mjs';
import { guard } from './lib/guard.mjs';
import { keepPages } from './lib/kept-pages.mjs';
import { letRunOut } from './lib/let-run-out.mjs';
import { beginPage } from './lib/page-data.mjs';
import { answerStill } from './lib/still-files.mjs';
import { answerWithoutFramework } from './lib/without-framework.mjs';
import { describeLine, pathForLog, routeOf } from './lib/log-words.mjs';

const root = join(import.meta.dirname, '..');
const [port = '4170', hostname = '127.0.0.1'] = process.argv.slice(2);
const isTrusted = readTrusted(process.env.PUDDLESTONE_TRUSTED_PROXIES ?? '');
/** A browser asks for TLS by itself for a year once it has come by TLS, in seconds. */
const strictSeconds = 31_536_000;

const log = pino({ base: { pid: process.pid }, timestamp: pino.stdTimeFunctions.isoTime, messageKey: 'words' });
// What the application and Next write to the console is a line of the log, too, without what is nobody's business.
console.error = (...pieces) => log.error({ event: 'error', ...describeLine(pieces) });
console.warn = (...pieces) => log.warn({ event: 'warning', ...describeLine(pieces) });
console.log = (...pieces) => log.info({ event: 'message', ...describeLine(pieces) });

/** What comes of a client that went away in the middle; nothing is wrong with this process. */
const gone = new Set([
  'ECONNRESET',
  'EPIPE',
  'ECONNABORTED',
  'ERR_STREAM_PREMATURE_CLOSE',
  'ABORT_ERR',
  'ERR_HTTP_HEADERS_SENT',
]);
/** @param {unknown} error */
const codeOf = (error) =>
  error instanceof Error && 'code' in error ? String(error.code) : error instanceof Error ? error.name : '';
process.on('unhandledRejection', (error) => console.error('nobody waited for', error));
process.on('uncaughtException', (error) => {
  console.error('nobody caught', error);
  // What is known to harm nothing goes on; after anything else this process ends well and another takes its place.
  if (!gone.has(codeOf(error))) end(1);
});

metrics.collectDefaultMetrics();
new metrics.AggregatorRegistry();
const answered = new metrics.Histogram({
  name: 'puddlestone_http_request_seconds',
  help: 'How long requests took, by method, group of addresses and status',
  labelNames: ['method', 'route', 'status'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
});
const inHand = new metrics.Gauge({
  name: 'puddlestone_http_requests_in_hand',
  help: 'Requests that are being answered',
});
const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

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

/**
 * Counts a request and writes its line into the log once it is over, however it ends.
 * @param {import('node:http').IncomingMessage} request
 * @param {import('node:http').ServerResponse} response
 */
function follow({ method = '', url = '/' }, response) {
  const began = performance.now();
  inHand.inc();
  response.once('close', () => {
    inHand.dec();
    const ms = performance.now() - began;
    const status = response.writableFinished ? response.statusCode : 499;
    const route = routeOf(url);
    answered.observe({ method: methods.has(method) ? method : 'other', route, status }, ms / 1000);
    if (route.startsWith('/_next') && status < 400) return;
    log[status >= 500 ? 'error' : 'info']({
      event: 'request',
      ...{ method: method.slice(0, 10), path: pathForLog(url), status, ms: Math.round(ms) },
    });
  });
}

/**
 * Whether whoever asks is on this machine, a browser or a proxy that packs by itself: to pack for them takes longer than
 * to send.
 * @param {import('node:http').IncomingMessage} request
 */
const isNear = ({ socket }) => /^(?:::ffff:)?127\.|^::1$/.test(socket.remoteAddress ?? '');

const again = new metrics.Counter({
  name: 'puddlestone_pages_given_again_total',
  help: 'Pages that were given again since nothing that they show had changed',
});
const answerKept = keepPages({
  mostBytes: Number(process.env.PUDDLESTONE_KEPT_PAGES_MB ?? 12) * 1e6,
  onAgain: () => again.inc(),
});
const letEntriesGo = entriesFirst();
const app = next({ dev: false, dir: root, hostname, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
if (process.env.DATABASE_URL)
  await beginServing((request, response) => void handle(request, response)).catch((error) => {
    console.error('did not begin', error);
    process.exit(1);
  });
const server = createServer((request, response) => {
  const url = request.url ?? '/';
  const { isSecure } = settleForwarded(request, isTrusted);
  follow(request, response);
  if (isSecure) response.setHeader('strict-transport-security', `max-age=${strictSeconds}`);
  // What goes wrong on the way to a client that has left is nobody's failure.
  request.on('error', () => undefined);
  response.on('error', () => undefined);
  letRunOut(request, response);
  if (!isDecodable(url)) return refuse(request, response);
  if (answerStill(request, response)) return;
  if (!guard(request, response)) return;
  beginPage(request, response);
  const isCustomers = url.startsWith('/customer/');
  if (isCustomers) answerWithoutFramework(request, response, { packs: !isNear(request) });
  if (isNear(request) && !url.startsWith('/_next/static/')) request.headers['accept-encoding'] = 'identity';
  if (isCustomers) answerGoneWith404(url, response);
  const answer = () => answerKept(request, response, () => handle(request, response));
  letEntriesGo(request, response, answer).catch((error) => {
    console.error('a request', error);
    if (response.headersSent) return void response.destroy();
    response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' });
    response.end('Something went wrong here. What you typed stays on this device. Try again.\n');
  });
});
// Longer than a proxy, or a program that asks, keeps a connection that idles: who ends it first must not be this side, or
// what is asked at that moment is lost.
server.keepAliveTimeout = 65_000;
// Who sends slowly is waited for, but not for ever, and may not hold all connections.
server.headersTimeout = 20_000;
server.requestTimeout = 120_000;
server.maxConnections = 2000;
server.listen(Number(port), hostname, () => process.send?.({ kind: 'ready' }));

let isEnding = false;
/**
 * Answers what is in hand, then ends.
 * @param {number} code
 */
function end(code) {
  if (isEnding) return;
  isEnding = true;
  server.close(() => process.exit(code));
  server.closeIdleConnections();
  setTimeout(() => process.exit(code), 4000).unref();
}
process.on('message', (message) => {
  const { kind } = /** @type {{ kind?: string }} */ (message ?? {});
  if (kind === 'ping') process.send?.({ kind: 'pong' });
});
process.on('SIGTERM', () => end(0));
// Whoever keeps this one up is gone.
process.on('disconnect', () => end(0));
// Ctrl-C goes to all processes of a terminal; whoever keeps this one up ends it.
process.on('SIGINT', () => (cluster.isWorker ? undefined : end(0)));
