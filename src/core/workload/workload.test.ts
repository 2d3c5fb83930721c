import { planFaults } from '../../../test-support/check-plan';
import { CoreJob } from '../../../test-support/core-job';
import f1 from '../../../test-support/plain-overhung.json';
import { loadFamily } from '../family';
import { drawUpPlan, readProblem, writePlan } from '../planning';
import { present } from '../present';
import {
  afloatOf,
  answerPromise,
  boardOf,
  lackingSkills,
  openOn,
  planShop,
  priorAnswerDays,
  priorLead,
  priorWork,
  shopPlan,
  usualWork,
  workAhead,
  type ShopChances,
  type ShopPlanAsked,
  type WorkAhead,
} from '.';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const file = loadFamily(f1);
const jobAt = (station: Parameters<CoreJob['playTo']>[0]) => new CoreJob(file, script).playTo(station);

const idsAt = (station: Parameters<CoreJob['playTo']>[0]) => {
  const { record, family } = jobAt(station);
  return workAhead(record, family).map(({ id }) => id);
};

describe('what lies ahead of a pump', () => {
  test('at receiving is everything, its waits among it', () =>
    expect(idsAt('teardown')).toEqual([
      'teardown',
      'inspect',
      'quote',
      'answer',
      'parts',
      'rebuild',
      'test',
      'report',
    ]));
  test('gets less from station to station', () => {
    expect(idsAt('quote')).toEqual(['quote', 'answer', 'parts', 'rebuild', 'test', 'report']);
    // Answered: a new ring is turned to the hub, which the family says takes 45 minutes on the lathe.
    expect(idsAt('approve')).toEqual(['parts', 'machining', 'rebuild', 'test', 'report']);
    expect(idsAt('rebuild')).toEqual(['rebuild', 'test', 'report']);
    expect(idsAt('test')).toEqual(['test', 'report']);
  });
  test('counts what the quote advises before it is answered: its parts and its work on the lathe', () => {
    const { record, family } = jobAt('approve');
    const asked = { ...record, approvals: [], station: 'approve' as const };
    const ahead = workAhead(asked, family);
    expect(ahead.map(({ id }) => id)).toEqual(['answer', 'parts', 'machining', 'rebuild', 'test', 'report']);
    // By the family's list: the seal kit and the ring come in five days, the bearing kit in three.
    expect(ahead.find(({ id }) => id === 'parts')?.wait?.leadDays).toBe(5);
  });
  test('needs a hand and a place for each work, and none for what is waited for', () => {
    const { record, family } = jobAt('teardown');
    for (const { needs, wait } of workAhead(record, family)) expect(needs.length > 0).toBe(wait === null);
    const teardown = present(workAhead(record, family).find(({ id }) => id === 'teardown'));
    // The family’s own minutes: teardown with cleaning.
    expect([teardown.needs, teardown.minutes]).toEqual([['bench hand', 'bench'], 210]);
  });
  test('of a pump that nobody has seen is what its family needs as a rule', () => {
    const { family } = jobAt('teardown');
    const work = usualWork(family);
    expect(work.map(({ id }) => id)).toEqual([
      'teardown',
      'inspect',
      'quote',
      'answer',
      'parts',
      'rebuild',
      'test',
      'report',
    ]);
    const lead = Math.max(...family.kits.map(({ lead_days }) => lead_days));
    expect(work.find(({ id }) => id === 'parts')?.wait?.leadDays).toBe(lead);
  });
});

const week = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' }));
const chances: ShopChances = { answerDays: priorAnswerDays, work: priorWork, lead: priorLead, failRate: 0.1 };
const work = (id: string, minutes: number, more: Partial<WorkAhead> = {}): WorkAhead => ({
  ...{ id, title: id, needs: ['bench hand', 'bench'], minutes, after: [], wait: null, ...more },
});
const shop = (pumps: ShopPlanAsked['pumps'], more: Partial<ShopPlanAsked> = {}): ShopPlanAsked => ({
  now: '2026-11-23T07:00',
  resources: [
    { id: 'odile', name: 'Odile', kind: 'hand', skills: ['bench hand'], calendarId: 'week' },
    { id: 'joss', name: 'Joss', kind: 'hand', skills: ['bench hand', 'tester'], calendarId: 'week' },
    { id: 'b1', name: 'Bench 1', kind: 'place', skills: ['bench'], calendarId: null },
    { id: 'b2', name: 'Bench 2', kind: 'place', skills: ['bench'], calendarId: null },
  ],
  calendars: [{ id: 'week', weekly: week, closed: ['2026-11-26'] }],
  ...{ absences: [], wishes: [], answerDays: priorAnswerDays, budgetMs: 20, pumps },
  ...more,
});
const pump = (tag: string, own: readonly WorkAhead[], promisedOn = '2026-12-04') => ({
  ...{ tag, promisedOn, weight: 1, holdUntil: null, work: own },
});
const planned = (asked: ShopPlanAsked) => writePlan(drawUpPlan(readProblem(shopPlan(asked))));

