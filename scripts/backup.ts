// npm run backup: the whole record in one file, while people work.
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { backUp, startRuntime } from '@/server';

const usage = `npm run backup -- [--into FOLDER] [--pictures-of-days N]
  --into FOLDER          where it is written; else the folder of the nightly ones
  --pictures-of-days N   leaves out pictures that are older than N days`;

async function backup(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  const { values } = parseArgs({ options: { into: { type: 'string' }, 'pictures-of-days': { type: 'string' } } });
  const days = values['pictures-of-days'] === undefined ? null : Number(values['pictures-of-days']);
  if (days !== null && !(Number.isInteger(days) && days > 0)) throw new RangeError(usage);
  const folder = values.into ?? process.env.PUDDLESTONE_BACKUPS ?? join(process.cwd(), '.data', 'backups');
  const runtime = startRuntime(url);
  const now = new Date();
  try {
    const made = await backUp(
      { database: runtime.database, databaseUrl: url, folder, now: () => new Date() },
      {
        askedBy: 'npm run backup',
        tidies: values.into === undefined,
        withoutPicturesBefore: days === null ? null : new Date(now.getTime() - days * 86_400_000),
      },
    );
    if (!made) throw new Error('Another backup is being made just now. Nothing was written.');
    if (made.failure !== null) throw new Error(made.failure);
    process.stdout.write(
      `${made.file}: ${made.jobs} jobs, ${made.pictures} pictures, ${(made.bytes / 1_048_576).toFixed(1)} MB, in ${((made.finishedAt.getTime() - now.getTime()) / 1000).toFixed(1)} s; read again, its hashes agree\n`,
    );
  } finally {
    runtime.pool.end();
  }
}

backup().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
