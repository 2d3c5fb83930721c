import type { PlanAsked, PlannedOperation, WrittenPlan } from '@/core/planning';

const minuteMs = 60_000;
const at = (text: string) => Date.parse(`${text}Z`) / minuteMs;

/** Whether a resource is there in the minute that begins then: looked up anew in the calendar as it is written. */
function isOpen({ calendars }: PlanAsked, calendar: string | undefined, minute: number): boolean {
  if (calendar === undefined) return true;
  const own = calendars.find(({ id }) => id === calendar);
  const date = new Date(minute * minuteMs);
  const [day, time] = date.toISOString().slice(0, 16).split('T');
  const weekday = date.getUTCDay() || 7;
  if (!own || own.closed.includes(day ?? '')) return false;
  return own.weekly.some((one) => one.weekday === weekday && one.from <= (time ?? '') && (time ?? '') < one.to);
}

function faultsOf(asked: PlanAsked, plan: WrittenPlan, done: PlannedOperation): readonly string[] {
  const job = asked.jobs.find(({ id }) => id === done.job);
  const place = job?.operations.findIndex(({ id }) => id === done.operation) ?? -1;
  const operation = job?.operations[place];
  if (!job || !operation) return [`${done.job} ${done.operation} was not asked for`];
  const name = `${done.job} ${done.operation}`;
  const faults: string[] = [];
  const own = done.resources.map((id) => asked.resources.find((one) => one.id === id));
  if (new Set(done.resources).size !== operation.needs.length) faults.push(`${name} has the wrong number of resources`);
  for (const [i, need] of operation.needs.entries())
    if (!own[i]?.skills.includes(need)) faults.push(`${name} has nobody for ${need}`);
  const [start, end] = [at(done.start), at(done.end)];
  let worked = 0;
  for (let minute = start; minute < end; minute++) {
    const isWork = !done.pieces || done.pieces.some((piece) => at(piece.start) <= minute && minute < at(piece.end));
    const isThere = own.every((one) => isOpen(asked, one?.calendar, minute));
    if (isWork) worked += 1;
    if (isWork && !isThere) faults.push(`${name} is worked on while somebody is away`);
    if (!isWork && isThere) faults.push(`${name} pauses while all are there`);
  }
  if (worked !== operation.minutes) faults.push(`${name} has ${worked} minutes of work, not ${operation.minutes}`);
  const before = operation.after ?? (place ? [job.operations[place - 1]?.id ?? ''] : []);
  for (const id of before) {
    const other = plan.operations.find((one) => one.job === done.job && one.operation === id);
    if (!other || at(other.end) > start) faults.push(`${name} begins before ${id} is done`);
  }
  for (const ready of [asked.start, job.ready, operation.ready])
    if (ready && at(ready.length === 10 ? `${ready}T00:00` : ready) > start)
      faults.push(`${name} begins before ${ready}`);
  return [...new Set(faults)];
}

/** What is wrong with a plan; nothing where it can be carried out as it stands. */
export function planFaults(asked: PlanAsked, plan: WrittenPlan): readonly string[] {
  const faults = plan.operations.flatMap((one) => faultsOf(asked, plan, one));
  for (const { id } of asked.resources) {
    const own = plan.operations.filter(({ resources }) => resources.includes(id));
    const sorted = own.toSorted((a, b) => at(a.start) - at(b.start));
    for (const [i, one] of sorted.entries()) {
      const next = sorted[i + 1];
      if (next && at(next.start) < at(one.end)) faults.push(`${id} is at ${one.job} and ${next.job} at once`);
    }
  }
  const count = asked.jobs.reduce((sum, { operations }) => sum + operations.length, 0);
  if (plan.operations.length !== count) faults.push(`${plan.operations.length} of ${count} operations are planned`);
  return faults;
}