describe('the plan of a shop', () => {
  const two = [pump('P-1', [work('rebuild', 400)]), pump('P-2', [work('rebuild', 300)])];
  test('can be carried out as it stands, a closed day and an absence with it', () => {
    const absences = [{ resourceId: 'odile', from: '2026-11-23', to: '2026-11-24' }];
    const asked = shop([...two, pump('P-3', [work('rebuild', 1200)])], { absences });
    const plan = planned(asked);
    expect(planFaults(shopPlan(asked), plan)).toEqual([]);
    const odile = plan.operations.filter(({ resources }) => resources.includes('odile'));
    expect(odile.every(({ start }) => start >= '2026-11-25')).toBe(true);
  });
  test('a wish for a hand and a first day is respected', () => {
    const wishes = [{ tag: 'P-2', operation: 'rebuild', resourceId: 'joss', notBefore: '2026-11-25' }];
    const plan = planned(shop(two, { wishes }));
    const own = present(plan.operations.find(({ job }) => job === 'P-2'));
    expect(own.resources).toContain('joss');
    expect(own.start >= '2026-11-25').toBe(true);
  });
  test('what comes on a day is waited for, what is awaited takes its days, and no hand', () => {
    const parts = work('parts', 1, { needs: [], wait: { kind: 'parts', leadDays: 4, dueOn: null } });
    const orders = work('orders', 1, { needs: [], wait: { kind: 'parts', leadDays: 0, dueOn: '2026-11-25' } });
    const plan = planned(
      shop([
        pump('P-1', [parts, work('rebuild', 60, { after: ['parts'] })]),
        pump('P-2', [orders, work('rebuild', 60, { after: ['orders'] })]),
      ]),
    );
    const startOf = (tag: string) =>
      plan.operations.find(({ job, operation }) => job === tag && operation === 'rebuild')?.start;
    expect(startOf('P-1')).toBe('2026-11-27T07:00');
    expect(startOf('P-2')).toBe('2026-11-25T10:01');
  });
  test('says what nobody can do', () => {
    const asked = shop([pump('P-1', [work('machining', 60, { needs: ['machinist', 'lathe'] })])]);
    expect(lackingSkills(asked)).toEqual(['machinist', 'lathe']);
    expect(lackingSkills(shop(two))).toEqual([]);
  });
  test('ready ranges rise, a promise far off is always kept, one of yesterday never', () => {
    const { pumps } = planShop(
      shop([pump('P-1', [work('rebuild', 900)], '2027-03-01'), pump('P-2', [work('rebuild', 900)], '2026-11-20')]),
      chances,
    );
    for (const { range } of pumps)
      expect([range.early, range.likely, range.late]).toEqual([range.early, range.likely, range.late].toSorted());
    expect(pumps.map(({ keptPct, lateDays }) => [keptPct, lateDays > 0])).toEqual([
      [100, false],
      [0, true],
    ]);
  });
});

describe('the board', () => {
  const asked = shop([
    pump('P-1', [work('rebuild', 600)]),
    pump('P-2', [work('answer', 1, { needs: [], wait: { kind: 'answer', leadDays: 0, dueOn: null } })]),
  ]);
  const plan = planned(asked);
  const days = ['2026-11-23', '2026-11-24', '2026-11-26'];
  const absences = [{ resourceId: 'joss', from: '2026-11-24', to: '2026-11-24', reason: 'sick' }];
  const board = boardOf({ plan: asked, operations: plan.operations, absences, days });
  test('shares work out over its days: 480 minutes on Monday, 120 on Tuesday', () => {
    const row = present(board.find(({ basins }) => basins.some(({ stones }) => stones.length > 0)));
    expect(row.basins.map(({ stones }) => stones.map(({ minutes, from, to }) => [minutes, from, to]))).toEqual([
      [[480, '07:00', '15:00']],
      [[120, '07:00', '09:00']],
      [],
    ]);
    expect(row.basins[0]?.stones[0]?.beside.length).toBe(1);
  });
  test('a closed day and a day away have no opening; away says why', () => {
    const joss = present(board.find(({ id }) => id === 'joss'));
    expect(joss.basins.map(({ openMinutes, away }) => [openMinutes, away])).toEqual([
      [480, null],
      [0, 'sick'],
      [0, null],
    ]);
  });
  test('its load is work over open hours of the days shown', () => {
    const busy = present(board.find(({ kind, loadPct }) => kind === 'hand' && (loadPct ?? 0) > 0));
    // 600 minutes of 960, or of 480 where a day is away.
    expect([63, 125]).toContain(busy.loadPct);
  });
  test('an answer floats on the day until which it is reckoned with', () =>
    expect(afloatOf(asked, plan.operations)).toEqual([
      { tag: 'P-2', kind: 'answer', title: 'answer', untilDay: '2026-11-26' },
    ]));
  test('a calendar is open for the minutes that it says', () => {
    const calendar = { id: 'x', weekly: [...week, { weekday: 1, from: '16:00', to: '17:30' }], closed: ['2026-11-24'] };
    expect(['2026-11-23', '2026-11-24', '2026-11-28'].map((day) => openOn(calendar, day))).toEqual([570, 0, 0]);
  });
});

