// npm run bench: each main view beside an empty dynamic page of the same server and what the view reads through the
// driver alone, in turn, in one run: with the demonstration, with many closed jobs in the record, with many open; first-load
// JavaScript by view; load; report PDF; sums a second; memory. Loopback only, bounded.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync, rmSync, mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { nodeProgram } from './lib/node-program.mjs';
import { ensureBrowser, ensureNodePackages } from './lib/packages.mjs';
import { say } from './lib/say.mjs';

ensureNodePackages();
const { startDatabase, keptWord } = await import('./lib/database.mjs');
const { findFreePort } = await import('./lib/ports.mjs');
const { buildWhenChanged } = await import('./lib/build.mjs');
const { runScript } = await import('./lib/prepare.mjs');
const { serve } = await import('./lib/serve.mjs');

const { default: metrics } = await import('prom-client');
const { all, loadOn, measure, quantile, signIn, statementsOf, timesOf, views } = await import('./lib/bench-views.mjs');
const { entriesOf, largePicture, picturesBeside, statementsOfEntry, together } =
  await import('./lib/bench-entries.mjs');
const { browserFigures } = await import('./lib/bench-browser.mjs');
const { groupNames, profileOf } = await import('./lib/bench-profile.mjs');
const { copiesOf, countJobs } = await import('./lib/bench-record.mjs');
const { sizesOf, thisMachine } = await import('./lib/machine.mjs');

