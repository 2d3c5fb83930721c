import { present } from '../../present';

export type Corner = readonly [x: number, y: number];

/** Into how many straight pieces a curve is cut. */
const pieces = 8;

function bezier(points: readonly Corner[], share: number): Corner {
  if (points.length === 1) return present(points[0]);
  const nearer = points.slice(1).map((point, i): Corner => {
    const before = present(points[i]);
    return [before[0] + (point[0] - before[0]) * share, before[1] + (point[1] - before[1]) * share];
  });
  return bezier(nearer, share);
}

/** The other end of the control line of a curve, mirrored at where the curve ended. */
const mirrored = ([x, y]: Corner, [cx, cy]: Corner): Corner => [2 * x - cx, 2 * y - cy];

function arc([ax, ay]: Corner, figures: readonly number[]): readonly Corner[] {
  const [r = 0, , , isLarge = 0, isClockwise = 0, bx = 0, by = 0] = figures;
  const half = Math.hypot(bx - ax, by - ay) / 2;
  if (half === 0 || r === 0) return [[bx, by]];
  const away = Math.sqrt(Math.max(0, r * r - half * half)) * (isLarge === isClockwise ? -1 : 1);
  const [mx, my] = [(ax + bx) / 2 - (away * (by - ay)) / (2 * half), (ay + by) / 2 + (away * (bx - ax)) / (2 * half)];
  const start = Math.atan2(ay - my, ax - mx);
  const turn = Math.atan2(by - my, bx - mx) - start;
  const full = 2 * Math.PI;
  const sweep = isClockwise ? (turn + full) % full || full : -((full - (turn % full)) % full || full);
  const count = pieces * 2;
  return Array.from({ length: count }, (_, i): Corner => {
    const angle = start + (sweep * (i + 1)) / count;
    return [mx + r * Math.cos(angle), my + r * Math.sin(angle)];
  });
}

/**
 * The corners of a drawn outline in their order, curves cut into straight pieces; of several closed outlines one after
 * the other.
 * @param d path data as drawShape writes it: capital letters, arcs of circles
 * @example cornersOf('M0 0H4V-2Z') // [[0, 0], [4, 0], [4, -2]]
 */
export function cornersOf(d: string): readonly Corner[] {
  let at: Corner = [0, 0];
  let control: Corner = at;
  return [...d.matchAll(/([A-Z])([^A-Z]*)/g)].flatMap(([, letter = '', rest = '']): readonly Corner[] => {
    const figures = (rest.match(/-?[\d.]+/g) ?? []).map(Number);
    const pair = (i: number): Corner => [figures[i] ?? 0, figures[i + 1] ?? 0];
    const curve = (points: readonly Corner[]) =>
      Array.from({ length: pieces }, (_, i) => bezier(points, (i + 1) / pieces));
    const before = at;
    const found: readonly Corner[] =
      letter === 'H'
        ? [[figures[0] ?? 0, at[1]]]
        : letter === 'V'
          ? [[at[0], figures[0] ?? 0]]
          : letter === 'Q'
            ? curve([at, pair(0), pair(2)])
            : letter === 'T'
              ? curve([at, mirrored(at, control), pair(0)])
              : letter === 'C'
                ? curve([at, pair(0), pair(2), pair(4)])
                : letter === 'A'
                  ? arc(at, figures)
                  : letter === 'Z'
                    ? []
                    : [pair(0)];
    at = found.at(-1) ?? at;
    control = letter === 'Q' ? pair(0) : letter === 'T' ? mirrored(before, control) : letter === 'C' ? pair(2) : at;
    return found;
  });
}
