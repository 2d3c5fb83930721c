import fc from 'fast-check';
import { addDays, addWorkMinutes, readyRange, weekdayOf, type Remaining } from '.';

const nothing: Remaining = {
  benchMinutesBeforeAnswer: 0,
  answerAwaited: false,
  partsLeadDays: 0,
  partsDueOn: null,
  benchMinutesAfterParts: 0,
  standMinutes: 0,
  holdUntil: null,
};
const remaining: fc.Arbitrary<Remaining> = fc.record({
  benchMinutesBeforeAnswer: fc.integer({ min: 0, max: 2000 }),
  answerAwaited: fc.boolean(),
  partsLeadDays: fc.integer({ min: 0, max: 60 }),
  partsDueOn: fc.constantFrom(null, '2026-11-20', '2026-12-03', '2027-01-08'),
  benchMinutesAfterParts: fc.integer({ min: 0, max: 2000 }),
  standMinutes: fc.integer({ min: 0, max: 500 }),
  holdUntil: fc.constantFrom(null, '2026-11-01', '2026-12-24'),
});
const today = '2026-11-24'; // a Tuesday

test('days go on over ends of months, leap days and years, also backwards', () => {
  expect(addDays('2024-02-28', 1)).toBe('2024-02-29');
  expect(addDays('2025-02-28', 1)).toBe('2025-03-01');
  expect(addDays('2026-12-30', 3)).toBe('2027-01-02');
  expect(addDays('2026-03-01', -1)).toBe('2026-02-28');
  expect(addDays('1970-01-01', -1)).toBe('1969-12-31');
  expect(addDays('2026-11-29', 0)).toBe('2026-11-29');
  expect(() => addDays('no day', 1)).toThrow(RangeError);
});
test('days of the week, from Monday: the first of 1970 was a Thursday', () => {
  expect(weekdayOf('1970-01-01')).toBe(4);
  expect(weekdayOf('1969-12-29')).toBe(1);
  expect(weekdayOf('2000-01-01')).toBe(6);
  expect(weekdayOf('2026-11-29')).toBe(7);
});
test('two days of work from a Friday are done before Tuesday', () => {
  expect(addWorkMinutes({ from: '2026-11-27', minutes: 480, perDay: 240 })).toBe('2026-12-01');
});
test('nothing to do on a Saturday is ready on Monday', () =>
  expect(addWorkMinutes({ from: '2026-11-28', minutes: 0, perDay: 240 })).toBe('2026-11-30'));
test('nothing left is ready today', () =>
  expect(readyRange(nothing, today)).toEqual({ early: today, likely: today, late: today }));

test('by hand: 480 minutes before the answer, lead of 10 days, 240 after', () => {
  // likely: 24th and 25th at the bench → 26th; +3 days answer → 29th; +10 days +1 slip → 10 December; one bench day →
  // 11 December
  expect(
    readyRange(
      {
        ...nothing,
        benchMinutesBeforeAnswer: 480,
        answerAwaited: true,
        partsLeadDays: 10,
        benchMinutesAfterParts: 240,
      },
      today,
    ).likely,
  ).toBe('2026-12-11');
});

test('early is never after likely, likely never after late, none before today', () => {
  fc.assert(
    fc.property(remaining, (given) => {
      const { early, likely, late } = readyRange(given, today);
      expect([early, likely, late].toSorted()).toEqual([early, likely, late]);
      expect(early >= today).toBe(true);
    }),
  );
});
test('more work, longer leads and later parts never make it earlier', () => {
  fc.assert(
    fc.property(remaining, fc.integer({ min: 1, max: 900 }), (given, more) => {
      const base = readyRange(given, today);
      for (const heavier of [
        { ...given, benchMinutesBeforeAnswer: given.benchMinutesBeforeAnswer + more },
        { ...given, benchMinutesAfterParts: given.benchMinutesAfterParts + more },
        { ...given, partsLeadDays: given.partsLeadDays + more },
        { ...given, answerAwaited: true },
        { ...given, partsDueOn: '2028-01-01' },
      ]) {
        const later = readyRange(heavier, today);
        for (const key of ['early', 'likely', 'late'] as const) expect(later[key] >= base[key]).toBe(true);
      }
    }),
  );
});
test('it is always a working day', () => {
  fc.assert(
    fc.property(remaining, (given) =>
      Object.values(readyRange(given, today)).every(
        (day) => ![0, 6].includes(new Date(`${day}T00:00:00Z`).getUTCDay()),
      ),
    ),
  );
});
