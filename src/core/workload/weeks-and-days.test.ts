import type { PlannedOperation } from '../planning';
import {
  daySheetsOf,
  mondayOf,
  openDaysOf,
  priorAnswerDays,
  readHours,
  readTime,
  weeksOf,
  writeHours,
  type BoardRow,
  type PumpShown,
  type ShopPlanAsked,
} from '.';

const weekly = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' }));
const plan: ShopPlanAsked = {
  now: '2026-11-25T08:00',
  resources: [
    { id: 'odile', name: 'Odile', kind: 'hand', skills: ['bench hand'], calendarId: 'week' },
    { id: 'b1', name: 'Bench 1', kind: 'place', skills: ['bench'], calendarId: null },
  ],
  calendars: [{ id: 'week', weekly, closed: ['2026-12-01'] }],
  ...{ absences: [], wishes: [], answerDays: priorAnswerDays, budgetMs: 1, pumps: [] },
};
const work = (job: string, start: string, end: string): PlannedOperation => ({
  ...{ job, operation: 'rebuild', resources: ['odile', 'b1'], start, end },
});

describe('weeks', () => {
  const shown = weeksOf({
    plan,
    operations: [
      work('P-1', '2026-11-25T08:00', '2026-11-25T15:00'),
      // Pauses overnight: two pieces, in two weeks.
      {
        ...work('P-2', '2026-11-27T11:00', '2026-11-30T09:00'),
        pieces: [
          { start: '2026-11-27T11:00', end: '2026-11-27T15:00' },
          { start: '2026-11-30T07:00', end: '2026-11-30T09:00' },
        ],
      },
      { ...work('P-2', '2026-11-25T08:00', '2026-12-05T08:00'), operation: 'parts', resources: [] },
    ],
    absences: [{ resourceId: 'odile', from: '2026-11-26', to: '2026-11-26' }],
    pumps: [
      { plannedOn: '2026-11-25', promisedOn: '2026-11-27' },
      { plannedOn: '2026-12-01', promisedOn: '2026-11-29' },
      { plannedOn: '2026-11-30', promisedOn: '2026-12-02' },
    ],
    count: 2,
  });
  const odile = shown.rows.find(({ id }) => id === 'odile')?.weeks;
  test('count hours from today on, without days away and closed days', () => {
    // Wednesday and Friday of 480 minutes; Thursday away. Then Monday, Wednesday, Thursday, Friday.
    expect(odile?.map(({ openMinutes }) => openMinutes)).toEqual([960, 1920]);
  });
  test('count work where it lies, pauses left out, and no waiting', () => {
    expect(odile?.map(({ workMinutes }) => workMinutes)).toEqual([420 + 240, 120]);
    // 660 of 960 and 120 of 1920.
    expect(odile?.map(({ pct }) => pct)).toEqual([69, 6]);
  });
  test('name what is narrowest, and the promises that fall into them', () => {
    expect(shown.weeks).toEqual([
      { monday: '2026-11-23', promised: 2, late: 1, narrowest: { name: 'Odile', pct: 69 } },
      { monday: '2026-11-30', promised: 1, late: 0, narrowest: { name: 'Odile', pct: 6 } },
    ]);
  });
  test.each([
    ['2026-11-23', '2026-11-23'],
    ['2026-11-29', '2026-11-23'],
    ['2027-01-01', '2026-12-28'],
  ])('the Monday of %s is %s', (day, monday) => expect(mondayOf(day)).toBe(monday));
});

describe('a day', () => {
  const stone = (tag: string) => ({
    ...{ tag, operation: 'rebuild', title: 'Rebuild', from: '07:00', to: '09:00', minutes: 120 },
    ...{ beside: ['Bench 1'], isWished: false },
  });
  const row = (id: string, kind: BoardRow['kind'], away: string | null, tags: readonly string[]): BoardRow => ({
    ...{ id, name: id, kind, skills: [], loadPct: 10 },
    basins: [
      { day: '2026-11-27', openMinutes: 0, away: null, stones: [] },
      { day: '2026-11-30', openMinutes: away ? 0 : 480, away, stones: tags.map(stone) },
    ],
  });
  const board = [
    row('odile', 'hand', null, ['P-1']),
    row('joss', 'hand', 'sick', []),
    row('b1', 'place', null, ['P-1']),
  ];
  const pumps = [
    { tag: 'P-1', pump: 'Quillmere QB', customer: 'Garden', promisedOn: '2026-11-20', lateDays: 3 },
  ] as unknown as readonly PumpShown[];
  test('is one on which anybody is there', () =>
    expect(openDaysOf({ days: ['2026-11-27', '2026-11-30'], board })).toEqual(['2026-11-30']));
  test('has a list for each person, with what they need to know', () => {
    const sheets = daySheetsOf({ board, pumps }, '2026-11-30');
    expect(sheets.map(({ id, away }) => [id, away])).toEqual([
      ['odile', null],
      ['joss', 'sick'],
    ]);
    expect(sheets[0]?.lines).toEqual([
      { ...stone('P-1'), pump: 'Quillmere QB', customer: 'Garden', promisedOn: '2026-11-20', lateDays: 3 },
    ]);
  });
});

describe('hours as people type them', () => {
  test.each([
    ['7', '07:00'],
    ['07:30', '07:30'],
    ['16.15', '16:15'],
    ['24', '24:00'],
    ['25', null],
    ['7:61', null],
    ['noon', null],
  ])('%s is %s', (text, time) => expect(readTime(text)).toBe(time));
  test('are read in any order and written out again', () => {
    const read = readHours('12:30-16, 7 to 12', 3);
    expect(read).toEqual([
      { weekday: 3, from: '07:00', to: '12:00' },
      { weekday: 3, from: '12:30', to: '16:00' },
    ]);
    expect(writeHours(read as Exclude<typeof read, { fault: string }>, 3)).toBe('07:00-12:00, 12:30-16:00');
    expect(readHours('  ', 7)).toEqual([]);
  });
  test.each([
    ['7-', '“7-”'],
    ['7-12, nine', '“nine”'],
    ['12-7', '“12-7” ends before'],
    ['7-12, 11-13', '07:00-12:00 runs into'],
  ])('%s is refused by name', (text, words) =>
    expect(readHours(text, 1)).toEqual({ fault: expect.stringContaining(words) as string }),
  );
});
