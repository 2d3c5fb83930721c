import { sql } from 'drizzle-orm';
import { rowsOf, type Connection } from './client';

/**
 * Tables of a job that are copied, each with the columns that name rows of the copy. Pictures and issued papers stay
 * out for their size.
 */
const copied: Readonly<Record<string, readonly string[]>> = {
  pumps: ['id'],
  jobs: ['id', 'pump_id'],
  intakes: ['job_id'],
  events: ['job_id'],
  event_chapters: ['job_id'],
  acknowledgements: ['job_id'],
  looks: ['job_id'],
  promise_moves: ['job_id'],
  corrections: ['job_id'],
  part_accounts: ['job_id'],
  steps_done: ['job_id'],
  answers: ['job_id'],
  sheets: ['job_id'],
  readings: ['job_id'],
  findings: ['id', 'job_id'],
  dispositions: ['finding_id', 'job_id'],
  quotes: ['id', 'job_id'],
  quote_lines: ['id', 'quote_id', 'job_id'],
  approvals: ['id', 'job_id', 'quote_id'],
  questions: ['id', 'job_id', 'quote_id'],
  agreements: ['job_id'],
  declines_settled: ['job_id', 'approval_id'],
  reminders: ['job_id', 'quote_id'],
  purchase_orders: ['id', 'job_id'],
  purchase_order_lines: ['id', 'order_id', 'job_id'],
  receipts: ['id', 'job_id', 'line_id'],
  test_runs: ['id', 'job_id'],
  returns: ['job_id'],
};

/** Minutes between a copy of a closed job and the next: a thousand copies are the record of eight years. */
const minutesApart = 3 * 24 * 60;

interface Asked {
  /** Copies of each job that is here with a tag below P-10000, of those that are closed or of those that are open. */
  readonly times: number;
  /** Added to the number of a copy, so that two calls do not meet. */
  readonly from: number;
  /** Whether jobs of the past are copied. */
  readonly closed: boolean;
}

/**
 * Multiplies the jobs that are here, for benchmarks: the same records under new ids, tags and serial numbers; those that
 * are closed were so one after the other, from today back, as in the record of a shop.
 */
export async function multiplyJobs(connection: Connection, { times, from, closed }: Asked): Promise<void> {
  // What is over is copied as it lies then, packed.
  const wanted = `length(tag) < 8 and closed_at is ${closed ? 'not null' : 'null'}`;
  const number = `(copies.seq + ${from})`;
  const moved = (column: string) =>
    `concat(substr(\`${column}\`, 1, 24), lpad(hex(${number}), 6, '0'), substr(\`${column}\`, 31))`;
  const age = 'timestampdiff(minute, closed_at, utc_timestamp())';
  // Counted on from its own age, and from today again past the last.
  const ageOfCopy = `(${age} + cast(copies.seq as signed) * ${minutesApart}) % ${times * minutesApart}`;
  const atAnother = (column: string) => `${column} + interval ${age} - ${ageOfCopy} minute`;
  const tagOfCopy = `concat('P-', 100000 + ${number} * 1000 + substr(tag, 3) % 1000)`;
  for (const [table, ids] of Object.entries(copied)) {
    const columns = await rowsOf<{ name: string }>(
      connection,
      sql.raw(
        `select column_name as name from information_schema.columns where table_schema = database() and table_name = '${table}' and extra not like '%GENERATED%' order by ordinal_position`,
      ),
    );
    const own: Readonly<Record<string, string>> = {
      ...Object.fromEntries(ids.map((id) => [id, moved(id)])),
      ...(table === 'pumps' && {
        serial: `concat(serial, '-', ${number})`,
        serial_key: `concat(serial_key, ${number})`,
      }),
      ...(table === 'purchase_orders' && { number: `concat('PX-', ${number}, '-', substr(number, 6))` }),
      ...(table === 'jobs' && {
        tag: tagOfCopy,
        search_text: `concat(${tagOfCopy}, ' ', ${number}, substr(search_text, length(tag) + 1))`,
        ...(closed && { opened_at: atAnother('opened_at'), closed_at: atAnother('closed_at') }),
      }),
    };
    // Now and then an id met one that was there already, for a reason not found; it is passed over rather than ending
    // the run.
    const here =
      table === 'pumps'
        ? `select distinct pump_id as own from jobs where ${wanted}`
        : `select id as own from jobs where ${wanted}`;
    const key = table === 'jobs' || table === 'pumps' ? 'id' : 'job_id';
    const list = columns.map(({ name }) => `\`${name}\``).join(', ');
    const values = columns.map(({ name }) => own[name] ?? `\`${table}\`.\`${name}\``).join(', ');
    await connection.execute(
      sql.raw(
        `insert ignore into \`${table}\` (${list}) select ${values} from \`${table}\` join (${here}) as here on here.own = \`${table}\`.\`${key}\` join seq_1_to_${times} as copies`,
      ),
    );
  }
  // Without it the database guesses from how the tables were before, and reads otherwise from run to run.
  await connection.execute(sql.raw(`analyze table ${Object.keys(copied).join(', ')}`));
}
