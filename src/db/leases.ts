import { sql } from 'drizzle-orm';
import { rowsOf, type Connection } from './client';

/** How long a lease holds without being renewed, in seconds. */
export const leaseSeconds = 60;

export interface Lease {
  readonly name: string;
  /** Machine and process. */
  readonly holder: string;
}

const until = sql`timestampadd(second, ${leaseSeconds}, utc_timestamp(3))`;

/**
 * Takes a lease that nobody has, or whose holder did not renew it in time, by the database's clock: the copies' own may
 * differ. A row and compare-and-set, since a lock of the server would hold on one node of a cluster only. Gives whether
 * it is this holder's now.
 */
export async function takeLease(connection: Connection, { name, holder }: Lease): Promise<boolean> {
  const [made] = await connection.execute(
    sql`insert ignore into leases (name, holder, since, until) values (${name}, ${holder}, utc_timestamp(3), ${until})`,
  );
  if (made.affectedRows === 1) return true;
  const [taken] = await connection.execute(
    sql`update leases set holder = ${holder}, since = utc_timestamp(3), until = ${until}
        where name = ${name} and until < utc_timestamp(3)`,
  );
  return taken.affectedRows === 1;
}

/** Renews a lease; false when it is not this holder's any more. */
export async function renewLease(connection: Connection, { name, holder }: Lease): Promise<boolean> {
  const [kept] = await connection.execute(
    sql`update leases set until = ${until} where name = ${name} and holder = ${holder}`,
  );
  return kept.affectedRows === 1;
}

export async function giveLeaseBack(connection: Connection, { name, holder }: Lease): Promise<void> {
  await connection.execute(sql`delete from leases where name = ${name} and holder = ${holder}`);
}

/** Who has a lease and since when, as a moment in UTC; null when nobody does. */
export async function findLease(connection: Connection, name: string) {
  const [row] = await rowsOf<{ holder: string; since: string }>(
    connection,
    sql`select holder, date_format(since, '%Y-%m-%dT%H:%i:%sZ') as since from leases where name = ${name} and until >= utc_timestamp(3)`,
  );
  return row ?? null;
}
