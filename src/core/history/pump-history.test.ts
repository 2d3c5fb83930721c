import { CoreJob } from '../../../test-support/core-job';
import f1 from '../../../test-support/plain-overhung.json';
import { loadFamily } from '../family';
import { present } from '../present';
import { pumpHistory, type Visit } from '.';

const file = loadFamily(f1);
const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const visit = (tag: string, openedAt: string, runningHours: number | null, isOver = true): Visit => {
  const { record, family } = new CoreJob(file, script).playTo(isOver ? 'test' : 'quote');
  const end = isOver ? { station: 'return' as const, outcome: 'repaired' as const } : {};
  const intake = { ...record.intake, runningHours, whyOut: `why of ${tag}` };
  return { record: { ...record, ...end, tag: tag as typeof record.tag, openedAt, intake }, family };
};
const visits = [
  visit('P-1', '2024-01-01T08:00:00.000Z', 10_000),
  visit('P-2', '2026-01-01T08:00:00.000Z', 30_000),
  visit('P-3', '2026-11-01T08:00:00.000Z', 34_000, false),
];
const history = pumpHistory(visits);

test('a point is followed over the visits: what was found over what the visit before left', () => {
  const ring = present(history.points.find(({ id }) => id === 'ring-bore'));
  expect(ring.visits.map(({ tag, hours, asFound }) => [tag, hours, asFound])).toEqual([
    ['P-1', 10_000, 100.7],
    ['P-2', 30_000, 100.7],
    ['P-3', 34_000, 100.7],
  ]);
  // A new ring was fitted at each visit: what it left is what the next one is reckoned from.
  const left = present(present(ring.visits[1]).asLeft);
  expect(ring.wear.per1000h).toBeCloseTo((100.7 - left) / 4, 9);
});
test('points that are out come first', () => {
  const isOut = history.points.map(({ wear }) => wear.isOut);
  expect(isOut).toEqual(isOut.toSorted((a, b) => Number(b) - Number(a)));
});
test('parts live from renewal to renewal; a visit that is not built yet renews nothing', () => {
  const ring = present(history.lives.find(({ ref }) => ref === 'front-ring'));
  expect(ring.spans.map(({ fromHours, toHours, endedIn }) => [fromHours, toHours, endedIn])).toEqual([
    [0, 10_000, 'P-1'],
    [10_000, 30_000, 'P-2'],
    [30_000, 34_000, null],
  ]);
  expect(present(ring.spans[0]).why).toBeTruthy();
});
test('a visit is told with its words, what it cost, and the hours since the one before', () => {
  expect(history.visits.map(({ tag, whyOut, hoursSince }) => [tag, whyOut, hoursSince])).toEqual([
    ['P-1', 'why of P-1', null],
    ['P-2', 'why of P-2', 20_000],
    ['P-3', 'why of P-3', 4_000],
  ]);
  const [first, , last] = history.visits;
  expect(present(first).netMinor).toBeGreaterThan(0);
  expect(present(first).renewed).toContain('Front wear ring');
  expect([present(last).netMinor, present(last).renewed]).toEqual([null, []]);
});
test('without a meter there are readings and no rates', () => {
  const none = pumpHistory(
    visits.map(({ record, family }) => ({
      family,
      record: { ...record, intake: { ...record.intake, runningHours: null } },
    })),
  );
  expect(none.points.every(({ wear }) => wear.per1000h === null)).toBe(true);
  expect(none.points.length).toBe(history.points.length);
  expect(none.lives).toEqual([]);
});
test('of no visit there is nothing', () => expect(pumpHistory([])).toEqual({ points: [], lives: [], visits: [] }));
