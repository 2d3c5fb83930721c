import type { Axis, FamilyFile } from './format';

/** Where a family has what was said: on its plates, as a set, as a choice of building, as a part, or in its name. */
export type SeenWhere = 'plate' | 'set' | 'choice' | 'part' | 'name';

/** One thing that was said, and what of a family it is. */
export interface Seen {
  readonly said: string;
  readonly where: SeenWhere;
  /** In the family's own words. */
  readonly what: string;
  /** The build that it speaks for, as words of an address. */
  readonly words: readonly (readonly [name: string, value: string])[];
}

export interface FoundFamily {
  readonly id: string;
  readonly seen: readonly Seen[];
  /** What was said and is nothing of this family. */
  readonly missing: readonly string[];
}

/** Things that are looked for at once; more than that nobody sees on a pump. */
const mostSaid = 12;
const numbers = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const fillers = new Set(['a', 'an', 'the', 'of', 'with', 'its', 'by', 'on', 'is', 'has']);
const wordsOf = (text: string) => text.toLowerCase().match(/[a-z0-9]+/g) ?? [];
/** A word without what declines it, so that “packing” finds “packed” and “shafts” finds “shaft”. */
const stemOf = (word: string) => (word.length > 4 ? word.replace(/(?:ings?|ed|e?s)$/, '') : word.replace(/s$/, ''));
const singular = (word: string) => word.replace(/s$/, '');
const stemsOf = (text: string) => new Set(wordsOf(text).map(stemOf));

interface Said {
  readonly said: string;
  readonly count: number | null;
  /** Stems of what is counted, or of all that was said. */
  readonly stems: readonly string[];
  /** Stems of all that was said, numbers too. */
  readonly whole: readonly string[];
}

function readSaid(said: string): Said {
  const words = wordsOf(said).filter((word) => !fillers.has(word));
  const [first = '', ...rest] = words;
  const named = numbers.indexOf(first);
  const count = /^\d+$/.test(first) ? Number(first) : named >= 0 ? named : null;
  return { said, count, stems: (count === null ? words : rest).map(stemOf), whole: words.map(stemOf) };
}

const hasAll = (text: string, stems: readonly string[]) => {
  const own = stemsOf(text);
  return stems.length > 0 && stems.every((stem) => own.has(stem));
};
const has = (text: string, { stems }: Said) => hasAll(text, stems);

type Find = (file: FamilyFile, said: Said) => Omit<Seen, 'said'> | null;

const asSet: Find = (file, said) => {
  const { count } = said;
  if (count === null) return null;
  const set = file.sets.find((one) => has(`${one.id} ${one.plural}`, said));
  if (!set) return null;
  const isFixed = typeof set.count === 'number';
  const fits =
    typeof set.count === 'number' ? set.count === count : set.count.least <= count && count <= set.count.most;
  return fits
    ? { where: 'set', what: `${count} ${set.plural}`, words: isFixed ? [] : [[`n-${set.id}`, String(count)]] }
    : null;
};

/** The choices under which an axis is there at all. */
const wordsFor = (when: Axis['when']) =>
  Object.entries(when ?? {}).flatMap(([name, value]): [string, string][] => {
    const [first] = typeof value === 'string' ? [value] : value;
    return first === undefined ? [] : [[name, first]];
  });

const asChoice: Find = ({ axes }, said) => {
  for (const axis of axes)
    for (const choice of axis.choices)
      if (hasAll(`${choice.id} ${choice.title} ${choice.what ?? ''}`, said.whole))
        return {
          where: 'choice',
          what: `${axis.title.toLowerCase()}: ${choice.title.toLowerCase()}`,
          words: [...wordsFor(axis.when), [axis.id, choice.id]],
        };
  return null;
};

const onPlate: Find = (file, said) => {
  const word = file.nameplate_words.find((one) => has(one, said) || has(said.said, readSaid(one)));
  if (word !== undefined) return { where: 'plate', what: word, words: asChoice(file, said)?.words ?? [] };
  const plate = said.said.toLowerCase();
  const row = file.sizes.find((one) => one.nameplate.some((own) => plate.includes(own.toLowerCase())));
  return row ? { where: 'plate', what: row.title, words: [['size', row.id]] } : null;
};

const asPart: Find = ({ written }, said) => {
  // What is counted is that part itself: two screws of the shaft are no two shafts.
  const isIt = ({ name, quantity }: { readonly name: string; readonly quantity: number }) =>
    said.count === null || (quantity === said.count && stemsOf(name).size === said.stems.length);
  // A part goes by its noun: a pack of shims is no packing.
  const nouns = wordsOf(said.said)
    .filter((word) => !fillers.has(word))
    .slice(said.count === null ? 0 : 1)
    .map(singular);
  const isNamed = (name: string) => {
    const own = new Set(wordsOf(name).map(singular));
    return nouns.length > 0 && nouns.every((noun) => own.has(noun));
  };
  const part = written.parts.find((one) => isNamed(one.name) && isIt(one));
  return part ? { where: 'part', what: part.name.toLowerCase(), words: [] } : null;
};

const inName: Find = ({ title, duty, principle }, said) =>
  said.count === null && has(`${title} ${duty} ${principle}`, said) ? { where: 'name', what: title, words: [] } : null;

/** The ways to find a thing, the surest first, and how much each tells. */
const ways: readonly (readonly [find: Find, weight: number])[] = [
  [onPlate, 4],
  [asSet, 4],
  [asChoice, 3],
  [inName, 2],
  [asPart, 1],
];

function lookIn(file: FamilyFile, asked: readonly Said[]): { readonly found: FoundFamily; readonly weight: number } {
  let weight = 0;
  const seen = asked.flatMap((said): readonly Seen[] => {
    for (const [find, tells] of ways) {
      const one = find(file, said);
      if (!one) continue;
      weight += tells;
      return [{ said: said.said, ...one }];
    }
    return [];
  });
  const said = new Set(seen.map((one) => one.said));
  return {
    found: { id: file.id, seen, missing: asked.map((one) => one.said).filter((one) => !said.has(one)) },
    weight,
  };
}

/**
 * The families that have what is seen on a pump, or stands on its plate: things parted by commas, each by plate, number
 * of a set, choice of building, name or part. Most things first, then what tells most: “packing, belt” gives the
 * belt-driven packed pump first, built with both.
 * @returns nothing of a family that has none of it
 */
export function findSeen(files: readonly FamilyFile[], text: string): readonly FoundFamily[] {
  const said = text.split(/[,;\n]/).map((one) => one.trim());
  const asked = [...new Set(said)].filter(Boolean).slice(0, mostSaid).map(readSaid);
  return files
    .map((file) => lookIn(file, asked))
    .filter(({ found }) => found.seen.length)
    .toSorted((one, other) => other.found.seen.length - one.found.seen.length || other.weight - one.weight)
    .map(({ found }) => found);
}
