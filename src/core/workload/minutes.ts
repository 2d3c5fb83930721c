import { workOf } from '../bench';
import type { Family } from '../family';
import { comesBefore, type JobRecord } from '../record';
import type { WorkStation } from './worked';

type Task = Family['labour'][number];

/** Minutes of a task at a station: cleaning that is sold with another task is done at its own. */
function minutesOf({ station, minutes, cleaning = 0 }: Task, at: Task['station']): number {
  if (station === 'clean') return at === 'clean' ? minutes : 0;
  if (at === 'clean') return cleaning;
  return at === station ? minutes - cleaning : 0;
}

/** Minutes of the family's standing tasks at a station. */
export function minutesAt(family: Pick<Family, 'labour'>, station: Task['station']): number {
  return family.labour.filter(({ on }) => !on).reduce((sum, task) => sum + minutesOf(task, station), 0);
}

/** Minutes of the desk, which no family lists. */
export const deskMinutes = { quote: 45, report: 30 } as const;

/** Minutes that a station usually takes: by the family, or of the desk. */
export function usualMinutes(family: Pick<Family, 'labour'>, station: WorkStation): number {
  return station === 'quote' || station === 'report' ? deskMinutes[station] : minutesAt(family, station);
}

/** How much of a station's steps is still to do, from 1 to 0. */
function shareLeft(record: JobRecord, family: Family, phase: 'teardown' | 'rebuild'): number {
  const work = workOf(record, family, phase);
  return work.length ? work.filter((one) => !one.isDone).length / work.length : 0;
}

/** Minutes of a station that are ahead, in part where the job stands there, or nothing where it is passed. */
export function minutesAhead(record: JobRecord, family: Family, phase: 'teardown' | 'rebuild'): number {
  const whole = minutesAt(family, phase);
  if (comesBefore(record.station, phase)) return whole;
  return record.station === phase ? whole * shareLeft(record, family, phase) : 0;
}
