import { dateFormat } from '@/words/formats';
import type { Spread } from '@/core/planning';
import { quantileBetween } from '@/core/sums/quantile';
import {
  leadSpreads,
  priorAnswerDays,
  priorFailRate,
  priorLead,
  priorWork,
  workRatios,
  workSpread,
  type HandsShown,
  type ShopChances,
  type ShopPlanAsked,
  type Skill,
  type WorkAhead,
} from '@/core/workload';
import type { Role } from '@/core/record';
import { remembered, steadyList, steadyPlain } from '@/core/remembered';
import {
  countFirstRuns,
  listAbsences,
  listAnswerDays,
  listCalendars,
  listEndedOrders,
  listPeople,
  listPartsDays,
  listPumpsToPlan,
  listResourceRows,
  listWeights,
  listWishes,
  listWorkedThrough,
  type Connection,
} from '@/db';
import type { Context } from '../context';
import { withStandings } from '../standings';

/** What a person of a role does where nobody has said otherwise. */
const usualSkills: Readonly<Record<Role, readonly Skill[]>> = {
  technician: ['bench hand', 'machinist', 'tester'],
  inspector: ['inspector', 'tester'],
  coordinator: ['desk'],
  owner: ['desk'],
  parts: [],
};

/** Fewer answers or tests than this say little: the prior is taken. */
const leastHistory = 8;

