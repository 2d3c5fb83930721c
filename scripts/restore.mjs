// npm run restore: see scripts/restore.ts.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/restore.ts', process.argv.slice(2));
