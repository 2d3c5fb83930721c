/** Props on their way: as text, or where in the data of a page that comes whole they stand. */
export type Sent = { readonly text: string } | { readonly at: string; readonly id: string };

const shared = globalThis as { puddlestonePages?: Map<string, Map<string, object>> };
/** The data of pages in the making, by page and place (`scripts/lib/page-data.mjs`); nothing in a browser. */
export const dataOfPages = () => shared.puddlestonePages;

/** So many letters of the texts that were asked for last are kept: of jobs and families that people work on now. */
const mostLetters = 4_000_000;
let letters = 0;
/**
 * Lists and things that stand, with the text of each: a record or a family is not written again for the next who asks. By
 * hand, since this travels to the browser with `ofText`, which a package for it need not.
 */
const written = new Map<object, string>();
/** What was written once. What is made for one look alone never comes again: a text is kept from the second time on. */
const seen = new WeakSet<object>();
/** Texts that are shorter are written sooner than found. */
const shortest = 2000;

function writtenOf(value: object, make: () => string): string {
  const known = written.get(value);
  if (known !== undefined) {
    // What is asked for stays longest.
    written.delete(value);
    written.set(value, known);
    return known;
  }
  const text = make();
  if (text.length < shortest) return text;
  if (!seen.has(value)) {
    seen.add(value);
    return text;
  }
  written.set(value, text);
  letters += text.length;
  for (const [first, { length }] of written) {
    if (letters <= mostLetters) break;
    written.delete(first);
    letters -= length;
  }
  return text;
}

/** JSON; where it stands in a page as a script, nothing in it ends that. */
const plainly = (value: unknown) => (JSON.stringify(value) as string | undefined)?.replaceAll('<', String.raw`\u003c`);

/** How deep things lie that stand by themselves, such as what a record has beside its lists. */
const depthOfParts = 3;

function inPieces(value: object, depth: number): string {
  const pieces = Object.entries(value).flatMap(([key, one]) => {
    const text = write(one, depth + 1);
    return text === undefined ? [] : [`${JSON.stringify(key)}:${text}`];
  });
  return `{${pieces.join(',')}}`;
}

function write(value: unknown, depth: number): string | undefined {
  if (typeof value !== 'object' || value === null) return plainly(value);
  if (depth === depthOfParts || Array.isArray(value)) return writtenOf(value, () => plainly(value) ?? '');
  // Props are put together for one look; a record or a family in them is the same for the next.
  return depth === 0 ? inPieces(value, depth) : writtenOf(value, () => inPieces(value, depth));
}

/**
 * Props of a component as one text of JSON, for what `ofText` makes of it; it may stand in a script of a page. They must
 * be plain: what JSON does not know, such as dates and functions, does not arrive. They must not be changed in place
 * afterwards.
 * @example asText<typeof Floor>(floor)
 */
export function asText<Shown extends (props: never) => unknown>(props: Parameters<Shown>[0] & object): string {
  return write(props, 0) ?? '{}';
}
