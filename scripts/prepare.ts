// Checks the devices that are named, migrates the database, and loads the demonstration shop when it is wanted and the
// database is empty.
import { migrateDatabase } from '@/db';
import { fillSupplyLines, startRuntime, takeDevices, takeOverOldJobs } from '@/server';
import { loadDemo } from '../demo/load-demo';

async function prepare(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await migrateDatabase(url);
  const runtime = startRuntime(url);
  await takeOverOldJobs(runtime.contextFor({ kind: 'service', name: 'Puddlestone' }));
  await fillSupplyLines(runtime.database);
  if (process.env.PUDDLESTONE_DEMO === '0') return runtime.pool.end();
  const started = Date.now();
  const tags = await loadDemo(runtime);
  if (tags.length)
    process.stdout.write(
      `Loaded the demonstration shop: ${tags.length} jobs in ${((Date.now() - started) / 1000).toFixed(0)} s\n`,
    );
  runtime.pool.end();
}

prepare().catch((error: unknown) => {
  console.error(error instanceof Error && error.message.startsWith('PUDDLESTONE_') ? error.message : error);
  process.exit(1);
});
