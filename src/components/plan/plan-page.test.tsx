import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { PlanShown, PlanTried, PromiseShown, Stone } from '@/core/workload';
import { answerFetch } from '../../../test-support/answer-fetch';
import { PlanPage } from './plan-page';
import { PromiseDesk } from './promise-desk';

jest.mock('next/navigation', () => ({
  usePathname: () => '/plan',
  useRouter: () => ({ refresh: jest.fn(), push: jest.fn() }),
}));

const stone: Stone = {
  ...{ tag: 'P-0424', operation: 'rebuild', title: 'Rebuild', from: '07:00', to: '13:00', minutes: 330 },
  ...{ beside: ['Bench 1'], isWished: false },
};
const basins = (stones: readonly Stone[]) => [
  { day: '2026-11-30', openMinutes: 480, away: null, stones },
  { day: '2026-12-01', openMinutes: 0, away: 'sick', stones: [] },
];
const pump = {
  ...{ tag: 'P-0424', plannedOn: '2026-12-14', keptPct: 3, lateDays: 4, promisedOn: '2026-12-10', weight: 1 },
  ...{ pump: 'Ostrelhaus OH 65-250', customer: 'Crakeside Snow Plant', station: 'rebuild' as const, isHeld: false },
  goesOn: null,
  range: { early: '2026-12-13', likely: '2026-12-14', late: '2026-12-18' },
  limit: { kind: 'resource' as const, words: 'Odile Fennimoor' },
};
const shown: PlanShown = {
  ...{ now: '2026-11-30T08:00', today: '2026-11-30', days: ['2026-11-30', '2026-12-01'] },
  board: [
    {
      id: 'odile',
      name: 'Odile Fennimoor',
      kind: 'hand',
      skills: ['bench hand'],
      basins: basins([stone]),
      loadPct: 69,
    },
    { id: 'joss', name: 'Joss Wick', kind: 'hand', skills: ['bench hand'], basins: basins([]), loadPct: 0 },
    { id: 'b1', name: 'Bench 1', kind: 'place', skills: ['bench'], basins: basins([stone]), loadPct: 69 },
  ],
  afloat: [{ tag: 'P-0430', kind: 'parts', title: 'Parts on order', untilDay: '2026-11-30' }],
  pumps: [pump],
  resources: [
    { id: 'odile', name: 'Odile Fennimoor', kind: 'hand', skills: ['bench hand'], calendarId: 'week', version: 0 },
    { id: 'joss', name: 'Joss Wick', kind: 'hand', skills: ['bench hand'], calendarId: 'week', version: 0 },
    { id: 'b1', name: 'Bench 1', kind: 'place', skills: ['bench'], calendarId: null, version: 1 },
  ],
  ...{ calendars: [], absences: [], wishes: [], lacking: [], fault: null, answers: 3, tests: 3, failRate: 0.1 },
  ...{ workSpread: { p10: 0.85, p50: 1, p90: 1.35 }, timed: 0 },
  ...{ leadSpread: { p10: 1, p50: 1, p90: 1.3 }, leadByHouse: {}, orders: 0, partsDays: null },
  answerDays: { p10: 1, p50: 3, p90: 7 },
};
const stoneOf = (row: string) =>
  within(screen.getByRole('group', { name: row })).getByRole('button', { name: /P-0424 rebuild/ });