const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '22' },
    /** Closed jobs in the record, first and then; 0 for those of the demonstration alone. */
    record: { type: 'string', default: '20000,100000' },
    /** A data folder that stays. What a run before has put into its record is measured as it stands, with `--record 0`. */
    folder: { type: 'string', default: '' },
    /** Leaves the sums, plans and papers out. */
    'views-only': { type: 'boolean', default: false },
    /** The same report and the same search by LibreOffice, at the first size of the record. */
    office: { type: 'boolean', default: false },
    /** Where the milliseconds of each view go, with the demonstration. */
    profile: { type: 'boolean', default: false },
  },
});
const folder = resolve(values.folder || join(import.meta.dirname, '..', '.bench-data'));
/** Documents of the demonstration's jobs, by their addresses. */
const documents = {
  'a quote with its pictures': '/files/quote/P-0406/1',
  'labels of the trays': '/files/labels/P-0412',
  'a traveller': '/files/family/F4/traveller',
};
/** People write beside others who read so often, ten seconds each: the first of it compiles. */
const timesTogether = 4;
/** Pictures are sent so often: a 95th percentile of some dozens of floors is one of three. */
const timesSent = 5;
/** Jobs on the floor that are many. */
const manyOpen = 300;
/** Words of many jobs and of few, parts of words, numbers, words that meet in no job, and one that nobody wrote. */
const soughtFor = [
  ...['vantry', 'vantry stock', '22871', '110', 'qb 160', 'nobodyofthisname', 'pump', 'mech'],
  ...['vantry garden', 'pump vantry garden', 'seal nobodyofthisname'],
];
const figures = new metrics.AggregatorRegistry();
/** Of the longest time since it was asked last for which a serving thread answered nobody, in ms. */
async function loopFigures() {
  const text = await figures.clusterMetrics();
  const of = (/** @type {string} */ name) => {
    const said = new RegExp(`^bench_loop_${name}_ms(?:\\{[^}]*\\})? ([\\d.e-]+)`, 'm').exec(text)?.[1];
    if (said === undefined) throw new Error(`no serving process says bench_loop_${name}_ms`);
    return Number(said).toFixed(0);
  };
  return { waited: of('waited'), worked: of('worked'), workedItself: of('workedItself') };
}
let stolenBefore = 0;
/** What the host of this machine gave of its processors to others since it was asked last; no figure is better than this. */
function stolen() {
  const [, ...columns] = readFileSync('/proc/stat', 'utf8').split('\n')[0]?.split(/\s+/) ?? [];
  const ms = Number(columns[7] ?? 0) * 10;
  const since = ms - stolenBefore;
  stolenBefore = ms;
  return `${since} ms of a processor went to other machines meanwhile`;
}
const residentMb = (/** @type {number | undefined} */ pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Milliseconds that a process has kept a processor busy so far. @param {number | undefined} pid */
function busyMs(pid) {
  const [, after = ''] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ');
  const [user, system] = after.split(' ').slice(11, 13);
  // The kernel counts in hundredths of a second.
  return (Number(user) + Number(system)) * 10;
}
const settlesMs = 2000;
const longestToSettle = 60;
/**
 * Waits until servers that have just started are done with what they do behind the looks: a plan, the packing of what is
 * over. At most two minutes.
 * @param {readonly (number | undefined)[]} pids
 */
async function settle(pids) {
  /** @returns {number} */
  const busy = () => pids.map(busyMs).reduce((sum, one) => sum + one, 0);
  for (let i = 0; i < longestToSettle; i++) {
    const before = busy();
    await new Promise((done) => setTimeout(done, settlesMs));
    if (busy() - before < 0.1 * settlesMs) return;
  }
  say('The servers did not come to rest within two minutes.');
}

/**
 * @param {string} title
 * @param {Awaited<ReturnType<typeof measure>>} found
 */
function tell(title, found) {
  say(
    `\n${title}\n${'view'.padEnd(16)} ${'median'.padStart(8)} ${'p95'.padStart(8)} ${'own SQL'.padStart(18)} ${'to empty + SQL'.padStart(15)} ${'again'.padStart(8)}`,
  );
  for (const [name, { median, p95, own, statements, ratio, again }] of Object.entries(found)) {
    const columns = [
      name.padEnd(16),
      `${median.toFixed(0).padStart(5)} ms`,
      `${p95.toFixed(0).padStart(5)} ms`,
      `${own.toFixed(1).padStart(6)} ms in ${String(statements).padStart(2)}`,
      `${ratio.toFixed(1).padStart(13)}×`,
      `${again.toFixed(0).padStart(7)} ms`,
    ];
    say(columns.join(' '));
  }
}

if (!values['views-only']) runScript('scripts/bench-core.ts', {});
if (!values.folder) rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const chromium = ensureBrowser();
const { processes, heapMb, bufferMb } = sizesOf(thisMachine());
const environment = { PUDDLESTONE_SECRET: keptWord(folder, 'session-secret'), PUDDLESTONE_DEMO: '1' };
/** @type {Awaited<ReturnType<typeof startDatabase>> | undefined} */
let database;
/**
 * One that makes each page anew for whoever looks, and one beside it that gives a page again, as `npm start` does.
 * @type {Awaited<ReturnType<typeof serve>> | undefined}
 */
let server;
/** @type {Awaited<ReturnType<typeof serve>> | undefined} */
let keeping;
const eachAnew = { PUDDLESTONE_KEPT_PAGES_MB: '0' };
/** How long the server itself says that it took for each kept reading, in whole ms. @type {number[]} */
const readingsMs = [];
/** A line of the log of a server. @param {string} line */
const takeLine = (line) => {
  if (line.includes('/api/act/record-readings')) readingsMs.push(Number(JSON.parse(line).ms));
};
/** @param {string} url @param {number} count @param {Record<string, string>} more */
const serveOn = async (url, count, more = {}) => {
  const own = { ...environment, ...more, DATABASE_URL: url };
  return serve({
    port: await findFreePort(),
    host: '127.0.0.1',
    environment: own,
    processes: count,
    heapMb,
    log: takeLine,
  });
};
try {
  buildWhenChanged();
  // Once with a database that writes down what it does: that is what each view reads.
  const log = join(folder, 'general.log');
  database = await startDatabase(folder, { bufferMb, lines: ['general_log=1', `general_log_file=${log}`] });
  runScript('scripts/prepare.ts', { ...environment, DATABASE_URL: database.url });
  server = await serveOn(database.url, 1, eachAnew);
  const asked = { base: server.address, cookie: await signIn(server.address) };
  const statements = await statementsOf(asked.base, asked.cookie, log);
  const entryStatements = await statementsOfEntry(asked, log);
  await server.stop();
  await database.stop();
  rmSync(log);
  database = await startDatabase(folder, { bufferMb });
  const own = { ...environment, DATABASE_URL: database.url };
  server = await serveOn(database.url, 1, eachAnew);
  let cookie = await signIn(server.address);
  keeping = await serveOn(database.url, 1);
  const again = { base: keeping.address, cookie: await signIn(keeping.address) };
  const rounds = Number(values.rounds);
  const at = () => ({ base: server?.address ?? '', cookie, again, url: database?.url ?? '', statements, rounds });
  const url = database.url;
  const settleAll = () => settle([...(server?.pids() ?? []), ...(keeping?.pids() ?? [])]);
  await settleAll();
  const first = await countJobs(url);
  tell(`The demonstration: ${first.open} open jobs, ${first.closed} closed`, await measure(at()));
  if (values.profile) {
    await server.stop();
    const port = await findFreePort();
    server = await serveOn(url, 1, { ...eachAnew, NODE_OPTIONS: `--inspect=127.0.0.1:${port}` });
    cookie = await signIn(server.address);
    say(`\nMilliseconds of the process for one look\n${'view'.padEnd(16)} ${groupNames.join(' | ')}`);
    for (const [name, path] of Object.entries(all)) {
      const found = await profileOf(server.address + path, { cookie, port, rounds: 40 });
      say(`${name.padEnd(16)} ${groupNames.map((group) => (found[group] ?? 0).toFixed(1).padStart(6)).join(' ')}`);
    }
    await server.stop();
    server = await serveOn(url, 1, eachAnew);
    cookie = await signIn(server.address);
  }
  // What people use instead, where it is here: Debian's libreoffice-writer, libreoffice-calc and python3-uno.
  let isCompared = !values.office;
  const compare = async () => {
    if (isCompared || !server) return;
    isCompared = true;
    // This process hands its connections to the serving ones: it may not wait for the script as the others do.
    const given = ['--import', 'tsx', join(import.meta.dirname, 'bench-office.ts'), server.address, cookie];
    const asking = spawn(nodeProgram(), given, { stdio: 'inherit', env: { ...process.env, ...own } });
    const [code] = await once(asking, 'exit');
    if (code !== 0) throw new Error(`bench-office.ts ended with ${code}`);
  };
  let offset = 0;
  for (const count of values.record.split(',').map(Number).filter(Boolean)) {
    const { closed } = await countJobs(url);
    const copies = Math.max(1, Math.round((count - closed) / first.closed));
    runScript('scripts/multiply.ts', own, [String(copies), String(offset), 'closed']);
    offset += copies;
    await settleAll();
    tell(`With ${(await countJobs(url)).closed} closed jobs in the record`, await measure(at()));
    await compare();
  }
  await compare();
  if (first.open < manyOpen) runScript('scripts/multiply.ts', own, ['11', '1', 'open']);
  const { open, megabytes } = await countJobs(url);
  // The plan of all of them is drawn up when it is looked at first.
  for (const { base, cookie: own } of [at(), again]) await timesOf(`${base}/plan`, own);
  await settleAll();
  tell(`And with ${open} open; the record takes ${megabytes} MB`, await measure(at()));
  say(
    `memory of the two servers: ${[server, keeping].map((one) => residentMb(one.pids()[0]).toFixed(0)).join(' and ')} MB`,
  );
  // What follows is of a server as `npm start` has them.
  await server.stop();
  server = keeping;
  cookie = again.cookie;
  for (const text of soughtFor) {
    const found = await timesOf(`${server.address}/api/find?text=${encodeURIComponent(text)}`, cookie);
    say(`find “${text}”: median ${found.median.toFixed(0)} ms, p95 ${found.p95.toFixed(0)} ms`);
  }
  const who = () => ({ base: server?.address ?? '', cookie });
  const entriesKept = 120;
  const entry = await entriesOf(who(), { tag: 'P-0411', rounds: entriesKept });
  const took = readingsMs.slice(-entriesKept);
  say(
    `a kept reading: median ${entry.median.toFixed(1)} ms, p95 ${entry.p95.toFixed(1)} ms for whoever asks; of the server ${quantile(took, 0.5)} and ${quantile(took, 0.95)} ms, ${(entry.bytes / 1000).toFixed(1)} kB back, ${entryStatements.all} statements, ${entryStatements.writes} of them write rows`,
  );
  await server.stop();
  const loop = join(import.meta.dirname, 'lib', 'bench-loop.cjs');
  server = await serveOn(url, 1, { NODE_OPTIONS: `--require ${loop}` });
  cookie = await signIn(server.address);
  // As on any day but the first minute of one, views have been looked at before a document is asked for.
  for (const path of Object.values(views)) await timesOf(server.address + path, cookie);
  await settle(server.pids());
  for (const [name, path] of Object.entries(documents)) {
    await loopFigures();
    stolen();
    const { median } = await timesOf(server.address + path, cookie);
    const { waited, worked, workedItself } = await loopFigures();
    say(
      `${name}: median ${median.toFixed(0)} ms; the others waited ${waited} ms at most; the thread that answers was at work for ${worked} ms at most at a time, ${workedItself} without giving memory back; ${stolen()}`,
    );
  }
  await server.stop();
  server = await serveOn(url, 1);
  cookie = await signIn(server.address);
  await settle(server.pids());
  const browser = await browserFigures(server.address, chromium);
  for (const [name, { javascript, largestPaint, longestTask }] of Object.entries(browser.views))
    say(
      `${name.padEnd(16)} ${(javascript.withPage / 1000).toFixed(0).padStart(4)} kB of JavaScript, gzip, and ${(javascript.later / 1000).toFixed(0).padStart(3)} later; at a quarter of the speed: largest paint ${largestPaint.toFixed(0)} ms, longest task ${longestTask.toFixed(0)} ms`,
    );
  say(
    `inspection at a quarter of the speed: a digit ${browser.digit.toFixed(0)} ms (slowest ${browser.slowestDigit.toFixed(0)}), Enter to the verdict ${browser.verdict.toFixed(0)} ms`,
  );
  say(`the server's memory after the browser: ${residentMb(server.pids()[0]).toFixed(0)} MB`);
  await server.stop();
  for (const [how, more] of /** @type {const} */ ([
    ['each look made anew', eachAnew],
    ['as npm start serves', {}],
  ])) {
    server = await serveOn(database.url, processes, more);
    cookie = await signIn(server.address);
    await settle(server.pids());
    for (const name of /** @type {const} */ (['floor', 'inspect'])) {
      await loadOn(server.address + views[name], cookie, { connections: 20, seconds: 3 });
      stolen();
      const { perSecond, p99 } = await loadOn(server.address + views[name], cookie, { connections: 20, seconds: 10 });
      say(
        `${name}, 20 connections, ${processes} processes, ${how}: ${perSecond.toFixed(0)} a second, p99 ${p99.toFixed(0)} ms; ${stolen()}`,
      );
    }
    if (more === eachAnew) await server.stop();
  }
  const tags = await copiesOf(url, 'P-0411');
  const paths = Array.from({ length: 12 }, (_, i) => (i % 2 ? views.inspect : views.floor));
  for (let i = 0; i < timesTogether; i++) {
    stolen();
    const { writes, reads } = await together(who(), { tags: tags.slice(0, 8), paths, seconds: 10 });
    say(
      `eight who write, twelve who read: ${writes.perSecond.toFixed(0)} writes a second, p99 ${writes.p99.toFixed(0)} ms; ${reads.perSecond.toFixed(0)} reads, p99 ${reads.p99.toFixed(0)} ms; ${stolen()}`,
    );
  }
  const picture = await largePicture();
  for (let i = 0; i < timesSent; i++) {
    const pictures = await picturesBeside(who(), { tags: tags.slice(0, 10), picture });
    say(
      `ten pictures of 12 MP at once (${(picture.length / 1e6).toFixed(1)} MB each) in ${pictures.tookMs.toFixed(0)} ms; floor p95 alone ${pictures.alone.toFixed(0)} ms, beside them ${pictures.beside.toFixed(0)} ms (${pictures.floors} times)`,
    );
  }
  say(
    `memory of the processes: ${server
      .pids()
      .map((pid) => residentMb(pid).toFixed(0))
      .join(' and ')} MB`,
  );
} finally {
  await server?.stop();
  await keeping?.stop();
  await database?.stop();
  if (!values.folder) rmSync(folder, { recursive: true, force: true });
}
