import f1 from '@families/f1-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import f7 from '@families/f7-rotary-lobe.json';
import f8 from '@families/f8-two-screw.json';
import { buildFamily, drawEnd, loadFamily, type EndDrawing } from '.';
import { present } from '../present';

type Corner = readonly [x: number, y: number];
/** The corners of an outline; y as it is drawn, downwards. */
const cornersOf = (d: string): readonly Corner[] =>
  [...d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
const outline = ({ shapes }: EndDrawing, part: string) => present(shapes.find((one) => one.part === part)).d;
const far = ([x, y]: Corner, [cx, cy]: Corner) => Math.hypot(x - cx, y - cy);
const drawn = (file: unknown) => present(drawEnd(buildFamily(loadFamily(file))));

describe('an internal gear pump from its end', () => {
  const view = drawn(f6);
  const rotor = cornersOf(outline(view, 'rotor'));
  const idler = cornersOf(outline(view, 'idler'));
  // The idler’s middle lies 26 above that of the rotor, as in the section; y is drawn downwards.
  const pin: Corner = [0, -26];
  test('eleven teeth look inward, six outward, each with its own root and tip', () => {
    const tips = (corners: readonly Corner[], middle: Corner, radius: number) =>
      corners.filter((corner) => Math.abs(far(corner, middle) - radius) < 0.02).length / 2;
    expect([tips(rotor, [0, 0], 46), tips(rotor, [0, 0], 68)]).toEqual([11, 11]);
    expect([tips(idler, pin, 41), tips(idler, pin, 22)]).toEqual([6, 6]);
  });
  test('they mesh above, and the crescent lies between their tips below, touching neither', () => {
    const highest = -Math.min(...idler.map(([, y]) => y));
    // Past the tips of the rotor at 46, and not as far as its roots at 68.
    expect(highest).toBeGreaterThan(46);
    expect(highest).toBeLessThan(68);
    const crescent = cornersOf(outline(view, 'crescent'));
    for (const corner of crescent) {
      expect(far(corner, [0, 0])).toBeLessThan(46);
      expect(far(corner, pin)).toBeGreaterThan(41);
      expect(corner[1]).toBeGreaterThan(pin[1]);
    }
  });
  test('following the rotation, clockwise: pin above, then suction on the right, crescent, discharge on the left', () => {
    const at = (words: string) => present(view.labels.find((one) => one.words === words));
    expect([at('suction').x > 0, at('discharge').x < 0, view.seenFrom]).toEqual([true, true, 'the drive end']);
  });
});

test.each([
  ['a lobe pump', f7],
  ['a two-screw pump', f8],
] as const)('%s: on the line of their middles one reaches as far as the other draws back', (_what, file) => {
  const [upper, lower] = drawn(file).shapes.filter(({ part }) => part.includes('rotor') && part !== 'rotor-case');
  const onLine = (d: string) =>
    cornersOf(d)
      .filter(([x]) => Math.abs(x) < 2)
      .map(([, y]) => y);
  expect(Math.max(...onLine(present(upper).d))).toBeCloseTo(Math.min(...onLine(present(lower).d)), 1);
});

describe('a circumferential piston pump', () => {
  const view = present(drawEnd(buildFamily(loadFamily(f7), { axes: { rotors: 'piston' } })));
  const [upper, lower] = view.shapes.filter(({ part }) => part === 'rotor').map(({ d }) => cornersOf(d));
  const [above, below]: Corner[] = [
    [0, -52],
    [0, 52],
  ];
  test('has two pistons a rotor, whose outsides clear the case and whose hubs the other rotor passes over', () => {
    for (const [corners, middle] of [
      [present(upper), present(above)],
      [present(lower), present(below)],
    ] as const) {
      const radii = new Set(corners.map((corner) => Math.round(far(corner, middle))));
      // Middles are 104 apart and tips reach 66: the other hub may be 38 at most.
      expect(radii).toEqual(new Set([66, 38]));
    }
  });
  test('they pass each other without touching: no corner of one lies within a piston of the other', () => {
    const within = ([x, y]: Corner, middle: Corner, isAcross: boolean) => {
      const radius = far([x, y], middle);
      const deg = (Math.atan2(y - middle[1], x - middle[0]) * 180) / Math.PI;
      // The pistons of the upper rotor stand above and below its hub, those of the lower to its sides.
      const off = Math.abs(((((deg + (isAcross ? 0 : 90)) % 180) + 270) % 180) - 90);
      return radius > 38.01 && radius < 65.99 && off < 39;
    };
    expect(present(upper).filter((corner) => within(corner, present(below), true))).toEqual([]);
    expect(present(lower).filter((corner) => within(corner, present(above), false))).toEqual([]);
  });
});

test('two rotors run in one case: its outline crosses the middle where the two circles do', () => {
  const { d } = present(drawn(f7).shapes.find((shape) => shape.part === 'rotor-case' && shape.d.includes('A')));
  // Circles of 78 and 68 about 52 above and below: they meet at √(78² − 52²) = 58.14 and √(68² − 52²) = 43.82.
  expect(cornersOf(d)).toEqual([
    [58.14, 0],
    [43.82, 0],
  ]);
  expect(d.match(/A/g)).toHaveLength(4);
});

test('a family without one has none', () => expect(drawEnd(buildFamily(loadFamily(f1)))).toBeNull());
