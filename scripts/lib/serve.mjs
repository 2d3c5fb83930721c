import cluster from 'node:cluster';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { keepUp } from './keep-up.mjs';
import { helpersOf, thisMachine } from './machine.mjs';
import { nodeProgram } from './node-program.mjs';
import { say } from './say.mjs';

const root = join(import.meta.dirname, '..', '..');
/** How long a process may take until it answers, in ms. */
const longestStartMs = 90_000;
const pingEveryMs = 5000;
/** After how many pings in a row without an answer a process is taken for hung. */
const mostSilent = 6;

/**
 * The most that each half of the young part of a heap takes, in MiB. Node's own 32 make a process forty larger under load
 * and no quicker; with 8 it makes an eighth less.
 */
const youngMb = 16;
/**
 * How much more than what was alive a heap may hold before it is looked through again, in percent. Node's own for a
 * heap of 256 MiB is about 40, every four seconds under load; of three such looks one is saved. With 70 two of five
 * processes came near to 350 MB.
 */
const growsByPct = 60;

/** @param {unknown} message @param {string} kind */
const isOfKind = (message, kind) =>
  typeof message === 'object' && message !== null && 'kind' in message && message.kind === kind;

/**
 * Ends a process whose loop has not turned for half a minute.
 * @param {import('node:cluster').Worker} worker
 * @param {(line: string) => void} tell
 */
function watchOver(worker, tell) {
  let silent = 0;
  worker.on('message', (message) => {
    if (isOfKind(message, 'pong')) silent = 0;
  });
  const timer = setInterval(() => {
    if (++silent > mostSilent) {
      tell(`A serving process (${worker.process.pid}) has not answered for half a minute and is ended.`);
      worker.process.kill('SIGKILL');
      // One that is ending just now takes no message any more; that it ends is seen to elsewhere.
    } else if (worker.isConnected()) worker.send({ kind: 'ping' }, () => undefined);
  }, pingEveryMs);
  timer.unref();
  worker.once('exit', () => clearInterval(timer));
}

/**
 * Waits until a serving process that was started answers. Throws where it ends or takes too long.
 * @param {import('node:child_process').ChildProcess} child
 * @param {(line: string) => void} log takes the lines that it writes
 * @returns {Promise<import('./keep-up.mjs').Running>}
 */
export async function untilReady(child, log) {
  for (const stream of [child.stdout, child.stderr]) if (stream) createInterface({ input: stream }).on('line', log);
  let isOver = false;
  /** @type {Promise<string>} */
  const ended = new Promise((resolve) =>
    child.once('exit', (code, signal) => resolve(signal ? `was ended by ${signal}` : `ended with ${code}`)),
  );
  void ended.then(() => (isOver = true));
  const isReady = new Promise((resolve) =>
    child.on('message', (message) => isOfKind(message, 'ready') && resolve(true)),
  );
  const late = new Promise((resolve) => setTimeout(resolve, longestStartMs, false).unref());
  if (!(await Promise.race([isReady, late, ended.then(() => false)]))) {
    child.kill('SIGKILL');
    throw new Error(`The serving process ${isOver ? await ended : 'did not answer in a minute and a half'}.`);
  }
  const stop = async () => {
    if (isOver) return;
    child.kill('SIGTERM');
    const kill = setTimeout(() => child.kill('SIGKILL'), 6000);
    await ended;
    clearTimeout(kill);
  };
  return { pid: child.pid, ended, stop };
}

/** What a serving process is started with beside what it is told. */
export const servingEnvironment = /** @type {const} */ ({
  NODE_ENV: 'production',
  NEXT_TELEMETRY_DISABLED: '1',
  // Pictures and pages are taken in and let go by many threads: with an arena for each the memory comes back late.
  MALLOC_ARENA_MAX: '2',
  // What is let go is given back soon: left to itself the threshold grows with the largest piece that was let go.
  MALLOC_TRIM_THRESHOLD_: '131072',
});

/**
 * A process of those that share a port, run by the Node that serves: the cluster takes the one that runs this, and has no
 * other way to be told.
 * @param {Readonly<Record<string, string>>} environment
 */
function forkServing(environment) {
  const own = process.execPath;
  process.execPath = nodeProgram();
  try {
    return cluster.fork(environment);
  } finally {
    process.execPath = own;
  }
}

/**
 * Starts one serving process of those that share a port, and watches over it.
 * @param {Readonly<Record<string, string>>} environment
 * @param {{ log: (line: string) => void, tell: (line: string) => void }} voices
 */
async function startOne(environment, { log, tell }) {
  const worker = forkServing({ ...environment, ...servingEnvironment });
  const running = await untilReady(worker.process, log);
  watchOver(worker, tell);
  return running;
}

/**
 * Serves the built application with as many processes as are asked for, which share a port and are kept up.
 * @param {{
 *   port: number,
 *   host: string,
 *   environment: Readonly<Record<string, string>>,
 *   processes?: number,
 *   heapMb?: number,
 *   log?: (line: string) => void,
 *   tell?: (line: string) => void,
 *   onChange?: (name: string, pid: number | undefined) => void,
 * }} how `log` takes the lines that the processes write, `tell` what a person should know
 */
export async function serve({
  port,
  host,
  environment,
  processes = 1,
  heapMb = 256,
  log = () => undefined,
  tell = say,
  onChange = () => undefined,
}) {
  cluster.setupPrimary({
    exec: join(root, 'scripts/serve-next.mjs'),
    args: [String(port), host],
    execArgv: [
      `--max-old-space-size=${heapMb}`,
      `--max-semi-space-size=${youngMb}`,
      `--heap-growing-percent=${growsByPct}`,
      `--v8-pool-size=${helpersOf(thisMachine().cores, processes)}`,
      ...['--require', join(root, 'scripts/lib/who-gives-way.cjs')],
    ],
    cwd: root,
    silent: true,
  });
  /** @param {number} i */
  const keepOne = (i) =>
    keepUp({
      name: processes === 1 ? 'The server' : `Server ${i}`,
      start: async () => {
        const running = await startOne(environment, { log, tell });
        onChange(`server-${i}`, running.pid);
        return running;
      },
      tell,
      onChange: (isUp) => isUp || onChange(`server-${i}`, undefined),
    });
  const begun = await Promise.allSettled(Array.from({ length: processes }, (_, i) => keepOne(i + 1)));
  const kept = begun.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
  const stop = async () => void (await Promise.all(kept.map((one) => one.stop())));
  const failed = begun.find((one) => one.status === 'rejected');
  if (failed) {
    await stop();
    throw failed.reason;
  }
  const address = `http://${host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host}:${port}`;
  return { address, stop, pids: () => kept.map((one) => one.pid()) };
}
