// Checks the devices that are named, migrates the database, and loads the demonstration shop when it is wanted and the
// database is empty.
import { UnfitDatabase, withSetUp } from '@/db';
import { fillSupplyLines, startRuntime, takeDevices, takeOverOldJobs } from '@/server';
import { loadDemo } from '../demo/load-demo';

const say = (line: string) => void process.stdout.write(`${line}\n`);

async function fill(url: string): Promise<void> {
  const runtime = startRuntime(url);
  try {
    await takeOverOldJobs(runtime.contextFor({ kind: 'service', name: 'Puddlestone' }));
    await fillSupplyLines(runtime.database);
    if (process.env.PUDDLESTONE_DEMO === '0') return;
    const started = Date.now();
    const tags = await loadDemo(runtime);
    const seconds = ((Date.now() - started) / 1000).toFixed(0);
    if (tags.length) say(`Loaded the demonstration shop: ${tags.length} jobs in ${seconds} s`);
  } finally {
    runtime.pool.end();
  }
}

async function prepare(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await withSetUp(url, () => fill(url), { tell: say });
}

prepare().catch((error: unknown) => {
  const isSaid = error instanceof Error && (error instanceof UnfitDatabase || error.message.startsWith('PUDDLESTONE_'));
  console.error(isSaid ? error.message : error);
  process.exit(1);
});
