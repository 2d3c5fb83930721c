// Takes a job in from the zip that another shop wrote. Says its tag here, or why not; ends with 1 where it is refused.
import { existsSync, readFileSync } from 'node:fs';
import { DomainError, sayDetails } from '@/core/errors';
import { importJobFolder, startRuntime } from '@/server';

async function takeIn(path: string | undefined): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  if (!path) throw new Error('Name the zip: npm run import-job -- P-0412.zip');
  if (!existsSync(path)) throw new Error(`There is no file ${path}.`);
  const runtime = startRuntime(url);
  try {
    const context = runtime.contextFor({ kind: 'service', name: 'Puddlestone' });
    const tag = await importJobFolder(context, readFileSync(path));
    process.stdout.write(`${path} is here as ${tag}\n`);
  } finally {
    runtime.pool.end();
  }
}

const said = (error: unknown) => (error instanceof Error ? error.message : String(error));

takeIn(process.argv[2]).catch((error: unknown) => {
  const words = error instanceof DomainError ? (sayDetails(error.details) ?? error.code) : said(error);
  process.stderr.write(`${words}\n`);
  process.exitCode = 1;
});
