// npm run restore: see scripts/restore.ts.
import { resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

const isPath = (/** @type {string} */ one) => !one.startsWith('-');
// What a person names is meant from where they are; npm runs this from the project's folder.
const from = process.env.INIT_CWD ?? process.cwd();
const args = process.argv.slice(2).map((one) => (isPath(one) ? resolve(from, one) : one));

await runOnDatabase('scripts/restore.ts', args);
