// Replays every job's events and says where its tables are no longer what was decided. Ends with 1 when one differs.
import { startRuntime, verifyAll } from '@/server';

async function verify(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  const runtime = startRuntime(url);
  const found: string[] = [];
  const count = await verifyAll(runtime.database, (tag, { seq, what, replayed, stored }) =>
    found.push(
      `${tag}${seq === null ? '' : `, event ${seq}`}: ${what}; by its events ${JSON.stringify(replayed)}, in the tables ${JSON.stringify(stored)}`,
    ),
  );
  runtime.pool.end();
  for (const line of found) process.stdout.write(`${line}\n`);
  process.stdout.write(`${count} jobs replayed, ${found.length} differ from their events\n`);
  if (found.length) process.exitCode = 1;
}

verify().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