describe('the plan', () => {
  test('of much that is afloat on a day six are shown and the rest counted, until all is asked for', async () => {
    const many = Array.from({ length: 9 }, (_, i) => ({
      ...{ tag: `P-05${10 + i}`, kind: 'answer' as const, title: 'Answer', untilDay: '2026-11-30' },
    }));
    const { unmount } = render(<PlanPage shown={shown} />);
    expect(screen.queryByRole('button', { name: 'all of them' })).toBeNull();
    unmount();
    render(<PlanPage shown={{ ...shown, afloat: many }} />);
    expect(screen.getAllByTitle(/Answer, reckoned with until/)).toHaveLength(6);
    expect(screen.getByText('3 more')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'all of them' }));
    expect(screen.getAllByTitle(/Answer, reckoned with until/)).toHaveLength(9);
    expect(screen.queryByText('3 more')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'fewer' }));
    expect(screen.getAllByTitle(/Answer, reckoned with until/)).toHaveLength(6);
  });
  test('says of each stone whose, where and when it is; of a late pump what limits it', () => {
    render(<PlanPage shown={shown} />);
    expect(stoneOf('Odile Fennimoor')).toHaveAccessibleName(
      'P-0424 rebuild, Odile Fennimoor, Bench 1, 2026-11-30, 07:00 to 13:00',
    );
    const late = screen.getByRole('complementary', { name: 'Late pumps' });
    expect(late).toHaveTextContent('4 days late');
    expect(late).toHaveTextContent('Limited by Odile Fennimoor, taken by other pumps until then.');
    expect(screen.getByTitle(/P-0430: Parts on order/)).toBeInTheDocument();
    expect(screen.getByText(/taken as usual, for we have too few of our own/)).toBeInTheDocument();
  });
  test('a late pump is tried before the others: what it costs them is shown, and it is kept with its reason', async () => {
    const other = { ...pump, tag: 'P-0430', plannedOn: '2026-12-11', lateDays: 1, promisedOn: '2026-12-10' };
    const tried: PlanTried = {
      ...{
        days: shown.days,
        board: shown.board,
        afloat: [],
        pumps: [{ ...pump, plannedOn: '2026-12-09', lateDays: 0 }, other],
      },
      moved: [
        { tag: 'P-0424', from: '2026-12-14', to: '2026-12-09', promisedOn: '2026-12-10', isLate: false },
        { tag: 'P-0430', from: '2026-12-09', to: '2026-12-11', promisedOn: '2026-12-10', isLate: true },
        ...['P-0431', 'P-0432'].map((tag) => ({
          ...{ tag, from: '2026-12-11', to: '2026-12-12', promisedOn: '2026-12-10', isLate: true },
        })),
        // One that is late and gets ready sooner costs nobody anything.
        { tag: 'P-0433', from: '2026-12-15', to: '2026-12-14', promisedOn: '2026-12-10', isLate: true },
      ],
    };
    const asked = answerFetch(({ path }) => ({ body: { data: path.includes('/try') ? tried : { tag: 'P-0424' } } }));
    render(<PlanPage shown={shown} />);
    await userEvent.click(screen.getByRole('button', { name: 'What if it came first: P-0424' }));
    const bar = within(screen.getByRole('region', { name: 'Before the others: P-0424' }));
    expect(await bar.findByText(/ready Wed 9 Dec instead of Mon 14 Dec/)).toBeVisible();
    expect(bar.getByText('For it 1 promise breaks, and 2 pumps that are late get later:')).toBeVisible();
    expect(decodeURIComponent(asked[0]?.path ?? '')).toContain('{"kind":"weight","tag":"P-0424","weight":10}');
    expect(bar.getByRole('button', { name: 'Keep it: it goes first' })).toBeDisabled();
    await userEvent.type(bar.getByLabelText('Why'), 'the snow plant stands still');
    await userEvent.click(bar.getByRole('button', { name: 'Keep it: it goes first' }));
    await waitFor(() =>
      expect(asked.at(-1)).toMatchObject({
        path: '/api/act/weigh-job',
        body: { tag: 'P-0424', weight: 10, reason: 'the snow plant stands still' },
      }),
    );
    expect(screen.queryByRole('region', { name: 'Before the others: P-0424' })).toBeNull();
  });
  test('one that goes before the others is put in its turn again', async () => {
    const asked = answerFetch(() => ({ body: { data: { ...shown, moved: [] } } }));
    render(<PlanPage shown={{ ...shown, pumps: [{ ...pump, weight: 10 }] }} />);
    await userEvent.click(screen.getByRole('button', { name: 'In its turn again: P-0424' }));
    expect(await screen.findByText('For it no promise breaks, and nobody late gets later.')).toBeVisible();
    expect(decodeURIComponent(asked[0]?.path ?? '')).toContain('"weight":1}');
  });
  test('a stone is held, tried with another hand, and what moves is shown before it is kept', async () => {
    const tried: PlanTried = {
      ...{ days: shown.days, board: shown.board, afloat: [], pumps: [{ ...pump, lateDays: 0 }] },
      moved: [{ tag: 'P-0424', from: '2026-12-14', to: '2026-12-09', promisedOn: '2026-12-10', isLate: false }],
    };
    const asked = answerFetch(({ path }) => ({ body: { data: path.includes('/try') ? tried : { tag: 'P-0424' } } }));
    render(<PlanPage shown={shown} />);
    await userEvent.click(stoneOf('Odile Fennimoor'));
    const bar = screen.getByRole('region', { name: 'Try: P-0424 Rebuild' });
    expect(within(bar).queryByRole('button', { name: 'Keep it' })).toBeNull();
    await userEvent.selectOptions(within(bar).getByRole('combobox', { name: 'By whom' }), 'Joss Wick');
    await userEvent.click(within(bar).getByRole('button', { name: 'Try it' }));
    expect(await screen.findByText('A try, not kept yet')).toBeInTheDocument();
    expect(screen.getByText('Nobody is late')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(asked.at(-1)?.path).toBe('/api/act/wish-operation'));
    expect(asked.at(-1)?.body).toMatchObject({
      tag: 'P-0424',
      operation: 'rebuild',
      resourceId: 'joss',
      notBefore: '2026-11-30',
    });
  });
  test('one stone of the board is reached by the tab key, and arrows go on to the next', async () => {
    render(<PlanPage shown={shown} />);
    const stones = screen.getAllByRole('button', { name: /^P-0424 rebuild,/ });
    expect(stones.length).toBeGreaterThan(1);
    expect(stones.filter(({ tabIndex }) => tabIndex === 0)).toHaveLength(1);
    // One beneath the other, as on the screen.
    for (const [i, stone] of stones.entries())
      jest
        .spyOn(stone, 'getBoundingClientRect')
        .mockReturnValue({ left: 0, top: 40 * i, width: 50, height: 20 } as DOMRect);
    act(() => stones[0]?.focus());
    await userEvent.keyboard('{ArrowDown}');
    expect(stones[1]).toHaveFocus();
    expect(stones.map(({ tabIndex }) => tabIndex).indexOf(0)).toBe(1);
    await userEvent.keyboard('{ArrowUp}');
    expect(stones[0]).toHaveFocus();
  });
  test('Escape puts a stone back', async () => {
    render(<PlanPage shown={shown} />);
    await userEvent.click(stoneOf('Bench 1'));
    expect(screen.getByRole('region', { name: 'Try: P-0424 Rebuild' })).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('region', { name: 'Try: P-0424 Rebuild' })).toBeNull();
  });
  test('without somebody for some work there is no plan, and what is missing is a list', () => {
    render(<PlanPage shown={{ ...shown, lacking: ['machinist', 'lathe'], board: [] }} />);
    expect(screen.getByRole('heading', { name: 'No plan yet' })).toBeInTheDocument();
    expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual(['machinist', 'lathe']);
  });
});

