// npm run backup: see scripts/backup.ts.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/backup.ts', process.argv.slice(2));
