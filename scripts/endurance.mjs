// npm run endurance -- --rounds 20 --seed 1: writers enter on several jobs of a cluster while its nodes, the serving
// processes and the lines between them are killed, frozen, cut and parted; afterwards every entry that was acknowledged
// must be there once, every node the same, every replay right, and no number twice or left out. Loopback only.
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { createConnection } from 'mysql2/promise';
import { openLine } from '../test-support/line';
import { buildWhenChanged } from './lib/build.mjs';
import { addressOf, part, standingOf } from './lib/galera.mjs';
import { findLastingPort } from './lib/ports.mjs';
import { runScript } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';
import { tryCluster } from './lib/try-cluster.mjs';

const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '12' },
    seed: { type: 'string', default: '1' },
    /** How long a fault lasts that does not end by itself, in seconds. */
    seconds: { type: 'string', default: '6' },
    /** A pattern of the faults that are wanted; all where none is given. */
    only: { type: 'string', default: '' },
    words: { type: 'boolean', default: false },
  },
});
const rounds = Math.min(200, Number(values.rounds));
const faultMs = Math.min(60, Number(values.seconds)) * 1000;
const sleep = (/** @type {number} */ ms) => new Promise((wake) => setTimeout(wake, ms));

/** Chance that can be had again: a linear congruential generator (Numerical Recipes, 3rd ed., section 7.1). */
let state = Number(values.seed) >>> 0;
const chance = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;

const folder = mkdtempSync(join(tmpdir(), 'puddlestone-endurance-'));
/** @type {(() => unknown)[]} */
const stops = [() => rmSync(folder, { recursive: true, force: true })];
const tell = (/** @type {string} */ line) => (values.words ? say(line) : undefined);
/** What the serving processes called a failure, the last of it: said where something is wrong. @type {string[]} */
const failures = [];

/** Lines from each serving process to each node: `lines[application][node]`. @type {any[][]} */
const lines = [];
buildWhenChanged();
const cluster = await tryCluster({
  folder,
  ports: [await findLastingPort(), await findLastingPort()],
  isDemonstration: false,
  isThrownAway: true,
  tell,
  log: (line) => {
    if (!/"level":[56]0/.test(line)) return;
    if (/"code":"unexpected"|"event":"error"/.test(line) && !line.includes('database-away')) failures.push(line);
    tell(line);
  },
  reach: async (places, application) => {
    lines[application] = await Promise.all(places.map(({ port }) => openLine(port)));
    return lines[application].map(({ port }) => port);
  },
}).catch((error) => {
  rmSync(folder, { recursive: true, force: true });
  throw error;
});
stops.push(cluster.stop, async () => void (await Promise.all(lines.flat().map((line) => line.cut()))));
const { places, nodes, applications } = cluster;

// --- the writers ---

let cookie = '';
const tally = { acknowledged: 0, tries: 0, longestMs: 0 };
/** For how long a serving process is waited for, and for how long the other one is asked then, in ms. */
const patienceMs = 6000;
const elsewhereMs = 3000;
/** @typedef {{ home: number, elsewhereUntil: number }} Device whoever enters: it asks its own serving process, and the other one for a while where that does not answer */
/** @param {number} home @returns {Device} */
const deviceAt = (home) => ({ home, elsewhereUntil: 0 });
const silent = new Set([502, 503, 504, 507]);

/**
 * Sends one entry until it is acknowledged, as a tablet does: the same key, to whichever serving process answers. Throws
 * for a refusal.
 * @param {string} verb
 * @param {object} input
 * @param {Device} device
 */
