import { numberKey } from '../supply';
import type { CatalogueNumber } from './catalogue';

/** One key for all numbers that stand for each other. */
export type Interchange = (number: string) => string;

/**
 * Numbers that stand for each other get one key: a number and what took its place, however often, and all of one
 * interchange group. A circle of replacements is one family, not an endless search.
 * @returns a function from a number, however it is written, to its key
 * @example interchangeOf([{ number: 'A-1', title: '', elastomer: '', variant: '', interchangeGroup: '', supersededBy: 'A-2' }])('a1') // 'A2'
 */
export function interchangeOf(numbers: readonly CatalogueNumber[]): Interchange {
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
  return (number) => root(numberKey(number));
}
