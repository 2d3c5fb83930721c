import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing } from '../../../test-support/core-job';
import { checkBuild } from '../family/closure';
import { buildFamily, limitsOf, loadFamily, sayLimits, type FamilyPoint } from '../family';
import { asksOf } from '../lifecycle';
import { present } from '../present';
import { exampleReading } from '../record/example-record';
import { judgeQuantity } from './judge-quantity';
import { judgePoint, plainSentence } from '.';

const insulation = { asNew: { min: 10 }, reuse: { min: 5 } };
const runOut = { asNew: { max: 0.03 }, reuse: { max: 0.05 } };
const band = { asNew: { min: 2, max: 4 }, reuse: { min: 1, max: 5 } };

test.each([
  ['at least: above the new limit', [12, 10], insulation, 0, 'new', 10],
  ['at least: one below it', [12, 8], insulation, 0, 'reuse', 8],
  ['at least: the limit for reuse itself', [5], insulation, 0, 'reuse', 5],
  ['at least: past it', [12, 4.9], insulation, 0, 'out', 4.9],
  ['at most', [0.01, 0.03], runOut, 0, 'new', 0.03],
  ['at most: worn', [0.01, 0.04], runOut, 0, 'reuse', 0.04],
  ['at most: nearer to the limit than the gauge can tell', [0.048], runOut, 0.003, 'near', 0.048],
  ['at most: as near as the gauge can just tell', [0.047], runOut, 0.002, 'reuse', 0.047],
  ['at most: out', [0.051], runOut, 0.003, 'out', 0.051],
  ['a band: within', [2, 4, 3], band, 0, 'new', 2],
  ['a band: below the new one', [1.5, 3], band, 0, 'reuse', 1.5],
  ['a band: above the one for reuse', [3, 5.2], band, 0, 'out', 5.2],
] as const)('%s', (_what, values, limits, uncertainty, verdict, worst) =>
  expect(judgeQuantity(values, limits, uncertainty)).toEqual({ verdict, worst }),
);
test('nothing is judged of no reading', () => expect(() => judgeQuantity([], runOut, 0)).toThrow(RangeError));

describe('a point of another quantity', () => {
  const file = loadFamily(f1);
  const base = present(buildFamily(file).points.find((one) => one.new_mm && one.critical));
  const { new_mm: _new, reuse_mm: _reuse, seat: _seat, ...rest } = base;
  const point: FamilyPoint = {
    ...rest,
    ...{ unit: 'MΩ', instrument: 'insulation tester', places: [{ plane: 'A', angle_deg: 0 }] },
    ...{ title: 'Insulation of the winding', plain: 'the insulation of the winding' },
    limits: { new: { min: 10 }, reuse: { min: 5 }, resolution: 0.1 },
  };
  const state = (value: number, uncertainty: number | null = null) => {
    const reading = { ...exampleReading(point.id, 'A:0', value, 'as-found', uncertainty), unit: 'MΩ' };
    return judgePoint(point, { readings: [reading], phase: 'as-found' });
  };
  test('is judged by its own limits and says them in its unit', () => {
    expect(sayLimits(point)).toEqual({ asNew: 'at least 10.0 MΩ', reuse: 'at least 5.0 MΩ' });
    expect(limitsOf(point)).toEqual({
      ...{ unit: 'MΩ', asNew: { min: 10 }, reuse: { min: 5 }, resolution: 0.1, decimals: 1 },
    });
    expect(state(12)).toMatchObject({ verdict: 'new', reason: '12 MΩ lies within the new limits (at least 10.0 MΩ)' });
    expect(state(7).reason).toBe(
      '7 MΩ is no longer as new (at least 10.0 MΩ) and within the limit for reuse (at least 5.0 MΩ)',
    );
    expect(state(5.3, 0.5)).toMatchObject({ verdict: 'near', words: 'near limit' });
    expect(state(2)).toMatchObject({ verdict: 'out', reason: '2 MΩ is past the limit for reuse (at least 5.0 MΩ)' });
    expect(state(2).working.at(-1)).toEqual({ what: 'Limits', outcome: point.source });
  });
  test('its strip is to scale: an open end reaches past everything shown', () => {
    const { strip } = state(2);
    expect(present(strip)).toMatchObject({ ticks: [2], worst: 2 });
    expect(present(strip).newBand[0]).toBe(10);
    expect(present(strip).reuseBand[0]).toBe(5);
    expect(present(strip).newBand[1]).toBeGreaterThan(10);
    expect(present(strip).low).toBeLessThan(2);
    expect(present(judgePoint(point, { readings: [], phase: 'as-found' }).strip).ticks).toEqual([]);
  });
  test('is told to the customer with its unit', () =>
    expect(plainSentence(state(2))).toBe(
      'The insulation of the winding is past its limit: 2.0 MΩ where at least 5.0 MΩ is allowed.',
    ));
  test.each([
    [12, 'The insulation of the winding is as new.'],
    [7, 'The insulation of the winding is no longer as new but may go on: 7.0 MΩ.'],
    [2, 'Water has come into the winding: 2.0 MΩ where at least 5.0 MΩ is allowed.'],
  ])('%d MΩ, where the family says what a bad one means: %s', (value, words) => {
    const judged = state(value);
    expect(plainSentence({ ...judged, point: { ...point, plain: 'Water has come into the winding.' } })).toBe(words);
  });
  test('waits for no length that a sum could give', () => {
    const { record, family } = new CoreJob(file, wornRing).playTo('inspect');
    const points = [...family.points, point];
    const asks = asksOf(record, { ...family, points });
    expect(asks.length).toBeGreaterThan(0);
    expect(asks.every(({ label, unit }) => unit === 'mm' && !label.startsWith(point.title))).toBe(true);
  });
  test('without limits in its unit, open to both sides, or new past reuse, a file is not closed', () => {
    const faults = (change: object) => {
      const built = buildFamily(file);
      const points = built.points.map((one) => (one.id === point.id ? { ...point, ...change } : one));
      return checkBuild({ ...built, points })
        .filter((one) => one.rule === 'point-limits')
        .map((one) => one.path.split('.').at(-1));
    };
    expect(faults({})).toEqual([]);
    expect(faults({ limits: undefined, new_mm: { min: 1, max: 2 } })).toEqual(['unit']);
    expect(faults({ limits: { new: {}, resolution: 0.1 } })).toEqual(['limits']);
    expect(faults({ limits: { new: { min: 4 }, reuse: { min: 5 }, resolution: 0.1 } })).toEqual(['limits']);
  });
});
