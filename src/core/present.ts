/**
 * A value that must be there: says so where it is not, instead of going on without it.
 * @throws RangeError for null and undefined
 * @example present(7) // 7
 */
export function present<Value>(value: Value): NonNullable<Value> {
  if (value === null || value === undefined) throw new RangeError('A value that must be there is missing.');
  return value;
}
