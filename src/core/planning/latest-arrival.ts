import { readyRange, type Remaining } from './ready-range';
import { addDays } from './work-calendar';

/** No part is waited for longer than this before a promise. */
const mostDays = 400;

/** What remains once a part is on order for a day, and nothing else is waited for. */
const arrivingOn = (remaining: Remaining, day: string): Remaining => ({
  ...remaining,
  answerAwaited: false,
  partsLeadDays: 0,
  partsDueOn: day,
});

/**
 * The last day on which parts may come for a promise to hold, from the work that follows them: likely case, with its day
 * of slip. A day long before the promise where the work alone takes longer.
 * @param promisedOn ISO date
 */
export function latestArrival(remaining: Remaining, promisedOn: string): string {
  for (let days = 0; days < mostDays; days++) {
    const day = addDays(promisedOn, -days);
    if (readyRange(arrivingOn(remaining, day), day).likely <= promisedOn) return day;
  }
  return addDays(promisedOn, -mostDays);
}

/**
 * The day on which a job is likely to be ready if parts come on a day.
 * @param day ISO date; one before today counts as today
 */
export function readyIfArriving(remaining: Remaining, day: string, today: string): string {
  return readyRange(arrivingOn(remaining, day > today ? day : today), today).likely;
}
