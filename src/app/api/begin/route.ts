import * as server from '@/server';
import { serveBy } from '@/app/served';

export const dynamic = 'force-dynamic';

/** The word that our own server made for this process (`scripts/lib/begin-serving`); used up by its first use. */
const shared = globalThis as { puddlestoneBeginWord?: string | undefined };

/**
 * What a serving process begins with, asked for by itself before it listens; to anybody else there is no such address.
 * Here and not in Next's own `instrumentation`: a build gives that a copy of all that it uses, beside the one of the
 * route handlers.
 */
export async function POST(request: Request): Promise<Response> {
  const { puddlestoneBeginWord: word } = shared;
  const url = process.env.DATABASE_URL;
  if (!word || !url || request.headers.get('puddlestone-begin') !== word) return new Response(null, { status: 404 });
  shared.puddlestoneBeginWord = undefined;
  try {
    serveBy(server);
    await server.beginServing(url);
    return new Response(null, { status: 204 });
  } catch (error) {
    return new Response(error instanceof Error ? error.message : String(error), { status: 500 });
  }
}
