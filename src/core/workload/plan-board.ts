import { addDays, minutesADay, timeOfDay, type PlannedOperation } from '../planning';
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
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
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
  const last = end.slice(0, 10);
  for (let day = start.slice(0, 10); day <= last && pieces.length < 400; day = addDays(day, 1)) {
    const from = day === start.slice(0, 10) ? (timeOfDay(start.slice(11)) ?? 0) : 0;
    const to = day === last ? (timeOfDay(end.slice(11)) ?? 0) : minutesADay;
    if (to > from) pieces.push({ day, from, to });
  }
  return pieces;
}

const sayTime = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** An operation's work on one day, its pauses left out; null where it has none there. */
function onDay({ start, end, pieces = [{ start, end }] }: PlannedOperation, day: string) {
  const own = pieces.flatMap(byDays).filter((piece) => piece.day === day);
  const [first, last] = [own[0], own.at(-1)];
  if (!first || !last) return null;
  const minutes = own.reduce((sum, { from, to }) => sum + to - from, 0);
  return { from: sayTime(first.from), to: sayTime(last.to), minutes };
}

interface BoardAsked {
  readonly plan: ShopPlanAsked;
  readonly operations: readonly PlannedOperation[];
  readonly absences: readonly (Absence & { readonly reason: string })[];
  readonly days: readonly string[];
}

function basinOf(resource: ShopResource, day: string, { plan, operations, absences }: BoardAsked): Basin {
  const away = absences.find(({ resourceId, from, to }) => resourceId === resource.id && from <= day && day <= to);
  const calendar = plan.calendars.find(({ id }) => id === resource.calendarId);
  const nameOf = (id: string) => plan.resources.find((one) => one.id === id)?.name ?? id;
  const titleOf = (tag: string, id: string) =>
    plan.pumps.find((pump) => pump.tag === tag)?.work.find((one) => one.id === id)?.title ?? id;
  const stones = operations.flatMap((operation): readonly Stone[] => {
    if (!operation.resources.includes(resource.id)) return [];
    const part = onDay(operation, day);
    if (!part) return [];
    const { job: tag, operation: id } = operation;
    return [
      {
        ...{ tag, operation: id, title: titleOf(tag, id), ...part },
        beside: operation.resources.filter((one) => one !== resource.id).map(nameOf),
        isWished: plan.wishes.some((wish) => wish.tag === tag && wish.operation === id),
      },
    ];
  });
  return {
    ...{ day, openMinutes: away ? 0 : openOn(calendar, day), away: away?.reason ?? null },
    stones: stones.toSorted((a, b) => a.from.localeCompare(b.from)),
  };
}

/** Hands and places down, days across, and in each what is done there. */
export function boardOf(asked: BoardAsked): readonly BoardRow[] {
  return asked.plan.resources.map((resource) => {
    const { id, name, kind, skills } = resource;
    const basins = asked.days.map((day) => basinOf(resource, day, asked));
    const open = basins.reduce((sum, { openMinutes }) => sum + openMinutes, 0);
    const work = basins.flatMap(({ stones }) => stones).reduce((sum, { minutes }) => sum + minutes, 0);
    return { id, name, kind, skills, basins, loadPct: open ? Math.round((100 * work) / open) : null };
  });
}

/** What pumps wait for without a hand, with the day until which it is reckoned with. */
export function afloatOf({ pumps }: Pick<ShopPlanAsked, 'pumps'>, operations: readonly PlannedOperation[]) {
  return pumps.flatMap(({ tag, work }) =>
    work.flatMap(({ id, title, wait }): readonly Afloat[] => {
      const planned = operations.find((one) => one.job === tag && one.operation === id);
      return wait && planned ? [{ tag, kind: wait.kind, title, untilDay: planned.end.slice(0, 10) }] : [];
    }),
  );
}
