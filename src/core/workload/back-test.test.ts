import { calibrationOf, forecastReady, heldAt, type BackTested } from './back-test';
import { priorAnswerDays } from './shop-plan';
import type { ShopPlanAsked } from './shop-plan';

const still = { p10: 1, p50: 1, p90: 1 };

/** One pair of hands, Monday to Friday from 7 to 15, one bench. */
const plan: ShopPlanAsked = {
  ...{ now: '2026-11-23T07:00', absences: [], wishes: [], answerDays: priorAnswerDays, budgetMs: 50 },
  calendars: [
    { id: 'week', weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' })), closed: [] },
  ],
  resources: [
    { id: 'a', name: 'A', kind: 'hand', skills: ['bench hand'], calendarId: 'week' },
    { id: 'b', name: 'B', kind: 'place', skills: ['bench'], calendarId: 'week' },
  ],
  pumps: [
    {
      ...{ tag: 'P-1', promisedOn: '2026-12-01', weight: 1, holdUntil: null },
      work: [{ id: 'rebuild', title: 'Rebuild', needs: ['bench hand', 'bench'], minutes: 600, after: [], wait: null }],
    },
  ],
};

describe('what a plan of the past says', () => {
  test('by hand: ten hours of work in days of eight that never vary are done on the second day, at any chance', () => {
    const chances = { answerDays: still, work: still, lead: still, failRate: 0 };
    expect(forecastReady({ plan, chances, tag: 'P-1' })).toEqual(heldAt.map((pct) => ({ pct, day: '2026-11-24' })));
  });
  test('work that may take twice as long is said later at a high chance than at a low one', () => {
    const chances = { answerDays: still, work: { p10: 0.5, p50: 1, p90: 2 }, lead: still, failRate: 0 };
    const said = forecastReady({ plan, chances, tag: 'P-1' });
    // Five hours are a day, twenty hours reach into the third.
    expect(said[0]?.day).toBe('2026-11-23');
    expect((said.at(-1)?.day ?? '') >= '2026-11-25').toBe(true);
  });
  test('a pump without work ahead is refused', () =>
    expect(() =>
      forecastReady({ plan, chances: { answerDays: still, work: still, lead: still, failRate: 0 }, tag: 'P-2' }),
    ).toThrow('P-2 has no work ahead'));
});

describe('how often it held', () => {
  const said = (days: readonly string[]) => heldAt.map((pct, i) => ({ pct, day: days[i] ?? '' }));
  const days = ['2026-03-02', '2026-03-03', '2026-03-04', '2026-03-06', '2026-03-10', '2026-03-12'];
  const tested: readonly BackTested[] = ['2026-03-01', '2026-03-04', '2026-03-08', '2026-03-20'].map((readyOn, i) => ({
    ...{ tag: `P-${i + 1}`, said: said(days), readyOn },
  }));
  test('by hand: of four pumps one was ready by the first day, two by the even one, three by the one for ninety', () => {
    const { held, laterDays } = calibrationOf(tested);
    expect(held.map(({ pct, of, held: kept }) => [pct, of, kept])).toEqual([
      [10, 4, 1],
      [25, 4, 1],
      [50, 4, 2],
      [75, 4, 2],
      [90, 4, 3],
      [95, 4, 3],
    ]);
    expect(held[4]?.later).toEqual(['P-4']);
    // 3 days early, on the day, 4 and 16 days later: the lower middle is the day itself.
    expect(laterDays).toBe(0);
  });
  test('nothing tested says nothing', () => {
    expect(calibrationOf([]).laterDays).toBeNull();
    expect(calibrationOf([]).held.every(({ of }) => of === 0)).toBe(true);
  });
});
