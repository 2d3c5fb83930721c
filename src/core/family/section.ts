import { present } from '../present';
import { remembered } from '../remembered';
import { readBuild } from './build-words';
import type { SectionBody } from './format';
import type { Drawn, InHand, SectionDrawing, SectionPin } from './section-drawing';
import { bodyOutlines, findShape } from './body-outlines';
import { stackStages, type Stacked, type StackedBody } from './section-stages';

export type { Drawn, InHand, SectionBreak, SectionDrawing, SectionPin, SectionShape } from './section-drawing';

/**
 * Spreads labels along a line so that neighbours keep `gap`, moving each as little as a single pass each way can.
 * @example spreadLabels([10, 12, 50], { gap: 20, from: 0, to: 100 }) // [10, 30, 50]
 */
export function spreadLabels(
  wanted: readonly number[],
  { gap, from, to }: { readonly gap: number; readonly from: number; readonly to: number },
): number[] {
  const order = wanted.map((x, i) => ({ x, i })).sort((one, other) => one.x - other.x);
  const room = order.length > 1 ? Math.min(gap, (to - from) / (order.length - 1)) : gap;
  const placed = order.map(({ x }) => Math.min(Math.max(x, from), to));
  for (let i = 1; i < placed.length; i++) placed[i] = Math.max(present(placed[i]), present(placed[i - 1]) + room);
  if (placed.length) placed[placed.length - 1] = Math.min(present(placed[placed.length - 1]), to);
  for (let i = placed.length - 2; i >= 0; i--) placed[i] = Math.min(present(placed[i]), present(placed[i + 1]) - room);
  const result = new Array<number>(wanted.length);
  order.forEach(({ i }, k) => (result[i] = present(placed[k])));
  return result;
}

interface Leader {
  readonly from: readonly [number, number];
  readonly toX: number;
}

/** Whether two leaders that end on one line cross: on which side of each other their points lie, and their ends. */
function doCross(one: Leader, other: Leader, endY: number): boolean {
  const side = (leader: Leader, [x, y]: readonly [number, number]) =>
    (leader.toX - leader.from[0]) * (y - leader.from[1]) - (endY - leader.from[1]) * (x - leader.from[0]);
  const parts = (leader: Leader, apart: Leader) => side(leader, apart.from) * side(leader, [apart.toX, endY]) < 0;
  return parts(one, other) && parts(other, one);
}

/**
 * Gives each point one of the places on the line of labels so that no two leaders cross. Two that cross change places,
 * which makes them shorter together, so that it comes to an end.
 * @param points where each label points to
 * @param places of the labels along their line, one a point, in the order of the points
 * @param endY height of that line
 * @example untangle([[10, 0], [12, 50]], [30, 60], 60) // [60, 30]
 */
export function untangle(
  points: readonly (readonly [number, number])[],
  places: readonly number[],
  endY: number,
): readonly number[] {
  const leaders = points.map((from, i) => ({ from, toX: present(places[i]) }));
  for (let isTangled = true; isTangled;) {
    isTangled = false;
    for (const [i, one] of leaders.entries())
      for (const other of leaders.slice(i + 1)) {
        if (!doCross(one, other, endY)) continue;
        [one.toX, other.toX] = [other.toX, one.toX];
        isTangled = true;
      }
  }
  return leaders.map(({ toX }) => toX);
}

interface Placing {
  readonly family: Drawn;
  readonly stacked: Stacked;
  readonly half: 'top' | 'bottom';
  readonly labelY: number;
  readonly gap: number;
}

function pinsOf({ family, stacked, half, labelY, gap }: Placing): SectionPin[] {
  const points = family.points
    .filter((point) => point.half === half)
    .flatMap((point) => {
      // A stage that the drawing leaves out has its points in the list alone.
      const x = stacked.move(point);
      return x === null ? [] : [{ point, x }];
    });
  const away = half === 'top' ? -1 : 1;
  const spread = spreadLabels(
    points.map(({ x }) => x),
    { gap, from: 18, to: stacked.length - 18 },
  );
  const xs = untangle(
    points.map(({ point, x }) => [x, away * point.at[1]] as const),
    spread,
    labelY,
  );
  return points.map(({ point, x }, i) => ({
    id: point.id,
    number: point.number,
    title: point.title,
    part: point.part,
    x,
    y: away * point.at[1],
    labelX: present(xs[i]),
    labelY,
  }));
}

