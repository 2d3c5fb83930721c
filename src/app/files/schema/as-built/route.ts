import { asBuiltJsonSchema } from '@/core/report';

/** The published schema of the as-built record, as in docs/formats. */
export function GET(): Response {
  return Response.json(asBuiltJsonSchema(), { headers: { 'content-type': 'application/schema+json' } });
}
