import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { HandsShown, PlanShown, PlanWeeks } from '@/core/workload';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { DayPage } from './day-page';
import { HandsPage } from './hands-page';
import { WeeksPage } from './weeks-page';

const done = { body: { data: { version: 2, id: 'x', path: '/files/calendar/abc' } } };
const stone = {
  ...{ tag: 'P-0424', operation: 'rebuild', title: 'Rebuild', from: '07:00', to: '09:30', minutes: 150 },
  ...{ beside: ['Bench 1'], isWished: false },
};
const hand = { kind: 'hand' as const, skills: ['bench hand' as const], calendarId: 'week' };
const shown: PlanShown = {
  ...{ now: '2026-11-30T07:00', today: '2026-11-30', days: ['2026-11-30', '2026-12-01'], wishes: [], absences: [] },
  ...{ calendars: [], lacking: [], fault: null, answers: 0, tests: 0, timed: 0, failRate: 0.1 },
  answerDays: { p10: 1, p50: 3, p90: 7 },
  workSpread: { p10: 0.85, p50: 1, p90: 1.35 },
  ...{ leadSpread: { p10: 1, p50: 1, p90: 1.3 }, leadByHouse: {}, orders: 0, partsDays: null },
  resources: [
    { ...hand, id: 'odile', name: 'Odile Fenner', version: 0 },
    { ...hand, id: 'joss', name: 'Joss Tarn', version: 0 },
  ],
  board: [
    {
      ...{ id: 'odile', name: 'Odile Fenner', kind: 'hand', skills: ['bench hand'], loadPct: 20 },
      basins: [
        { day: '2026-11-30', openMinutes: 480, away: null, stones: [stone] },
        { day: '2026-12-01', openMinutes: 480, away: null, stones: [] },
      ],
    },
    {
      ...{ id: 'joss', name: 'Joss Tarn', kind: 'hand', skills: ['bench hand'], loadPct: 0 },
      basins: [{ day: '2026-11-30', openMinutes: 0, away: 'sick', stones: [] }],
    },
  ],
  afloat: [{ tag: 'P-0420', kind: 'parts', title: 'Parts on order', untilDay: '2026-11-30' }],
  pumps: [
    {
      ...{ tag: 'P-0424', plannedOn: '2026-12-14', keptPct: 3, lateDays: 4, promisedOn: '2026-12-10', weight: 1 },
      ...{ pump: 'Ostrelhaus OH', customer: 'Crakeside Snow Plant', station: 'rebuild', isHeld: false, goesOn: null },
      range: { early: '2026-12-13', likely: '2026-12-14', late: '2026-12-18' },
      limit: { kind: 'operation', words: 'Rebuild' },
    },
  ],
};

describe('a day', () => {
  test('has each person’s list with place, pump and what is late; who is away; what is expected', () => {
    render(<DayPage shown={shown} feeds={[]} day="" who="" />);
    const odile = within(screen.getByRole('region', { name: 'Odile Fenner' }));
    expect(odile.getByText('2 h 30 of 8 h 00')).toBeInTheDocument();
    const line = odile.getByRole('listitem');
    for (const words of ['07:00–09:30', 'Rebuild', 'Crakeside Snow Plant', 'Bench 1', '4 days late'])
      expect(line).toHaveTextContent(words);
    expect(screen.getByRole('region', { name: 'Joss Tarn' })).toHaveTextContent('away: sick');
    expect(screen.getByRole('region', { name: 'Expected' })).toHaveTextContent('P-0420 parts: parts on order');
  });
  test('of one person is theirs alone; a day without work says so', () => {
    render(<DayPage shown={shown} feeds={[]} day="2026-12-01" who="odile" />);
    expect(screen.queryByRole('region', { name: 'Joss Tarn' })).toBeNull();
    expect(screen.getByText(/Nothing is planned/)).toBeInTheDocument();
  });
  test('a calendar link is shown once, and ended', async () => {
    const asked = answerFetch(() => done);
    const feed = { id: 'f', name: 'Odile Fenner', personName: 'Wenna', at: '2026-11-27T08:00:00Z' };
    render(<DayPage shown={shown} feeds={[feed]} day="" who="" />);
    await userEvent.click(screen.getByText('In your own calendar'));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Of' }), 'Joss Tarn');
    await userEvent.click(screen.getByRole('button', { name: 'Make a link' }));
    expect(await screen.findByRole('status')).toHaveTextContent('/files/calendar/abc');
    expect(asked[0]).toMatchObject({ path: '/api/act/make-feed', body: { subject: 'joss' } });
    await userEvent.click(await screen.findByRole('button', { name: 'End it' }));
    expect(asked[1]).toMatchObject({ path: '/api/act/end-feed', body: { id: 'f' } });
  });
});

