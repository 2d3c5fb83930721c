import { remembered } from '../remembered';
import { drawEnd } from './end-view';
import type { Family } from './format';
import { drawSection, type SectionShape } from './section';
import { cornersOf, type Corner } from './shapes';

/** One closed outline of a part as it is seen, in drawing millimetres; y grows downwards. */
export interface SeenOutline {
  readonly material: string;
  readonly corners: readonly Corner[];
  /** Where it steps along the shaft, and how far out it reaches there: edges that are seen on a turned part. */
  readonly edges: readonly (readonly [x: number, above: number, below: number])[];
}

/** A part, or a whole pump, seen from the side or from its end. */
export interface PartView {
  readonly outlines: readonly SeenOutline[];
  readonly box: readonly [x: number, y: number, width: number, height: number];
}

/** How many parts of a family are kept as they were seen: pictures of a pump are taken one after the other. */
const mostViews = 40;

/** How finely an envelope follows a curve: places along a part. */
const places = 80;

/** How far out an outline reaches at a place along the shaft; null where it is not. */
function reachAt(x: number, corners: readonly Corner[]): number | null {
  // A picture asks this a hundred thousand times: nothing is made on the way.
  let most = -1;
  let [ax, ay] = corners.at(-1) ?? [0, 0];
  for (const [bx, by] of corners) {
    if (ax === bx) {
      if (ax === x) most = Math.max(most, Math.abs(ay), Math.abs(by));
    } else if ((ax <= x && x <= bx) || (bx <= x && x <= ax))
      most = Math.max(most, Math.abs(ay + ((by - ay) * (x - ax)) / (bx - ax)));
    [ax, ay] = [bx, by];
  }
  return most < 0 ? null : most;
}

/** What is seen from the side of something that is turned: as far out on one side as on the other. */
function turned({ d, line, material }: SectionShape): SeenOutline | null {
  const corners = cornersOf(d);
  const xs = corners.map(([x]) => x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  if (!corners.length || to - from < 0.5) return null;
  const steps = [...new Set(xs)].toSorted((one, other) => one - other);
  const between = Array.from({ length: places + 1 }, (_, i) => from + ((to - from) * i) / places);
  const all = [...steps.flatMap((x) => [x - 0.01, x + 0.01]), ...between]
    .filter((x) => x >= from && x <= to)
    .toSorted((one, other) => one - other);
  const reached = all.flatMap((x) => {
    const reach = reachAt(x, corners);
    return reach === null ? [] : [[x, reach] as const];
  });
  return {
    material,
    corners: [
      ...reached.map(([x, reach]): Corner => [x, line - reach]),
      ...reached.toReversed().map(([x, reach]): Corner => [x, line + reach]),
    ],
    edges: steps.slice(1, -1).flatMap((x) => {
      const reach = reachAt(x, corners);
      return reach === null ? [] : [[x, line - reach, line + reach] as const];
    }),
  };
}

function viewOf(outlines: readonly SeenOutline[]): PartView | null {
  const corners = outlines.flatMap((one) => one.corners);
  if (!corners.length) return null;
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { outlines, box: [x, y, Math.max(...xs) - x, Math.max(...ys) - y] };
}

/**
 * What a part of a family looks like when it lies on the bench: from its end where the family draws it so, otherwise
 * from the side, as its section says; null for a part that is drawn nowhere.
 * @param ref the part; null for the whole pump
 */
export const viewPart = remembered((family: Family, ref: string | null): PartView | null => {
  const material = family.parts.find((part) => part.ref === ref)?.class ?? 'cast';
  const end = ref === null ? null : drawEnd(family);
  const ends = end?.shapes.filter((shape) => shape.part === ref && (shape.member?.number ?? 1) === 1) ?? [];
  const turning = ends.filter(({ symbol }) => symbol !== 'nozzle' && symbol !== 'twin-case');
  if (turning.length) return viewOf(turning.map(({ d }) => ({ material, corners: cornersOf(d), edges: [] })));
  const shapes = drawSection(family).shapes.filter(
    (shape) => (ref === null || shape.part === ref) && (shape.member?.number ?? 1) === 1 && shape.fill !== 'line',
  );
  const outlines = shapes.flatMap((shape) => turned(shape) ?? []);
  // What reaches further out hides what lies within it.
  const reach = ({ corners }: SeenOutline) => Math.max(...corners.map(([, y]) => Math.abs(y)));
  return viewOf(outlines.toSorted((one, other) => reach(one) - reach(other)));
}, mostViews);
