import type { Family } from './format';

/**
 * The part in whose place another lights up: itself where it is drawn, otherwise the one that the section names for it;
 * undefined where neither is drawn.
 */
export function drawnPart(
  { bodies, drawn_with }: Pick<Family['section'], 'bodies' | 'drawn_with'>,
  ref: string,
): string | undefined {
  const isDrawn = (one: string) => bodies.some(({ part }) => part === one);
  return isDrawn(ref) ? ref : drawn_with[ref]?.find(isDrawn);
}
