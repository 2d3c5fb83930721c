// npm run verify: replays every job's events and names where its tables differ from what was decided.
import { join } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';

const root = join(import.meta.dirname, '..');
ensureNodePackages();
const { findRunning, startDatabase } = await import('./lib/database.mjs');
const { runScript } = await import('./lib/prepare.mjs');

const folder = process.env.PUDDLESTONE_DATA ?? join(root, '.data');
const running = process.env.DATABASE_URL ?? (await findRunning(folder));
const database = running ? null : await startDatabase(folder);
try {
  runScript('scripts/verify.ts', { DATABASE_URL: running ?? database?.url ?? '' });
} catch {
  process.exitCode = 1;
} finally {
  await database?.stop();
}