/** What lies in front is drawn last: shafts over casings, then what sits inside something, then small things. */
function inOrder(bodies: readonly StackedBody[], shapes: Drawn['shapes']): readonly StackedBody[] {
  const isOver = (body: StackedBody) => findShape(body.symbol, 'section', shapes)?.over === true;
  const order = [...bodies].sort(
    (one, other) =>
      Number(one.symbol === 'shaft') - Number(other.symbol === 'shaft') ||
      Number(Boolean(one.inside)) - Number(Boolean(other.inside)),
  );
  return [...order.filter((body) => !isOver(body)), ...order.filter(isOver)];
}

/** How many the stacked set has in a family that is already built so, by the version that says it. */
export function stackedOf({ version, section, sets }: Drawn): number {
  const set = sets.find((one) => one.id === section.stack?.set);
  if (!set) return 1;
  return readBuild(version).counts?.[set.id] ?? (typeof set.count === 'number' ? set.count : set.count.usual);
}

/** Upright, the drive end is up: along the shaft becomes down the page, counted from the drive end. */
const upright = (pins: readonly SectionPin[], length: number): readonly SectionPin[] =>
  pins.map((pin) => ({ ...pin, x: pin.y, y: length - pin.x, labelX: pin.labelY, labelY: length - pin.labelX }));

/** The member that a body shows, by its place in a stack or as the file says; none where its part is one of a pump. */
function memberOf(body: StackedBody, set: string | undefined): { readonly member?: InHand } {
  const number = body.stage ?? body.member;
  return set === undefined || number === undefined ? {} : { member: { set, number } };
}

/** As `drawSection`, drawn once for as long as its family lives: the last three members in hand. */
export const sectionOf = (family: Drawn, inHand?: InHand): SectionDrawing =>
  drawnOnce(family, inHand?.set ?? null, inHand?.number ?? 0);
const drawnOnce = remembered(
  (family: Drawn, set: string | null, number: number) =>
    drawSection(family, set === null ? undefined : { set, number }),
  3,
);

/**
 * The longitudinal section of a family, from its `section` data alone: outlines about one, two or three shaft lines
 * with
 * their mirror below each, long stacks broken, numbered points whose labels never overlap, upright where the pump
 * stands.
 */
export function drawSection(family: Drawn, inHand?: InHand): SectionDrawing {
  const { radius, lines, axis } = family.section;
  const stacked = stackStages(family, stackedOf(family), inHand);
  const setOf = new Map(family.parts.map((part) => [part.ref, part.per]));
  const classOf = new Map(family.parts.map((part) => [part.ref, part.class]));
  const margin = 44;
  const isVertical = axis === 'vertical';
  const gap = isVertical ? 30 : 36;
  const pins = [
    ...pinsOf({ family, stacked, half: 'top', labelY: -(radius + margin - 18), gap }),
    ...pinsOf({ family, stacked, half: 'bottom', labelY: radius + margin - 18, gap }),
  ];
  const lineOf = (body: SectionBody) => -(lines[body.line] ?? present(lines[0])).y;
  return {
    viewBox: isVertical
      ? [-(radius + margin), 0, 2 * (radius + margin), stacked.length]
      : [0, -(radius + margin), stacked.length, 2 * (radius + margin)],
    shapes: inOrder(stacked.bodies, family.shapes).flatMap((body) =>
      bodyOutlines(body, family.shapes).map(({ d, fill }) => ({
        part: body.part,
        symbol: body.symbol,
        material: classOf.get(body.part) ?? 'steel',
        d,
        fill,
        line: lineOf(body),
        half: body.half,
        ...memberOf(body, setOf.get(body.part)),
      })),
    ),
    pins: isVertical ? upright(pins, stacked.length) : pins,
    axes: lines.map((line) => ({ from: 4, to: stacked.length - 4, y: -line.y })),
    breaks: stacked.breaks,
    isVertical,
  };
}
