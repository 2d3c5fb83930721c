import * as z from 'zod';

/** What the two descriptions of our HTTP doors, the sums' and the changes', share. */
export type Json = Readonly<Record<string, unknown>>;

/** A schema as JSON Schema 2020-12, without its `$schema` line, as OpenAPI 3.1 embeds it. */
export function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema: _schema, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return rest;
}

/** An answer with a JSON body. */
export const answered = (description: string, schema: Json): Json => ({
  description,
  content: { 'application/json': { schema } },
});

/** The issues of a refusal: which field, and what is wrong with it. */
export const issueListSchema: Json = {
  type: 'array',
  items: {
    type: 'object',
    required: ['path', 'message'],
    properties: { path: { type: 'string' }, message: { type: 'string' } },
  },
};
