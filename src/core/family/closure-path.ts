import { present } from '../present';
import type { Family } from './format';

/** Places of a built family as places of the file it was built from: builds leave out, sets repeat. */
export function pathInFile(path: string, built: Family, file: Family): string {
  const [list, index, inner, innerIndex, ...rest] = path.split('.');
  const named = (one: unknown) =>
    (one as { ref?: string; id?: string; seen?: string } | undefined)?.ref ??
    (one as { id?: string } | undefined)?.id ??
    (one as { seen?: string } | undefined)?.seen;
  const listOf = (family: Family): readonly unknown[] | undefined => {
    const value: unknown = Object.entries(family).find(([key]) => key === list)?.[1];
    return Array.isArray(value) ? value : undefined;
  };
  if (!index || !listOf(built)) return path;
  const one = present(listOf(built))[Number(index)];
  const isSame = (other: unknown) =>
    named(other) === named(one) || (list === 'points' && named(other) === named(one)?.replace(/-\d+$/, ''));
  const at = present(listOf(file)).findIndex(isSame);
  if (at < 0) return path;
  const innerOf = (step: unknown) => (inner ? (step as Record<string, unknown>)[inner] : undefined);
  const innerOne =
    Array.isArray(innerOf(one)) && innerIndex !== undefined
      ? (innerOf(one) as unknown[])[Number(innerIndex)]
      : undefined;
  const innerAt =
    innerOne && typeof innerOne === 'object'
      ? (innerOf(present(listOf(file))[at]) as unknown[]).findIndex(
          (other) =>
            named(other) === named(innerOne) &&
            (other as { title?: string }).title === (innerOne as { title?: string }).title,
        )
      : -1;
  return [
    list,
    at,
    ...(inner ? [inner] : []),
    ...(innerIndex !== undefined ? [innerAt >= 0 ? innerAt : innerIndex] : []),
    ...rest,
  ].join('.');
}
