/** Draws from 0 to below 1, one after the other. */
export type Chance = () => number;

/**
 * Chance that comes out the same for the same seed.
 * Source: a 32-bit counter through a mixing function with full period (a generator of the Weyl kind).
 * @example chanceOf(1)() === chanceOf(1)() // true
 */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A whole number from 0 to below `count`. */
export const below = (chance: Chance, count: number) => Math.floor(chance() * count);
