// npm start: installs what is missing, starts the database, migrates, loads the demonstration shop, builds, serves, and
// keeps up what it started until it is stopped.
import { join, resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';
import { fail, say } from './lib/say.mjs';

ensureNodePackages();
const { readEnvironment } = await import('./lib/environment.mjs');
const { startDatabase, keptWord } = await import('./lib/database.mjs');
const { claimFolder, endLeftover } = await import('./lib/data-folder.mjs');
const { keepUp } = await import('./lib/keep-up.mjs');
const { sizesOf, thisMachine } = await import('./lib/machine.mjs');
const { openLog, startLine } = await import('./lib/log-files.mjs');
const { serveMetrics } = await import('./lib/serve-metrics.mjs');
const { watchDisk } = await import('./lib/watch-disk.mjs');
const { waitForPort } = await import('./lib/ports.mjs');
const { buildWhenChanged } = await import('./lib/build.mjs');
const { runScript } = await import('./lib/prepare.mjs');
const { serve } = await import('./lib/serve.mjs');

const settings = readEnvironment(process.env, fail);
const dataFolder = resolve(settings.PUDDLESTONE_DATA ?? join(import.meta.dirname, '..', '.data'));
const sizes = sizesOf(thisMachine(), {
  processes: settings.PUDDLESTONE_PROCESSES,
  heapMb: settings.PUDDLESTONE_HEAP_MB,
  bufferMb: settings.PUDDLESTONE_BUFFER_MB,
});

/** @type {ReturnType<typeof claimFolder>} */
let claim;
try {
  claim = claimFolder(dataFolder);
} catch (error) {
  fail(error instanceof Error ? error.message : String(error));
}

/** @type {(() => unknown | Promise<unknown>)[]} what is stopped at the end, the last first */
const stops = [() => claim.release()];
/** @type {Promise<void> | undefined} */
let stopping;
const stopAll = () =>
  (stopping ??= (async () => {
    for (const stop of stops.reverse()) await stop();
  })());
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (!stopping) say('Stopping …');
    stopAll().then(
      () => process.exit(0),
      (error) => fail(`It did not stop as it should: ${error instanceof Error ? error.message : error}`),
    );
  });
// A terminal that is closed is no reason to fall.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

try {
  for (const [name, left] of claim.leftovers) {
    say(`Ending what an earlier start left running on this data folder: ${name} (process ${left.pid}) …`);
    await endLeftover(left);
  }
  if (!(await waitForPort(settings.PORT, settings.HOST)))
    throw new Error(
      `Port ${settings.PORT} is in use. Stop what uses it, or start with another one: PORT=4171 npm start`,
    );
  const log = openLog(dataFolder, settings.PUDDLESTONE_LOG);
  const tell = (/** @type {string} */ line) => {
    // Where the log goes to the standard output, too, it is said once.
    if (log.path) say(line);
    log.write(startLine(line));
  };
  const figuresPort = settings.PUDDLESTONE_METRICS_PORT ?? (settings.PORT + 1000 < 65536 ? settings.PORT + 1000 : 5170);
  const figures = await serveMetrics({ port: figuresPort, dataFolder });
  stops.push(figures.stop);
  const note = (/** @type {string} */ name, /** @type {number | undefined} */ pid) => {
    claim.note(name, pid);
    figures.note(name, pid);
  };

  let url = settings.DATABASE_URL;
  if (!url) {
    /** @type {number | undefined} */
    let port;
    const database = await keepUp({
      name: 'The database',
      start: async () => {
        // Known from its first moment, so that one that is still starting when this start is killed is found, too.
        const onSpawn = (/** @type {number | undefined} */ pid) => note('database', pid);
        const running = await startDatabase(dataFolder, { port, bufferMb: sizes.bufferMb, tell, onSpawn });
        ({ port, url } = running);
        return running;
      },
      tell,
      onChange: (isUp) => isUp || note('database', undefined),
    });
    stops.push(database.stop);
  }
  const environment = {
    DATABASE_URL: url ?? '',
    PUDDLESTONE_SECRET: settings.PUDDLESTONE_SECRET ?? keptWord(dataFolder, 'session-secret'),
    PUDDLESTONE_DEMO: settings.PUDDLESTONE_DEMO,
    PUDDLESTONE_BACKUPS: resolve(settings.PUDDLESTONE_BACKUPS ?? join(dataFolder, 'backups')),
    PUDDLESTONE_TRUSTED_PROXIES: settings.PUDDLESTONE_TRUSTED_PROXIES,
  };
  runScript('scripts/prepare.ts', environment);
  buildWhenChanged();
  stops.push(watchDisk(dataFolder, tell));
  const { processes, heapMb } = sizes;
  const server = await serve({
    ...{ port: settings.PORT, host: settings.HOST, environment, processes, heapMb },
    ...{ log: log.write, tell, onChange: note },
  });
  stops.push(server.stop);
  say(`\nPuddlestone is at http://localhost:${settings.PORT}  (Ctrl-C stops it and its database)`);
  say(`${processes} serving ${processes === 1 ? 'process' : 'processes'}${log.path ? `; log: ${log.path}` : ''}`);
  say(
    figures.isListening
      ? `Figures for Prometheus, on this machine only: http://127.0.0.1:${figuresPort}/metrics`
      : `No figures for Prometheus: port ${figuresPort} is in use (PUDDLESTONE_METRICS_PORT names another).`,
  );
  if (settings.PUDDLESTONE_DEMO === '1') runScript('scripts/print-sign-ins.ts', environment);
  else say('No demonstration data: the first visit creates the owner.');
  // What is kept up goes on until a signal comes.
  setInterval(() => undefined, 2 ** 30);
} catch (error) {
  await stopAll();
  fail(error instanceof Error ? error.message : String(error));
}