describe('what waits for parts', () => {
  const parts = (leadDays: number) => work('parts', 1, { needs: [], wait: { kind: 'parts', leadDays, dueOn: null } });
  const after = work('rebuild', 400, { after: ['parts'] });
  test('goes on when they are here, where a hand is free by then', () => {
    const [own] = planShop(shop([pump('P-1', [parts(4), after])]), chances).pumps;
    // Monday 07:00 and four days are Friday 07:00, when the shop opens.
    expect(own?.goesOn).toEqual({ day: '2026-11-27', isByHands: false });
  });
  test('goes on when hands are free, and it is said that it is they', () => {
    // One bench hand, busy with another pump until the second Monday: 2000 minutes of 480 a day, Thursday closed.
    const one = shop([
      { ...pump('P-1', [work('rebuild', 2000)], '2026-11-23'), weight: 9 },
      pump('P-2', [parts(1), after], '2027-03-01'),
    ]);
    const { pumps } = planShop({ ...one, resources: one.resources.filter(({ id }) => id !== 'joss') }, chances);
    expect(pumps.find(({ tag }) => tag === 'P-2')?.goesOn).toEqual({ day: '2026-11-30', isByHands: true });
  });
  test('of which nobody has found yet what they are: as long as it usually was in this shop', () => {
    const guess = work('parts', 1, { needs: [], wait: { kind: 'parts', leadDays: 4, dueOn: null, isGuess: true } });
    const own = { p10: 10, p50: 10, p90: 10 };
    const asked = { ...shop([pump('P-1', [guess, after])]), partsDays: own };
    // Monday 07:00 and ten days are Thursday week, whatever the longest kit says.
    expect(planShop(asked, { ...chances, partsDays: own }).pumps[0]?.goesOn?.day).toBe('2026-12-03');
    const known = { ...asked, pumps: [pump('P-1', [parts(4), after])] };
    expect(planShop(known, { ...chances, partsDays: own }).pumps[0]?.goesOn?.day).toBe('2026-11-27');
  });
  test('which may come much later than usual make the range wider, not the plan', () => {
    const guess = work('parts', 1, { needs: [], wait: { kind: 'parts', leadDays: 4, dueOn: null, isGuess: true } });
    const own = { p10: 5, p50: 10, p90: 30 };
    const asked = { ...shop([pump('P-1', [guess, after])]), partsDays: own };
    const still = { ...chances, work: { p10: 1, p50: 1, p90: 1 }, failRate: 0 };
    const [wide] = planShop(asked, { ...still, partsDays: own }).pumps;
    const [narrow] = planShop(asked, { ...still, partsDays: { p10: 10, p50: 10, p90: 10 } }).pumps;
    expect(wide?.plannedOn).toBe(narrow?.plannedOn);
    expect((wide?.range.late ?? '') > (narrow?.range.late ?? '')).toBe(true);
  });
  test('nothing is said where nothing is waited for', () =>
    expect(planShop(shop([pump('P-1', [work('rebuild', 60)])]), chances).pumps[0]?.goesOn).toBeNull());
});

describe('a promise to a caller', () => {
  const busy = shop([
    pump('P-1', [work('rebuild', 900)], '2026-11-24'),
    pump('P-2', [work('rebuild', 900)], '2026-12-04'),
  ]);
  const ask = (isFirst: boolean, more: Partial<ShopPlanAsked> = {}) =>
    answerPromise({
      ...{ plan: { ...busy, ...more }, standing: [] },
      chances,
      work: [work('rebuild', 480)],
      comesOn: '2026-11-23',
      isFirst,
    });
  test('in its turn makes nobody later; put first it is sooner, and names whose promise breaks', () => {
    const [turn, first] = [ask(false), ask(true)];
    expect(turn.makesLater).toEqual([]);
    expect(present(first.dates[0]).date < present(turn.dates[0]).date).toBe(true);
    expect(first.makesLater.length).toBeGreaterThan(0);
    for (const { fromDay, toDay, promisedOn, breaks } of first.makesLater) {
      expect(toDay > fromDay).toBe(true);
      expect(breaks).toBe(fromDay <= promisedOn && toDay > promisedOn);
    }
  });
  test('its days rise with the chance, and all its runs lie on a day', () => {
    const { dates, byDay, runs } = ask(false);
    expect(dates.map(({ pct }) => pct)).toEqual([50, 80, 95]);
    expect(dates.map(({ date }) => date)).toEqual(dates.map(({ date }) => date).toSorted());
    expect(byDay.reduce((sum, { runs: own }) => sum + own, 0)).toBe(runs);
    const until = (date: string) => byDay.filter(({ day }) => day <= date).reduce((sum, one) => sum + one.runs, 0);
    for (const { pct, date } of dates) expect(until(date) / runs).toBeGreaterThanOrEqual(pct / 100);
  });
  test('an empty shop has a day too', () => expect(ask(false, { pumps: [] }).dates).toHaveLength(3));
});
