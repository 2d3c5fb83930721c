import { present } from '../present';
import fc from 'fast-check';
import f1 from '../../../test-support/plain-overhung.json';
import {
  buildFamily,
  cautions,
  drawSection,
  elastomersMet,
  findCaution,
  findPart,
  loadFamily,
  proposeFamily,
  suitableConsumables,
} from '.';
import { spreadLabels, untangle } from './section';

const family = buildFamily(loadFamily(f1));
const refs = new Set(family.parts.map((part) => part.ref));

describe('the shipped family', () => {
  test('names only parts, points and cautions that exist', () => {
    const named = [
      ...family.section.bodies.map((body) => body.part),
      ...family.points.map((point) => point.part),
      ...[...family.teardown, ...family.rebuild].flatMap((step) => step.parts),
      ...family.kits.flatMap((kit) => kit.gives.map((one) => one.part)),
      ...family.damage.map((damage) => damage.part),
    ];
    expect(named.filter((ref) => !refs.has(ref))).toEqual([]);
    const used = [...family.teardown, ...family.rebuild].flatMap((step) => step.cautions).concat(family.test.cautions);
    expect(used.filter((id) => !findCaution(id))).toEqual([]);
  });
  test('takes every part off at teardown and puts it on at rebuild', () => {
    const off = new Set(family.teardown.flatMap((step) => step.parts));
    const on = new Set(family.rebuild.flatMap((step) => step.parts));
    expect(family.parts.filter((part) => !off.has(part.ref)).map((part) => part.ref)).toEqual([]);
    expect(family.parts.filter((part) => !on.has(part.ref)).map((part) => part.ref)).toEqual([]);
  });
  test('asks again at rebuild for every position, mark and count of teardown', () => {
    const asked = new Set(
      family.rebuild.flatMap((step) =>
        step.actions.map(({ answer }) => (answer && 'agrees_with' in answer ? answer.agrees_with : undefined)),
      ),
    );
    const kept = family.teardown
      .flatMap((step) => step.actions)
      .filter(({ answer }) => answer && answer.kind !== 'photo');
    expect(kept.filter((action) => !asked.has(action.id)).map((action) => action.id)).toEqual([]);
  });
  test('has new limits inside its reuse limits, and two points for each clearance', () => {
    for (const point of family.points) {
      if (point.derived)
        expect(
          [point.derived.bore, point.derived.journal].every((id) => family.points.some((one) => one.id === id)),
        ).toBe(true);
      else {
        expect(point.reuse_mm?.min ?? -Infinity).toBeLessThanOrEqual(present(point.new_mm).min);
        expect(point.reuse_mm?.max ?? Infinity).toBeGreaterThanOrEqual(present(point.new_mm).max);
      }
    }
  });
  test('has a caution screen for everything of the handbook, acknowledged where marked', () => {
    expect(cautions).toHaveLength(16);
    expect(cautions.filter((one) => one.acknowledge).map((one) => one.id)).toEqual([
      'energy-isolation',
      'harmful-liquid',
      'magnet-rotor',
    ]);
  });
});

test('a family file with a fault is refused by its path', () => {
  const bad = JSON.parse(JSON.stringify(f1)) as { points: { new_mm: { min: number; max: number } }[] };
  present(bad.points[0]).new_mm = { min: 2, max: 1 };
  expect(() => loadFamily(bad)).toThrow(/the lower limit is above the upper one/);
  expect(() => loadFamily({ ...f1, surplus: 1 })).toThrow(/surplus/);
});

test('a family is proposed by nameplate words, none where none fits', () => {
  expect(proposeFamily([loadFamily(f1)], 'End suction, bracket type')?.id).toBe('F1');
  expect(proposeFamily([family], 'gear')).toBeNull();
});

