// npm run restore: brings a backup back into an empty database, and replays every job.
import { restoreBackup } from '@/server';

async function restore(): Promise<void> {
  const [file] = process.argv.slice(2);
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  if (!file) throw new Error('npm run restore -- FILE   brings a backup back into an empty place');
  const say = (line: string) => void process.stdout.write(`${line}\n`);
  const { replayed } = await restoreBackup(file, url, say);
  say(`${replayed} jobs replayed: each is what its events say. Everybody signs in anew.`);
}

restore().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
