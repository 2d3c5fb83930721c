import { heldBy } from './held';
import { trendsOf, type TrendJob } from '.';

const job = (own: Partial<TrendJob> & Pick<TrendJob, 'tag'>): TrendJob => ({
  ...{ family: 'F1', liquid: 'water', opened: '2026-09-01T08:00', ready: '2026-09-11T08:00', promised: '2026-09-12' },
  ...{ stays: [], runs: 1, comebackOf: null, answerDays: null, renewed: [], worked: null, judged: '' },
  ...own,
});
const period = { from: '2026-09-01', to: '2026-11-30' };
const jobs = [
  job({ tag: 'A', answerDays: 2, renewed: ['Wear ring', 'Seal'] }),
  job({ tag: 'B', ready: '2026-09-21T08:00', runs: 2, answerDays: 6, renewed: ['Wear ring'] }),
  job({ tag: 'C', opened: '2026-11-01T08:00', ready: '2026-11-05T20:00', promised: '2026-11-05', comebackOf: 'A' }),
  job({ tag: 'D', opened: '2026-11-02T08:00', ready: '2026-11-12T08:00', promised: null, runs: 0, liquid: 'brine' }),
  job({ tag: 'here', ready: null, opened: '2026-11-20T08:00' }),
  job({ tag: 'long ago', opened: '2025-01-01T08:00', ready: '2025-01-09T08:00', promised: '2025-01-01' }),
];
const trends = trendsOf(jobs, period);
const monthOf = (month: string) => trends.months.find((one) => one.month === month);

test('each month stands, one without a pump says that there is none to judge by', () => {
  expect(trends.months.map(({ month }) => month)).toEqual(['2026-09', '2026-10', '2026-11']);
  expect(monthOf('2026-10')).toMatchObject({ closed: 0, kept_pct: null, first_pass_pct: null, days: { p50: null } });
});
test('figures of a month are of the pumps that went out in it, and lead to them', () => {
  // By hand: ten and twenty days; the second nine days after its promise, and on its second run.
  expect(monthOf('2026-09')).toMatchObject({
    ...{ closed: 2, days: { mean: 15, p50: 15, p90: 19 }, kept_pct: 50, first_pass_pct: 50, comeback_pct: 0 },
    // Of 2 and 6 days: half below 4, nine of ten below 5.6.
    answer: { of: 2, p50: 4, p90: 5.6 },
    tags: { closed: ['A', 'B'], late: ['B'], failedFirst: ['B'], comebacks: [], promised: 2, tested: 2 },
  });
  // On the evening of the promised day it is kept; a pump without promise or test is none to judge by.
  expect(monthOf('2026-11')).toMatchObject({
    ...{ closed: 2, kept_pct: 100, first_pass_pct: 100, comeback_pct: 50 },
    tags: { closed: ['C', 'D'], late: [], comebacks: ['C'], promised: 1, tested: 1 },
  });
});
test('what went out before the period is not in it, what is here is counted by its age', () => {
  expect(trends.all.tags.closed).toEqual(['A', 'B', 'C', 'D']);
  // Opened ten days and sixteen hours before the end of the thirtieth.
  expect(trends.openByAge.filter(({ count }) => count > 0)).toEqual([{ up_to_days: 14, count: 1 }]);
});
test('stays of a station are summed over a job', () => {
  const stays = [
    { station: 'parts', holder: 'supplier', from: '2026-09-02T08:00', to: '2026-09-05T08:00' },
    { station: 'parts', holder: 'us', from: '2026-09-06T08:00', to: '2026-09-07T08:00' },
  ];
  expect(trendsOf([job({ tag: 'S', stays })], period).byStation).toEqual([
    { station: 'parts', days_p50: 4, days_p90: 4 },
  ]);
});
test('who held a station is told by days, the longest first; a stay that lasts says nothing', () => {
  const stay = (holder: string, from: string, to: string | null) => ({ station: 'parts', holder, from, to });
  expect(
    heldBy([
      stay('us', '2026-09-01T08:00', '2026-09-02T08:00'),
      stay('supplier', '2026-09-02T08:00', '2026-09-05T08:00'),
      stay('supplier', '2026-09-10T08:00', null),
    ]),
  ).toEqual([
    { station: 'parts', holder: 'supplier', days: 3, pct: 75 },
    { station: 'parts', holder: 'us', days: 1, pct: 25 },
  ]);
});
test('work is summed over what was timed, and set against the families’ minutes', () => {
  const timed = [
    job({ tag: 'T1', worked: { minutes: 300, standard: 150 } }),
    job({ tag: 'T2', worked: { minutes: 90, standard: 150 } }),
    job({ tag: 'T3' }),
  ];
  const { all } = trendsOf(timed, period);
  // 390 minutes worked for 300 reckoned.
  expect(all).toMatchObject({ work: { hours: 6.5, standard_pct: 130 }, tags: { timed: 2, long: ['T1'] } });
  expect(trendsOf([], period).all.work).toEqual({ hours: 0, standard_pct: null });
});
test('an answer after more than a week is slow, and each comeback says whose it was', () => {
  const slow = [job({ tag: 'S1', answerDays: 7 }), job({ tag: 'S2', answerDays: 7.5, judged: 'theirs: run dry' })];
  const { all, judged } = trendsOf(slow, period);
  expect(all.tags.slow).toEqual(['S2']);
  expect(judged).toEqual([{ tag: 'S2', words: 'theirs: run dry' }]);
});
test('a part fails where more than one of three alike had it renewed; two alike tell nothing', () => {
  expect(trends.failing).toEqual([{ family: 'F1', liquid: 'water', part: 'Wear ring', of: 3, tags: ['A', 'B'] }]);
  expect(trendsOf(jobs.slice(0, 2), period).failing).toEqual([]);
});
test('a year turns within the months', () =>
  expect(trendsOf([], { from: '2025-11-15', to: '2026-02-01' }).months.map(({ month }) => month)).toEqual([
    ...['2025-11', '2025-12', '2026-01', '2026-02'],
  ]));
