/** Where something lies on the screen, in pixels. */
export interface Lying {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const ways = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] } as const;
export type Arrow = keyof typeof ways;
export const isArrow = (key: string): key is Arrow => key in ways;

const middleOf = ({ left, top, width, height }: Lying) => ({ x: left + width / 2, y: top + height / 2 });

/**
 * Which of several comes next from one by an arrow key: of those that lie that way the nearest, where going askew counts
 * three times. Null where none lies that way.
 * @example nextOf({ left: 0, top: 0, width: 10, height: 10 }, [{ left: 40, top: 0, width: 10, height: 10 }], 'ArrowRight') // 0
 */
export function nextOf(from: Lying, others: readonly Lying[], arrow: Arrow): number | null {
  const [dx, dy] = ways[arrow];
  const start = middleOf(from);
  let best: { readonly i: number; readonly far: number } | null = null;
  for (const [i, one] of others.entries()) {
    const { x, y } = middleOf(one);
    const along = (x - start.x) * dx + (y - start.y) * dy;
    if (along <= 0) continue;
    const far = along + 3 * Math.abs((x - start.x) * dy + (y - start.y) * dx);
    if (!best || far < best.far) best = { i, far };
  }
  return best?.i ?? null;
}