async function enter(verb, input, device) {
  const key = randomUUID();
  const began = performance.now();
  for (;;) {
    tally.tries++;
    const asked = performance.now() < device.elsewhereUntil ? (device.home + 1) % applications.length : device.home;
    const address = applications[asked]?.address ?? '';
    try {
      const response = await fetch(`${address}/api/act/${verb}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: address, cookie, 'entry-key': key },
        body: JSON.stringify(input),
        signal: AbortSignal.timeout(patienceMs),
      });
      const body = await response.json();
      if (body.data) {
        cookie ||= response.headers
          .getSetCookie()
          .map((one) => one.split(';')[0])
          .join('; ');
        tally.acknowledged++;
        tally.longestMs = Math.max(tally.longestMs, performance.now() - began);
        return body.data;
      }
      // Two who met too often are asked to try again.
      const isAgain = silent.has(response.status) || body.error.code === 'changed-meanwhile';
      if (!isAgain) throw new Error(`${verb} was refused: ${response.status} ${JSON.stringify(body.error)}`);
    } catch (error) {
      if (error instanceof Error && error.message.startsWith(verb)) throw error;
    }
    device.elsewhereUntil = asked === device.home ? performance.now() + elsewhereMs : 0;
    await sleep(50 + Math.random() * 200);
  }
}

const intake = {
  ...{ equipmentNumber: '', liquid: 'water', liquidTemperatureC: 20, viscosityMm2S: 1, cleaning: 'declaration' },
  ...{ cleaningReference: 'CD-1', whyOut: 'lost flow', runningHours: null, cameWith: [], shims: [], hazards: '' },
  ...{ shippingDamage: '', elastomer: 'EPDM' },
  duty: { flowM3h: 25, headM: 32, powerKw: 3.3, efficiencyPct: 66, speedRpm: 2900 },
};
/** @param {string} serial @param {Device} device */
const receive = async (serial, device) =>
  String(
    (
      await enter(
        'receive-pump',
        {
          ...{ customer: 'Harrowmere Ice Rink', contact: { name: 'Ives Marl', email: 'ives@rink.example', phone: '' } },
          ...{ pump: { maker: 'Quillmere', model: 'QB', serial, size: '' }, familyId: 'F1', promisedOn: '2099-01-15' },
          intake,
        },
        device,
      )
    ).tag,
  );

/** A pump whose teardown has begun: on it something can be found. @param {string} serial */
async function readyPump(serial) {
  const device = deviceAt(0);
  const tag = await receive(serial, device);
  await enter('take-picture', { tag, about: 'job:received', partRef: 'casing', caption: 'As received' }, device);
  await enter('confirm-isolation', { tag, basedOn: 1 }, device);
  for (const caution of ['energy-isolation', 'harmful-liquid'])
    await enter('acknowledge-caution', { tag, caution }, device);
  await enter('advance-job', { tag, event: 'begin-teardown' }, device);
  return tag;
}

/** What was acknowledged: words of findings by job, tags of pumps. */
const found = new Map(/** @type {[string, string[]][]} */ ([]));
/** @type {string[]} */
const tags = [];
let isOver = false;

/** @param {string} name @param {string} tag @param {Device} device */
async function writeFindings(name, tag, device) {
  for (let i = 0; !isOver; i++) {
    const words = `${name} ${i}`;
    await enter('record-finding', { tag, partRef: 'casing', words, plain: '', photoId: null }, device);
    found.set(tag, [...(found.get(tag) ?? []), words]);
  }
}

/** @param {string} name @param {Device} device */
async function receivePumps(name, device) {
  for (let i = 0; !isOver; i++) {
    tags.push(await receive(`${name}-${i}`, device));
    await sleep(100);
  }
}

// --- the faults ---

const signal = (/** @type {number | undefined} */ pid, /** @type {NodeJS.Signals} */ name) =>
  pid === undefined ? undefined : process.kill(pid, name);
const anyNode = () => Math.floor(chance() * nodes.length);
const anyApplication = () => Math.floor(chance() * applications.length);

/** Freezes a process. @param {number | undefined} pid */
const freeze = (pid) => {
  signal(pid, 'SIGSTOP');
  return async () => signal(pid, 'SIGCONT');
};

/** Each does its harm, and gives what undoes it where it does not end by itself. */
const faults = {
  'a node is killed': () => (signal(nodes[anyNode()]?.pid(), 'SIGKILL'), null),
  'a node is frozen': () => freeze(nodes[anyNode()]?.pid()),
  'a node is parted from the others': async () => {
    const index = anyNode();
    await part(places, index, true);
    return () => part(places, index, false);
  },
  'a serving process is killed': () => (signal(applications[anyApplication()]?.pid(), 'SIGKILL'), null),
  'a serving process is frozen': () => freeze(applications[anyApplication()]?.pid()),
  'the lines of a serving process to two nodes are cut': async () => {
    const [first, second] = lines[anyApplication()]?.toSorted(() => chance() - 0.5) ?? [];
    await Promise.all([first.cut(), second.cut()]);
    return async () => void (await Promise.all([first.mend(), second.mend()]));
  },
};

/** Waits until all nodes see each other and may be written to. */
async function whole() {
  for (const until = performance.now() + 120_000; performance.now() < until; await sleep(250)) {
    const standing = await Promise.all(places.map((_, i) => standingOf(places, i)));
    if (standing.every((one) => one?.isReady && one.size === places.length)) return;
  }
  throw new Error('the nodes did not come together again within two minutes');
}

// --- what must be true afterwards ---

/** @type {string[]} */
const wrong = [];

/** @param {number} index */
async function ask(index) {
  const connection = await createConnection({ uri: addressOf([...places], index).replace(/,[^/]*/, '') });
  const query = async (/** @type {string} */ text) => {
    const [rows] = await connection.query(text);
    return /** @type {any[]} */ (rows);
  };
  const findings = await query(
    'select j.tag, f.words, count(*) as n from findings f join jobs j on j.id = f.job_id group by j.tag, f.words',
  );
  const all = await query('select tag from jobs order by tag');
  const [events] = await query('select count(*) as n, count(distinct job_id, seq) as different from events');
  const [chains] = await query('select sha2(group_concat(head_hash order by tag), 256) as heads from jobs');
  const [met] = await query(
    "select sum(variable_value) as n from information_schema.global_status where variable_name in ('WSREP_LOCAL_CERT_FAILURES', 'WSREP_LOCAL_BF_ABORTS')",
  );
  connection.destroy();
  return { met: Number(met.n), findings, tags: all.map((row) => String(row.tag)), events, heads: chains.heads };
}

/** @param {Awaited<ReturnType<typeof ask>>} record @param {string} where */
function compare(record, where) {
  const times = new Map(record.findings.map(({ tag, words, n }) => [`${tag} ${words}`, Number(n)]));
  for (const [tag, all] of found)
    for (const words of all)
      if (times.get(`${tag} ${words}`) !== 1)
        wrong.push(`${where}: “${words}” of ${tag} is there ${times.get(`${tag} ${words}`) ?? 0} times`);
  const doubled = record.findings.filter(({ n }) => Number(n) !== 1);
  if (doubled.length) wrong.push(`${where}: ${doubled.length} findings are there more than once`);
  const numbers = record.tags.map((tag) => Number(tag.slice(2))).sort((a, b) => a - b);
  const first = numbers[0] ?? 0;
  if (numbers.some((number, i) => number !== first + i))
    wrong.push(`${where}: the numbers of jobs have a gap or a double`);
  const missing = tags.filter((tag) => !record.tags.includes(tag));
  if (missing.length) wrong.push(`${where}: acknowledged and not there: ${missing.join(', ')}`);
  if (new Set(tags).size !== tags.length) wrong.push(`${where}: one tag was acknowledged for two pumps`);
  if (Number(record.events.n) !== Number(record.events.different))
    wrong.push(`${where}: an event has the number of another`);
}

try {
  await whole();
  await enter(
    'create-owner',
    {
      ...{ name: 'Sunniva Kettle', email: 'sunniva@kettlewick.example', password: 'pebble-in-the-stream', pin: '7302' },
      ...{ shopName: 'Kettlewick Pump Works', place: 'Harrowmere', zone: 'UTC', currency: 'EUR' },
    },
    deviceAt(0),
  );
  const pumps = [];
  for (const name of ['E-1', 'E-2', 'E-3']) pumps.push(await readyPump(name));
  tags.push(...pumps);
  Object.assign(tally, { acknowledged: 0, tries: 0, longestMs: 0 });
  const began = performance.now();
  // Two on one pump meet each other; two take pumps in, and take numbers from one row.
  const [one = '', two = '', three = ''] = pumps;
  const writers = [
    // Each of a pair asks another serving process, and so writes through another node.
    writeFindings('first', one, deviceAt(0)),
    writeFindings('second', one, deviceAt(1)),
    writeFindings('third', two, deviceAt(0)),
    writeFindings('fourth', three, deviceAt(1)),
    receivePumps('R1', deviceAt(0)),
    receivePumps('R2', deviceAt(1)),
  ];
  const failed = Promise.all(writers).then(
    () => null,
    (error) => error,
  );
  /** @type {Record<string, number>} */
  const done = {};
  // Each fault comes once before any comes twice.
  /** @type {string[]} */
  let left = [];
  for (let round = 1; round <= rounds; round++) {
    if (!left.length)
      left = Object.keys(faults)
        .filter((name) => new RegExp(values.only).test(name))
        .toSorted(() => chance() - 0.5);
    const name = /** @type {keyof typeof faults} */ (left.shift());
    const before = tally.acknowledged;
    const undo = await faults[name]();
    await sleep(faultMs);
    const during = tally.acknowledged - before;
    await undo?.();
    await Promise.race([whole(), failed.then((error) => (error ? Promise.reject(error) : null))]);
    await sleep(1000);
    done[name] = (done[name] ?? 0) + 1;
    say(`round ${round}: ${name}; ${during} entries were acknowledged in ${faultMs / 1000} s of it`);
  }
  isOver = true;
  const error = await failed;
  if (error) throw error;
  const seconds = (performance.now() - began) / 1000;
  await whole();
  const records = await Promise.all(places.map((_, i) => ask(i)));
  records.forEach((record, i) => compare(record, `node ${i + 1}`));
  if (new Set(records.map(({ heads }) => heads)).size !== 1) wrong.push('the nodes do not say the same');
  for (const i of places.keys())
    runScript('scripts/verify.ts', { DATABASE_URL: addressOf([...places], i).replace(/,[^/]*/, '') });
  say(
    `${tally.acknowledged} entries acknowledged in ${seconds.toFixed(0)} s over ${rounds} rounds (${Object.entries(done)
      .map(([name, n]) => `${n} × ${name}`)
      .join(
        ', ',
      )}); ${(tally.acknowledged / seconds).toFixed(1)} a second; ${tally.tries - tally.acknowledged} tries more than entries; ${records.reduce((sum, { met }) => sum + met, 0)} times two met at two nodes since the nodes last started, and one did its work anew; the longest entry took ${(tally.longestMs / 1000).toFixed(1)} s; ${records[0]?.tags.length} pumps`,
  );
} catch (error) {
  isOver = true;
  wrong.push(error instanceof Error ? (error.stack ?? error.message) : String(error));
}
for (const stop of stops.reverse()) await stop();
for (const line of wrong.slice(0, 20)) say(`WRONG ${line}`);
if (wrong.length) for (const line of failures.slice(-10)) say(`     ${line}`);
say(
  wrong.length
    ? `${wrong.length} things are wrong`
    : 'Every acknowledged entry is there once, on every node; every replay agrees; no number is double or left out.',
);
process.exit(wrong.length ? 1 : 0);
