import { present } from '@/core/present';
/** Repeatable chance from a text: the same seed always gives the same series in [0, 1). */
export function chanceFrom(seed: string): () => number {
  let state = 2166136261;
  for (const character of seed) state = Math.imul(state ^ present(character.codePointAt(0)), 16777619);
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Normal deviate from two even ones (Box and Muller). */
export function normal(chance: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
}