describe('weeks', () => {
  const load = (pct: number | null) => ({ monday: '2026-11-30', openMinutes: 600, workMinutes: 300, pct });
  const weeks: PlanWeeks = {
    ...{ today: '2026-11-30', fault: null },
    rows: [
      { id: 'o', name: 'Odile', kind: 'hand', weeks: [load(95)] },
      { id: 's', name: 'Stand', kind: 'place', weeks: [load(null)] },
    ],
    weeks: [{ monday: '2026-11-30', promised: 3, late: 1, narrowest: { name: 'Odile', pct: 95 } }],
  };
  test('say how full everybody is, what is narrowest, and what is promised', () => {
    render(<WeeksPage shown={weeks} />);
    const [, odile, stand, narrowest, promised] = screen.getAllByRole('row');
    expect(odile).toHaveTextContent('Odile95 %');
    expect(stand).toHaveTextContent('closed');
    expect(narrowest).toHaveTextContent('Odile 95 %');
    expect(promised).toHaveTextContent('3, 1 ready later');
  });
  test('say why there is no plan', () => {
    render(<WeeksPage shown={{ ...weeks, rows: [], weeks: [], fault: 'Nobody is there: stand.' }} />);
    expect(screen.getByRole('alert')).toHaveTextContent('Nobody is there: stand.');
  });
});

describe('hands and hours', () => {
  const hands: HandsShown = {
    today: '2026-11-30',
    resources: [
      { ...hand, id: 'odile', name: 'Odile Fenner', version: 3, isActive: true },
      { id: 'b1', name: 'Bench 1', kind: 'place', skills: ['bench'], calendarId: null, version: 1, isActive: false },
    ],
    calendars: [
      {
        ...{ id: 'week', name: 'Week of the shop', version: 4, closed: ['2026-12-25', '2025-12-25'] },
        weekly: [{ weekday: 1, from: '07:00', to: '12:00' }],
      },
    ],
  };
  const show = (answer = done as Parameters<typeof answerFetch>[0] extends (asked: never) => infer A ? A : never) => {
    const asked = answerFetch(() => answer);
    render(<HandsPage shown={hands} />);
    return asked;
  };
  test('a skill more, other hours, out of the plan: each is kept at once on what was seen', async () => {
    const asked = show();
    const own = { id: 'odile', name: 'Odile Fenner', kind: 'hand', basedOn: 3 };
    await userEvent.click(screen.getByRole('checkbox', { name: 'tester' }));
    expect(asked[0]?.body).toEqual({ ...own, skills: ['bench hand', 'tester'], calendarId: 'week', isActive: true });
    await userEvent.selectOptions(await screen.findByRole('combobox', { name: 'Hours of Odile Fenner' }), '');
    expect(asked[1]?.body).toMatchObject({ ...own, calendarId: null });
    const [inPlan] = screen.getAllByRole('checkbox', { name: 'in the plan' });
    await userEvent.click(inPlan as HTMLElement);
    expect(asked[2]?.body).toMatchObject({ ...own, isActive: false });
  });
  test('a place more', async () => {
    const asked = show();
    await userEvent.type(screen.getByRole('textbox', { name: 'Another place' }), 'Bench 4');
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'For' }), 'lathe');
    await userEvent.click(screen.getByRole('button', { name: 'Add the place' }));
    expect(asked[0]?.body).toMatchObject({ basedOn: 0, name: 'Bench 4', kind: 'place', skills: ['lathe'] });
  });
  test('hours are read as they are typed; what cannot be read is named and not sent', async () => {
    const asked = show();
    const week = within(screen.getByRole('region', { name: 'Week of the shop' }));
    const monday = week.getByRole('textbox', { name: /Monday/ });
    expect(monday).toHaveValue('07:00-12:00');
    await userEvent.type(monday, ', 1-nine');
    expect(week.getByText(/“1-nine” is no stretch of hours/)).toBeInTheDocument();
    expect(week.getByRole('button', { name: 'Keep the hours' })).toBeDisabled();
    await userEvent.clear(monday);
    await userEvent.type(monday, '8-12');
    await userEvent.click(week.getByRole('button', { name: 'Keep the hours' }));
    expect(asked[0]?.body).toEqual({
      ...{ id: 'week', basedOn: 4, name: 'Week of the shop', closed: ['2026-12-25', '2025-12-25'] },
      weekly: [{ weekday: 1, from: '08:00', to: '12:00' }],
    });
  });
  test('what somebody else changed meanwhile is said', async () => {
    show(refusal('Odile Fenner was changed by somebody else meanwhile.'));
    await userEvent.click(screen.getByRole('checkbox', { name: 'tester' }));
    expect(await screen.findByText(/changed by somebody else/)).toBeInTheDocument();
  });
});
