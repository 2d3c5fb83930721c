import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createConnection } from 'mysql2/promise';

/** Runs the committed migrations under a lock of the server, so that several copies may start at once. */
export async function migrateDatabase(
  url: string,
  folder = join(process.cwd(), 'src', 'db', 'migrations'),
): Promise<void> {
  const connection = await createConnection({ uri: url, timezone: 'Z' });
  try {
    await connection.query("SELECT GET_LOCK('puddlestone-migrate', 60)");
    await migrate(drizzle(connection), { migrationsFolder: folder });
  } finally {
    await connection.query("SELECT RELEASE_LOCK('puddlestone-migrate')").catch(() => undefined);
    await connection.end();
  }
}
