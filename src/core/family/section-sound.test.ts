import { readFileSync, readdirSync } from 'node:fs';
import { present } from '../present';
import { buildFamily } from './build-family';
import { drawnPart } from './drawn-part';
import { sayBuild, type Build } from './build-words';
import type { FamilyFile } from './format';
import { loadFamily } from './load-family';
import { drawSection, type SectionShape } from './section';
import { cornersOf, shippedShapes, type Corner } from './shapes';

type Point = Corner;
interface Outline {
  readonly part: string;
  readonly symbol: string;
  readonly points: readonly Point[];
  /** Places all along it, and the box about it. */
  readonly places: readonly Point[];
  readonly box: { readonly x: readonly [number, number]; readonly y: readonly [number, number] };
}

/** An outline at its height in the drawing, above and below its shaft line as it is drawn. */
const placed = (shape: SectionShape): readonly Outline[] =>
  ([1, -1] as const)
    .filter((mirror) => shape.half === 'both' || (shape.half === 'top') === (mirror === 1))
    .map((mirror) => {
      const points = cornersOf(shape.d).map(([x, y]): Point => [x, mirror * y + shape.line]);
      const span = (which: 0 | 1) =>
        [Math.min(...points.map((one) => one[which])), Math.max(...points.map((one) => one[which]))] as const;
      return { ...shape, points, places: along(points), box: { x: span(0), y: span(1) } };
    });

function isWithin([x, y]: Point, points: readonly Point[]): boolean {
  return points.reduce((isIn, [ax, ay], i) => {
    const [bx, by] = present(points[(i + 1) % points.length]);
    return ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax ? !isIn : isIn;
  }, false);
}

/** How far a place lies from the line between two others. */
function toLine([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const share = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - ax - share * dx, y - ay - share * dy);
}
const toOutline = (point: Point, points: readonly Point[]) =>
  Math.min(...points.map((one, i) => toLine(point, one, present(points[(i + 1) % points.length]))));
const isOn = (point: Point, points: readonly Point[], within: number) =>
  isWithin(point, points) || toOutline(point, points) <= within;
/** Places along an outline, not further apart than this. */
const stride = 5;
const along = (points: readonly Point[]): readonly Point[] =>
  points.flatMap(([ax, ay], i) => {
    const [bx, by] = present(points[(i + 1) % points.length]);
    const count = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / stride));
    return Array.from({ length: count }, (_, k): Point => [ax + ((bx - ax) * k) / count, ay + ((by - ay) * k) / count]);
  });
const near = 1.2;
function areApart(one: Outline, other: Outline): boolean {
  const [left, right] = [one.box, other.box];
  return (
    left.x[0] > right.x[1] + near ||
    right.x[0] > left.x[1] + near ||
    left.y[0] > right.y[1] + near ||
    right.y[0] > left.y[1] + near
  );
}
const doTouch = (one: Outline, other: Outline) =>
  !areApart(one, other) &&
  (one.places.some((point) => isOn(point, other.points, near)) ||
    other.places.some((point) => isOn(point, one.points, near)));

/** The parts that hang on nothing: what is not joined, through others that it touches, with most of the pump. */
function floating(outlines: readonly Outline[]): readonly string[] {
  const groups: Outline[][] = [];
  for (const outline of outlines) {
    const touched = groups.filter((group) => group.some((one) => doTouch(one, outline)));
    const rest = groups.filter((group) => !touched.includes(group));
    groups.splice(0, groups.length, ...rest, [...touched.flat(), outline]);
  }
  const [most = [], ...others] = groups.toSorted((one, other) => other.length - one.length);
  const held = new Set(most.map(({ part }) => part));
  return [...new Set(others.flat().map(({ part }) => part))].filter((part) => !held.has(part));
}

/** Builds in which every choice of every axis stands at least once, the others usual. */
function buildsOf(file: FamilyFile): readonly Build[] {
  const own = file.axes.flatMap((axis) =>
    axis.choices.slice(1).map((choice): Build => {
      const needed = Object.entries(axis.when ?? {}).map(([id, value]) => [id, [value].flat()[0]] as const);
      return { axes: { ...Object.fromEntries(needed), [axis.id]: choice.id } as Record<string, string> };
    }),
  );
  return [{}, ...own];
}

