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
 * Pieces of a name of which one stands whole in every name that may be meant by it: where letters fewer than pieces
 * differ, one piece is untouched. For whoever picks candidates from many names; empty where nothing is typed.
 */
export function piecesOfName(name: string): readonly string[] {
  const typed = bare(name);
  const pieces = mostApart(typed) + 1;
  const length = Math.ceil(typed.length / pieces);
  return Array.from({ length: pieces }, (_, i) => typed.slice(i * length, (i + 1) * length)).filter(Boolean);
}

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
