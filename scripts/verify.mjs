// npm run verify: replays every job's events and names where its tables differ from what was decided.
import { ensureNodePackages } from './lib/packages.mjs';

ensureNodePackages();
const { runOnDatabase } = await import('./lib/on-database.mjs');

await runOnDatabase('scripts/verify.ts');
