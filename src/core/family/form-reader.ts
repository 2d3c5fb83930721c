import * as z from 'zod';
import { builtFamilySchema, type Family } from './format';

export interface FormFault {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** How deep a family is taken apart: to the elements of its lists, and of the lists of its section. */
const depth = 3;

const isPlain = (schema: z.ZodType) => !schema._zod.def.checks?.length;
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value in pieces, each with its schema; null for one that is read whole. */
function piecesOf(schema: z.ZodType, value: unknown): readonly (readonly [PropertyKey, z.ZodType, unknown])[] | null {
  if (!isPlain(schema)) return null;
  if (schema instanceof z.ZodArray && Array.isArray(value)) {
    const element = schema.element as z.ZodType;
    return value.map((one: unknown, i) => [i, element, one] as const);
  }
  if (!(schema instanceof z.ZodObject) || !isObject(value)) return null;
  const shape: Readonly<Record<string, z.ZodType>> = schema.shape;
  // What does not belong is said by the whole.
  if (Object.keys(value).some((key) => !(key in shape))) return null;
  return Object.entries(shape).map(([key, own]) => [key, own, value[key]] as const);
}

/**
 * Reads builds of one family, one after the other: most of a build is as it was in another, and what was read well there
 * is not read again. To read each whole took most of the time of a check of all builds.
 * @returns what is not as the format wants it in a build, by its path
 */
export function formReader(): (built: Family) => readonly FormFault[] {
  const good = new Map<z.ZodType, Good>();
  const read = (schema: z.ZodType, value: unknown, { path, left }: Where): readonly FormFault[] => {
    const known = good.get(schema) ?? { things: new WeakSet(), texts: new Set() };
    good.set(schema, known);
    const thing = typeof value === 'object' && value !== null ? value : null;
    // What a build shares with another is the same thing: building copies what differs alone.
    if (thing && known.things.has(thing)) return [];
    const pieces = left ? piecesOf(schema, value) : null;
    const faults = pieces
      ? pieces.flatMap(([key, own, one]) => read(own, one, { path: [...path, key], left: left - 1 }))
      : readPiece(schema, value, { path, known });
    if (thing && !faults.length) known.things.add(thing);
    return faults;
  };
  return (built) => read(builtFamilySchema, built, { path: [], left: depth });
}

interface Where {
  readonly path: readonly PropertyKey[];
  /** How many levels are taken apart yet. */
  readonly left: number;
}

/** What was read well by one schema: the things themselves, and how they are written. */
interface Good {
  readonly things: WeakSet<object>;
  readonly texts: Set<string>;
}

function readPiece(
  schema: z.ZodType,
  value: unknown,
  { path, known: { texts } }: { readonly path: readonly PropertyKey[]; readonly known: Good },
): readonly FormFault[] {
  const text = JSON.stringify(value) ?? '';
  if (texts.has(text)) return [];
  const done = schema.safeParse(value);
  if (done.success) texts.add(text);
  return (done.error?.issues ?? []).map((issue) => ({ path: [...path, ...issue.path], message: issue.message }));
}
