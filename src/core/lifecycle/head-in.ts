import type { Holder, Station } from '../record';

/** Where an event leaves a job, and with whom. */
export interface HeadAfter {
  readonly station: Station;
  readonly holder: Holder;
}

/** Where an event leaves the job, from its canonical data; null for one that says nothing of it. */
export function headIn(data: string): HeadAfter | null {
  // Most events are entries at the bench: they are not read for this.
  if (!data.includes('"put":"job"')) return null;
  const { changes = [] } = JSON.parse(data) as { changes?: readonly { put: string; row: HeadAfter }[] };
  const head = changes.findLast(({ put }) => put === 'job')?.row;
  return head ? { station: head.station, holder: head.holder } : null;
}
