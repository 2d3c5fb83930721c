import { createConnection } from 'mysql2/promise';
import { present } from '@/core/present';
import { migrateDatabase } from '@/db';

/** An empty database of a test alone, migrated. Gives its address. */
export async function emptyDatabase(name: string): Promise<string> {
  const url = new URL(present(process.env.DATABASE_URL));
  const root = await createConnection({ uri: url.href });
  await root.query(`DROP DATABASE IF EXISTS ${name}`);
  await root.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await root.end();
  url.pathname = `/${name}`;
  await migrateDatabase(url.href);
  return url.href;
}
