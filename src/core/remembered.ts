interface Reckoned<Rest, Value> {
  readonly rest: Rest;
  readonly value: Value;
}

/** How many outcomes are kept for one first thing. */
const usualMost = 6;

/**
 * Reckons once for the same things: records, families and their lists are never changed in place, so what was reckoned
 * from them holds as long as they live. What was asked last is kept, by the first thing and as long as that lives.
 * @param reckon pure; gives the same for the same things
 * @example const work = remembered((answers, family) => reckonWork(answers, family))
 */
export function remembered<First extends object, Rest extends readonly unknown[], Value>(
  reckon: (first: First, ...rest: Rest) => Value,
  most = usualMost,
): (first: First, ...rest: Rest) => Value {
  const known = new WeakMap<First, Reckoned<Rest, Value>[]>();
  return (first, ...rest) => {
    const before = known.get(first) ?? [];
    const same = before.find((one) => one.rest.every((thing, i) => thing === rest[i]));
    if (same) return same.value;
    const value = reckon(first, ...rest);
    known.set(first, [...before.slice(1 - most), { rest, value }]);
    return value;
  };
}

/**
 * Gives the list that was given last where a list has the same things in the same order, so that what was reckoned of it
 * holds.
 * @example const steady = steadyList<Row>()
 */
export function steadyList<Thing>(): (list: readonly Thing[]) => readonly Thing[] {
  let last: readonly Thing[] = [];
  return (list) => {
    const isSame = list.length === last.length && list.every((thing, i) => thing === last[i]);
    if (!isSame) last = list;
    return last;
  };
}

/**
 * Gives the plain thing that was given last where one is written the same in JSON; for what is small.
 * @example const steady = steadyPlain<readonly Weight[]>()
 */
export function steadyPlain<Thing>(): (thing: Thing) => Thing {
  let last: { readonly text: string; readonly thing: Thing } | undefined;
  return (thing) => {
    const text = JSON.stringify(thing);
    if (last?.text !== text) last = { text, thing };
    return last.thing;
  };
}
