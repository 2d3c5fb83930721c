import metrics from 'prom-client';
import { countDueOutbox, findLastBackup } from '@/db';
import { getRuntime } from './runtime';

/** How long a question of the figures may take, in ms: whoever asks for them does not wait for a database that hangs. */
const withinMs = 1000;

interface FromRecord {
  readonly waiting: number;
  /** In seconds. */
  readonly oldestWaits: number;
  /** In seconds; null where there is no good backup. */
  readonly backupAge: number | null;
}

async function readRecord(): Promise<FromRecord> {
  const { database } = getRuntime();
  const now = new Date();
  const secondsSince = (at: Date) => Math.max(0, (now.getTime() - at.getTime()) / 1000);
  const [{ waiting, oldest }, backup] = await Promise.all([countDueOutbox(database, now), findLastBackup(database)]);
  return {
    waiting,
    oldestWaits: oldest ? secondsSince(oldest) : 0,
    backupAge: backup ? secondsSince(backup.finishedAt) : null,
  };
}

/** One question for all figures of one moment. */
let asked: { readonly at: number; readonly read: Promise<FromRecord | null> } | undefined;

/** What the record says; null when it does not answer in time. */
function readOnce(): Promise<FromRecord | null> {
  if (asked && performance.now() - asked.at < withinMs) return asked.read;
  const late = new Promise<null>((resolve) => setTimeout(resolve, withinMs, null).unref());
  const read = Promise.race([readRecord().catch(() => null), late]);
  asked = { at: performance.now(), read };
  return read;
}

/** Every process says the same of the record: the largest is taken, not their sum. */
function ofRecord(name: string, help: string, take: (read: FromRecord) => number): void {
  new metrics.Gauge({
    name,
    help,
    aggregator: 'max',
    async collect() {
      const read = await readOnce();
      if (read) this.set(take(read));
    },
  });
}

/** The figures of this process that the record or its driver know; those of requests are counted beneath Next. */
export function registerFigures(): void {
  if (metrics.register.getSingleMetric('puddlestone_database_up')) return;
  const { pool } = getRuntime();
  let inUse = 0;
  pool.on('acquire', () => inUse++);
  pool.on('release', () => inUse--);
  new metrics.Gauge({
    name: 'puddlestone_database_connections_in_use',
    help: 'Connections to the database that answer something just now',
    collect() {
      this.set(inUse);
    },
  });
  new metrics.Gauge({
    name: 'puddlestone_database_up',
    help: 'Whether the database answers',
    aggregator: 'min',
    async collect() {
      this.set((await readOnce()) ? 1 : 0);
    },
  });
  ofRecord('puddlestone_outbox_due', 'Rows of the outbox that are due and not done', ({ waiting }) => waiting);
  ofRecord(
    'puddlestone_outbox_oldest_seconds',
    'For how long the oldest row of the outbox has been due',
    ({ oldestWaits }) => oldestWaits,
  );
  ofRecord(
    'puddlestone_backup_age_seconds',
    'Since the last good backup; -1 where there is none',
    ({ backupAge }) => backupAge ?? -1,
  );
}
