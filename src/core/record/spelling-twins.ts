import { distance } from 'fastest-levenshtein';

/** A name as it is compared: letters and digits alone, without accents, in small letters. */
const bare = (name: string) =>
  name
    .normalize('NFD')
    .replace(/[^\p{L}\p{N}]/gu, '')
    .toLowerCase();

/** Letters by which two names may differ and still be meant as one: fewer in a short name. */
const mostApart = (name: string) => (name.length < 8 ? 1 : 2);

/**
 * Known names that may be meant by one that was typed otherwise: the same but for accents, case, spaces and stops, or a
 * letter or two apart. The name itself is none of them; nearest first.
 * @example spellingTwins('Harowmere Ferry', ['Harrowmere Ferry', 'Vantry Mill']) // ['Harrowmere Ferry']
 */
export function spellingTwins(name: string, known: readonly string[]): readonly string[] {
  const typed = name.trim();
  if (!bare(typed) || known.includes(typed)) return [];
  const apart = (other: string) => distance(bare(typed), bare(other));
  return [...new Set(known)]
    .filter((other) => apart(other) <= mostApart(bare(typed)))
    .sort((one, other) => apart(one) - apart(other));
}
