import { awaitedAnswer } from '.';

const sent = { sentOn: '2026-11-20', remindedOn: null, validUntil: '2026-12-20' };

test.each([
  ['2026-11-26', 6, false],
  ['2026-11-27', 7, true],
  ['2027-01-02', 43, true],
])('on %s it is %d days old, and due: %s', (today, days, isDue) =>
  expect(awaitedAnswer(sent, today, 7)).toMatchObject({ days, isDue, nextReminderOn: '2026-11-27' }),
);
test('a reminder begins the time anew; the age stays that of the quote', () =>
  expect(awaitedAnswer({ ...sent, remindedOn: '2026-11-27' }, '2026-11-30', 7)).toEqual({
    ...{ days: 10, nextReminderOn: '2026-12-04', isDue: false, isExpired: false },
  }));
test('on its last day it is still valid', () => {
  expect(awaitedAnswer(sent, '2026-12-20', 7).isExpired).toBe(false);
  expect(awaitedAnswer(sent, '2026-12-21', 7).isExpired).toBe(true);
});
