import { addDays, minutesADay, timeOfDay, weekdayOf, type PlannedOperation } from '../planning';
import type { Absence, ShopCalendar, ShopPlanAsked, ShopResource } from './shop-plan';
import type { WorkAhead } from './work-ahead';

/** Work on one hand or place on one day: a stone in that day's basin. */
export interface Stone {
  readonly tag: string;
  readonly operation: string;
  readonly title: string;
  /** HH:MM of its first and last minute on this day. */
  readonly from: string;
  readonly to: string;
  readonly minutes: number;
  /** Hands and places beside this one. */
  readonly beside: readonly string[];
  readonly isWished: boolean;
}

export interface Basin {
  readonly day: string;
  /** How long it is open; 0 where it is closed or away. */
  readonly openMinutes: number;
  /** Why it is away; null where it is not. */
  readonly away: string | null;
  readonly stones: readonly Stone[];
}

export interface BoardRow {
  readonly id: string;
  readonly name: string;
  readonly kind: ShopResource['kind'];
  readonly skills: readonly string[];
  readonly basins: readonly Basin[];
  /** Work over open hours in the days shown, in per cent; null where it is never open. */
  readonly loadPct: number | null;
}

/** A stretch of time in which a pump waits for something that takes no hand. */
export interface Afloat {
  readonly tag: string;
  readonly kind: NonNullable<WorkAhead['wait']>['kind'];
  readonly title: string;
  readonly untilDay: string;
}

/** What a bench may be used for, where it never closes: a day of twelve hours. */
const openDay = 12 * 60;

/** How many minutes a calendar is open on a day. */
export function openOn(calendar: ShopCalendar | undefined, day: string): number {
  if (!calendar) return openDay;
  if (calendar.closed.includes(day)) return 0;
  const weekday = weekdayOf(day);
  return calendar.weekly
    .filter((one) => one.weekday === weekday)
    .reduce((sum, { from, to }) => sum + (timeOfDay(to) ?? 0) - (timeOfDay(from) ?? 0), 0);
}

interface Piece {
  readonly day: string;
  readonly from: number;
  readonly to: number;
}

/** A stretch of time cut at midnights. */
export function byDays({ start, end }: { readonly start: string; readonly end: string }): readonly Piece[] {
  const pieces: Piece[] = [];
  const [first, last] = [start.slice(0, 10), end.slice(0, 10)];
  for (let day = first; day <= last && pieces.length < 400; day = day === last ? '~' : addDays(day, 1)) {
    const from = day === first ? (timeOfDay(start.slice(11)) ?? 0) : 0;
    const to = day === last ? (timeOfDay(end.slice(11)) ?? 0) : minutesADay;
    if (to > from) pieces.push({ day, from, to });
  }
  return pieces;
}

const sayTime = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

interface DayPart {
  readonly day: string;
  readonly from: string;
  readonly to: string;
  readonly minutes: number;
}

/** An operation's work by days, its pauses left out. */
function partsOf({ start, end, pieces = [{ start, end }] }: PlannedOperation): readonly DayPart[] {
  const days = new Map<string, Piece[]>();
  for (const piece of pieces.flatMap(byDays)) days.set(piece.day, [...(days.get(piece.day) ?? []), piece]);
  return [...days].map(([day, own]) => ({
    ...{ day, from: sayTime(own[0]?.from ?? 0), to: sayTime(own.at(-1)?.to ?? 0) },
    minutes: own.reduce((sum, { from, to }) => sum + to - from, 0),
  }));
}

interface BoardAsked {
  readonly plan: ShopPlanAsked;
  readonly operations: readonly PlannedOperation[];
  readonly absences: readonly (Absence & { readonly reason: string })[];
  readonly days: readonly string[];
}

const keyOf = (one: string, other: string) => `${one} ${other}`;

/** The stones of all hands and places in the days shown, by resource and day, in the order of the plan. */
function stonesOf({ plan, operations, days }: BoardAsked): ReadonlyMap<string, readonly Stone[]> {
  const shown = new Set(days);
  const [first = '', last = ''] = [days[0], days.at(-1)];
  const names = new Map(plan.resources.map(({ id, name }) => [id, name]));
  const titles = new Map(
    plan.pumps.flatMap(({ tag, work }) => work.map(({ id, title }) => [keyOf(tag, id), title] as const)),
  );
  const wished = new Set(plan.wishes.map(({ tag, operation }) => keyOf(tag, operation)));
  const stones = new Map<string, Stone[]>();
  for (const operation of operations) {
    const { job: tag, operation: id, start, end, resources } = operation;
    if (!resources.length || start.slice(0, 10) > last || end.slice(0, 10) < first) continue;
    const work = { tag, operation: id, title: titles.get(keyOf(tag, id)) ?? id, isWished: wished.has(keyOf(tag, id)) };
    for (const { day, ...part } of partsOf(operation).filter((one) => shown.has(one.day)))
      for (const resource of new Set(resources)) {
        const key = keyOf(resource, day);
        const beside = resources.filter((one) => one !== resource).map((one) => names.get(one) ?? one);
        const own = stones.get(key) ?? [];
        own.push({ ...work, ...part, beside });
        stones.set(key, own);
      }
  }
  return stones;
}

/** Hands and places down, days across, and in each what is done there. */
export function boardOf(asked: BoardAsked): readonly BoardRow[] {
  const { plan, days, absences } = asked;
  const stones = stonesOf(asked);
  return plan.resources.map(({ id, name, kind, skills, calendarId }) => {
    const calendar = plan.calendars.find((one) => one.id === calendarId);
    const basins = days.map((day): Basin => {
      const away = absences.find(({ resourceId, from, to }) => resourceId === id && from <= day && day <= to);
      const own = stones.get(keyOf(id, day)) ?? [];
      return {
        ...{ day, openMinutes: away ? 0 : openOn(calendar, day), away: away?.reason ?? null },
        stones: own.toSorted((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0)),
      };
    });
    const open = basins.reduce((sum, { openMinutes }) => sum + openMinutes, 0);
    const work = basins.flatMap((basin) => basin.stones).reduce((sum, { minutes }) => sum + minutes, 0);
    return { id, name, kind, skills, basins, loadPct: open ? Math.round((100 * work) / open) : null };
  });
}

/** What pumps wait for without a hand, with the day until which it is reckoned with. */
export function afloatOf({ pumps }: Pick<ShopPlanAsked, 'pumps'>, operations: readonly PlannedOperation[]) {
  const ends = new Map(operations.map(({ job, operation, end }) => [keyOf(job, operation), end]));
  return pumps.flatMap(({ tag, work }) =>
    work.flatMap(({ id, title, wait }): readonly Afloat[] => {
      const end = ends.get(keyOf(tag, id));
      return wait && end ? [{ tag, kind: wait.kind, title, untilDay: end.slice(0, 10) }] : [];
    }),
  );
}
