// npm run import-job -- <zip>: takes a job in that another shop wrote as a folder.
import { resolve } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

const [path] = process.argv.slice(2);
await runOnDatabase('scripts/import-job.ts', path ? [resolve(path)] : []);
