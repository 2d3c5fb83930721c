import type { ChainedEvent } from '@/core/lifecycle';
import { present } from '@/core/present';
import type { Stage, Visit } from './draw-visits';
import type { Played } from './warp-job';
import type { WorkLine } from './work-line';

/** The event with which each part of a stay is over; of several, the last. */
const endings: Readonly<Record<string, Stage>> = {
  'begin-teardown': 'teardownBegins',
  'finish-teardown': 'teardownEnds',
  'finish-cleaning': 'cleaned',
  'finish-inspection': 'inspected',
  'send-quote': 'sent',
  'record-approval': 'answered',
  'order-parts': 'ordered',
  'start-rebuild': 'rebuildBegins',
  'decide-run': 'tested',
  'issue-report': 'reported',
  'release-pump': 'released',
  'deliver-pump': 'delivered',
};

/** Which event is fixed at which minute of the shop's line. */
function fixedOf(events: readonly ChainedEvent[], { opened, times, arrivals }: Visit): ReadonlyMap<number, number> {
  const fixed = new Map([[0, opened]]);
  const kinds = events.map(({ kind }) => kind);
  for (const [kind, stage] of Object.entries(endings)) {
    const at = kinds.lastIndexOf(kind);
    if (at > 0) fixed.set(at, times[stage]);
  }
  const counted = kinds.flatMap((kind, i) => (kind === 'receive-parts' ? [i] : []));
  for (const [i, at] of counted.entries()) {
    const arrival = arrivals[Math.min(i, arrivals.length - 1)];
    if (arrival !== undefined) fixed.set(at, arrival);
  }
  return fixed;
}

/**
 * When each event of a played job happened in a visit, in milliseconds since 1970: what ends a part of the stay at its
 * time, what lies between in the same shares of the working time.
 */
export function eventTimes({ events }: Played, visit: Visit, line: WorkLine): readonly number[] {
  const fixed = fixedOf(events, visit);
  const minutes = events.map(({ at }) => line.minuteOf(Date.parse(at)));
  const times: number[] = [];
  let [from, begin] = [0, visit.opened];
  for (const [at, minute] of [...fixed].sort(([a], [b]) => a - b)) {
    // Two parcels of one morning are counted one after the other.
    const end = Math.max(begin, minute);
    const span = present(minutes[at]) - present(minutes[from]);
    for (let i = from; i <= at; i++) {
      const share = span > 0 ? (present(minutes[i]) - present(minutes[from])) / span : Number(i === at);
      times[i] = begin + share * (end - begin);
    }
    [from, begin] = [at, end];
  }
  for (let i = from + 1; i < events.length; i++) times[i] = begin + (i - from);
  return times.map((minute) => Math.round(line.momentOf(minute) / 1000) * 1000);
}
