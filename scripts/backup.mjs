// npm run backup: see scripts/backup.ts.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase, withPaths } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/backup.ts', withPaths(process.argv.slice(2), ['--into']));
