// npm start: installs what is missing, starts the database, migrates, loads the demonstration shop, builds, serves.
import { join, resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';
import { fail, say } from './lib/say.mjs';

ensureNodePackages();
const { readEnvironment } = await import('./lib/environment.mjs');
const { startDatabase, keptWord } = await import('./lib/database.mjs');
const { isPortFree } = await import('./lib/ports.mjs');
const { buildWhenChanged } = await import('./lib/build.mjs');
const { runScript } = await import('./lib/prepare.mjs');
const { serve } = await import('./lib/serve.mjs');
const { mkdirSync } = await import('node:fs');

const settings = readEnvironment(process.env, fail);
const dataFolder = resolve(settings.PUDDLESTONE_DATA ?? join(import.meta.dirname, '..', '.data'));
if (!(await isPortFree(settings.PORT, settings.HOST)))
  fail(`Port ${settings.PORT} is in use. Stop what uses it, or start with another one: PORT=4171 npm start`);

/** @type {Awaited<ReturnType<typeof startDatabase>> | undefined} */
let database;
/** @type {Awaited<ReturnType<typeof serve>> | undefined} */
let server;
/** @type {Promise<void> | undefined} */
let stopping;
const stopAll = () =>
  (stopping ??= (async () => {
    await server?.stop();
    await database?.stop();
  })());
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stopAll().then(() => process.exit(0)));

try {
  mkdirSync(dataFolder, { recursive: true, mode: 0o700 });
  if (!settings.DATABASE_URL) database = await startDatabase(dataFolder);
  const environment = {
    DATABASE_URL: settings.DATABASE_URL ?? database?.url ?? '',
    PUDDLESTONE_SECRET: settings.PUDDLESTONE_SECRET ?? keptWord(dataFolder, 'session-secret'),
    PUDDLESTONE_DEMO: settings.PUDDLESTONE_DEMO,
  };
  buildWhenChanged();
  runScript('scripts/prepare.ts', environment);
  server = await serve({ port: settings.PORT, host: settings.HOST, environment });
  say(`\nPuddlestone is at http://localhost:${settings.PORT}  (Ctrl-C stops it and its database)`);
  if (settings.PUDDLESTONE_DEMO === '1') runScript('scripts/print-sign-ins.ts', environment);
  else say('No demonstration data: the first visit creates the owner.');
  await server.ended;
  await stopAll();
} catch (error) {
  await stopAll();
  fail(error instanceof Error ? error.message : String(error));
}
