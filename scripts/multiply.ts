// Used by the benchmark: multiplies the demonstration's jobs. Arguments: copies, offset, open | closed.
import { present } from '@/core/present';
import { multiplyJobs, openDatabase, packClosed, putClosedOnLists } from '@/db';

const [times, from, state] = process.argv.slice(2);
const { database, pool } = openDatabase(present(process.env.DATABASE_URL));
/** The record as it stands hours later: what is over is packed. */
async function packAll(): Promise<void> {
  while ((await packClosed(database, new Date(), 50)) === 50);
}

packAll()
  .then(() => multiplyJobs(database, { times: Number(times), from: Number(from), closed: state === 'closed' }))
  .then(() => putClosedOnLists(database))
  .then(() => pool.end(() => undefined))
  .catch((error: unknown) => {
    console.error(error);
    process.exit(1);
  });