describe('lubricants', () => {
  const seat = present(family.rebuild.find((step) => step.id === 'seat'));
  test('mineral grease is not offered on ethylene-propylene, and is on nitrile', () => {
    const action = present(seat.actions.find((one) => one.consumables.length));
    const offered = (elastomer: string) =>
      suitableConsumables({ action, step: seat, family, elastomer }).map((one) => one.what);
    expect(offered('EPDM')).toEqual(['soapy water', 'silicone grease']);
    expect(offered('NBR')).toContain('mineral grease');
    expect(offered('')).toEqual(offered('EPDM'));
  });
  test('a part whose elastomer is fixed keeps it whatever the job chose', () => {
    const lips = present(family.rebuild.find((step) => step.parts.includes('lip-seal')));
    const action = present(lips.actions[0]);
    expect(elastomersMet({ action, step: lips, family, elastomer: 'EPDM' })).toEqual([
      present(findPart(family, 'lip-seal')).elastomer,
    ]);
  });
});

describe('section drawing', () => {
  const drawing = drawSection(family);
  const [x, y, width, height] = drawing.viewBox;
  test('draws every body and pins every point, inside its frame', () => {
    expect(new Set(drawing.shapes.map((shape) => shape.part))).toEqual(
      new Set(family.section.bodies.map((body) => body.part)),
    );
    expect(drawing.pins.map((pin) => pin.id).sort()).toEqual(family.points.map((point) => point.id).sort());
    for (const pin of drawing.pins) {
      expect(pin.labelX).toBeGreaterThanOrEqual(x);
      expect(pin.labelX).toBeLessThanOrEqual(x + width);
      expect(Math.abs(pin.labelY)).toBeLessThanOrEqual(-y);
    }
    expect(height).toBe(-2 * y);
  });
  test('no two numbers overlap', () => {
    for (const one of drawing.pins)
      for (const other of drawing.pins)
        if (one.id < other.id && one.labelY === other.labelY)
          expect(Math.abs(one.labelX - other.labelX)).toBeGreaterThan(25);
  });
  test('no outline holds anything but numbers and path letters', () => {
    for (const shape of drawing.shapes) expect(shape.d).toMatch(/^[MLHVQAZ0-9.\- ]+$/);
  });
  test('no two leaders cross, whatever they point to, and every place is used once', () => {
    const at = fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 99 }));
    /** Where a leader is at a height, between its point and the line of labels at 100. */
    const xAt = ([x, y]: readonly [number, number], end: number, height: number) =>
      x + ((end - x) * (height - y)) / (100 - y);
    fc.assert(
      fc.property(fc.uniqueArray(at, { minLength: 2, maxLength: 10 }), (points) => {
        const spread = spreadLabels(
          points.map(([x]) => x),
          { gap: 30, from: 0, to: 500 },
        );
        const ends = untangle(points, spread, 100);
        expect(ends.toSorted((a, b) => a - b)).toEqual(spread.toSorted((a, b) => a - b));
        points.forEach((one, i) =>
          points.slice(i + 1).forEach((other, k) => {
            const [end, otherEnd] = [present(ends[i]), present(ends[i + 1 + k])];
            const from = Math.max(one[1], other[1]);
            const before = xAt(one, end, from) - xAt(other, otherEnd, from);
            // Above the higher of the two points they stay on the same side of each other.
            expect(before * (end - otherEnd)).toBeGreaterThanOrEqual(-1e-6);
          }),
        );
      }),
    );
  });
  test('labels keep their order and their gap where there is room', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 1, maxLength: 12 }), (wanted) => {
        const placed = spreadLabels(wanted, { gap: 30, from: 0, to: 500 });
        const order = wanted
          .map((at, i) => [at, present(placed[i])] as const)
          .sort((one, other) => one[0] - other[0] || one[1] - other[1])
          .map(([, at]) => at);
        order.forEach((at, i) => {
          expect(at).toBeGreaterThanOrEqual(-1e-9);
          expect(at).toBeLessThanOrEqual(500 + 1e-9);
          if (i) expect(at - present(order[i - 1])).toBeGreaterThanOrEqual(30 - 1e-6);
        });
      }),
    );
  });
});
