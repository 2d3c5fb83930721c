/** What an address may bring behind one name: nothing, one text, or several of the same name. */
export type SearchParam = string | string[] | undefined;

/** The first text behind a name, cut to `most` characters; undefined when it is missing or empty. */
export const firstParam = (value: SearchParam, most = 60): string | undefined =>
  (Array.isArray(value) ? value[0] : value)?.slice(0, most) || undefined;
