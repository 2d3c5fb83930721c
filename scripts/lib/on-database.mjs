import { join, resolve } from 'node:path';
import { claimFolder, Refusal } from './data-folder.mjs';
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
  const folder = resolve(process.env.PUDDLESTONE_DATA ?? join(root, '.data'));
  const environment = { PUDDLESTONE_BACKUPS: resolve(process.env.PUDDLESTONE_BACKUPS ?? join(folder, 'backups')) };
  const running = process.env.DATABASE_URL || (await findRunning(folder));
  try {
    if (running) return void runScript(path, { ...environment, DATABASE_URL: running }, args);
    const claim = claimFolder(folder);
    const database = await startDatabase(folder);
    try {
      runScript(path, { ...environment, DATABASE_URL: database.url }, args);
    } finally {
      await database.stop();
      await claim.release();
    }
  } catch (error) {
    // A script has said by itself why it ended.
    if (error instanceof Refusal) process.stderr.write(`${error.message}\n`);
    process.exitCode = 1;
  }
}

/**
 * Arguments with the paths among them, those that follow one of the flags, as meant from where the person is: npm runs
 * commands from the project's folder.
 * @param {readonly string[]} args
 * @param {readonly string[]} flags
 */
export function withPaths(args, flags) {
  const from = process.env.INIT_CWD ?? process.cwd();
  return args.map((one, i) => (flags.includes(args[i - 1] ?? '') ? resolve(from, one) : one));
}
