import type { NextMove } from './next-move';
import { needsRole, sayDay, sayMove, stateAsked } from '.';

describe('a search for a state', () => {
  test.each([
    ['late', 'late'],
    [' Overdue ', 'late'],
    ['waiting for approval', 'approval'],
    ['waits for  an answer', 'approval'],
    ['unanswered', 'approval'],
    ['due this week', 'week'],
    ['This week', 'week'],
    ['on hold', 'hold'],
    ['waiting for parts', 'parts'],
    ['at risk', 'risk'],
    ['late harvest press', null],
    ['Weeks Brothers', null],
    ['P-0412', null],
  ])('“%s” asks for %s', (text, state) => expect(stateAsked(text)).toBe(state));
});

describe('whose move it is', () => {
  const today = '2026-11-27';
  const needs = (next: NextMove, asks: Parameters<typeof needsRole>[0]['asks'] = []) =>
    (['coordinator', 'technician', 'inspector', 'parts'] as const).filter((role) =>
      needsRole({ next, asks }, role, today),
    );
  test.each<[NextMove, readonly string[]]>([
    [{ code: 'rebuild', step: 'Press', done: 1, of: 9, isAgain: false }, ['technician']],
    [{ code: 'sign-hold-point', step: 'Gap' }, ['inspector']],
    [{ code: 'send-quote', revision: 1 }, ['coordinator']],
    [{ code: 'await-answer', revision: 1 }, []],
    [{ code: 'order-parts', parts: 2, longestDays: 9 }, ['parts']],
    [{ code: 'await-supplement', number: 1, isSent: true }, []],
    [{ code: 'await-supplement', number: 1, isSent: false }, ['coordinator']],
  ])('%j needs %j', (next, roles) => expect(needs(next)).toEqual(roles));
  test('a parcel needs nobody before its day, unless something is short', () => {
    const parcel = (dueOn: string, short: string | null) => needs({ code: 'receive-parts', parts: 2, short, dueOn });
    expect(parcel('2026-11-28', null)).toEqual([]);
    expect(parcel('2026-11-27', null)).toEqual(['parts']);
    expect(parcel('2026-11-28', 'the ring')).toEqual(['parts']);
  });
  test('a question of the customer needs the desk, whatever the bench does', () =>
    expect(needs({ code: 'clean', left: 3 }, [{ code: 'question', count: 1 }])).toEqual(['coordinator', 'technician']));
  test('what is on hold needs nobody', () =>
    expect(needs({ code: 'held', reason: 'x' }, [{ code: 'question', count: 1 }])).toEqual([]));
});

test('a day of another year has its year, in a move and in the answer', () => {
  expect(sayDay('2026-12-31', '2026-11-27')).toBe('31 December');
  expect(sayDay('2027-01-02', '2026-11-27')).toBe('2 January 2027');
  const move = { code: 'receive-parts', parts: 2, short: null, dueOn: '2027-01-02' } as const;
  expect(sayMove(move, '2026-11-27').waitingFor).toBe('2 parts from the supplier, due 2 January 2027');
  expect(sayMove({ ...move, dueOn: '2026-12-02' }, '2026-11-27').detail).toBe('2 parts, due 2 December');
});
