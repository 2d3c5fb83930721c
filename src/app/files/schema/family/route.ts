import { familyJsonSchema } from '@/core/family';

/** The published schema of a family file, as in docs/formats. */
export function GET(): Response {
  return Response.json(familyJsonSchema(), { headers: { 'content-type': 'application/schema+json' } });
}
