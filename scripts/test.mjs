// npm test: the same set-up as npm start, then every check. The last line is "N passed, N failed".
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { constants, setPriority } from 'node:os';
import { join, relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { dataFolderOfChecks } from './lib/check-data.mjs';
import { nodeProgram } from './lib/node-program.mjs';
import { ensureBrowser, ensureNodePackages, unpackProgram } from './lib/packages.mjs';
import { say } from './lib/say.mjs';

const root = join(import.meta.dirname, '..');
const folder = join(root, '.test-data');
const dataFolder = dataFolderOfChecks(root);
// Names of checks; what stands behind `--` picks files of their tests by a part of the path.
const asked = process.argv.slice(2);
const files = asked.includes('--') ? asked.slice(asked.indexOf('--') + 1) : [];
const only = asked.slice(0, asked.length - files.length).filter((name) => name !== '--');
const tally = { passed: 0, failed: 0 };
/** @type {string[]} what failed, said once more at the end, where whoever reads the last lines finds it */
const failures = [];
/** How long one project of Jest may take, in ms. */
const longestMs = 20 * 60_000;
/** When the last thing that was told of began, for how long each took. */
let since = performance.now();
/** Says a line with how many seconds went by since the one before. @param {string} line */
function sayTimed(line) {
  const now = performance.now();
  say(`${line} (+${Math.round((now - since) / 1000)} s)`);
  since = now;
}
const wants = (/** @type {string} */ name) => only.length === 0 || only.includes(name);

/** Debian's programs, which come while npm brings its packages: both wait for the network more than they work. */
const programs = spawn(process.execPath, ['scripts/lib/install-programs.mjs'], { cwd: root, stdio: 'inherit' });
const programsAreThere = new Promise((resolve) => programs.once('close', resolve));
ensureNodePackages();
const { startDatabase, stopLeftover, keptWord } = await import('./lib/database.mjs');
const { findFreePort } = await import('./lib/ports.mjs');
const { buildWhenChanged } = await import('./lib/build.mjs');
const { sizesOf, thisMachine } = await import('./lib/machine.mjs');
const { serve } = await import('./lib/serve.mjs');

/**
 * One check that either passes or fails as a whole.
 * @param {string} name
 * @param {readonly string[]} args
 * @param {number} [priority] of the operating system; the lowest takes what the others leave
 */
async function check(name, args, priority = constants.priority.PRIORITY_NORMAL) {
  const began = performance.now();
  const child = spawn(nodeProgram(), args, {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (child.pid) setPriority(child.pid, priority);
  let output = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (output += String(piece)));
  const status = await new Promise((resolve) => child.once('close', resolve));
  tally[status === 0 ? 'passed' : 'failed']++;
  if (status !== 0) failures.push(name);
  say(`${status === 0 ? 'ok  ' : 'FAIL'} ${name} (${Math.round((performance.now() - began) / 1000)} s)`);
  if (status !== 0) say(output);
}

/**
 * A check of the packages that ship, by npm itself: what it says is JSON.
 * @param {string} name
 * @param {readonly string[]} args
 * @param {(said: any) => string | null} faultOf what is wrong with what it said
 */
function askNpm(name, args, faultOf) {
  const done = spawnSync('npm', [...args], { cwd: root, encoding: 'utf8', timeout: 30_000, maxBuffer: 2 ** 26 });
  const fault = faultOf(JSON.parse(done.stdout));
  tally[fault === null ? 'passed' : 'failed']++;
  if (fault !== null) failures.push(`${name}: ${fault}`);
  say(`${fault === null ? 'ok  ' : 'FAIL'} ${name}`);
}

/** The bill of materials of what ships; faults that are known of it, where the registry answers: a high one fails. */
function auditPackages() {
  if (only.length) return;
  askNpm('bill of materials', ['sbom', '--omit', 'dev', '--sbom-format', 'cyclonedx'], ({ bomFormat, components }) =>
    bomFormat === 'CycloneDX' && components.some((/** @type {any} */ one) => one.name === 'next')
      ? null
      : 'npm made none that has what ships',
  );
  try {
    askNpm('audit of packages', ['audit', '--omit', 'dev', '--json'], ({ metadata }) => {
      const { high, critical } = metadata.vulnerabilities;
      return high + critical === 0 ? null : `${high} high and ${critical} critical faults; npm audit names them`;
    });
  } catch {
    say('     audit of packages: the registry does not answer; nothing is known');
  }
}

/**
 * Runs checks two at a time, each on a core of its own.
 * @param {readonly (readonly [name: string, args: readonly string[]])[]} checks
 */
async function checkAll(checks) {
  const open = checks.filter(([name]) => wants(name));
  const work = async () => {
    for (let next = open.shift(); next; next = open.shift()) await check(...next);
  };
  await Promise.all([work(), work()]);
}

/**
 * @param {{ testResults: { name: string, status: string, message: string, assertionResults: { status: string, fullName: string, failureMessages?: string[] }[] }[] }} report
 * @returns {string[]} file, test and the first line of why, of each that failed
 */
function failuresOf({ testResults }) {
  return testResults.flatMap(({ name, status, message, assertionResults }) => {
    const file = relative(root, name);
    const own = assertionResults.filter((one) => one.status === 'failed');
    if (status === 'failed' && own.length === 0) return [`${file}: ${inOneLine(message)}`];
    return own.map(({ fullName, failureMessages }) => `${file} › ${fullName}: ${inOneLine(failureMessages?.[0])}`);
  });
}

/** What was expected and what came, in one line, without where in the code. @param {string | undefined} text */
function inOneLine(text = '') {
  return stripVTControlCharacters(text)
    .replace(/\n\s+at .*/s, '')
    .trim()
    .replace(/\s+/g, ' ')
    .slice(0, 600);
}

/** Projects whose suites run in groups that load the program once, see `test-support/together`. */
const inGroups = new Set(['unit', 'database']);

/**
 * A project of Jest; its tests are counted one by one, a suite that cannot run counts as one failure.
 * @param {string} name
 * @param {Readonly<Record<string, string>>} environment
 * @param {number} workers how many suites run at once; a walk in the browser waits more than it works
 */
async function jest(name, environment = {}, workers = 2) {
  if (!wants(name)) return;
  // Some files that are asked for run by themselves.
  const project = inGroups.has(name) && !files.length ? `${name}-together` : name;
  const report = join(folder, `${name}.json`);
  rmSync(report, { force: true });
  const child = spawn(
    nodeProgram(),
    [
      join(root, 'node_modules/jest/bin/jest.js'),
      '--config',
      'jest.config.mjs',
      '--selectProjects',
      project,
      `--maxWorkers=${workers}`,
      '--json',
      '--outputFile',
      report,
      '--testTimeout=300000',
      ...(files.length ? ['--testPathPatterns', ...files] : []),
    ],
    { cwd: root, stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, ...environment } },
  );
  // A test that leaves something open must not hold all others for ever.
  const late = setTimeout(() => child.kill('SIGKILL'), longestMs);
  await new Promise((resolve) => child.once('exit', resolve));
  clearTimeout(late);
  if (!existsSync(report)) {
    tally.failed++;
    failures.push(`${name}: Jest ended without a report`);
    return;
  }
  const result = JSON.parse(readFileSync(report, 'utf8'));
  tally.passed += result.numPassedTests;
  tally.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  if (result.numTotalTests === 0) {
    tally.failed++;
    failures.push(`${name}: no tests were found`);
  }
  failures.push(...failuresOf(result));
  sayTimed(`${result.success ? 'ok  ' : 'FAIL'} ${name}: ${result.numPassedTests} of ${result.numTotalTests} tests`);
}

/**
 * Lets an end-to-end test stop and start the database, which it cannot do from within a browser.
 * @param {Readonly<Record<string, () => unknown>>} handlers
 */
async function serveControl(handlers) {
  const port = await findFreePort();
  const server = createServer(async (request, response) => {
    const handler = handlers[request.url ?? ''];
    if (handler) await handler();
    response.writeHead(handler ? 200 : 404).end();
  });
  await new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(null)));
  return { address: `http://127.0.0.1:${port}`, stop: () => server.close() };
}

