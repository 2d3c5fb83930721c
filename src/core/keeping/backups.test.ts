import { isBackupDue, judgeBackupAge, lastNight, outlivedBackups } from '.';

const at = (text: string) => new Date(`${text}Z`);
const file = (text: string) => ({ name: text, at: at(text) });
const namesOf = (files: readonly { readonly name: string }[]) => files.map(({ name }) => name);

describe('which backups need not be kept', () => {
  test('a second one of a day, once a later one is there', () => {
    const files = [file('2026-11-27T02:00'), file('2026-11-27T15:00'), file('2026-11-28T02:00')];
    expect(namesOf(outlivedBackups(files))).toEqual(['2026-11-27T02:00']);
  });
  test('of sixty nights in a row, seven days, the weeks before and the months before stay', () => {
    // From Wednesday 30 September to Saturday 28 November 2026, each night at two.
    const nights = Array.from({ length: 60 }, (_, i) =>
      file(new Date(at('2026-11-28T02:00').getTime() - i * 86_400_000).toISOString().slice(0, 16)),
    );
    const gone = new Set(namesOf(outlivedBackups(nights)));
    const kept = namesOf(nights).filter((name) => !gone.has(name));
    expect(kept).toEqual([
      ...['2026-11-28', '2026-11-27', '2026-11-26', '2026-11-25', '2026-11-24', '2026-11-23', '2026-11-22'].map(
        (day) => `${day}T02:00`,
      ),
      // The Sundays before: 15, 8 and 1 November end their weeks; then the last of October and of September.
      ...['2026-11-15', '2026-11-08', '2026-11-01', '2026-10-31', '2026-09-30'].map((day) => `${day}T02:00`),
    ]);
  });
  test('none of a few that are old: what is kept is counted by periods with a backup, not by age', () => {
    expect(outlivedBackups([file('2020-01-01T02:00'), file('2021-05-05T02:00')])).toEqual([]);
    expect(outlivedBackups([])).toEqual([]);
  });
});

describe('the night', () => {
  test.each([
    // Vienna is an hour before UTC in winter, two in summer.
    ['2026-11-28T00:59:00', 'Europe/Vienna', '2026-11-27T01:00:00'],
    ['2026-11-28T01:00:00', 'Europe/Vienna', '2026-11-28T01:00:00'],
    ['2026-07-01T12:00:00', 'Europe/Vienna', '2026-07-01T00:00:00'],
    ['2026-11-28T12:00:00', 'America/Denver', '2026-11-28T09:00:00'],
    // On 29 March 2026 the clock went from two to three: there was no such hour, and the night before counts.
    ['2026-03-29T10:00:00', 'Europe/Vienna', '2026-03-28T01:00:00'],
  ])('before %s in %s began at %s', (now, zone, night) => {
    expect(lastNight(at(now), zone)).toEqual(at(night));
  });
});

describe('a backup is due', () => {
  const base = { zone: 'UTC', since: at('2026-11-01T00:00'), lastTry: null };
  test('when none succeeded since the last night', () => {
    expect(isBackupDue({ ...base, now: at('2026-11-28T02:00'), lastGood: at('2026-11-27T02:00') })).toBe(true);
    expect(isBackupDue({ ...base, now: at('2026-11-28T01:59'), lastGood: at('2026-11-27T02:00') })).toBe(false);
  });
  test('at once where the machine was off at night', () => {
    expect(isBackupDue({ ...base, now: at('2026-11-28T08:00'), lastGood: at('2026-11-26T02:00') })).toBe(true);
  });
  test('not for a shop that is younger than the night', () => {
    expect(isBackupDue({ ...base, now: at('2026-11-28T08:00'), lastGood: null, since: at('2026-11-28T07:00') })).toBe(
      false,
    );
  });
  test('again an hour after one that failed, not before', () => {
    const lastTry = at('2026-11-28T02:00');
    const tried = { ...base, lastGood: at('2026-11-27T02:00'), lastTry };
    expect(isBackupDue({ ...tried, now: at('2026-11-28T02:59') })).toBe(false);
    expect(isBackupDue({ ...tried, now: at('2026-11-28T03:00') })).toBe(true);
  });
});

test('the owner is told when a night was missed', () => {
  const since = at('2026-11-01T00:00');
  const judge = (lastGood: string) => judgeBackupAge({ now: at('2026-11-28T14:00'), lastGood: at(lastGood), since });
  expect(judge('2026-11-27T02:00')).toEqual({ hours: 36, isLate: false });
  expect(judge('2026-11-27T01:00')).toEqual({ hours: 37, isLate: true });
  expect(judgeBackupAge({ now: at('2026-11-28T14:00'), lastGood: null, since }).isLate).toBe(true);
});
