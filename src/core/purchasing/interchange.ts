import { remembered } from '../remembered';
import { numberKey } from '../supply';
import type { CatalogueNumber } from './catalogue';

/** Spellings of numbers that are kept with their key. */
const mostKnown = 20_000;

/** One key for all numbers that stand for each other. */
export type Interchange = (number: string) => string;

/**
 * Numbers that stand for each other get one key: a number and what took its place, however often, and all of one
 * interchange group. A circle of replacements is one family, not an endless search.
 * @returns a function from a number, however it is written, to its key
 * @example interchangeOf([{ number: 'A-1', title: '', elastomer: '', variant: '', interchangeGroup: '', supersededBy: 'A-2' }])('a1') // 'A2'
 */
export const interchangeOf = remembered((numbers: readonly CatalogueNumber[]): Interchange => {
  const parent = new Map<string, string>();
  const root = (key: string): string => {
    const up = parent.get(key);
    return up === undefined || up === key ? key : root(up);
  };
  const join = (one: string, other: string) => {
    const [a, b] = [root(one), root(other)];
    if (a !== b) parent.set(a, b);
  };
  const firstOf = new Map<string, string>();
  for (const { number, interchangeGroup, supersededBy } of numbers) {
    const key = numberKey(number);
    if (supersededBy) join(key, numberKey(supersededBy));
    if (!interchangeGroup) continue;
    const first = firstOf.get(interchangeGroup);
    if (first === undefined) firstOf.set(interchangeGroup, key);
    else join(key, first);
  }
  // A plan asks for the same few hundred numbers some hundred thousand times.
  const known = new Map<string, string>();
  return (number) => {
    const key = known.get(number) ?? root(numberKey(number));
    if (known.size < mostKnown) known.set(number, key);
    return key;
  };
});
