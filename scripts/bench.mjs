// npm run bench: each main view at 60 open jobs and with 20 000 jobs in the record, beside an empty dynamic page of the
// same server in the same run; first-load JavaScript by view; report PDF; sums a second; memory. Loopback only,
// bounded.
import { readFileSync, rmSync, mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureNodePackages, ensureProgram } from './lib/packages.mjs';
import { say } from './lib/say.mjs';

ensureNodePackages();
const { startDatabase, keptWord } = await import('./lib/database.mjs');
const { findFreePort } = await import('./lib/ports.mjs');
const { buildWhenChanged } = await import('./lib/build.mjs');
const { runScript } = await import('./lib/prepare.mjs');
const { serve } = await import('./lib/serve.mjs');

const folder = join(import.meta.dirname, '..', '.bench-data');
const views = {
  floor: '/',
  'receive, new': '/receive',
  receive: '/jobs/P-0404',
  teardown: '/jobs/P-0410',
  clean: '/jobs/P-0421',
  inspect: '/jobs/P-0411',
  quote: '/jobs/P-0402',
  approve: '/jobs/P-0406',
  'parts of a job': '/jobs/P-0417',
  rebuild: '/jobs/P-0412',
  test: '/jobs/P-0415',
  report: '/jobs/P-0403',
  return: '/jobs/P-0419',
  parts: '/parts',
  outbox: '/outbox',
  library: '/library',
  'find by tag': '/api/find?text=0406',
  'find by words': '/api/find?text=vantry+stock',
};
const rounds = 25;

const median = (/** @type {number[]} */ list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
const residentMb = (/** @type {number | undefined} */ pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** @param {string} base */
async function signIn(base) {
  const answer = await fetch(`${base}/api/act/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({ email: 'sunniva@kettlewick.example', password: 'pebble-in-the-stream' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}

/**
 * Milliseconds until an address has answered whole.
 * @param {string} address
 * @param {string} cookie
 * @returns {Promise<number>}
 */
async function timeOf(address, cookie, isAgain = false) {
  const start = performance.now();
  // A connection that idled through the multiplying is closed by the server: asked again, on a fresh one.
  const answer = await fetch(address, { headers: { cookie } }).catch(() => null);
  if (!answer && !isAgain) return timeOf(address, cookie, true);
  if (!answer) throw new Error(`${address}: no answer`);
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`${address}: ${answer.status}`);
  return performance.now() - start;
}

/**
 * Views and the empty page in turn, so that whatever else the machine does falls on both alike.
 * @param {string} base
 * @param {string} cookie
 */
async function measure(base, cookie) {
  /** @type {Record<string, number[]>} */
  const times = Object.fromEntries(['empty', ...Object.keys(views)].map((name) => [name, []]));
  for (let round = 0; round < rounds; round++) {
    for (const [name, path] of Object.entries({ empty: '/empty', ...views })) {
      const time = await timeOf(base + path, cookie);
      if (round >= 3) times[name]?.push(time);
    }
  }
  return Object.fromEntries(Object.entries(times).map(([name, list]) => [name, median(list)]));
}

/**
 * First-load JavaScript by view, in bytes as they travel.
 * @param {string} base
 * @param {string} chromium
 */
async function javascriptOf(base, chromium) {
  const { default: puppeteer } = await import('puppeteer-core');
  const profile = mkdtempSync(join(tmpdir(), 'puddlestone-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: chromium,
    userDataDir: profile,
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
  });
  const page = await browser.newPage();
  const client = await page.createCDPSession();
  await client.send('Network.enable');
  const kinds = new Map();
  let bytes = 0;
  client.on('Network.responseReceived', ({ requestId, type }) => kinds.set(requestId, type));
  client.on(
    'Network.loadingFinished',
    ({ requestId, encodedDataLength }) => kinds.get(requestId) === 'Script' && (bytes += encodedDataLength),
  );
  await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle2' });
  await page.type('input[name=email]', 'sunniva@kettlewick.example');
  await page.type('input[name=password]', 'pebble-in-the-stream');
  await Promise.all([page.waitForNavigation({ waitUntil: 'networkidle2' }), page.click('button[type=submit]')]);
  /** @type {Record<string, number>} */
  const sizes = {};
  for (const [name, path] of Object.entries(views).filter(([, path]) => !path.startsWith('/api'))) {
    await client.send('Network.clearBrowserCache');
    bytes = 0;
    await page.goto(base + path, { waitUntil: 'networkidle0' });
    sizes[name] = bytes;
  }
  await browser.close();
  rmSync(profile, { recursive: true, force: true });
  return sizes;
}

runScript('scripts/bench-core.ts', {});
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const chromium = ensureProgram('chromium', 'chromium');
let database;
let server;
try {
  database = await startDatabase(folder);
  buildWhenChanged();
  const environment = {
    DATABASE_URL: database.url,
    PUDDLESTONE_SECRET: keptWord(folder, 'session-secret'),
    PUDDLESTONE_DEMO: '1',
  };
  runScript('scripts/prepare.ts', environment);
  runScript('scripts/multiply.ts', environment, ['2', '0', 'open']);
  server = await serve({ port: await findFreePort(), host: '127.0.0.1', environment });
  const cookie = await signIn(server.address);
  const few = await measure(server.address, cookie);
  runScript('scripts/multiply.ts', environment, ['714', '100', 'closed']);
  const many = await measure(server.address, cookie);
  const javascript = await javascriptOf(server.address, chromium);
  say(
    `\n${'view'.padEnd(16)} ${'60 open'.padStart(9)} ${'20 000'.padStart(9)} ${'to empty'.padStart(9)} ${'JavaScript'.padStart(12)}`,
  );
  for (const [name, before] of Object.entries(few)) {
    const after = many[name] ?? 0;
    const size = javascript[name];
    const columns = [
      name.padEnd(16),
      `${before.toFixed(0).padStart(6)} ms`,
      `${after.toFixed(0).padStart(6)} ms`,
      `${(after / (many.empty ?? 1)).toFixed(1).padStart(8)}×`,
      (size === undefined ? '' : `${(size / 1000).toFixed(0)} kB`).padStart(12),
    ];
    say(columns.join(' '));
  }
  say(`server's memory after it all: ${residentMb(server.pids()[0]).toFixed(0)} MB`);
} finally {
  await server?.stop();
  await database?.stop();
  rmSync(folder, { recursive: true, force: true });
}
