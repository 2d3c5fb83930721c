/** What an address may bring behind one name: nothing, one text, or several of the same name. */
export type SearchParam = string | string[] | undefined;

/** The first text behind a name, cut to `most` characters; undefined when it is missing or empty. */
export const firstParam = (value: SearchParam, most = 60): string | undefined =>
  (Array.isArray(value) ? value[0] : value)?.slice(0, most) || undefined;

/** What an address says, each name with its first text; names without one are left out. */
export const allParams = (asked: Readonly<Record<string, SearchParam>>): [name: string, text: string][] =>
  Object.entries(asked).flatMap(([name, value]): [string, string][] => {
    const first = firstParam(value);
    return first === undefined ? [] : [[name, first]];
  });
