// Used by the benchmark: multiplies the demonstration's jobs. Arguments: copies, offset, open | closed.
import { present } from '@/core/present';
import { multiplyJobs, openDatabase } from '@/db';

const [times, from, state] = process.argv.slice(2);
const { database, pool } = openDatabase(present(process.env.DATABASE_URL));
multiplyJobs(database, { times: Number(times), from: Number(from), closed: state === 'closed' })
  .then(() => pool.end(() => undefined))
  .catch((error: unknown) => {
    console.error(error);
    process.exit(1);
  });
