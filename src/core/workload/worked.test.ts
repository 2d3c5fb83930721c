import { sayWorked, workPiece, workRatios, workSpread, type WorkedAt } from '.';

const at = (time: string) => new Date(`2026-11-24T${time}:00Z`);
const entry = (time: string, minutes: number, more: { tag?: string } = {}) => ({
  ...{ tag: 'P-1', station: 'rebuild' as const, madeAt: at(time), secondsSince: minutes * 60, ...more },
});
const last = (time: string, tag = 'P-1') => ({ tag, station: 'rebuild', to: at(time) });

describe('a piece of work', () => {
  test('goes from when somebody turned to it until the entry', () =>
    expect(workPiece(null, entry('09:00', 12))).toEqual({
      ...{ from: at('08:48'), to: at('09:00'), seconds: 720, isMore: false },
    }));
  test('begins no sooner than the one before ended: nobody is in two places', () =>
    expect(workPiece(last('08:55', 'P-2'), entry('09:00', 12))).toMatchObject({ seconds: 300, isMore: false }));
  test('is one with the piece before where it is the same work within ten minutes', () => {
    expect(workPiece(last('08:40'), entry('09:00', 10))).toMatchObject({ seconds: 600, isMore: true });
    expect(workPiece(last('08:39'), entry('09:00', 10))).toMatchObject({ seconds: 600, isMore: false });
  });
  test('a gap of more than two hours is not known to be work', () => {
    expect(workPiece(null, entry('11:00', 121))).toMatchObject({ from: at('11:00'), seconds: 0 });
    expect(workPiece(null, entry('11:00', 120))).toMatchObject({ seconds: 7200 });
  });
  test('an entry that waited on its device and comes after a later one counts for nothing twice', () =>
    expect(workPiece(last('09:30'), entry('09:00', 12))).toMatchObject({ seconds: 0 }));
});

const standard = { teardown: 60, clean: 0, inspect: 40, rebuild: 100, test: 0 };
const pump = (tag: string, minutes: number): readonly WorkedAt[] => [
  { tag, station: 'teardown', seconds: minutes * 30, standard },
  { tag, station: 'rebuild', seconds: minutes * 30, standard },
  { tag, station: 'quote', seconds: 9999, standard },
];

describe('what the shop takes of the standard times', () => {
  test('is by pump, over the stations that the family lists', () =>
    expect(workRatios([...pump('P-1', 200), ...pump('P-2', 300)])).toEqual([1, 1.5]));
  test('a pump whose family says nothing is left out', () =>
    expect(workRatios([{ tag: 'P-1', station: 'teardown', seconds: 60, standard: null }])).toEqual([]));
  test('is taken from eight pumps on', () => {
    const eight = [100, 200, 200, 200, 200, 200, 200, 400].flatMap((minutes, i) => pump(`P-${i}`, minutes));
    expect(workSpread(eight.slice(3))).toBeNull();
    // Of 0.5, six times 1 and 2: the middle is 1, a tenth of the way in from each end lies between its neighbours.
    const spread = workSpread(eight);
    expect(spread?.p50).toBe(1);
    expect(spread?.p10).toBeGreaterThan(0.5);
    expect(spread?.p10).toBeLessThan(1);
    expect(spread?.p90).toBeGreaterThan(1);
    expect(spread?.p90).toBeLessThan(2);
  });
});

test.each([
  [0, '0 min'],
  [59.4, '59 min'],
  [60, '1 h 00'],
  [125, '2 h 05'],
])('%d minutes are said as %s', (minutes, said) => expect(sayWorked(minutes)).toBe(said));
