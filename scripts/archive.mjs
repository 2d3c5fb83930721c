// npm run archive: see scripts/archive.ts.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase, withPaths } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/archive.ts', withPaths(process.argv.slice(2), ['--into', '--back']));
