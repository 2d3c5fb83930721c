import * as z from 'zod';
import { askPromiseInput, tryPlanInput, type TryPlan } from '@/core/change/inputs';
import { addDays } from '@/core/planning';
import {
  afloatOf,
  boardOf,
  lackingSkills,
  usualWork,
  weeksOf,
  type HandsShown,
  type PlanDrawn,
  type PlanShown,
  type PlanTried,
  type PlanWeeks,
  type PromiseShown,
  type PumpShown,
  type ShopPlanAsked,
} from '@/core/workload';
import { DomainError } from '@/core/errors';
import { remembered } from '@/core/remembered';
import { listCalendars } from '@/db';
import type { Context } from '../context';
import { buildFor, listFamilies } from '../families';
import type { PlainPlan } from '../sums/heavy-work';
import { planHeavy, promiseHeavy } from '../sums/reckon-heavy';
import { defineUseCase } from '../use-case';
import { allResources, localTime, planFacts, type PlanFacts } from './plan-facts';
import { keptPlan } from './kept-plan';
import { limitIn, planThatStands, rowsByTag, sayFault, settled } from './plan-that-stands';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;
const daysShown = 14;

/** Pumps of the plan with what people call them: named once until a row, a weight or a hand is another. */
const namePumps = remembered(
  (
    pumps: PlainPlan['pumps'],
    rows: PlanFacts['rows'],
    weights: PlanFacts['weights'],
    resources: PlanFacts['resources'],
  ): readonly PumpShown[] => {
    const byTag = rowsByTag(rows);
    const weightOf = new Map(weights.map(({ tag, weight }) => [tag, weight]));
    return pumps.map((pump) => {
      const row = byTag.get(pump.tag);
      return {
        ...{ ...pump, limit: limitIn({ rows, resources }, pump) },
        ...{ pump: `${row?.maker ?? ''} ${row?.model ?? ''}`.trim(), customer: row?.customer ?? '' },
        ...{ promisedOn: row?.promisedOn ?? '', station: row?.station ?? 'receive', isHeld: row?.isHeld ?? false },
        weight: weightOf.get(pump.tag) ?? 1,
      };
    });
  },
);

const pumpsShown = ({ rows, weights, resources }: PlanFacts, { pumps }: Pick<PlainPlan, 'pumps'>) =>
  namePumps(pumps, rows, weights, resources);

type Laid = Pick<PlanDrawn, 'days' | 'board' | 'afloat'>;
/** What was laid out last of the work of a plan, with what it depends on beside that. */
const laidOut = new WeakMap<PlainPlan['operations'], { readonly by: string; readonly laid: Laid }>();

/** Work laid out over days: the same for whoever looks, until the plan, the day, a hand or a place is another. */
function layOut({ asked, absences }: PlanFacts, operations: PlainPlan['operations']): Laid {
  const { resources, calendars, wishes } = asked;
  const today = asked.now.slice(0, 10);
  const by = JSON.stringify([today, resources, calendars, wishes, absences]);
  const known = laidOut.get(operations);
  if (known?.by === by) return known.laid;
  const days = Array.from({ length: daysShown }, (_, i) => addDays(today, i));
  const laid = {
    days,
    board: boardOf({ plan: asked, operations, absences, days }),
    afloat: afloatOf(asked, operations),
  };
  laidOut.set(operations, { by, laid });
  return laid;
}

const shown = (facts: PlanFacts, plan: PlainPlan): PlanDrawn => ({
  ...layOut(facts, plan.operations),
  pumps: pumpsShown(facts, plan),
});

/** The plan as it stands: hands and places by day, what each pump waits for, when it is ready and what limits it. */
export const readPlan = defineUseCase({
  verb: 'read-plan',
  audience: staff,
  input: z.strictObject({}),
  async run(context): Promise<PlanShown> {
    const facts = await planFacts(context);
    const { asked, chances, calendars, absences, resources } = facts;
    const frame = {
      ...{ now: asked.now, today: asked.now.slice(0, 10), resources, calendars, absences, wishes: asked.wishes },
      ...{ answers: chances.answers, tests: chances.tests, answerDays: chances.answerDays, failRate: chances.failRate },
      ...{ workSpread: chances.work, timed: chances.timed, orders: chances.orders },
      ...{ leadSpread: chances.lead, leadByHouse: chances.leadByHouse ?? {}, partsDays: chances.partsDays ?? null },
      lacking: lackingSkills(asked),
    };
    const none = { ...frame, days: [], board: [], afloat: [], pumps: [] };
    if (frame.lacking.length) return { ...none, fault: null };
    try {
      return { ...frame, ...shown(facts, await planThatStands(context, facts)), fault: null };
    } catch (error) {
      if (error instanceof DomainError) return { ...none, fault: error.details.what ?? '' };
      throw error;
    }
  },
});

