// npm run backup: see scripts/backup.ts.
import { resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

const isPath = (/** @type {string} */ _one, /** @type {string | undefined} */ previous) => previous === '--into';
// What a person names is meant from where they are; npm runs this from the project's folder.
const from = process.env.INIT_CWD ?? process.cwd();
const args = process.argv.slice(2).map((one, i, all) => (isPath(one, all[i - 1]) ? resolve(from, one) : one));

await runOnDatabase('scripts/backup.ts', args);
