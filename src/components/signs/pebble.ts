import { present } from '@/core/present';

interface Place {
  readonly cx: number;
  readonly cy: number;
  readonly rx: number;
  readonly ry: number;
}

function outline(seed: number, { cx, cy, rx, ry }: Place): string {
  let state = seed * 37 + 11;
  const next = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
  const count = 7;
  const points = Array.from({ length: count }, (_, k) => {
    const angle = (2 * Math.PI * k) / count;
    const factor = 0.88 + 0.24 * next();
    return [cx + rx * factor * Math.cos(angle), cy + ry * factor * Math.sin(angle)] as const;
  });
  const n = (value: number) => value.toFixed(1);
  const curves = points.map((b, k) => {
    const [a, c, e] = [
      present(points[(k + count - 1) % count]),
      present(points[(k + 1) % count]),
      present(points[(k + 2) % count]),
    ];
    return `C${n(b[0] + (c[0] - a[0]) / 6)} ${n(b[1] + (c[1] - a[1]) / 6)} ${n(c[0] - (e[0] - b[0]) / 6)} ${n(c[1] - (e[1] - b[1]) / 6)} ${n(c[0])} ${n(c[1])}`;
  });
  return `M${n(present(points[0])[0])} ${n(present(points[0])[1])}${curves.join('')}Z`;
}

/** Outlines that are kept: those of the signs, and the pins of some dozens of sections. */
const mostKept = 2000;
const kept = new Map<string, string>();

/**
 * Outline of a pebble: a closed smooth curve with a slight, fixed variety, so that each station is known by its shape.
 * Each is reckoned once, for they are the same on every page.
 */
export function pebble(seed: number, place: Place): string {
  const key = `${seed} ${place.cx} ${place.cy} ${place.rx} ${place.ry}`;
  const known = kept.get(key);
  if (known !== undefined) return known;
  const drawn = outline(seed, place);
  if (kept.size >= mostKept) kept.clear();
  kept.set(key, drawn);
  return drawn;
}
