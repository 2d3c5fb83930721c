import * as z from 'zod';
import { reference, when } from '../format/pieces';

/** The format of a block file. */
export const blockFormat = 'puddlestone-block/1';

const parameterName = z.string().regex(/^[a-z][a-z0-9-]*$/, 'lower-case words joined by hyphens');

const parameter = z.strictObject({
  /** What is to be given, for whoever writes a family with it. */
  what: z.string(),
  /** What stands where a family gives nothing. Without it, it must be given, unless it is `optional`. */
  usual: z.unknown().optional(),
  /** May be left out; elements with `given` are then left out with it. */
  optional: z.literal(true).optional(),
});

/**
 * What several constructions share, written once: lists of elements as a family file has them. Text in braces is the
 * name of a parameter; an element with `given` stands only where that parameter was given.
 */
export const blockSchema = z.strictObject({
  format: z.literal(blockFormat),
  id: reference,
  title: z.string(),
  what: z.string(),
  parameters: z.record(parameterName, parameter).default({}),
  /** Lists by the name under which a family takes them: parts, points, damage, and steps or actions by what they do. */
  lists: z.record(reference, z.array(z.record(z.string(), z.unknown())).min(1)),
});
export type Block = z.infer<typeof blockSchema>;

const given = z.record(parameterName, z.unknown()).default({});

/** In a family: a block that it is written with, its parameters, and in which builds. */
export const useSchema = z.strictObject({
  block: reference,
  when,
  per: reference.optional().describe('the set over which its parts, points and steps repeat'),
  with: given,
});
export type BlockUse = z.infer<typeof useSchema>;

/** In a list of a family: here stand the elements of a block's list. */
export const placementSchema = z.strictObject({
  from: reference.describe('a name of `uses`'),
  take: reference.describe('the list of the block that stands here'),
  when,
  /** Parameters that are otherwise at this place. */
  with: given,
  /** Elements that are not taken, by their ids. */
  without: z.array(z.string()).default([]),
});
export type Placement = z.infer<typeof placementSchema>;

/** The JSON Schema of a block file. */
export function blockJsonSchema(): Readonly<Record<string, unknown>> {
  return {
    $id: 'puddlestone-block-1.schema.json',
    title: 'Puddlestone block: what several constructions share, format 1',
    ...z.toJSONSchema(blockSchema, { io: 'input', unrepresentable: 'any' }),
  };
}
