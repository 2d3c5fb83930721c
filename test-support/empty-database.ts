import { createConnection } from 'mysql2/promise';
import { present } from '@/core/present';

const server = () => present(process.env.DATABASE_URL);

/** The address of a database of this name on the server of the tests. */
export const urlOfDatabase = (name: string) => server().replace(/\/[^/]*$/, `/puddlestone_${name}`);

/** Makes an empty database anew. Gives its address. */
export async function makeEmptyDatabase(name: string, charset = 'utf8mb4'): Promise<string> {
  const root = await createConnection({ uri: server() });
  await root.query(`drop database if exists puddlestone_${name}`);
  await root.query(`create database puddlestone_${name} character set ${charset}`);
  await root.end();
  return urlOfDatabase(name);
}

/** The names of the tables in a database. */
export async function tablesOf(url: string): Promise<readonly string[]> {
  const connection = await createConnection({ uri: url, rowsAsArray: true });
  const [rows] = await connection.query('show tables');
  await connection.end();
  return (rows as string[][]).flat();
}

/** Sends one statement to a database. */
export async function sendTo(url: string, sql: string): Promise<void> {
  const connection = await createConnection({ uri: url });
  await connection.query(sql).finally(() => connection.end());
}
