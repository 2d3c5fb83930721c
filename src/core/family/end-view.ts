import { endOutlines } from './body-outlines';
import type { Family } from './format';
import type { InHand } from './section-drawing';

export type EndView = NonNullable<Family['end_view']>;

/** One outline of the end view; y grows downwards, as pictures do. */
export interface EndShape {
  readonly part: string;
  readonly symbol: string;
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

/**
 * The end view of a family as it is built, from its `end_view` data alone; null where it has none.
 * @param family a built family, or one cut to a build
 */
export function drawEnd({ end_view, parts, shapes }: Pick<Family, 'end_view' | 'parts' | 'shapes'>): EndDrawing | null {
  if (!end_view) return null;
  const { seen_from, radius, bodies, labels } = end_view;
  const setOf = new Map(parts.map((part) => [part.ref, part.per]));
  return {
    seenFrom: seen_from,
    radius,
    shapes: bodies.flatMap((body) => {
      const set = setOf.get(body.part);
      const member = set === undefined || body.member === undefined ? {} : { member: { set, number: body.member } };
      return endOutlines(body, shapes).map(({ d }) => ({ part: body.part, symbol: body.symbol, d, ...member }));
    }),
    labels: labels.map(({ words, at: [x, y] }) => ({ words, x, y: -y })),
  };
}
