// npm run archive: takes closed jobs of long ago out of the record into a file, or brings those of a file back.
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { archiveJobs, bringJobsBack, readShopName, startRuntime } from '@/server';

const usage = `npm run archive -- --closed-before DAY [--into FOLDER]
npm run archive -- --back FILE
  --closed-before DAY   jobs that closed before this day (2020-01-01) leave, where nothing leans on them
  --into FOLDER         where the file is written; else "archives" beside the backups
  --back FILE           brings the jobs of a file back`;

interface Asked {
  readonly back?: string | undefined;
  readonly into?: string | undefined;
  readonly 'closed-before'?: string | undefined;
}

async function archive({ back, into, 'closed-before': day }: Asked): Promise<string> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  const closedBefore = day === undefined ? null : new Date(`${day}T00:00:00Z`);
  if ((back === undefined) === (closedBefore === null) || Number.isNaN(closedBefore?.getTime())) throw new Error(usage);
  const runtime = startRuntime(url);
  try {
    const { database } = runtime;
    if (back !== undefined) return `${await bringJobsBack({ database, databaseUrl: url, file: back })} jobs are back`;
    const beside = join(process.env.PUDDLESTONE_BACKUPS ?? join(process.cwd(), '.data', 'backups'), '..', 'archives');
    const shop = await readShopName(database);
    const asked = { database, databaseUrl: url, folder: into ?? beside, now: new Date(), shop };
    const done = closedBefore && (await archiveJobs({ ...asked, closedBefore }));
    if (!done) return 'No job may leave: none closed before that day, or something leans on each.';
    return `${done.file}: ${done.jobs} jobs, ${(done.bytes / 1_048_576).toFixed(1)} MB, read again before they left. Keep a copy of the file apart.`;
  } finally {
    runtime.pool.end();
  }
}

const options = { back: { type: 'string' }, into: { type: 'string' }, 'closed-before': { type: 'string' } } as const;
archive(parseArgs({ options }).values).then(
  (words) => void process.stdout.write(`${words}\n`),
  (error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  },
);