interface Leader {
  readonly x: number;
  readonly y: number;
  readonly labelX: number;
  readonly labelY: number;
}
/** Whether two leaders cross between their ends. */
function doCross(one: Leader, other: Leader): boolean {
  const side = (leader: Leader, x: number, y: number) =>
    (leader.labelX - leader.x) * (y - leader.y) - (leader.labelY - leader.y) * (x - leader.x);
  const parts = (leader: Leader, apart: Leader) =>
    side(leader, apart.x, apart.y) * side(leader, apart.labelX, apart.labelY) < -1e-6;
  return parts(one, other) && parts(other, one);
}

const bearings: ReadonlySet<string> = new Set(['ball-bearing', 'tapered-bearing']);
const turning: ReadonlySet<string> = new Set(['shaft', 'sleeve', 'spacer', 'motor-rotor', 'profile-seen', 'pin']);

const files = readdirSync('families')
  .filter((name) => name.endsWith('.json'))
  .map((name) => loadFamily(JSON.parse(readFileSync(`families/${name}`, 'utf8'))));
const builds = files.flatMap((file) =>
  buildsOf(file).map((build) => {
    const built = buildFamily(file, build);
    return [`${file.id} ${sayBuild(file, built.version)}`, built] as const;
  }),
);

describe.each(builds)('the section of %s', (_said, built) => {
  const drawing = drawSection(built);
  const outlines = drawing.shapes.flatMap(placed);
  const solid = outlines.filter(({ symbol }) => symbol !== 'spring' && symbol !== 'cable');

  test('nothing floats: every part touches another, and all hang together', () => {
    expect(floating(outlines)).toEqual([]);
  });
  test('every bearing sits on a shaft and in a bore', () => {
    const loose = built.section.bodies
      .filter((body) => bearings.has(body.symbol) && body.line === 0)
      .flatMap((body) => {
        const line = -present(built.section.lines[0]).y;
        const x = (body.x[0] + body.x[1]) / 2;
        const lies = (r: number, on: (one: Outline) => boolean) =>
          solid.some((one) => one.part !== body.part && on(one) && isWithin([x, line - r], one.points));
        const hasSeat = lies(body.r[0] - 0.6, ({ symbol }) => turning.has(symbol));
        const hasBore = lies(body.r[1] + 0.6, ({ symbol }) => !turning.has(symbol));
        return hasSeat && hasBore ? [] : [`${body.part}: ${hasSeat ? '' : 'no seat '}${hasBore ? '' : 'no bore'}`];
      });
    expect(loose).toEqual([]);
  });
  test('every number points to the part that it names', () => {
    const off = drawing.pins.flatMap((pin) => {
      const at: Point = drawing.isVertical ? [present(drawing.viewBox[3]) - pin.y, pin.x] : [pin.x, pin.y];
      const own = outlines.filter(({ part }) => part === pin.part);
      return own.some(({ points }) => isOn(at, points, 3)) ? [] : [`${pin.id} on ${pin.part}`];
    });
    expect(off).toEqual([]);
  });
  test('every part lights up somewhere, in its own place or in that of a larger one', () => {
    expect(built.parts.map(({ ref }) => ref).filter((ref) => drawnPart(built.section, ref) === undefined)).toEqual([]);
  });
  test('no two leaders cross', () => {
    const crossing = drawing.pins.flatMap((one, i) =>
      drawing.pins.slice(i + 1).flatMap((other) => (doCross(one, other) ? [`${one.id} and ${other.id}`] : [])),
    );
    expect(crossing).toEqual([]);
  });
});

test.each(['shaft', 'nut', 'bolt', 'bolt-right', 'pin', 'dowel', 'key', 'screw', 'fan', 'profile-seen', 'diffuser'])(
  'a cut does not cut a %s through',
  (name) => {
    const { outlines } = present(shippedShapes.section[name]);
    expect(outlines.map(({ fill }) => fill)).not.toContain('hatched');
  },
);
test.each(['ball-bearing', 'tapered-bearing', 'impeller', 'impeller-open', 'timing-gear', 'lobe'])(
  'of a %s the cut leaves whole what rolls, or stands behind it',
  (name) => {
    const { outlines } = present(shippedShapes.section[name]);
    expect(outlines.map(({ fill }) => fill)).toEqual(expect.arrayContaining(['hatched', 'open']));
  },
);