describe('the promise desk', () => {
  const answer = (first: boolean): PromiseShown => ({
    ...{ lacking: [], fault: null },
    answer: {
      dates: [50, 80, 95].map((pct, i) => ({ pct, date: first ? `2026-12-${14 + i}` : `2026-12-${21 + i}` })),
      byDay: [
        { day: first ? '2026-12-14' : '2026-12-21', runs: 1600 },
        { day: first ? '2026-12-16' : '2026-12-23', runs: 400 },
      ],
      runs: 2000,
      makesLater: first
        ? [{ tag: 'P-0428', fromDay: '2026-12-11', toDay: '2026-12-22', promisedOn: '2026-12-18', breaks: true }]
        : [],
    },
  });
  const families = [{ id: 'F1', title: 'Overhung' }];
  test('says a day to read out; keys choose the chance and put it first, with its price', async () => {
    const asked = answerFetch(({ path }) => ({ body: { data: answer(path.includes('first=yes')) } }));
    render(<PromiseDesk families={families} tomorrow="2026-12-01" />);
    expect(await screen.findByRole('status')).toHaveTextContent('ready to leave us on Tue 22 Dec');
    expect(asked.map(({ path }) => path).every((path) => path.includes('familyId=F1'))).toBe(true);
    expect(screen.getByRole('complementary', { name: 'Made later' })).toHaveTextContent('It makes nobody later');
    await userEvent.keyboard('9');
    expect(screen.getByRole('status')).toHaveTextContent('Wed 23 Dec');
    await userEvent.keyboard('f');
    expect(screen.getByRole('status')).toHaveTextContent('Wed 16 Dec');
    expect(screen.getByRole('complementary', { name: 'Made later' })).toHaveTextContent(
      'its promise breaks: Fri 18 Dec',
    );
    await userEvent.keyboard('5');
    expect(screen.getByRole('link', { name: 'Promise Mon 14 Dec' })).toHaveAttribute(
      'href',
      '/receive?family=F1&promised=2026-12-14',
    );
  });
  test('what putting it first gains stands beside it: days, none at this chance, or nothing at all', async () => {
    const days = {
      turn: ['2026-12-21', '2026-12-22', '2026-12-23'],
      first: ['2026-12-14', '2026-12-21', '2026-12-23'],
    };
    const told = (dates: readonly string[]) => {
      const { answer: one, ...rest } = answer(false);
      return {
        ...rest,
        answer: one && { ...one, dates: [50, 80, 95].map((pct, i) => ({ pct, date: dates[i] ?? '' })) },
      };
    };
    answerFetch(({ path }) => ({ body: { data: told(path.includes('first=yes') ? days.first : days.turn) } }));
    const { unmount } = render(<PromiseDesk families={families} tomorrow="2026-12-01" />);
    const button = await screen.findByRole('button', { name: /^Put first/ });
    expect(button).toHaveTextContent('1 day sooner, makes nobody later');
    await userEvent.keyboard('5');
    expect(button).toHaveTextContent('7 days sooner, makes nobody later');
    await userEvent.keyboard('9');
    expect(button).toHaveTextContent('no sooner at this chance, makes nobody later');
    expect(screen.getByRole('button', { name: /^In its turn/ })).toHaveTextContent('In its turn makes nobody later');
    unmount();
    days.first = days.turn;
    render(<PromiseDesk families={families} tomorrow="2026-12-01" />);
    expect(await screen.findByRole('button', { name: /^Put first/ })).toHaveTextContent(
      'gains nothing: ready on the same days, makes nobody later',
    );
  });
  test('where no answer comes it says so, and asks again until one does', async () => {
    let isBusy = true;
    answerFetch(({ path }) =>
      isBusy
        ? { status: 409, body: { error: { code: 'wrong-state', what: 'It takes too long.', issues: [] } } }
        : { body: { data: answer(path.includes('first=yes')) } },
    );
    render(<PromiseDesk families={families} tomorrow="2026-12-01" />);
    expect(await screen.findByText('No answer yet: the shop is busy, and is asked again.')).toBeVisible();
    isBusy = false;
    expect(await screen.findByText(/ready to leave us on/)).toBeVisible();
  });
  test('fifty pebbles lie on the days of their runs: forty of forty on the first', async () => {
    answerFetch(() => ({ body: { data: answer(false) } }));
    render(<PromiseDesk families={families} tomorrow="2026-12-01" />);
    const [turn] = await screen.findAllByRole('list', { name: 'Runs by day' });
    const days = within(turn as HTMLElement).getAllByRole('listitem');
    expect(days.map((day) => day.getAttribute('aria-label'))).toEqual(['Mon 21 Dec: 40 of 50', 'Wed 23 Dec: 10 of 50']);
  });
});
