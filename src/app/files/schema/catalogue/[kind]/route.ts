import { catalogueKinds } from '@/core/change/inputs';
import { catalogueJsonSchema } from '@/core/purchasing';

/** The published schema of a row of a catalogue file, as in docs/formats. */
export async function GET(_request: Request, { params }: { params: Promise<{ kind: string }> }): Promise<Response> {
  const asked = (await params).kind;
  const kind = catalogueKinds.find((one) => one === asked);
  if (!kind) return Response.json({ error: `There is no schema of “${asked}”.` }, { status: 404 });
  return Response.json(catalogueJsonSchema(kind), { headers: { 'content-type': 'application/schema+json' } });
}
