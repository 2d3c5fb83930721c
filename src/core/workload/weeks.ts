import { addDays, minutesADay, weekdayOf, type PlannedOperation } from '../planning';
import { byDays, openOn } from './plan-board';
import type { Absence, ShopPlanAsked, ShopResource } from './shop-plan';

/** What a hand or a place has to do in a week, over what it is open. */
export interface WeekLoad {
  /** ISO date of its Monday. */
  readonly monday: string;
  readonly openMinutes: number;
  readonly workMinutes: number;
  /** Null where it is closed the whole week. */
  readonly pct: number | null;
}

export interface WeeksRow extends Pick<ShopResource, 'id' | 'name' | 'kind'> {
  readonly weeks: readonly WeekLoad[];
}

/** Pumps that were promised for a week, and those of them that are ready later by the plan. */
export interface WeekPromises {
  readonly monday: string;
  readonly promised: number;
  readonly late: number;
  /** The fullest hand or place of the week; null where nothing is planned. */
  readonly narrowest: { readonly name: string; readonly pct: number } | null;
}

export interface WeeksShown {
  readonly rows: readonly WeeksRow[];
  readonly weeks: readonly WeekPromises[];
}

/** The Monday of a day's week. @example mondayOf('2026-11-27') // '2026-11-23' */
export function mondayOf(day: string): string {
  return addDays(day, 1 - weekdayOf(day));
}

interface Asked {
  readonly plan: ShopPlanAsked;
  readonly operations: readonly PlannedOperation[];
  readonly absences: readonly Absence[];
  readonly pumps: readonly { readonly plannedOn: string; readonly promisedOn: string }[];
  readonly count: number;
}

/** Minutes of work by hand or place and by week. */
function workByWeek(operations: readonly PlannedOperation[]): ReadonlyMap<string, number> {
  const work = new Map<string, number>();
  for (const { start, end, resources, pieces = [{ start, end }] } of operations)
    for (const { day, from, to } of resources.length ? pieces.flatMap(byDays) : [])
      for (const id of resources) {
        const key = `${id} ${mondayOf(day)}`;
        work.set(key, (work.get(key) ?? 0) + Math.min(minutesADay, to - from));
      }
  return work;
}

/** Load of every hand and place by week from today on, what is narrowest in each, and the promises that fall into it. */
export function weeksOf({ plan, operations, absences, pumps, count }: Asked): WeeksShown {
  const today = plan.now.slice(0, 10);
  const mondays = Array.from({ length: count }, (_, i) => addDays(mondayOf(today), 7 * i));
  const work = workByWeek(operations);
  const openOf = ({ id, calendarId }: ShopResource, monday: string) => {
    const calendar = plan.calendars.find((one) => one.id === calendarId);
    const isAway = (day: string) =>
      absences.some(({ resourceId, from, to }) => resourceId === id && from <= day && day <= to);
    const days = [0, 1, 2, 3, 4, 5, 6].map((i) => addDays(monday, i)).filter((day) => day >= today && !isAway(day));
    return days.reduce((sum, day) => sum + openOn(calendar, day), 0);
  };
  const rows = plan.resources.map((resource): WeeksRow => {
    const weeks = mondays.map((monday): WeekLoad => {
      const openMinutes = openOf(resource, monday);
      const workMinutes = work.get(`${resource.id} ${monday}`) ?? 0;
      const pct = openMinutes ? Math.round((100 * workMinutes) / openMinutes) : null;
      return { monday, openMinutes, workMinutes, pct };
    });
    return { id: resource.id, name: resource.name, kind: resource.kind, weeks };
  });
  return { rows, weeks: mondays.map((monday, i) => promisesOf(monday, { rows, i, pumps })) };
}

function promisesOf(
  monday: string,
  { rows, i, pumps }: Pick<Asked, 'pumps'> & { readonly rows: readonly WeeksRow[]; readonly i: number },
): WeekPromises {
  const own = pumps.filter(({ promisedOn }) => mondayOf(promisedOn) === monday);
  const full = rows.map(({ name, weeks }) => ({ name, pct: weeks[i]?.pct ?? 0 })).toSorted((a, b) => b.pct - a.pct)[0];
  return {
    ...{ monday, promised: own.length },
    late: own.filter(({ plannedOn, promisedOn }) => plannedOn > promisedOn).length,
    narrowest: full && full.pct > 0 ? full : null,
  };
}
