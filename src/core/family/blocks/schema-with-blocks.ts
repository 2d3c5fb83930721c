import * as z from 'zod';
import { placementSchema, useSchema } from './block-schema';

type Json = Readonly<Record<string, unknown>>;

/** Lists of a family file in which a block's elements may stand. */
const lists: ReadonlySet<string> = new Set([
  ...['axes', 'sizes', 'sets', 'parts', 'points', 'teardown', 'rebuild', 'steps', 'actions'],
  ...['damage', 'kits', 'gives', 'labour', 'bodies'],
]);

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function withPlacements(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(withPlacements);
  if (!isObject(schema)) return schema;
  return Object.fromEntries(
    Object.entries(schema).map(([key, own]) => {
      const inner = withPlacements(own);
      const isList = lists.has(key) && isObject(inner) && inner.type === 'array';
      return [key, isList ? { ...inner, items: { anyOf: [inner.items, { $ref: '#/$defs/placement' }] } } : inner];
    }),
  );
}

const asSchema = (schema: z.ZodType): Json => {
  const { $schema: _, ...own } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return own;
};

/** The JSON Schema of a family with `uses`, and with places for a block's elements in its lists. */
export function schemaWithBlocks(schema: Json): Json {
  const placed = withPlacements(schema) as Json;
  return {
    ...placed,
    properties: {
      ...(placed.properties as Json),
      uses: {
        description: 'The blocks that this family is written with, by a name of its own for each.',
        type: 'object',
        additionalProperties: asSchema(useSchema),
      },
    },
    $defs: { ...(placed.$defs as Json | undefined), placement: asSchema(placementSchema) },
  };
}
