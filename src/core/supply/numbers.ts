import type { Family, FamilyPart } from '../family';
import type { NumberVerdict } from '../record';

/** What a number that stands on a part is, beside the list; and whose it is where it is that of another part. */
export interface NumberJudged {
  readonly verdict: NumberVerdict;
  readonly whose: FamilyPart | null;
}

/**
 * By which numbers of parts are compared: letters and digits alone, in capitals.
 * @example numberKey('kw1-05 02') // 'KW10502'
 */
export const numberKey = (number: string) => number.replace(/[^\p{L}\p{N}]/gu, '').toUpperCase();

/**
 * Judges a number that was found on a part: as the list has it, an earlier one that the list's number took the place of,
 * one that interchanges, that of another part of this pump, or one that nobody here knows.
 */
export function judgeNumber(
  found: string,
  part: FamilyPart,
  { parts, crossing = [] }: Pick<Family, 'parts'> & { readonly crossing?: readonly string[] },
): NumberJudged {
  const key = numberKey(found);
  const isOneOf = (numbers: readonly string[]) => numbers.some((number) => numberKey(number) === key);
  if (isOneOf([part.number])) return { verdict: 'as listed', whose: null };
  if (isOneOf(part.superseded)) return { verdict: 'superseded', whose: null };
  if (isOneOf([...part.alternatives, ...crossing])) return { verdict: 'interchange', whose: null };
  const whose = parts.find((other) => isOneOf([other.number, ...other.superseded])) ?? null;
  return { verdict: whose ? 'another part' : 'question', whose };
}

/** Whether two people mean the same way of being made; blanks around and capitals do not count. */
export const isSameVariant = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();
