// How much is in the record that is measured: a part of `npm run bench`.
import { createConnection } from 'mysql2/promise';

/**
 * @param {string} url
 * @param {string} statement
 * @returns {Promise<readonly any[]>}
 */
async function ask(url, statement) {
  const connection = await createConnection({ uri: url, timezone: 'Z' });
  const [rows] = await connection.query(statement);
  await connection.end();
  return /** @type {readonly any[]} */ (rows);
}

/** Closed and open jobs, and what the record takes on the disk. @param {string} url */
export async function countJobs(url) {
  const [jobs] = await ask(url, 'select count(*) as n, count(closed_at) as closed from jobs');
  const [size] = await ask(
    url,
    'select round(sum(data_length + index_length) / 1000000) as mb from information_schema.tables where table_schema = database()',
  );
  return { closed: Number(jobs.closed), open: Number(jobs.n) - Number(jobs.closed), megabytes: Number(size.mb) };
}

/** Tags of the copies of a job that are open. @param {string} url @param {string} tag @returns {Promise<string[]>} */
export async function copiesOf(url, tag) {
  const number = Number(tag.slice(2)) % 1000;
  const rows = await ask(
    url,
    `select tag from jobs where closed_at is null and length(tag) > 7 and substr(tag, 3) % 1000 = ${number} order by tag`,
  );
  return rows.map((row) => String(row.tag));
}
