import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The worker that keeps the bench through a time without a line, as the build made it; asked for anew each time. */
export async function GET(): Promise<Response> {
  try {
    const bytes = await readFile(join(process.cwd(), '.next', 'bench-worker.js'));
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
    });
  } catch {
    // The development server builds none.
    return new Response('// This server was not built with a worker.\n', { status: 404 });
  }
}