/** Local time in a zone, as YYYY-MM-DDTHH:MM. */
export function localTime(zone: string, now: Date): string {
  const parts = dateFormat('en-CA', {
    ...{ timeZone: zone, hourCycle: 'h23', year: 'numeric', month: '2-digit', day: '2-digit' },
    ...{ hour: '2-digit', minute: '2-digit' },
  }).formatToParts(now);
  const of = (type: string) => parts.find((one) => one.type === type)?.value ?? '00';
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`;
}

/** Hands and places, also those that the plan leaves out: people with the skills of their role or their own, and the places. */
export async function allResources(connection: Connection): Promise<HandsShown['resources']> {
  const [people, rows] = await Promise.all([listPeople(connection), listResourceRows(connection)]);
  const hands = people.flatMap(({ id, name, role }) => {
    const own = rows.find((row) => row.id === id);
    const skills = own?.skills ?? usualSkills[role];
    const calendarId = own ? own.calendarId : 'week';
    const isActive = own ? own.isActive : skills.length > 0;
    return [{ id, name, kind: 'hand' as const, skills, calendarId, version: own?.version ?? 0, isActive }];
  });
  const places = rows.flatMap(({ kind, ...row }) => (kind === 'place' ? [{ ...row, kind: 'place' as const }] : []));
  return [...hands, ...places];
}

/** Hands and places of the plan. */
export const resourcesNow = async (connection: Connection) =>
  (await allResources(connection))
    .filter(({ isActive, skills }) => isActive && skills.length > 0)
    .map(({ isActive: _active, ...resource }) => resource);

/** Days as they were, at 10, 50 and 90 of 100; null where they are too few to say anything. */
function daysSpread(days: readonly number[]): Spread | null {
  if (days.length < leastHistory) return null;
  const of = (pct: number) => quantileBetween(days, pct) ?? 0;
  return { p10: Math.max(0.05, of(10)), p50: Math.max(0.1, of(50)), p90: Math.max(0.2, of(90)) };
}

/** What varies, from the shop's own history where there is enough of it: all of it, or what was known at a moment. */
export async function chancesNow(
  connection: Connection,
  at?: Date,
): Promise<
  ShopChances & { readonly answers: number; readonly tests: number; readonly timed: number; readonly orders: number }
> {
  const [days, runs, worked, orders, parts] = await Promise.all([
    listAnswerDays(connection, at),
    countFirstRuns(connection, at),
    listWorkedThrough(connection, at),
    listEndedOrders(connection, at?.toISOString().slice(0, 10)),
    listPartsDays(connection, at),
  ]);
  const leads = leadSpreads(orders);
  const partsDays = daysSpread(parts);
  const own = daysSpread(days);
  return {
    answerDays: own ?? priorAnswerDays,
    ...(partsDays && { partsDays }),
    failRate: runs.all >= leastHistory ? Math.min(0.8, runs.failed / runs.all) : priorFailRate,
    ...{ work: workSpread(worked) ?? priorWork, lead: leads.all ?? priorLead, leadByHouse: leads.byHouse },
    ...{ answers: days.length, tests: runs.all, timed: workRatios(worked).length },
    orders: leads.orders,
  };
}

const hourMs = 3_600_000;
type Chances = ReturnType<typeof chancesNow>;
const ofHours = new WeakMap<Connection, { readonly hour: number; readonly chances: Chances }>();

/**
 * What varied until the last full hour: from some hundred jobs one more answer moves nothing that the plan shows, and
 * every copy that serves reckons by the same.
 */
function chancesOfHour(database: Connection, now: Date): Chances {
  const hour = Math.floor(now.getTime() / hourMs);
  const known = ofHours.get(database);
  if (known?.hour === hour) return known.chances;
  const chances = chancesNow(database, new Date(hour * hourMs));
  ofHours.set(database, { hour, chances });
  // What failed is asked anew by the next.
  chances.catch(() => ofHours.delete(database));
  return chances;
}

/** The same for all that have none, so that what is reckoned from it is reckoned once. */
const noWork: readonly WorkAhead[] = [];

type Standing = Awaited<ReturnType<typeof withStandings>>[number]['standing'];
type PumpToPlan = Awaited<ReturnType<typeof listPumpsToPlan>>[number];

// A pump of which nothing changed is the same object for whoever looks, and so is the list of all of them: what is
// reckoned of hundreds is reckoned once.
const rowOf = remembered(
  ({ id: _id, shownHash: _shown, hold, ...row }: PumpToPlan, { remaining, holder, work }: Standing) => ({
    ...{ ...row, isHeld: hold !== null, holdUntil: remaining.holdUntil, holder, work: work ?? noWork },
  }),
);
const pumpOf = remembered(({ tag, promisedOn, holdUntil, work }: ReturnType<typeof rowOf>, weight: number) => ({
  ...{ tag, promisedOn, holdUntil, work, weight },
}));
const steadyRows = steadyList<ReturnType<typeof rowOf>>();
const steadyPumps = steadyList<ReturnType<typeof pumpOf>>();
const steadyWeights = steadyPlain<Awaited<ReturnType<typeof listWeights>>>();
const steadyResources = steadyPlain<Awaited<ReturnType<typeof resourcesNow>>>();

/** All that the plan of the shop is made of, as it stands now. */
export async function planFacts({ database, now, shopAtHand }: Pick<Context, 'database' | 'now' | 'shopAtHand'>) {
  const shop = (await shopAtHand())?.shop;
  const time = localTime(shop?.zone ?? 'UTC', now());
  const [resources, calendars, absences, pumps, wishes, weights, chances] = await Promise.all([
    resourcesNow(database),
    listCalendars(database),
    listAbsences(database, time.slice(0, 10)),
    listPumpsToPlan(database),
    listWishes(database),
    listWeights(database),
    chancesOfHour(database, now()),
  ]);
  const rows = steadyRows((await withStandings(database, pumps)).map(({ row, standing }) => rowOf(row, standing)));
  const weightOf = new Map(weights.map(({ tag, weight }) => [tag, weight]));
  const asked: ShopPlanAsked = {
    ...{ now: time, resources, calendars, absences, wishes, answerDays: chances.answerDays, budgetMs: 300 },
    ...(chances.partsDays && { partsDays: chances.partsDays }),
    pumps: steadyPumps(rows.map((row) => pumpOf(row, weightOf.get(row.tag) ?? 1))),
  };
  return {
    ...{ asked, chances, rows, calendars, absences },
    ...{ resources: steadyResources(resources), weights: steadyWeights(weights) },
  };
}
export type PlanFacts = Awaited<ReturnType<typeof planFacts>>;
