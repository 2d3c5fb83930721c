import { canonical, sayDay } from '@/core/lifecycle';
import { DomainError } from '@/core/errors';
import { remembered } from '@/core/remembered';
import { SumRefusal } from '@/core/sums';
import { lackingSkills, type PumpShown, type ShopPlanAsked, type WorkAhead } from '@/core/workload';
import { keepPlan, sha256 } from '@/db';
import type { Context } from '../context';
import type { PlainPlan } from '../sums/heavy-work';
import { planHeavy } from '../sums/reckon-heavy';
import { keptPlan } from './kept-plan';
import { planFacts, type PlanFacts } from './plan-facts';

/** The quarter of an hour in which a time lies: a plan is drawn up anew no more often while nothing changes. */
const quarter = (time: string) =>
  `${time.slice(0, 14)}${String(Math.floor(Number(time.slice(14)) / 15) * 15).padStart(2, '0')}`;

export const settled = (asked: ShopPlanAsked): ShopPlanAsked => ({ ...asked, now: quarter(asked.now) });

/** What no plan can be made of is said; nothing that a person can type ends in a fault of the program. */
export function sayFault(error: unknown): never {
  if (error instanceof SumRefusal)
    throw new DomainError('wrong-state', { what: `No plan can be drawn up: ${error.message}.` }, { cause: error });
  throw error;
}

type Row = PlanFacts['rows'][number];

/** What limits a pump, as people call it: a hand, something that has to come, its stop, or its own work. */
function limitedWords(
  { kind, id }: PlainPlan['pumps'][number]['limit'],
  row: Row | undefined,
  resources: PlanFacts['resources'],
): PumpShown['limit'] {
  const work = row?.work.find((one) => one.id === id);
  if (kind === 'resource') return { kind, words: resources.find((one) => one.id === id)?.name ?? id };
  if (kind === 'calendar') return { kind, words: 'the hours of the shop' };
  if (work?.wait) return { kind: 'parts', words: work.title };
  if (kind === 'parts')
    return { kind, words: `its stop until ${row?.holdUntil ? sayDay(row.holdUntil) : 'a later day'}` };
  return { kind, words: work?.title ?? '' };
}

/** The rows of pumps by their tags. */
export const rowsByTag = remembered(
  (rows: PlanFacts['rows']) => new Map<string, Row>(rows.map((row) => [row.tag, row])),
);

/** What limits a pump of a plan, in words. */
export function limitIn(
  { rows, resources }: Pick<PlanFacts, 'rows' | 'resources'>,
  pump: PlainPlan['pumps'][number],
): PumpShown['limit'] {
  return limitedWords(pump.limit, rowsByTag(rows).get(pump.tag), resources);
}

const wordsMost = 191;

/** A kept plan of another form, from an older version of this program, is drawn up anew. */
const planForm = 2;

/** The work of a pump as one short text, reckoned once for its standing. */
const workPrint = remembered((work: readonly WorkAhead[]) => sha256(canonical(work)));

/** The pumps of a plan as one short text, reckoned once for their list. */
const pumpsPrint = remembered((pumps: ShopPlanAsked['pumps']) =>
  sha256(canonical(pumps.map(({ work, ...pump }) => [Object.values(pump), workPrint(work)]))),
);

/** A short text that is another one whenever anything is that a plan is made of. */
function fingerprintOf({ pumps, ...rest }: ShopPlanAsked, chances: PlanFacts['chances']): string {
  return sha256(canonical([planForm, rest, pumpsPrint(pumps), chances]));
}

/** Keeps a plan with the days of its pumps; where another copy was first, its plan stands. */
async function keep(
  { database, now }: Context,
  facts: PlanFacts,
  made: { madeOf: string; plan: PlainPlan; basedOn: number },
) {
  const pumps = made.plan.pumps.map((pump) => ({
    ...{ tag: pump.tag, plannedOn: pump.plannedOn, ...pump.range, keptPct: pump.keptPct },
    limitWords: limitIn(facts, pump).words.slice(0, wordsMost),
    ...{ goesOn: pump.goesOn?.day ?? null, isByHands: pump.goesOn?.isByHands ?? false },
  }));
  const { madeOf, plan, basedOn } = made;
  await keepPlan(database, { madeOf, plan: JSON.stringify(plan), basedOn, at: now(), pumps });
}

/** Drawn up from the same by this copy just now: who asks meanwhile gets the same answer. */
const underWay = new Map<string, Promise<PlainPlan>>();

/**
 * The plan that stands, drawn up anew from the one before where what it is made of has changed since.
 * Throws DomainError `wrong-state` where none can be drawn up.
 */
export async function planThatStands(context: Context, facts: PlanFacts): Promise<PlainPlan> {
  const { chances } = facts;
  const asked = settled(facts.asked);
  const madeOf = fingerprintOf(asked, chances);
  const kept = await keptPlan(context.database);
  const before = kept?.plan;
  if (kept?.madeOf === madeOf && before) return before;
  const running = underWay.get(madeOf);
  if (running) return running;
  const made = planHeavy({ asked, chances, standing: before?.operations ?? [] })
    .then(async (plan) => {
      await keep(context, facts, { madeOf, plan, basedOn: kept?.version ?? 0 });
      return plan;
    })
    .catch(sayFault)
    .finally(() => underWay.delete(madeOf));
  underWay.set(madeOf, made);
  return made;
}

/** Draws the plan up anew where something has changed; nothing where there is none yet. */
export async function renewPlan(context: Context): Promise<void> {
  const facts = await planFacts(context);
  if (lackingSkills(facts.asked).length) return;
  try {
    await planThatStands(context, facts);
  } catch (error) {
    // The page of the plan says it to whoever looks.
    if (!(error instanceof DomainError)) throw error;
  }
}
