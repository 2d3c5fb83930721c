import type { Block } from './block-schema';

type Json = Readonly<Record<string, unknown>>;
export type Parameters = ReadonlyMap<string, unknown>;

/** What is wrong with a use of a block, in words. */
export class FillError extends RangeError {}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list under the name of a parameter alone is laid into the list that it stands in. */
const lies = (value: unknown, filled: unknown): readonly unknown[] =>
  typeof value === 'string' && Array.isArray(filled) ? filled : [filled];

function fillText(text: string, parameters: Parameters): unknown {
  const alone = /^\{([a-z][a-z0-9-]*)\}$/.exec(text)?.[1];
  if (alone !== undefined) {
    if (!parameters.has(alone)) throw new FillError(`has no parameter “${alone}”`);
    return parameters.get(alone);
  }
  return text.replace(/\{([a-z][a-z0-9-]*)\}/g, (_, name: string) => {
    const value = parameters.get(name);
    if (typeof value === 'string' || typeof value === 'number') return String(value);
    throw new FillError(`“${name}” stands within words, and must be words or a number`);
  });
}

/** Whether an element stands: always, or where the parameter that it names was given. */
function stands(element: unknown, parameters: Parameters): boolean {
  if (!isObject(element) || typeof element.given !== 'string') return true;
  const value = parameters.get(element.given);
  return value !== undefined && value !== null && value !== false;
}

/** A value of a block with its parameters put in; keys, too, may be the name of one. */
export function fill(value: unknown, parameters: Parameters): unknown {
  if (typeof value === 'string') return fillText(value, parameters);
  if (Array.isArray(value))
    return value
      .filter((element) => stands(element, parameters))
      .flatMap((element) => lies(element, fill(element, parameters)));
  if (!isObject(value)) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, own]): readonly (readonly [string, unknown])[] => {
      if (key === 'given') return [];
      const filled = fill(own, parameters);
      return filled === undefined ? [] : [[String(fillText(key, parameters)), filled]];
    }),
  );
}

/**
 * The parameters of a block as a family gives them.
 * @throws FillError for one that the block has not got, and for one that must be given and is not
 */
export function parametersOf(block: Block, given: Json): Parameters {
  const unknown = Object.keys(given).find((name) => !Object.hasOwn(block.parameters, name));
  if (unknown !== undefined) throw new FillError(`has no parameter “${unknown}”`);
  return new Map(
    Object.entries(block.parameters).map(([name, { usual, optional, what }]) => {
      const value = given[name] ?? usual;
      if (value === undefined && !optional) throw new FillError(`needs “${name}”: ${what}`);
      return [name, value];
    }),
  );
}