/**
 * Runs a part of the set-up beside another. Throws where it fails.
 * @param {readonly string[]} args
 * @param {Readonly<Record<string, string>>} environment
 */
async function run(args, environment = {}) {
  const child = spawn(nodeProgram(), args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  });
  const status = await new Promise((resolve) => child.once('close', resolve));
  if (status !== 0) throw new Error(`${args.at(-1)} ended with ${status}`);
}

/** What the server says of a failure, where whoever reads the checks sees it. @param {string} line */
function showError(line) {
  if (/^\{"level":[56]0/.test(line) || !line.startsWith('{')) process.stderr.write(`${line}\n`);
}

// The database of checks that were broken off; without its folder nobody would know it any more.
await stopLeftover(dataFolder, say);
const clear = () => rmSync(dataFolder, { recursive: true, force: true });
clear();
rmSync(folder, { recursive: true, force: true });
for (const one of [folder, dataFolder]) mkdirSync(one, { recursive: true, mode: 0o700 });
// Memory is given back.
if (dataFolder !== folder) process.on('exit', clear);
// The longest of the checks takes what the others leave of the processors, which wait for browsers and databases often, and
// a little more: at the lowest priority it was at it yet when all others were done.
const lint = wants('lint')
  ? check(
      'lint',
      ['node_modules/eslint/bin/eslint.js', '--max-warnings', '0', '.'],
      constants.priority.PRIORITY_BELOW_NORMAL,
    )
  : null;
await checkAll([
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']],
  ['types', ['node_modules/typescript/bin/tsc', '--noEmit']],
  ['types of scripts', ['node_modules/typescript/bin/tsc', '--noEmit', '-p', 'tsconfig.scripts.json']],
  [
    'boundaries',
    [
      ...['node_modules/dependency-cruiser/bin/dependency-cruise.mjs', '--config', '.dependency-cruiser.cjs'],
      ...['src', 'demo', 'e2e', 'test-support'],
    ],
  ],
  ['unused', ['node_modules/knip/bin/knip.js', '--include', 'dependencies,unlisted,unresolved,files']],
]);
auditPackages();
sayTimed('     checks without the lint, which goes on');
await jest('unit');
await jest('components');

// Only where it is named: `npm run test:long`.
const wantsLong = only.includes('long');
const wantsInterface = wantsLong || wants('end-to-end') || wants('alone');
/** @type {Awaited<ReturnType<typeof startDatabase>> | undefined} */
let database;
/** @type {Awaited<ReturnType<typeof serve>> | undefined} */
let server;
/** @type {Awaited<ReturnType<typeof serveControl>> | undefined} */
let control;
/** @type {Promise<void> | undefined} */
let endurance;
/**
 * A cluster of its own, three faults: the whole run is `npm run endurance`. It waits more than it works, and takes what
 * the tests beside it leave of the processors, which run one after the other.
 */
function endureBesides() {
  if (endurance || !wants('endurance')) return;
  buildWhenChanged();
  const faults = ['--rounds', '3', '--seconds', '3', '--seed', '5', '--only', 'killed|parted'];
  const priority = constants.priority.PRIORITY_BELOW_NORMAL;
  endurance = check('endurance', ['--import', 'tsx', 'scripts/endurance.mjs', ...faults], priority);
}
await programsAreThere;
try {
  if (wants('database') || wantsInterface) database = await startDatabase(dataFolder, { isThrownAway: true });
  const environment = {
    DATABASE_URL: database?.url ?? '',
    PUDDLESTONE_SECRET: keptWord(dataFolder, 'session-secret'),
    PUDDLESTONE_DEMO: '1',
  };
  // The demonstration takes long to load: it is loaded once, and what is told of it is looked at before it is worked on.
  // Loading it and building take a core each.
  if (wantsInterface)
    await Promise.all([
      run(['--import', 'tsx', 'scripts/prepare.ts'], environment),
      run(['-e', "import('./scripts/lib/build.mjs').then((build) => build.buildWhenChanged())"]),
    ]);
  if (database) sayTimed('     a database, the demonstration and the build');
  if (database)
    await jest('database', {
      DATABASE_URL: database.url,
      ...(wantsInterface && { DEMONSTRATION_URL: database.url }),
    });
  if (wantsInterface && database) {
    const { url, port } = database;
    const chromium = ensureBrowser();
    const { processes, heapMb } = sizesOf(thisMachine());
    const where = { port: await findFreePort(), host: '127.0.0.1', environment };
    server = await serve({ ...where, processes, heapMb, log: showError });
    control = await serveControl({
      '/database/stop': () => database?.stop(),
      '/database/start': async () => void (database = await startDatabase(dataFolder, { port, isThrownAway: true })),
    });
    const interfaceEnvironment = {
      BASE_URL: server.address,
      CONTROL_URL: control.address,
      CHROMIUM: chromium,
      DATABASE_URL: url,
    };
    await jest('end-to-end', interfaceEnvironment, 3);
    if (wantsLong) await jest('long', interfaceEnvironment, 2);
    endureBesides();
    await jest('alone', interfaceEnvironment, 1);
  }
} catch (error) {
  tally.failed++;
  failures.push(`set-up: ${error instanceof Error ? error.message : error}`);
} finally {
  control?.stop();
  await server?.stop();
  await database?.stop();
}
if (wants('running')) {
  buildWhenChanged();
  await jest('running', { NGINX: unpackProgram('nginx', 'nginx', join(folder, 'nginx')) ?? '' }, 1);
}
endureBesides();
await endurance;
await lint;
sayTimed('     all');
for (const one of failures) say(`FAIL ${one}`);
say(`${tally.passed} passed, ${tally.failed} failed`);
process.exit(tally.failed ? 1 : 0);
