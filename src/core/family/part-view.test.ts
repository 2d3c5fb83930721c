import { readFileSync, readdirSync } from 'node:fs';
import { present } from '../present';
import { buildFamily } from './build-family';
import { loadFamily } from './load-family';
import { viewPart } from './part-view';
import { cornersOf } from './shapes';

const built = (name: string) => buildFamily(loadFamily(JSON.parse(readFileSync(`families/${name}.json`, 'utf8'))));

describe('corners of an outline', () => {
  test('straight commands give their ends, a closed one nothing more', () =>
    expect(cornersOf('M1 2H5V-3L0 0Z')).toEqual([
      [1, 2],
      [5, 2],
      [5, -3],
      [0, 0],
    ]));
  test('a quadratic curve passes at its middle a quarter, a half and a quarter of its three points', () =>
    expect(cornersOf('M0 0Q10 20 20 0')[4]).toEqual([10, 10]));
  test('a cubic curve passes at its middle by eighths: 1, 3, 3, 1', () =>
    expect(cornersOf('M0 0C0 8 8 8 8 0')[4]).toEqual([4, 6]));
  test('a curve that goes on smoothly takes the mirrored control', () =>
    // From (2, 0) with the control (1, -1) mirrored to (3, 1): at its middle (2 + 2·3 + 4) / 4 and 2·1 / 4.
    expect(cornersOf('M0 0Q1 -1 2 0T4 0').at(8 + 4)).toEqual([3, 0.5]));
  test('two half circles lie all round, at their radius', () => {
    const round = cornersOf('M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0Z');
    for (const [x, y] of round) expect(Math.hypot(x, y)).toBeCloseTo(5, 9);
    expect(Math.max(...round.map(([, y]) => y))).toBeCloseTo(5, 1);
    expect(Math.min(...round.map(([, y]) => y))).toBeCloseTo(-5, 1);
  });
});

describe('what a part looks like on the bench', () => {
  const overhung = built('f1-overhung');
  test('a shaft from its side: as long as its steps, as thick as its thickest', () => {
    const { box, outlines } = present(viewPart(overhung, 'shaft'));
    const steps = present(overhung.section.bodies.find(({ part }) => part === 'shaft')?.steps);
    const [xs, rs] = [steps.map(([x]) => x), steps.map(([, r]) => r)];
    expect(box[2]).toBeCloseTo(Math.max(...xs) - Math.min(...xs), 1);
    expect(box[3]).toBeCloseTo(2 * Math.max(...rs), 1);
    // It steps where its radius changes.
    const [outline] = outlines;
    expect(present(outline).edges.length).toBeGreaterThanOrEqual(6);
  });
  test('what is turned is as far out below as above', () => {
    const { outlines } = present(viewPart(overhung, 'impeller'));
    for (const { corners } of outlines) {
      const ys = corners.map(([, y]) => y);
      expect(Math.max(...ys)).toBeCloseTo(-Math.min(...ys), 6);
    }
  });
  test('rotors and gears from their end, where the construction draws it', () => {
    const lobes = built('f7-rotary-lobe');
    const { box } = present(viewPart(lobes, 'rotor'));
    // A two-wing lobe of 66 at its tip and 38 at its flank stands upright.
    expect(box[2]).toBeLessThan(box[3]);
    expect(box[3]).toBeCloseTo(132, 0);
  });
  test('the whole pump holds every part of it', () => {
    const whole = present(viewPart(overhung, null)).box;
    const casing = present(viewPart(overhung, 'casing')).box;
    expect(whole[0]).toBeLessThanOrEqual(casing[0]);
    expect(whole[0] + whole[2]).toBeGreaterThan(casing[0] + casing[2]);
  });
  test('a part that is drawn nowhere is seen nowhere', () => expect(viewPart(overhung, 'drain-plug')).toBeNull());
  test.each(readdirSync('families').filter((name) => name.endsWith('.json')))(
    '%s: every part of its section can be pictured',
    (name) => {
      const family = built(name.replace('.json', ''));
      const parts = new Set(
        family.section.bodies.filter(({ symbol }) => !/spring|cable/.test(symbol)).map((b) => b.part),
      );
      expect([...parts].filter((ref) => viewPart(family, ref) === null)).toEqual([]);
    },
  );
});
