// npm run let-in: see scripts/let-in.ts.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/let-in.ts', process.argv.slice(2));
