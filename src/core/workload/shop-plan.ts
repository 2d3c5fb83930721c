import { addDays, type JobAsked, type OperationAsked, type PlanAsked, type Spread } from '../planning';
import { remembered } from '../remembered';
import { optionalPlaces, type Skill } from './skills';
import type { WorkAhead } from './work-ahead';

/** A hand or a place of the shop. */
export interface ShopResource {
  readonly id: string;
  readonly name: string;
  readonly kind: 'hand' | 'place';
  readonly skills: readonly Skill[];
  /** Null: always open, such as a bench. */
  readonly calendarId: string | null;
}

export interface ShopCalendar {
  readonly id: string;
  readonly weekly: PlanAsked['calendars'][number]['weekly'];
  readonly closed: readonly string[];
}

/** Somebody is sick or on holiday, a gauge or a place is away: whole days. */
export interface Absence {
  readonly resourceId: string;
  readonly from: string;
  readonly to: string;
}

/** A pump with what lies ahead of it. */
export interface PlannedPump {
  readonly tag: string;
  readonly promisedOn: string;
  /** How much a day late weighs; 1 for most. */
  readonly weight: number;
  /** Not before this day; null for at once. */
  readonly holdUntil: string | null;
  readonly work: readonly WorkAhead[];
}

/** A hand or a day that somebody wants for an operation; the plan respects it. */
export interface Wish {
  readonly tag: string;
  readonly operation: string;
  readonly resourceId: string | null;
  readonly notBefore: string | null;
}

export interface ShopPlanAsked {
  /** Local time, as YYYY-MM-DDTHH:MM. */
  readonly now: string;
  readonly resources: readonly ShopResource[];
  readonly calendars: readonly ShopCalendar[];
  readonly absences: readonly Absence[];
  readonly pumps: readonly PlannedPump[];
  readonly wishes: readonly Wish[];
  readonly answerDays: Spread;
  /** Days until the last part is here, from the shop's own repairs; left out while there are few. */
  readonly partsDays?: Spread;
  readonly budgetMs: number;
}

/** Where nobody knows better, until the shop has a history of its own. */
export const priorAnswerDays: Spread = { p10: 1, p50: 3, p90: 7 };
export const priorLead: Spread = { p10: 0.98, p50: 1.03, p90: 1.3 };
export const priorWork: Spread = { p10: 0.85, p50: 1, p90: 1.35 };
export const priorFailRate = 0.1;

const minutesADay = 1440;
/** The time of day from which something that comes on a day is reckoned with. */
const arrivesAt = 'T10:00';

/** Days from one to another, both of them. */
function daysOf({ from, to }: Absence): readonly string[] {
  const days: string[] = [];
  for (let day = from; day <= to && days.length < 1000; day = addDays(day, 1)) days.push(day);
  return days;
}

const wishSkill = (resourceId: string) => `only ${resourceId}`;

/** How long something is likely to be waited for: of parts that nobody has found yet as long as it usually was. */
function waitedDays(wait: WorkAhead['wait'], { answerDays, partsDays }: ShopPlanAsked): number {
  if (wait?.kind === 'answer') return answerDays.p50;
  return wait?.isGuess && partsDays ? partsDays.p50 : (wait?.leadDays ?? 0);
}

/** An operation of the plan. What is waited for takes no hand; a wish for a hand is a skill that only it has. */
function operationOf(work: WorkAhead, wish: Wish | undefined, asked: ShopPlanAsked): OperationAsked {
  const { id, needs, minutes, after, wait } = work;
  const dueOn = wait?.dueOn ?? null;
  const ready = [dueOn && `${dueOn}${arrivesAt}`, wish?.notBefore && `${wish.notBefore}T00:00`]
    .flatMap((time) => time || [])
    .toSorted()
    .at(-1);
  const days = waitedDays(wait, asked);
  const hand = asked.resources.find((one) => one.id === wish?.resourceId);
  const there = needs.filter(
    (need) => !optionalPlaces.has(need) || asked.resources.some((one) => one.skills.includes(need)),
  );
  const wished = there.map((need) => (hand?.skills.includes(need) ? wishSkill(hand.id) : need));
  return {
    ...{ id, after, split: true, needs: wished },
    minutes: wait ? Math.max(1, Math.round(days * minutesADay)) : minutes,
    ...(ready !== undefined && { ready }),
  };
}

function jobOf({ tag, promisedOn, weight, holdUntil, work }: PlannedPump, asked: ShopPlanAsked): JobAsked | null {
  if (!work.length) return null;
  const wishOf = (id: string) => asked.wishes.find((wish) => wish.tag === tag && wish.operation === id);
  return {
    ...{ id: tag, weight, due: `${promisedOn}T23:59` },
    ...(holdUntil && { ready: `${holdUntil}T00:00` }),
    operations: work.map((one) => operationOf(one, wishOf(one.id), asked)),
  };
}

/** What the plan of a shop is asked for: its hands and places with their hours, and all that lies ahead. */
export function shopPlan(asked: ShopPlanAsked): PlanAsked {
  const calendars = asked.resources.flatMap(({ id, calendarId }) => {
    const away = asked.absences.filter(({ resourceId }) => resourceId === id);
    const own = asked.calendars.find((one) => one.id === calendarId);
    if (!own && !away.length) return [];
    const always = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, from: '00:00', to: '24:00' }));
    return [{ id, weekly: own?.weekly ?? always, closed: [...(own?.closed ?? []), ...away.flatMap(daysOf)] }];
  });
  const wished = new Set(asked.wishes.flatMap(({ resourceId }) => resourceId ?? []));
  return {
    ...{ start: asked.now, calendars, objective: 'lateness', budgetMs: asked.budgetMs },
    resources: asked.resources.map(({ id, skills }) => ({
      ...{ id, skills: [...skills, ...(wished.has(id) ? [wishSkill(id)] : [])] },
      ...(calendars.some((one) => one.id === id) && { calendar: id }),
    })),
    jobs: asked.pumps.flatMap((pump) => jobOf(pump, asked) ?? []),
  };
}

const neededBy = remembered((pumps: ShopPlanAsked['pumps']): readonly Skill[] => [
  ...new Set(pumps.flatMap(({ work }) => work.flatMap(({ needs }) => needs))),
]);

/** What a plan lacks before it can be drawn up: skills that some work needs and nobody has. */
export function lackingSkills({ resources, pumps }: Pick<ShopPlanAsked, 'resources' | 'pumps'>): readonly Skill[] {
  const there = new Set(resources.flatMap((one) => one.skills));
  return neededBy(pumps).filter((skill) => !there.has(skill) && !optionalPlaces.has(skill));
}
