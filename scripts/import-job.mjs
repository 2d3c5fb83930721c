// npm run import-job -- <zip>: takes a job in that another shop wrote as a folder.
import { join, resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';

const root = join(import.meta.dirname, '..');
ensureNodePackages();
const { findRunning, startDatabase } = await import('./lib/database.mjs');
const { runScript } = await import('./lib/prepare.mjs');

const folder = process.env.PUDDLESTONE_DATA ?? join(root, '.data');
const running = process.env.DATABASE_URL ?? (await findRunning(folder));
const database = running ? null : await startDatabase(folder);
try {
  const [path] = process.argv.slice(2);
  const args = path ? [resolve(path)] : [];
  runScript('scripts/import-job.ts', { DATABASE_URL: running ?? database?.url ?? '' }, args);
} catch {
  process.exitCode = 1;
} finally {
  await database?.stop();
}
