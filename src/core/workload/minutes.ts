import { workOf } from '../bench';
import type { Family } from '../family';
import { comesBefore, type JobRecord } from '../record';

/** Minutes of the family's standing tasks at a station. */
export function minutesAt(family: Pick<Family, 'labour'>, station: Family['labour'][number]['station']): number {
  const tasks = family.labour.filter((task) => task.station === station && !task.on);
  return tasks.reduce((sum, task) => sum + task.minutes, 0);
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
