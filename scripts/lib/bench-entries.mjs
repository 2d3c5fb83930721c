// What an entry at the bench costs, and what people and entries do to each other: parts of `npm run bench`.
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { ask, newBrowser } from './bench-ask.mjs';
import { quantile, timeOf } from './bench-views.mjs';
import { follower, statementsIn } from './own-sql.mjs';

/**
 * @typedef {{ base: string, cookie: string, browser?: import('node:http').Agent | undefined }} Who
 * @typedef {{ pointId: string, place: string, phase: string, value: string, instrument: string | null, version: number }} Reading
 */

/** @param {Who} who @param {string} path */
async function read({ base, cookie }, path) {
  const answer = await fetch(base + path, { headers: { cookie } });
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return answer.json();
}

/**
 * Somebody who takes one reading of a job anew, again and again, as a page does: with a key, and asking what changed.
 * @param {Who} who
 * @param {string} tag a job that stands at inspection
 * @returns {Promise<() => Promise<{ ms: number, bytes: number }>>}
 */
export async function readerOf(who, tag) {
  const { data } = await read(who, `/api/jobs/${tag}`);
  /** @type {Reading | undefined} */
  const reading = data.record.readings.find((/** @type {any} */ one) => one.phase === 'as-found' && one.instrument);
  if (!reading) throw new Error(`${tag} has no reading as found`);
  let [basedOn, shown] = [reading.version, data.record.version];
  return async () => {
    const { pointId, place, value, instrument } = reading;
    const answer = await ask(`${who.base}/api/act/record-readings`, {
      ...{ method: 'POST', browser: who.browser },
      headers: {
        ...{ cookie: who.cookie, origin: who.base, 'content-type': 'application/json' },
        ...{ 'entry-key': randomUUID(), 'entry-made-at': new Date().toISOString() },
        ...{ 'entry-work-seconds': '20', 'changes-after': String(shown) },
      },
      body: JSON.stringify({
        ...{ tag, phase: 'as-found' },
        entries: [{ pointId, place, typed: String(value), instrument, basedOn }],
      }),
    });
    const body = answer.body.toString();
    if (answer.status !== 200) throw new Error(`a reading of ${tag}: ${answer.status} ${body}`);
    basedOn++;
    shown = JSON.parse(body).changed?.version ?? shown + 1;
    return { ms: answer.ms, bytes: answer.body.length };
  };
}

/**
 * One kept entry after the other.
 * @param {Who} who
 * @param {{ tag: string, rounds: number }} how
 */
export async function entriesOf(who, { tag, rounds }) {
  const keep = await readerOf(who, tag);
  for (let i = 0; i < 60; i++) await keep();
  const done = [];
  for (let i = 0; i < rounds; i++) done.push(await keep());
  const times = done.map(({ ms }) => ms);
  return {
    ...{ median: quantile(times, 0.5), p95: quantile(times, 0.95) },
    bytes: quantile(
      done.map(({ bytes }) => bytes),
      0.5,
    ),
  };
}

/** Statements that write rows, those that are sent as one among them. */
const writes = /(?:^\s*|^begin not atomic |; (?:if row_count\(\) = 1 then )?)(?:insert|update|delete|replace)\b/gi;

/**
 * How many statements a kept reading carries out, of them how many that write rows; the fewest of several, since others
 * go on behind it.
 * @param {Who} who
 * @param {string} log path of the general log
 */
export async function statementsOfEntry(who, log) {
  const keep = await readerOf(who, 'P-0411');
  for (let i = 0; i < 3; i++) await keep();
  const more = follower(log);
  /** @type {readonly string[] | null} */
  let fewest = null;
  for (let i = 0; i < 6; i++) {
    more();
    await keep();
    const done = statementsIn(more());
    if (fewest === null || done.length < fewest.length) fewest = done;
  }
  const written = fewest?.map((one) => [...one.matchAll(writes)].length) ?? [];
  return { all: fewest?.length ?? 0, writes: written.reduce((sum, count) => sum + count, 0) };
}

/**
 * Some who write, each in a job of their own, beside some who read one page after the other.
 * @param {Who} who
 * @param {{ tags: readonly string[], paths: readonly string[], seconds: number }} how one who writes for each tag, one who
 *   reads for each path
 */
export async function together(who, { tags, paths, seconds }) {
  // Each sits at a browser of their own: by connections that all share, who answered quicker once is asked by nearly all.
  const browsers = [...tags, ...paths].map(() => newBrowser());
  const whose = (/** @type {number} */ i) => ({ ...who, browser: browsers[i] });
  const writers = await Promise.all(tags.map((tag, i) => readerOf(whose(i), tag)));
  const readers = paths.map((path, i) => ({ path, ...whose(tags.length + i) }));
  const until = performance.now() + seconds * 1000;
  /** @param {() => Promise<number>} one @returns {Promise<readonly number[]>} */
  const goOn = async (one) => {
    const times = [];
    while (performance.now() < until) times.push(await one());
    return times;
  };
  const start = performance.now();
  const [written, seen] = await Promise.all([
    Promise.all(writers.map((keep) => goOn(async () => (await keep()).ms))),
    Promise.all(readers.map(({ path, base, cookie, browser }) => goOn(() => timeOf(base + path, cookie, browser)))),
  ]);
  const took = (performance.now() - start) / 1000;
  for (const browser of browsers) browser.destroy();
  const sum = (/** @type {readonly (readonly number[])[]} */ all) => {
    const times = all.flat();
    return { perSecond: times.length / took, p99: quantile(times, 0.99) };
  };
  return { writes: sum(written), reads: sum(seen) };
}

/** A picture of twelve million pixels as a telephone sends it, some megabytes of JPEG. */
export async function largePicture() {
  const noise = { type: /** @type {const} */ ('gaussian'), mean: 128, sigma: 12 };
  const create = { width: 4000, height: 3000, channels: /** @type {const} */ (3), background: '#777', noise };
  return sharp({ create }).jpeg({ quality: 85 }).toBuffer();
}

/**
 * The floor by itself, and while pictures are sent in all at once, in ms of its 95th percentile.
 * @param {Who} who
 * @param {{ tags: readonly string[], picture: Buffer }} sent one picture for each tag
 */
export async function picturesBeside(who, { tags, picture }) {
  const floor = () => timeOf(`${who.base}/`, who.cookie);
  /** @type {number[]} */
  const alone = [];
  /** @type {number[]} */
  const beside = [];
  for (let i = 0; i < 60; i++) alone.push(await floor());
  let isOver = false;
  const start = performance.now();
  const all = Promise.all(
    tags.map(async (tag, i) => {
      const answer = await ask(`${who.base}/api/photos/${tag}?about=job:received&caption=${i}`, {
        method: 'POST',
        headers: { cookie: who.cookie, origin: who.base, 'content-type': 'image/jpeg', 'entry-key': randomUUID() },
        body: picture,
      });
      if (answer.status >= 300) throw new Error(`a picture of ${tag}: ${answer.status} ${answer.body.toString()}`);
    }),
  ).finally(() => (isOver = true));
  while (!isOver) beside.push(await floor());
  await all;
  const tookMs = performance.now() - start;
  return { alone: quantile(alone, 0.95), beside: quantile(beside, 0.95), floors: beside.length, tookMs };
}