/** Hands and places with what they can do and when they are there. */
export const readHands = defineUseCase({
  verb: 'read-hands',
  audience: staff,
  input: z.strictObject({}),
  async run({ database, now, shopAtHand }): Promise<HandsShown> {
    const [at, resources, calendars] = await Promise.all([
      shopAtHand(),
      allResources(database),
      listCalendars(database),
    ]);
    return { today: localTime(at?.shop.zone ?? 'UTC', now()).slice(0, 10), resources, calendars };
  },
});

const weeksAhead = 8;

/** Load of hands and places by week, what is narrowest in each, and the promises that fall into it. */
export const readWeeks = defineUseCase({
  verb: 'read-weeks',
  audience: staff,
  input: z.strictObject({}),
  async run(context): Promise<PlanWeeks> {
    const facts = await planFacts(context);
    const { asked, absences } = facts;
    const today = asked.now.slice(0, 10);
    const none = (fault: string) => ({ today, fault, rows: [], weeks: [] });
    const lacking = lackingSkills(asked);
    if (lacking.length) return none(`Work is ahead for which nobody is there: ${lacking.join(', ')}.`);
    try {
      const { operations, pumps } = await planThatStands(context, facts);
      const dated = pumpsShown(facts, { pumps });
      const shown = weeksOf({ plan: asked, operations, absences, pumps: dated, count: weeksAhead });
      return { today, fault: null, ...shown };
    } catch (error) {
      if (error instanceof DomainError) return none(error.details.what ?? '');
      throw error;
    }
  },
});

function tried(asked: ShopPlanAsked, change: TryPlan): ShopPlanAsked {
  if (change.kind === 'absence') {
    const { resourceId, from, to } = change;
    return { ...asked, absences: [...asked.absences, { resourceId, from, to }] };
  }
  if (change.kind === 'weight')
    return {
      ...asked,
      pumps: asked.pumps.map((pump) => (pump.tag === change.tag ? { ...pump, weight: change.weight } : pump)),
    };
  const { wish } = change;
  const others = asked.wishes.filter(({ tag, operation }) => tag !== wish.tag || operation !== wish.operation);
  return { ...asked, wishes: [...others, wish] };
}

/** What would change by a wish, a weight or an absence, before it is kept: the plan with it, and every pump it moves. */
export const tryPlan = defineUseCase({
  verb: 'try-plan',
  audience: ['coordinator'],
  input: z.strictObject({ change: tryPlanInput }),
  async run(context, { change }): Promise<PlanTried> {
    const facts = await planFacts(context);
    const asked = tried(facts.asked, change);
    if (lackingSkills(asked).length)
      throw new DomainError('wrong-state', { what: 'There is no plan yet to try it on.' });
    const before = await planThatStands(context, facts);
    const { chances } = facts;
    const after = await planHeavy({ asked: settled(asked), chances, standing: before.operations }).catch(sayFault);
    const moved = after.pumps.flatMap((pump) => {
      const was = before.pumps.find(({ tag }) => tag === pump.tag);
      const promisedOn = facts.rows.find(({ tag }) => tag === pump.tag)?.promisedOn ?? '';
      if (!was || was.plannedOn === pump.plannedOn) return [];
      return [
        { tag: pump.tag, from: was.plannedOn, to: pump.plannedOn, promisedOn, isLate: pump.plannedOn > promisedOn },
      ];
    });
    const changed = { ...facts, asked };
    return {
      ...shown(changed, after),
      moved: moved.toSorted((a, b) => Number(b.isLate) - Number(a.isLate) || b.to.localeCompare(a.to)),
    };
  },
});

/** What a caller is told: the days for 50, 80 and 95 %, in its turn or put first, and whom it makes later. */
export const askPromise = defineUseCase({
  verb: 'ask-promise',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: askPromiseInput,
  async run(context: Context, { familyId, size, comesOn, isFirst }): Promise<PromiseShown> {
    const file = (await listFamilies(context.database)).find(({ id }) => id === familyId);
    if (!file) throw new DomainError('not-found', { what: `There is no construction ${familyId}.` });
    const family = buildFor(file, size ? { size } : {});
    const facts = await planFacts(context);
    const { asked, chances } = facts;
    const work = usualWork(family);
    const lacking = lackingSkills({ ...asked, pumps: [{ tag: '', promisedOn: '', weight: 1, holdUntil: null, work }] });
    if (lacking.length) return { lacking, fault: null, answer: null };
    const day = comesOn < asked.now.slice(0, 10) ? asked.now.slice(0, 10) : comesOn;
    try {
      // It sets out from the plan that stands, as it was drawn up last: what has changed since goes into the answer.
      const standing = (await keptPlan(context.database))?.plan.operations ?? [];
      const task = { plan: settled(asked), standing, chances, work, comesOn: day, isFirst };
      return { lacking, fault: null, answer: await promiseHeavy(task).catch(sayFault) };
    } catch (error) {
      if (error instanceof DomainError) return { lacking, fault: error.details.what ?? '', answer: null };
      throw error;
    }
  },
});
