import type { Family } from './format';
import type { InHand } from './section-drawing';

export type EndView = NonNullable<Family['end_view']>;
type Body = EndView['bodies'][number];

/** One outline of the end view; y grows downwards, as pictures do. */
export interface EndShape {
  readonly part: string;
  readonly d: string;
  /** The member of its set that it shows, where it is one of several. */
  readonly member?: InHand;
}

export interface EndDrawing {
  readonly seenFrom: string;
  /** Half the width and height of the picture, in drawing millimetres. */
  readonly radius: number;
  readonly shapes: readonly EndShape[];
  readonly labels: readonly { readonly words: string; readonly x: number; readonly y: number }[];
}

const n = (value: number) => Number(value.toFixed(2));
type Point = readonly [x: number, y: number];

const around = ([x, y]: Point, radius: number, deg: number): Point => {
  const angle = (deg * Math.PI) / 180;
  return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
};
const closed = (points: readonly Point[]) => `M${points.map(([x, y]) => `${n(x)} ${n(-y)}`).join('L')}Z`;
const circle = ([x, y]: Point, r: number) =>
  r === 0 ? '' : `M${n(x - r)} ${n(-y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;

/** Share of a tooth's pitch at its root and at its tip. */
const [rootShare, tipShare] = [0.62, 0.34];

/** Teeth from a root to a tip radius, each with straight flanks. */
function teeth({ at, count = 12, turn_deg }: Body, root: number, tip: number): string {
  const pitch = 360 / count;
  return closed(
    Array.from({ length: count }, (_, i) => turn_deg + i * pitch).flatMap((middle) => [
      around(at, root, middle - (rootShare * pitch) / 2),
      around(at, tip, middle - (tipShare * pitch) / 2),
      around(at, tip, middle + (tipShare * pitch) / 2),
      around(at, root, middle + (rootShare * pitch) / 2),
    ]),
  );
}

/** Lobes as a cosine about the middle radius; two of them, a quarter turned to each other, roll without a gap. */
function lobes({ at, count = 2, turn_deg, r: [root, tip] }: Body): string {
  const steps = 120;
  const [middle, swing] = [(root + tip) / 2, (tip - root) / 2];
  return closed(
    Array.from({ length: steps }, (_, i) => {
      const deg = (i * 360) / steps;
      return around(at, middle + swing * Math.cos((count * (deg - turn_deg) * Math.PI) / 180), deg);
    }),
  );
}

/** Share of the pitch that a piston covers: what is left lets the other rotor's pistons pass. */
const pistonShare = 0.44;

/**
 * Arc-shaped pistons on a round hub: their outsides run in the case, their insides about the hub; each passes over the
 * other rotor's hub.
 */
function pistons({ at, count = 2, turn_deg, r: [hub, tip] }: Body): string {
  const pitch = 360 / count;
  const steps = 16;
  const arc = (radius: number, from: number, to: number) =>
    Array.from({ length: steps + 1 }, (_, i) => around(at, radius, from + ((to - from) * i) / steps));
  return closed(
    Array.from({ length: count }, (_, i) => turn_deg + i * pitch).flatMap((middle) => {
      const half = (pistonShare * pitch) / 2;
      return [...arc(tip, middle - half, middle + half), ...arc(hub, middle + half, middle + pitch - half)];
    }),
  );
}

/** Between its own circle and the one that it lies outside of. */
function crescent({ at, r: [, outer], outside, arc_deg: [from, to] = [30, 150] }: Body): string {
  const steps = 24;
  const degrees = Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
  const inner = outside ?? { at, r: outer / 2 };
  return closed([
    ...degrees.map((deg) => around(at, outer, deg)),
    ...degrees.toReversed().map((deg) => around(inner.at, inner.r, deg)),
  ]);
}

/** Two circles that overlap, one above the other, as one outline. */
function twin([, c]: Point, r: number): string {
  const x = n(Math.sqrt(Math.max(0, r * r - c * c)));
  return `M${x} 0A${n(r)} ${n(r)} 0 1 0 ${-x} 0A${n(r)} ${n(r)} 0 1 0 ${x} 0Z`;
}

function outlineOf(body: Body): string {
  const [inner, outer] = body.r;
  switch (body.symbol) {
    case 'gear':
      return teeth(body, inner, outer);
    case 'ring-gear':
      // Teeth look inward: the outside is round, the tips lie at the smaller radius.
      return circle(body.at, outer) + teeth(body, inner + (outer - inner) / 2, inner);
    case 'lobes':
      return lobes(body);
    case 'pistons':
      return pistons(body);
    case 'crescent':
      return crescent(body);
    case 'twin-case':
      return twin(body.at, outer) + twin(body.at, inner);
    case 'disc':
      return circle(body.at, outer) + circle(body.at, inner);
  }
}

/**
 * The end view of a family as it is built, from its `end_view` data alone; null where it has none.
 * @param family a built family, or one cut to a build
 */
export function drawEnd({ end_view, parts }: Pick<Family, 'end_view' | 'parts'>): EndDrawing | null {
  if (!end_view) return null;
  const { seen_from, radius, bodies, labels } = end_view;
  const setOf = new Map(parts.map((part) => [part.ref, part.per]));
  return {
    seenFrom: seen_from,
    radius,
    shapes: bodies.map((body) => {
      const set = setOf.get(body.part);
      const member = set === undefined || body.member === undefined ? {} : { member: { set, number: body.member } };
      return { part: body.part, d: outlineOf(body), ...member };
    }),
    labels: labels.map(({ words, at: [x, y] }) => ({ words, x, y: -y })),
  };
}
