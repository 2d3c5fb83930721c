import { chanceOf } from '../planning';
import { answerPromise, planShop, priorAnswerDays, priorLead, priorWork } from '.';
import type { ShopChances, ShopPlanAsked, Skill, WorkAhead } from '.';

const chances: ShopChances = { answerDays: priorAnswerDays, work: priorWork, lead: priorLead, failRate: 0.1 };
const hands: Readonly<Record<string, readonly Skill[]>> = {
  ...{ Odile: ['bench hand'], Joss: ['bench hand', 'tester'], Ines: ['inspector'], Wenna: ['desk'] },
};
const places: Readonly<Record<string, readonly Skill[]>> = { b1: ['bench'], b2: ['bench'], s: ['stand'] };

/** A shop with some pumps at stations that chance says, and what the caller’s pump needs. */
function drawnShop(seed: number) {
  const chance = chanceOf(seed);
  const between = (from: number, to: number) => Math.round(from + chance() * (to - from));
  const work = (id: string, minutes: number, needs: readonly Skill[], wait: WorkAhead['wait'] = null): WorkAhead => ({
    ...{ id, title: id, minutes, needs: [...needs], after: [], wait },
  });
  const wait = (kind: 'answer' | 'parts', leadDays: number) => ({ kind, leadDays, dueOn: null });
  const wholeWork = () => [
    work('teardown', between(60, 240), ['bench hand', 'bench']),
    work('inspect', between(40, 120), ['inspector']),
    work('quote', 30, ['desk']),
    work('answer', 1, [], wait('answer', 0)),
    work('parts', 1, [], { ...wait('parts', between(2, 8)), isGuess: true }),
    work('rebuild', between(90, 300), ['bench hand', 'bench']),
    work('test', between(45, 100), ['tester', 'stand']),
    work('report', 20, ['desk']),
  ];
  const from = (whole: readonly WorkAhead[], first: number) =>
    whole.slice(first).map((one, k, own) => ({
      ...one,
      after: own
        .slice(0, k)
        .slice(-1)
        .map(({ id }) => id),
    }));
  const day = (days: number) => new Date(Date.UTC(2026, 10, 30 + days)).toISOString().slice(0, 10);
  const pumps = Array.from({ length: 1 + Math.floor(chance() * 12) }, (_, j) => {
    const whole = wholeWork();
    const ahead = from(whole, Math.floor(chance() * whole.length));
    return { tag: `P-${j}`, promisedOn: day(between(3, 28)), weight: 1, holdUntil: null, work: ahead };
  });
  const plan: ShopPlanAsked = {
    ...{ now: `2026-11-30T${String(between(7, 14)).padStart(2, '0')}:15`, pumps, absences: [], wishes: [] },
    resources: [
      ...Object.entries(hands).map(([id, skills]) => ({
        ...{ id, name: id, kind: 'hand' as const, skills, calendarId: 'week' },
      })),
      ...Object.entries(places).map(([id, skills]) => ({
        ...{ id, name: id, kind: 'place' as const, skills, calendarId: null },
      })),
    ],
    calendars: [
      { id: 'week', weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:30' })), closed: [] },
    ],
    ...{ answerDays: priorAnswerDays, budgetMs: 20 },
  };
  return { plan, work: from(wholeWork(), 0) };
}

// Of three hundred days told in drawn shops two were later by the plan alone: in these.
test.each([26, 53])('put first is never told a later day than in its turn, in shop %d', (n) => {
  const { plan, work } = drawnShop(n * 7919);
  const standing = planShop(plan, chances).operations.map((one) => ({ ...one }));
  const ask = (isFirst: boolean) =>
    answerPromise({ plan, standing, chances, work, comesOn: '2026-11-30', isFirst }).dates.map(({ date }) => date);
  const [turn, first] = [ask(false), ask(true)];
  for (const [k, date] of first.entries()) expect(date <= (turn[k] ?? '')).toBe(true);
});
