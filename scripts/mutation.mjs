// npm run mutation [topic or file …]: changes the rules of core one by one and counts what no test notices. Stryker's instrumenter
// puts every change into the source at once, each behind a switch; the tests are loaded once in each of two processes
// (test-support/mutation) and run for one switch after the other, which takes minutes where a run of Jest per change took hours.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { nodeProgram } from './lib/node-program.mjs';
import { ensureNodePackages } from './lib/packages.mjs';
import { say } from './lib/say.mjs';

const root = join(import.meta.dirname, '..');
ensureNodePackages();
// A topic, or files of one: `quoting`, `quoting/grow-lines.ts`. The tests of the whole topic are run for either.
const asked = process.argv.slice(2);
const topics = [...new Set(asked.map((name) => name.split('/')[0] ?? name))];
const files = new Set(asked.filter((name) => name.includes('/')).map((name) => join(root, 'src/core', name)));
if (topics.length === 0) {
  say('Name the topics, as in: npm run mutation -- scope quoting');
  process.exit(2);
}
const reports = join(root, 'reports');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports);
const processes = 2;
/** A process that has not answered for so long hangs in the change that it tries, in ms: a test noticed it. */
const hangs = 60_000;

/** @type {import('@stryker-mutator/instrumenter').Instrumenter} */
const instrumenter = createInstrumenter(/** @type {never} */ (/** @type {unknown} */ (suppliesLogger())));
const sources = topics
  .map((topic) => join(root, 'src/core', topic))
  .flatMap((folder) => readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => join(folder, name)))
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && (files.size === 0 || files.has(name)))
  .map((name) => ({ name, content: readFileSync(name, 'utf8'), mutate: true }));
const { files: changed, mutants } = await instrumenter.instrument(sources, {
  plugins: null,
  excludedMutations: [],
  ignorers: [],
});
writeFileSync(
  join(reports, 'mutated.json'),
  JSON.stringify(Object.fromEntries(changed.map((one) => [one.name, one.content]))),
);
const tried = mutants.filter((one) => one.status !== 'Ignored');
writeFileSync(join(reports, 'changes.json'), JSON.stringify(tried));
say(`${tried.length} changes of ${sources.length} files`);

/** @type {Map<string, string>} */
const verdicts = new Map();
await Promise.all(
  Array.from({ length: processes }, (_, i) =>
    tryAll(
      i,
      tried.filter((_one, at) => at % processes === i),
    ),
  ),
);
tell();

/** What the instrumenter wants of Stryker: a logger. */
function suppliesLogger() {
  const silent = () => undefined;
  /** @type {Record<string, unknown>} */
  const supplied = { logger: new Proxy({}, { get: () => silent }) };
  const injector = {
    /** @param {string} token @param {unknown} value */
    provideValue(token, value) {
      supplied[token] = value;
      return injector;
    },
    /** @param {{ new (...given: unknown[]): unknown, inject: string[] }} Wanted */
    injectClass: (Wanted) => new Wanted(...Wanted.inject.map((token) => supplied[token])),
  };
  return injector;
}

/** @param {number} place @param {readonly { id: string }[]} own */
async function tryAll(place, own) {
  const out = join(reports, `verdicts-${place}.txt`);
  /** @type {Set<string>} */
  const ended = new Set();
  for (;;) {
    const open = own.filter(({ id }) => !verdicts.has(id));
    if (open.length === 0) return;
    writeFileSync(out, '');
    writeFileSync(join(reports, `open-${place}.json`), JSON.stringify(open.map(({ id }) => id)));
    const { code, isHung } = await runOnce(place, out);
    const before = verdicts.size;
    for (const line of readFileSync(out, 'utf8').split('\n').filter(Boolean)) {
      const [id = '', verdict = ''] = line.split(' ');
      verdicts.set(id, verdict);
    }
    const cut = open.find(({ id }) => verdicts.get(id) === 'begun');
    // A process that ended by itself, such as for want of memory, says nothing of the change that it was at: it is tried
    // again first, and counts as not noticed where that ends so too.
    if (cut && isHung) verdicts.set(cut.id, 'hung');
    else if (cut && !ended.has(cut.id)) {
      ended.add(cut.id);
      verdicts.delete(cut.id);
    } else if (cut) verdicts.set(cut.id, 'ended');
    else if (code !== 0 && verdicts.size === before)
      throw new Error(`the tests do not run: see ${join('reports', `log-${place}.txt`)}`);
    say(`${verdicts.size} of ${tried.length}`);
  }
}

/** @param {number} place @param {string} out @returns {Promise<{ code: number, isHung: boolean }>} */
function runOnce(place, out) {
  const jest = spawn(
    nodeProgram(),
    [join(root, 'node_modules/jest/bin/jest.js'), '--config', 'jest.mutation.config.mjs', '--runInBand'],
    {
      cwd: root,
      env: { ...process.env, MUTATION_TOPICS: topics.join(' '), MUTATION_PLACE: String(place) },
      stdio: ['ignore', 'ignore', 'pipe'],
    },
  );
  let log = '';
  let isHung = false;
  jest.stderr.on('data', (part) => (log += part));
  const watch = setInterval(() => {
    const isBegun = existsSync(out) && statSync(out).size > 0;
    if (!isBegun || Date.now() - statSync(out).mtimeMs <= hangs) return;
    isHung = true;
    jest.kill('SIGKILL');
  }, 1000);
  return new Promise((resolve) => {
    jest.on('exit', (code) => {
      clearInterval(watch);
      writeFileSync(join(reports, `log-${place}.txt`), log);
      resolve({ code: code ?? 1, isHung });
    });
  });
}

function tell() {
  /** @type {Map<string, { noticed: number, all: number }>} */
  const byTopic = new Map();
  for (const mutant of tried) {
    const name = mutant.fileName.slice(root.length + 1);
    const topic = name.split('/')[2] ?? name;
    const tally = byTopic.get(topic) ?? { noticed: 0, all: 0 };
    byTopic.set(topic, tally);
    tally.all++;
    const verdict = verdicts.get(mutant.id) ?? 'untried';
    if (verdict === 'noticed' || verdict === 'hung') tally.noticed++;
    else
      say(
        `${verdict} ${name}:${mutant.location.start.line + 1} ${mutant.mutatorName} → ${mutant.replacement.replaceAll(/\s+/g, ' ').slice(0, 100)}`,
      );
  }
  say('');
  for (const [topic, { noticed, all }] of byTopic)
    say(
      `${topic.padEnd(12)} ${String(noticed).padStart(5)} of ${all} noticed, ${((100 * noticed) / all).toFixed(1)} %`,
    );
}
