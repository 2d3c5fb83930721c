import { createConnection } from 'mysql2/promise';
import { ask } from './bench-ask.mjs';
import { follower, readsIn } from './own-sql.mjs';

/** What is measured, by the address of its page: one view of each kind that people look at. */
export const views = {
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
  plan: '/plan',
  outbox: '/outbox',
  library: '/library',
  'find by tag': '/api/find?text=0406',
  'find by words': '/api/find?text=vantry+stock',
};
/** The yardstick and the views. */
export const all = { empty: '/empty', ...views };

/** @param {readonly number[]} list @param {number} share @returns {number} */
export const quantile = (list, share) =>
  list.toSorted((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))] ?? 0;

/** Signs in as the owner of the demonstration. @param {string} base @returns {Promise<string>} its cookies */
export async function signIn(base) {
  const answer = await fetch(`${base}/api/act/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({ email: 'sunniva@kettlewick.example', password: 'pebble-in-the-stream' }),
  });
  return answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
}

/**
 * Milliseconds until an address has answered whole.
 * @param {string} address
 * @param {string} cookie
 * @param {import('node:http').Agent} [browser] that of everybody unless it is said whose
 * @returns {Promise<number>}
 */
export async function timeOf(address, cookie, browser) {
  const { status, ms } = await ask(address, { headers: { cookie }, browser });
  if (status !== 200) throw new Error(`${address}: ${status}`);
  return ms;
}

/** How often what a view reads is looked at: of what goes on behind it at one look nothing is at another. */
const looks = 4;

/**
 * What each view reads, from the log of a database that writes down all that it does. Each is looked at before, so that
 * what a process keeps is kept, and then several times: the fewest statements are its own.
 * @param {string} base
 * @param {string} cookie
 * @param {string} log path of the general log
 * @returns {Promise<Readonly<Record<string, readonly string[]>>>}
 */
export async function statementsOf(base, cookie, log) {
  const more = follower(log);
  /** @type {Record<string, readonly string[]>} */
  const found = {};
  for (const [name, path] of Object.entries(views)) {
    for (let i = 0; i < 2; i++) await timeOf(base + path, cookie);
    for (let i = 0; i < looks; i++) {
      more();
      await timeOf(base + path, cookie);
      const read = readsIn(more());
      if (read.length < (found[name]?.length ?? Infinity)) found[name] = read;
    }
  }
  return found;
}

/**
 * Views, the empty page, and what each view reads through the driver alone, in turn, so that whatever else the machine
 * does falls on all alike; and a second look in the same minute at a server that gives pages again. In ms.
 * @param {{
 *   base: string, cookie: string, url: string, again: { base: string, cookie: string },
 *   statements: Readonly<Record<string, readonly string[]>>, rounds: number,
 * }} asked `base` is of a server that makes each page anew
 */
export async function measure({ base, cookie, url, again: keeping, statements, rounds }) {
  const connection = await createConnection({ uri: url, timezone: 'Z' });
  /** @type {Record<string, { page: number[], sql: number[], again: number[] }>} */
  const times = Object.fromEntries(Object.keys(all).map((name) => [name, { page: [], sql: [], again: [] }]));
  // A server that people use has drawn each of its pages many times, and what it runs is compiled by then.
  const warm = 25;
  for (let round = 0; round < rounds + warm; round++)
    for (const [name, path] of Object.entries(all)) {
      const page = await timeOf(base + path, cookie);
      const start = performance.now();
      for (const statement of statements[name] ?? []) await connection.query(statement);
      const sql = performance.now() - start;
      await timeOf(keeping.base + path, keeping.cookie);
      const again = await timeOf(keeping.base + path, keeping.cookie);
      if (round < warm) continue;
      times[name]?.page.push(page);
      times[name]?.sql.push(sql);
      times[name]?.again.push(again);
    }
  await connection.end();
  const empty = quantile(times.empty?.page ?? [], 0.5);
  return Object.fromEntries(
    Object.entries(times).map(([name, { page, sql, again }]) => {
      const [median, p95, own] = [quantile(page, 0.5), quantile(page, 0.95), quantile(sql, 0.5)];
      const asked = statements[name]?.length ?? 0;
      return [
        name,
        { median, p95, own, statements: asked, ratio: median / (empty + own), again: quantile(again, 0.5) },
      ];
    }),
  );
}

/**
 * How long one address takes, again and again.
 * @param {string} address
 * @param {string} cookie
 */
export async function timesOf(address, cookie) {
  const times = [];
  for (let i = 0; i < 15; i++) times.push(await timeOf(address, cookie));
  return { median: quantile(times, 0.5), p95: quantile(times, 0.95) };
}

/**
 * How many a second are answered at a number of connections, and how long the slowest hundredth takes.
 * @param {string} address
 * @param {string} cookie
 * @param {{ connections: number, seconds: number }} how
 */
export async function loadOn(address, cookie, { connections, seconds }) {
  /** @type {number[]} */
  const times = [];
  const until = performance.now() + seconds * 1000;
  const ask = async () => {
    while (performance.now() < until) times.push(await timeOf(address, cookie));
  };
  const start = performance.now();
  await Promise.all(Array.from({ length: connections }, ask));
  return { perSecond: (times.length * 1000) / (performance.now() - start), p99: quantile(times, 0.99) };
}
