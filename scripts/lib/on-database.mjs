import { join } from 'node:path';
import { findRunning, startDatabase } from './database.mjs';
import { runScript } from './prepare.mjs';

const root = join(import.meta.dirname, '..', '..');

/**
 * Runs a script on the shop's database: the one that is named, the one that runs, or one that is started for it. The
 * process ends with 1 where the script does.
 * @param {string} path
 * @param {readonly string[]} args
 */
export async function runOnDatabase(path, args = []) {
  const folder = process.env.PUDDLESTONE_DATA ?? join(root, '.data');
  const running = process.env.DATABASE_URL ?? (await findRunning(folder));
  const database = running ? null : await startDatabase(folder);
  try {
    runScript(path, { DATABASE_URL: running ?? database?.url ?? '' }, args);
  } catch {
    process.exitCode = 1;
  } finally {
    await database?.stop();
  }
}
