import { LRUCache } from 'lru-cache';
import { ofProcess } from '@/core/of-process';
import type { JobRecord } from '@/core/record';

/** Open jobs that people work on at the same time, and some more; one with 330 answers was measured at 0.6 MB. */
const most = 64;
/** Whoever writes an entry and whoever draws the page of its job are of two bundles. */
const kept = ofProcess('records', () => new LRUCache<string, JobRecord>({ max: most }));

/**
 * Keeps the record of a job as it stood after its last event, so that the next who asks need not read its rows. The
 * hash of that event vouches for every row of it, and another process or a restored database shows another hash: what
 * is kept is never out of date, only unused. A record is to be kept when its event is committed, not before.
 */
export function keepRecord(record: JobRecord): void {
  kept.set(record.id, record);
}

type At = Pick<JobRecord, 'id' | 'version' | 'headHash'>;

/** The record that is kept of a job, where its last event is the same; else undefined. */
export function keptRecord({ id, version, headHash }: At): JobRecord | undefined {
  const record = kept.get(id);
  return record?.version === version && record.headHash === headHash ? record : undefined;
}

/** Of more events than these the rows themselves are read sooner. */
const mostBehind = 24;

/** The record that is kept of a job as it stood some events ago; else undefined. */
export function recordBehind({ id, version }: Pick<At, 'id' | 'version'>): JobRecord | undefined {
  const record = kept.get(id);
  return record && record.version < version && record.version >= version - mostBehind ? record : undefined;
}
